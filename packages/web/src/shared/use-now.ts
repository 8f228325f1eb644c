import { instant, type Instant } from '@seriatim/core/units'
import { useMemo, useSyncExternalStore } from 'react'
import { clockNow } from './clock.ts'

const subscribers = new Set<() => void>()
let timer: ReturnType<typeof setInterval> | undefined
let now = clockNow()

/** Calls every second from now on, until it is ended. */
export function everySecond(notify: () => void): () => void {
  subscribers.add(notify)
  if (timer === undefined) {
    // Nobody looked at the clock for a while.
    now = clockNow()
    timer = setInterval(() => {
      now = clockNow()
      for (const each of subscribers) each()
    }, 1000)
  }
  return () => {
    subscribers.delete(notify)
    if (subscribers.size > 0) return
    clearInterval(timer)
    timer = undefined
  }
}

/** The moment, anew every so many seconds: the more it redraws, the fewer times. */
export function useNow(everySeconds = 1): Instant {
  const step = everySeconds * 1000
  return useSyncExternalStore(everySecond, () => instant(step === 1000 ? now : Math.floor(now / step) * step))
}

/** The same, and this moment when `done` has become another: what was just done is not looked at from before it. */
export function useNowOf(done: unknown, everySeconds: number): Instant {
  const ticked = useNow(everySeconds)
  const changed = useMemo(() => ({ done, at: clockNow() }), [done])
  return instant(Math.max(ticked, changed.at))
}

/** What is further off than so many seconds is told in minutes. */
export const nearSeconds = 120

/** The moment, by the second while another is near, before it and after; every ten seconds else. */
export function useNowBefore(until: Instant): Instant {
  const coarse = useNow(10)
  return useNow(Math.abs(until - coarse) < (nearSeconds + 10) * 1000 ? 1 : 10)
}
