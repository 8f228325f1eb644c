import { useEffect, useRef, useState } from 'react'

/** So long hands may put it off. */
const longest = 15_000

const ofHands = ['pointerdown', 'keydown', 'wheel'] as const

/**
 * A value that costs much to follow: taken over once it and the hands at the page have rested, and after fifteen seconds
 * in any case.
 * @param rests milliseconds without a change, a tap, a key or a turn of the wheel: until the first value, and from then on.
 */
export function useSettled<Value>(
  value: Value | null,
  rests: { readonly atFirst: number; readonly later: number },
): Value | null {
  const [settled, setSettled] = useState<Value | null>(null)
  const since = useRef<number | null>(null)
  const rest = settled === null ? rests.atFirst : rests.later
  useEffect(() => {
    if (value === settled) {
      since.current = null
      return
    }
    since.current ??= performance.now()
    const end = since.current + longest
    let timer: ReturnType<typeof setTimeout>
    const wait = () => {
      clearTimeout(timer)
      timer = setTimeout(take, Math.min(rest, Math.max(0, end - performance.now())))
    }
    const take = () => {
      since.current = null
      setSettled(value)
    }
    wait()
    for (const hand of ofHands) window.addEventListener(hand, wait, { capture: true, passive: true })
    return () => {
      clearTimeout(timer)
      for (const hand of ofHands) window.removeEventListener(hand, wait, { capture: true })
    }
  }, [value, settled, rest])
  return settled
}
