import { useSyncExternalStore } from 'react'

const watchers = new Set<() => void>()

function watch(watcher: () => void): () => void {
  watchers.add(watcher)
  return () => watchers.delete(watcher)
}

/** A word that this device keeps under a key; `null` where it keeps none. */
export function useStoredWord(key: string): string | null {
  return useSyncExternalStore(watch, () => localStorage.getItem(key))
}

/** Keeps a word on this device; where nothing more can be stored it stays as it was, and the outbox tells of it. */
export function storeWord(key: string, word: string): void {
  try {
    localStorage.setItem(key, word)
  } catch {
    return
  }
  for (const watcher of watchers) watcher()
}
