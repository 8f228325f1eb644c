import type { Instant } from '@seriatim/core/units'
import { durationText, stopwatchText } from '../../shared/format/index.ts'
import { useNowBefore } from '../../shared/use-now.ts'

/** In minutes while there is time, in seconds at last. */
const inSeconds = 120

/** How long until a moment. */
export function Countdown({ until }: { readonly until: Instant }) {
  const left = (until - useNowBefore(until)) / 1000
  return left < inSeconds ? stopwatchText(left) : durationText(Math.ceil(left / 60) * 60)
}
