import { tzOffset } from '@date-fns/tz'
import { addDays, instant, type Instant, type LocalDate } from '../units/index.ts'

/** One session at the desk. */
export interface Session {
  readonly startsAt: Instant
  readonly endsAt: Instant
}

const dayMilliseconds = 86_400_000

/** The calendar day a moment falls on in `timeZone`. @throws RangeError an unknown zone. */
export function localDateAt(moment: Instant, timeZone: string): LocalDate {
  const offset = tzOffset(timeZone, new Date(moment)) * 60_000
  return new Date(moment + offset).toISOString().slice(0, 10) as LocalDate
}

/**
 * The moment a wall clock in `timeZone` shows `secondsOfDay` on `date`. A time that does not exist is moved
 * past the gap by as much as the clocks are; of a time that exists twice the first is taken.
 */
export function wallClock(date: LocalDate, secondsOfDay: number, timeZone: string): Instant {
  const asIfUtc = Date.parse(`${date}T00:00:00Z`) + secondsOfDay * 1000
  const offsetAt = (moment: number) => tzOffset(timeZone, new Date(moment)) * 60_000
  const before = asIfUtc - offsetAt(asIfUtc - dayMilliseconds)
  const after = asIfUtc - offsetAt(asIfUtc + dayMilliseconds)
  // No change of clocks near by, as on nearly every day.
  if (before === after) return instant(before)
  const exists = [before, after].filter((moment) => moment + offsetAt(moment) === asIfUtc)
  return instant(Math.min(...(exists.length > 0 ? exists : [before])))
}

/** The moment a clock in `timeZone` shows `HH:MM` on `date`; see `wallClock`. */
export function clockOn(date: LocalDate, clock: string, timeZone: string): Instant {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number)
  return wallClock(date, hours * 3600 + minutes * 60, timeZone)
}

/** The last moment of the due day. */
export function endOfDay(date: LocalDate, timeZone: string): Instant {
  return wallClock(addDays(date, 1), 0, timeZone)
}
