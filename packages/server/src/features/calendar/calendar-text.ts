import type { CalendarEntry } from '@seriatim/core/calendar'
import type { Instant, ProjectId } from '@seriatim/core/units'
import ICAL from 'ical.js'

interface Told {
  readonly project: { readonly id: ProjectId; readonly name: string; readonly revision: number }
  readonly entries: readonly CalendarEntry[]
  readonly now: Instant
}

/**
 * A project's sessions, its date and when what is wet is dry as iCalendar (RFC 5545). Every entry keeps its UID as long as it begins at the same moment;
 * what was changed since has a higher SEQUENCE, and what falls out is told as cancelled. Moments are in UTC.
 */
export function calendarText({ project, entries, now }: Told): string {
  const calendar = new ICAL.Component(['vcalendar', [], []])
  calendar.updatePropertyWithValue('prodid', '-//Seriatim//Sessions//EN')
  calendar.updatePropertyWithValue('version', '2.0')
  calendar.updatePropertyWithValue('method', 'PUBLISH')
  calendar.updatePropertyWithValue('x-wr-calname', project.name)
  for (const entry of entries) {
    const event = new ICAL.Component('vevent')
    const set = (name: string, value: string | number | ICAL.Time) =>
      event.updatePropertyWithValue(name, value)
    set('uid', `${entry.key}-${project.id}@seriatim`)
    set('dtstamp', utc(now))
    set('sequence', project.revision)
    if (entry.kind === 'session') {
      set('dtstart', utc(entry.startsAt))
      set('dtend', utc(entry.endsAt))
      set('summary', `${project.name}: painting${entry.painter === '' ? '' : `, ${entry.painter}`}`)
      set('status', entry.isCancelled ? 'CANCELLED' : 'CONFIRMED')
    } else if (entry.kind === 'dry') {
      set('dtstart', utc(entry.at))
      set('summary', `${project.name}: dry, ${entry.what}`)
      set('transp', 'TRANSPARENT')
      set('status', 'CONFIRMED')
      event.addSubcomponent(alarm(`Dry: ${entry.what}`))
    } else {
      set('dtstart', entry.at === null ? ICAL.Time.fromDateString(entry.on) : utc(entry.at))
      set('summary', `${project.name}: due`)
      // The date takes no time of anybody's.
      set('transp', 'TRANSPARENT')
      set('status', 'CONFIRMED')
    }
    calendar.addSubcomponent(event)
  }
  return `${calendar.toString()}\r\n`
}

/** Rings at the moment itself. */
function alarm(description: string): ICAL.Component {
  const rings = new ICAL.Component('valarm')
  rings.updatePropertyWithValue('action', 'DISPLAY')
  rings.updatePropertyWithValue('description', description)
  rings.updatePropertyWithValue('trigger', ICAL.Duration.fromSeconds(0))
  return rings
}

const utc = (moment: Instant) => ICAL.Time.fromJSDate(new Date(moment), true)
