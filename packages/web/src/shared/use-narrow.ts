import { useSyncExternalStore } from 'react'

/** A phone held upright. */
const narrow = () => window.matchMedia('(max-width: 639px)')

export function useNarrow(): boolean {
  return useSyncExternalStore(
    (notify) => {
      const query = narrow()
      query.addEventListener('change', notify)
      return () => query.removeEventListener('change', notify)
    },
    () => narrow().matches,
  )
}
