import { tzOffset } from '@date-fns/tz'
import type { Evenings } from '../trade/index.ts'
import { addDays, addSeconds, instant, type Instant, isoWeekday, type LocalDate } from '../units/index.ts'

/** One sitting at the desk. */
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

/**
 * The next `count` sessions that end after `from`; the one going on at `from` starts at `from`.
 * Daylight saving: a session starts at its wall-clock time (moved past the gap where that time does
 * not exist, the first of two where it exists twice) and lasts its full length in real minutes.
 * @throws RangeError no weekday, or an unknown zone.
 */
export function expandSessions(evenings: Evenings, from: Instant, count: number): readonly Session[] {
  if (evenings.weekdays.length === 0) throw new RangeError('no evening to paint on')
  const sessions: Session[] = []
  // Yesterday's session may still be going on after midnight.
  let date = addDays(localDateAt(from, evenings.timeZone), -1)
  while (sessions.length < count) {
    if (evenings.weekdays.includes(isoWeekday(date))) {
      const startsAt = clockOn(date, evenings.startsAt, evenings.timeZone)
      const endsAt = addSeconds(startsAt, evenings.lengthSeconds)
      const begins = instant(Math.max(startsAt, from, sessions.at(-1)?.endsAt ?? from))
      if (endsAt > begins) sessions.push({ startsAt: begins, endsAt })
    }
    date = addDays(date, 1)
  }
  return sessions
}

/** The last moment of the due day. */
export function endOfDay(date: LocalDate, timeZone: string): Instant {
  return wallClock(addDays(date, 1), 0, timeZone)
}
