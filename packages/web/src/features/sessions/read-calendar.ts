import { localDateAt } from '@seriatim/core/calendar'
import type { SingleSession } from '@seriatim/core/trade'
import { instant, type Instant, seconds } from '@seriatim/core/units'
import ICAL from 'ical.js'
import { hasAnyDay, nearStart } from './repeat-rule.ts'
import { isKnownZone, momentInZone } from './zone-time.ts'

/** One appointment of a calendar file. */
export interface Appointment {
  readonly startsAt: Instant
  readonly endsAt: Instant
  readonly title: string
}

export type CalendarText =
  | { readonly ok: true; readonly appointments: readonly Appointment[]; readonly allDay: number }
  | { readonly ok: false; readonly error: string }

export interface CalendarWish {
  readonly text: string
  readonly from: Instant
  readonly until: Instant
  /** Of times that name no zone. */
  readonly timeZone: string
}

const most = 1000
const longestSitting = 16 * 3600
/** Steps of a rule that is looked through one by one. */
const mostSteps = 20_000

/** A fault of the file, as a sentence. */
class Unreadable extends Error {}

/**
 * The appointments of an iCalendar file (RFC 5545) that end after `from` and begin before `until`, repeated ones one by
 * one, moved ones where they were moved to. Days as a whole and cancelled ones are passed over. A zone that the file
 * names without defining it is looked up by its name.
 */
export function readCalendar({ text, from, until, timeZone }: CalendarWish): CalendarText {
  let calendar: ICAL.Component
  try {
    calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
  } catch {
    return { ok: false, error: 'This is not an iCalendar file: its first line should be BEGIN:VCALENDAR.' }
  }
  if (calendar.name !== 'vcalendar') return { ok: false, error: 'This file holds no calendar.' }
  try {
    return appointmentsOf(calendar, { from, until, timeZone })
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, error: error.message }
    // The library throws at what it cannot read, and at an entry without a beginning.
    return { ok: false, error: 'This calendar has an entry that cannot be read: a time is missing or wrong.' }
  }
}

type Window = Omit<CalendarWish, 'text'>

function appointmentsOf(calendar: ICAL.Component, { from, until, timeZone }: Window): CalendarText {
  const defined = defineZones(calendar)
  const appointments: Appointment[] = []
  let allDay = 0
  const add = (title: string, startsAt: Instant, endsAt: Instant) => {
    if (endsAt <= from || startsAt >= until) return
    appointments.push({ startsAt, endsAt, title })
    if (appointments.length > most)
      throw new Unreadable(
        `This calendar has more than ${most.toLocaleString('en')} times in the next months.`,
      )
  }
  for (const { entry, moved } of entriesOf(calendar)) {
    if (entry.startDate.isDate) {
      allDay += 1
      continue
    }
    const zone = zoneOf(entry, defined, timeZone)
    const length = entry.duration.toSeconds() * 1000
    const addAt = (title: string, start: ICAL.Time, milliseconds: number) => {
      const startsAt = momentOf(start, zone)
      add(title, startsAt, instant(startsAt + milliseconds))
    }
    if (!entry.isRecurring()) {
      if (!isCancelled(entry)) addAt(entry.summary, entry.startDate, length)
      continue
    }
    if (isCancelled(entry)) continue
    for (const start of startsOf(entry, { from: instant(from - length), until }, zone)) {
      const details = entry.getOccurrenceDetails(start)
      const isAlone = moved.has(start.toString())
      // One that was moved or changed by itself is an entry of its own; one that changes all later ones shifts this.
      if (!isAlone && !isCancelled(details.item))
        addAt(details.item.summary, details.startDate, details.item.duration.toSeconds() * 1000)
    }
  }
  return { ok: true, appointments: appointments.toSorted((a, b) => a.startsAt - b.startsAt), allDay }
}

interface Entry {
  readonly entry: ICAL.Event
  /** Where in a repeated entry others stand in its place. */
  readonly moved: ReadonlySet<string>
}

