import { instant, localDateAt, type Instant, type SingleSession, seconds } from '@seriatim/core'
import ICAL from 'ical.js'

/** One appointment of a calendar file. */
export interface Appointment {
  readonly startsAt: Instant
  readonly endsAt: Instant
  readonly title: string
}

export type CalendarText =
  | { readonly ok: true; readonly appointments: readonly Appointment[]; readonly allDay: number }
  | { readonly ok: false; readonly error: string }

const most = 1000
const longestSitting = 16 * 3600

/**
 * The appointments of an iCalendar file (RFC 5545) that end after `from` and begin before `until`, repeated ones one by
 * one. Days as a whole and cancelled ones are passed over; times without a zone are taken in `timeZone`.
 */
export function readCalendar(text: string, from: Instant, until: Instant): CalendarText {
  let calendar: ICAL.Component
  try {
    calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
  } catch {
    return { ok: false, error: 'This is not an iCalendar file: its first line should be BEGIN:VCALENDAR.' }
  }
  if (calendar.name !== 'vcalendar') return { ok: false, error: 'This file holds no calendar.' }
  try {
    return appointmentsOf(calendar, from, until)
  } catch {
    // The library throws at what it cannot read, and at an entry without a beginning.
    return { ok: false, error: 'This calendar has an entry that cannot be read: a time is missing or wrong.' }
  }
}

function appointmentsOf(calendar: ICAL.Component, from: Instant, until: Instant): CalendarText {
  for (const zone of calendar.getAllSubcomponents('vtimezone')) {
    const known = new ICAL.Timezone(zone)
    if (!ICAL.TimezoneService.has(known.tzid)) ICAL.TimezoneService.register(known)
  }
  const appointments: Appointment[] = []
  let allDay = 0
  for (const component of calendar.getAllSubcomponents('vevent')) {
    const event = new ICAL.Event(component)
    if (component.getFirstPropertyValue('status') === 'CANCELLED') continue
    if (event.startDate.isDate) {
      allDay += 1
      continue
    }
    const length = event.duration.toSeconds()
    const add = (start: ICAL.Time) => {
      const startsAt = instant(start.toJSDate().getTime())
      const endsAt = instant(startsAt + length * 1000)
      if (endsAt > from && startsAt < until) appointments.push({ startsAt, endsAt, title: event.summary })
    }
    if (!event.isRecurring()) {
      add(event.startDate)
      continue
    }
    const each = event.iterator()
    // The library gives nothing after the last one, whatever its types say.
    for (
      let start = each.next() as ICAL.Time | undefined;
      start;
      start = each.next() as ICAL.Time | undefined
    ) {
      if (start.toJSDate().getTime() >= until || appointments.length >= most) break
      add(start)
    }
  }
  return { ok: true, appointments: appointments.toSorted((a, b) => a.startsAt - b.startsAt), allDay }
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
