import type { Desk, Job, Wishes } from '../trade/index.ts'
import { addDays, addSeconds, type Instant } from '../units/index.ts'
import { clockOn, endOfDay } from './sessions.ts'

type Date = Pick<Wishes, 'dueOn' | 'handOver'>
type At = Pick<Desk, 'evenings'>

/** When the models are handed over: the hour of the due day, else its end; `null` without a date. */
export function handedOverAt({ dueOn, handOver }: Date, { evenings }: At): Instant | null {
  if (dueOn === null) return null
  const { timeZone } = evenings
  return handOver ? clockOn(dueOn, handOver.at, timeZone) : endOfDay(dueOn, timeZone)
}

/** From when on the models are here; `null`: they are, as far as anybody knows. */
export function hereFrom(
  { commission }: Pick<Job, 'commission'>,
  { evenings }: Pick<Desk, 'evenings'>,
): Instant | null {
  const arrivesOn = commission?.arrivesOn ?? null
  return arrivesOn === null ? null : endOfDay(addDays(arrivesOn, -1), evenings.timeZone)
}

/** By when the last coat has to be dry: what is handed over at an hour cures and is packed before. */
export function paintedBy(date: Date, at: At): Instant | null {
  const due = handedOverAt(date, at)
  const { handOver } = date
  return due === null || handOver === null
    ? due
    : addSeconds(due, -(handOver.cureSeconds + handOver.packingSeconds))
}
