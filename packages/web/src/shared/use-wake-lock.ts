import { useEffect } from 'react'

/** Keeps the screen awake while it is wanted and the page is seen; where a device cannot, nothing happens. */
export function useWakeLock(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return
    let held: WakeLockSentinel | null = null
    let isOver = false
    const take = () => {
      // A hidden page has lost its lock, and cannot have another.
      if (document.visibilityState !== 'visible') return
      navigator.wakeLock.request('screen').then(
        (lock) => {
          if (isOver) void lock.release()
          else held = lock
        },
        () => undefined,
      )
    }
    take()
    document.addEventListener('visibilitychange', take)
    return () => {
      isOver = true
      document.removeEventListener('visibilitychange', take)
      void held?.release()
    }
  }, [wanted])
}
