import type { Instant } from '@seriatim/core/units'
import { durationText, stopwatchText } from '../../shared/format/index.ts'
import { nearSeconds, useNowBefore } from '../../shared/use-now.ts'

/** How long until a moment: in minutes while there is time, in seconds at last. */
export function Countdown({ until }: { readonly until: Instant }) {
  const left = (until - useNowBefore(until)) / 1000
  return (
    <span className="whitespace-nowrap">
      {left < nearSeconds ? stopwatchText(left) : durationText(Math.ceil(left / 60) * 60)}
    </span>
  )
}
