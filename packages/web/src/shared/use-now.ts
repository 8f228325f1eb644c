import { instant, type Instant } from '@seriatim/core'
import { useSyncExternalStore } from 'react'

const subscribers = new Set<() => void>()
let timer: ReturnType<typeof setInterval> | undefined
let now = instant(Date.now())

function subscribe(notify: () => void): () => void {
  subscribers.add(notify)
  timer ??= setInterval(() => {
    now = instant(Date.now())
    for (const each of subscribers) each()
  }, 1000)
  return () => {
    subscribers.delete(notify)
    if (subscribers.size > 0) return
    clearInterval(timer)
    timer = undefined
  }
}

/** The moment, anew every second. */
export function useNow(): Instant {
  return useSyncExternalStore(subscribe, () => now)
}

/** The moment, cut to whole minutes: for plans, which need not follow every second. */
export function useNowMinute(): Instant {
  return useSyncExternalStore(subscribe, () => instant(Math.floor(now / 60_000) * 60_000))
}
