import { progressAt, type Progress } from '@seriatim/core/progress'
import type { Instant } from '@seriatim/core/units'
import { sourceOf } from './progress-store.ts'

const eventsOf = (progress: Progress) => {
  const source = sourceOf(progress)
  return source ? source.events.slice(0, source.count) : []
}

/** When the last of what is known of a project was recorded; `null` where nothing was. */
export function lastRecordedAt(progress: Progress): Instant | null {
  return eventsOf(progress).reduce<Instant | null>(
    (last, { at }) => (last === null || at > last ? at : last),
    null,
  )
}

/** A state of this page's as it was at a moment; the very same one where nothing was recorded since. */
export function asItWas(progress: Progress, moment: Instant): Progress {
  const last = lastRecordedAt(progress)
  return last === null || last <= moment ? progress : progressAt(eventsOf(progress), moment)
}
