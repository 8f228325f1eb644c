import { useEffect, useRef } from 'react'
import { clockNow } from './clock.ts'
import { everySecond } from './use-now.ts'

/** Something that is due at a moment. */
interface Due {
  readonly key: string
  readonly at: number
}

/** Calls once for each of these when its moment comes while the page is open; not for what was past before. */
export function useDue<Each extends Due>(list: readonly Each[], onDue: (each: Each) => void): void {
  const before = useRef<number | null>(null)
  useEffect(() => {
    const look = () => {
      const now = clockNow()
      const came = list.filter(({ at }) => at > (before.current ?? now) && at <= now)
      before.current = now
      for (const each of came) onDue(each)
    }
    look()
    return everySecond(look)
  }, [list, onDue])
}
