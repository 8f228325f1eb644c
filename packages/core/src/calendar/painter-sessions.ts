import { tzOffset } from '@date-fns/tz'
import type { Evenings, Painter, SessionMark, SessionRule } from '../trade/index.ts'
import {
  addDays,
  addSeconds,
  daysBetween,
  instant,
  type Instant,
  isoWeekday,
  type LocalDate,
} from '../units/index.ts'
import { clockOn, localDateAt, type Session } from './sessions.ts'

/** Something odd about a painter's sessions that the plan went on in spite of. */
export type CalendarNote =
  | { readonly kind: 'overlapping-sessions'; readonly painter: string; readonly at: Instant }
  | { readonly kind: 'clocks-change-in-session'; readonly painter: string; readonly at: Instant }

export interface PainterSessions {
  /** In order; what overlaps is one. */
  readonly sessions: readonly Session[]
  readonly notes: readonly CalendarNote[]
}

/** Days looked ahead at most: however few evenings there are, a plan comes to an end. */
const farthestDays = 40 * 366

/**
 * A painter's next `count` sessions that end after `from`, as far as forty years ahead: by the rules (the project's
 * evenings where there are none of the painter's own), without days off and dropped ones, with the single ones.
 * The session going on at `from` starts at `from`. Sessions that overlap become one, and so do those that touch.
 * Daylight saving: a session starts at its wall-clock time (see `wallClock`) and lasts its full length in real minutes.
 */
export function painterSessions(
  painter: Painter,
  evenings: Evenings,
  from: Instant,
  count: number,
): PainterSessions {
  const rules = rulesFor(painter, evenings)
  const { timeZone } = evenings
  const dropped = new Set<number>(painter.dropped.map((mark) => momentOf(mark, timeZone)))
  // The session going on is marked by the moment at which it was dropped.
  const isDropped = ({ startsAt, endsAt }: Session) =>
    dropped.has(startsAt) ||
    (startsAt < from && [...dropped].some((moment) => moment >= startsAt && moment < endsAt))
  const first = addDays(localDateAt(from, timeZone), -1)
  const planned: Session[] = painter.extra
    .map((each) => {
      const startsAt = momentOf(each, timeZone)
      return { startsAt, endsAt: addSeconds(startsAt, each.lengthSeconds) }
    })
    .filter((each) => each.endsAt > from)
  const notes: CalendarNote[] = []
  let days = 0
  for (let date = first; planned.length < count + painter.extra.length && days < farthestDays; days++) {
    const free = painter.off.some((off) => off.from <= date && date <= off.until)
    for (const rule of rules) {
      if (free || !isOn(rule, date)) continue
      const session = sessionOn(rule, date, timeZone)
      if (session.endsAt > from && !isDropped(session)) planned.push(session)
    }
    date = addDays(date, 1)
  }
  planned.sort((a, b) => a.startsAt - b.startsAt || a.endsAt - b.endsAt)
  const sessions: Session[] = []
  for (const next of planned) {
    const last = sessions.at(-1)
    if (last && next.startsAt < last.endsAt)
      notes.push({ kind: 'overlapping-sessions', painter: painter.name, at: next.startsAt })
    if (last && next.startsAt <= last.endsAt) {
      sessions[sessions.length - 1] = { ...last, endsAt: instant(Math.max(last.endsAt, next.endsAt)) }
    } else sessions.push({ startsAt: instant(Math.max(next.startsAt, from)), endsAt: next.endsAt })
  }
  const soon = sessions.slice(0, count)
  for (const { startsAt, endsAt } of soon.slice(0, 60)) {
    if (tzOffset(timeZone, new Date(startsAt)) !== tzOffset(timeZone, new Date(endsAt)))
      notes.push({ kind: 'clocks-change-in-session', painter: painter.name, at: startsAt })
  }
  return { sessions: soon, notes: firstOfEach(notes) }
}

/** The other way round: the first that comes every week leads; `null` where none does. */
export function eveningsOf(rules: readonly SessionRule[], timeZone: string): Evenings | null {
  const first = rules.find((rule) => rule.everyWeeks === 1)
  if (!first) return null
  const { weekdays, startsAt, lengthSeconds } = first
  return { weekdays, startsAt, lengthSeconds, also: rules.filter((rule) => rule !== first), timeZone }
}

/** When a painter comes again and again: by rules of their own, else on the project's evenings. */
export function rulesFor({ rules }: Pick<Painter, 'rules'>, evenings: Evenings): readonly SessionRule[] {
  return rules.length > 0 ? rules : rulesOf(evenings)
}

/** A project's evenings, rule by rule. */
export function rulesOf({ weekdays, startsAt, lengthSeconds, also }: Evenings): readonly SessionRule[] {
  return [{ weekdays, startsAt, lengthSeconds, everyWeeks: 1, countedFrom: null }, ...also]
}

function isOn(rule: SessionRule, date: LocalDate): boolean {
  if (!rule.weekdays.includes(isoWeekday(date))) return false
  if (rule.everyWeeks <= 1 || rule.countedFrom === null) return true
  const monday = (day: LocalDate) => addDays(day, 1 - isoWeekday(day))
  const weeks = daysBetween(monday(rule.countedFrom), monday(date)) / 7
  return ((weeks % rule.everyWeeks) + rule.everyWeeks) % rule.everyWeeks === 0
}

/** The moment a mark names; see `wallClock` for times that do not exist or exist twice. */
export function momentOf({ on, at }: SessionMark, timeZone: string): Instant {
  return clockOn(on, at, timeZone)
}

function sessionOn(rule: SessionRule, date: LocalDate, timeZone: string): Session {
  const startsAt = clockOn(date, rule.startsAt, timeZone)
  return { startsAt, endsAt: addSeconds(startsAt, rule.lengthSeconds) }
}

/** One note of each kind and painter says it all. */
function firstOfEach(notes: readonly CalendarNote[]): readonly CalendarNote[] {
  const seen = new Set<string>()
  return notes.filter(({ kind }) => {
    if (seen.has(kind)) return false
    seen.add(kind)
    return true
  })
}

/** Spans of one wall-clock range on each of the days from `from` on, in seconds from it. */
export function dailyWindows(
  hours: { readonly from: string; readonly until: string },
  timeZone: string,
  from: Instant,
  until: Instant,
): readonly { readonly start: number; readonly end: number }[] {
  const spans: { start: number; end: number }[] = []
  for (let date = localDateAt(from, timeZone); ; date = addDays(date, 1)) {
    const start = (clockOn(date, hours.from, timeZone) - from) / 1000
    const end = (clockOn(date, hours.until, timeZone) - from) / 1000
    if (start > (until - from) / 1000) return spans
    if (end > start) spans.push({ start, end })
  }
}