/** Each entry with what was changed of single times of it; those changes are entries as well. */
function entriesOf(calendar: ICAL.Component): readonly Entry[] {
  const events = calendar.getAllSubcomponents('vevent').map((component) => new ICAL.Event(component))
  const changes = new Map<string, ICAL.Event[]>()
  for (const event of events)
    if (event.isRecurrenceException()) changes.set(event.uid, [...(changes.get(event.uid) ?? []), event])
  const masters = new Set(events.filter((event) => !event.isRecurrenceException()).map((event) => event.uid))
  return events.flatMap((entry): Entry[] => {
    const alone = !entry.isRecurrenceException()
    // A change of all later times is told by the entry it belongs to, where that is in the file.
    if (!alone && entry.modifiesFuture() && masters.has(entry.uid)) return []
    const own = alone ? (changes.get(entry.uid) ?? []) : []
    for (const change of own) entry.relateException(change)
    const single = own.filter((change) => !change.modifiesFuture())
    return [{ entry, moved: new Set(single.map((change) => change.recurrenceId.toString())) }]
  })
}

function isCancelled(event: ICAL.Event): boolean {
  return String(event.component.getFirstPropertyValue('status') ?? '').toUpperCase() === 'CANCELLED'
}

/** The beginnings of a repeated entry in a window, and some before it. */
function* startsOf(
  entry: ICAL.Event,
  { from, until }: { readonly from: Instant; readonly until: Instant },
  zone: string | null,
): Generator<ICAL.Time> {
  const rules = entry.component
    .getAllProperties('rrule')
    .map((property) => property.getFirstValue() as ICAL.Recur)
  if (rules.some((rule) => !hasAnyDay(rule))) return
  const [rule] = rules
  const hasDates = entry.component.getFirstProperty('rdate') !== null
  const begin = rule && rules.length === 1 && !hasDates ? nearStart(rule, entry.startDate, from) : null
  const each = begin
    ? new ICAL.RecurExpansion({ component: entry.component, dtstart: begin })
    : entry.iterator()
  // The library gives nothing after the last one, whatever its types say.
  const next = () => each.next() as ICAL.Time | undefined
  let steps = 0
  for (let start = next(); start; start = next()) {
    if (momentOf(start, zone) >= until) return
    if ((steps += 1) > mostSteps)
      throw new Unreadable(
        `“${entry.summary}” repeats too often to be read: give it an end, or leave it out.`,
      )
    yield start
  }
}

/** The zones the file defines, by name. */
function defineZones(calendar: ICAL.Component): ReadonlySet<string> {
  const names = new Set<string>()
  for (const component of calendar.getAllSubcomponents('vtimezone')) {
    const zone = new ICAL.Timezone(component)
    if (!ICAL.TimezoneService.has(zone.tzid)) ICAL.TimezoneService.register(zone)
    names.add(zone.tzid)
  }
  return names
}

/** The zone by whose wall clock the entry's times are to be read; `null` where the file says itself what they are. */
function zoneOf(entry: ICAL.Event, defined: ReadonlySet<string>, otherwise: string): string | null {
  const name: unknown = entry.component.getFirstProperty('dtstart')?.getParameter('tzid')
  if (typeof name !== 'string') return isFloating(entry.startDate) ? otherwise : null
  if (defined.has(name) || !isFloating(entry.startDate)) return null
  if (isKnownZone(name)) return name
  throw new Unreadable(`This calendar names a time zone that it does not define: “${name}”.`)
}

function isFloating(time: ICAL.Time): boolean {
  return time.zone === ICAL.Timezone.localTimezone
}

function momentOf(time: ICAL.Time, zone: string | null): Instant {
  return zone === null || !isFloating(time) ? instant(time.toUnixTime() * 1000) : momentInZone(time, zone)
}

/** The appointment as a sitting; `null` when it is none: shorter than five minutes, or longer than sixteen hours. */
export function sittingOf(
  { startsAt, endsAt }: Appointment,
  timeZone: string,
  clockText: (moment: Instant, timeZone: string) => string,
): SingleSession | null {
  const length = Math.round((endsAt - startsAt) / 1000)
  if (length < 300 || length > longestSitting) return null
  return {
    on: localDateAt(startsAt, timeZone),
    at: clockText(startsAt, timeZone),
    lengthSeconds: seconds(length),
  }
}
