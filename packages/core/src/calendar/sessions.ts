import { TZDate } from '@date-fns/tz'
import type { Evenings } from '../project/project.ts'
import { addSeconds, instant, type Instant } from '../units/instant.ts'
import { addDays, isoWeekday, type LocalDate } from '../units/local-date.ts'

/** One sitting at the desk. */
export interface Session {
  readonly startsAt: Instant
  readonly endsAt: Instant
}

/** The calendar day a moment falls on in `timeZone`. @throws RangeError an unknown zone. */
export function localDateAt(moment: Instant, timeZone: string): LocalDate {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
  }).formatToParts(moment)
  const part = (type: string) => parts.find((each) => each.type === type)?.value ?? ''
  return `${part('year')}-${part('month')}-${part('day')}` as LocalDate
}

/** Midnight at the start of `date` in `timeZone`, plus `secondsOfDay` on the wall clock. */
export function wallClock(date: LocalDate, secondsOfDay: number, timeZone: string): Instant {
  const [year = 0, month = 1, day = 1] = date.split('-').map(Number)
  const zoned = new TZDate(year, month - 1, day, 0, 0, secondsOfDay, timeZone)
  return instant(zoned.getTime())
}

/**
 * The next `count` sessions that end after `from`; the one going on at `from` starts at `from`.
 * Daylight saving: a session starts at its wall-clock time (moved past the gap where that time does
 * not exist, the first of two where it exists twice) and lasts its full length in real minutes.
 * @throws RangeError no weekday, or an unknown zone.
 */
export function expandSessions(evenings: Evenings, from: Instant, count: number): readonly Session[] {
  if (evenings.weekdays.length === 0) throw new RangeError('no evening to paint on')
  const [hours = 0, mins = 0] = evenings.startsAt.split(':').map(Number)
  const sessions: Session[] = []
  // Yesterday's session may still be going on after midnight.
  let date = addDays(localDateAt(from, evenings.timeZone), -1)
  while (sessions.length < count) {
    if (evenings.weekdays.includes(isoWeekday(date))) {
      const startsAt = wallClock(date, hours * 3600 + mins * 60, evenings.timeZone)
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
