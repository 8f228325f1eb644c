import { clear, createStore, del, get, set, type UseStore } from 'idb-keyval'

/** Copies of what the server said, on this device; it works without them, and they may be thrown away at any time. */
let store: UseStore | null = null

/** A full or forbidden storage is no failure: it is a copy. */
async function quietly<T>(work: (store: UseStore) => Promise<T>): Promise<T | undefined> {
  try {
    store ??= createStore('seriatim', 'kept')
    return await work(store)
  } catch {
    return undefined
  }
}

export const keep = (key: string, value: unknown) => quietly((place) => set(key, value, place))
export const forget = (key: string) => quietly((place) => del(key, place))
export const forgetAll = () => quietly((place) => clear(place))
export const readKept = (key: string): Promise<unknown> => quietly((place) => get<unknown>(key, place))
