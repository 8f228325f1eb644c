export { calendarEntries, type CalendarEntry } from './calendar-entries.ts'
export { hereFrom, paintedBy } from './due.ts'
export {
  type CalendarNote,
  dailyWindows,
  momentOf,
  eveningsOf,
  painterSessions,
  rulesFor,
  rulesOf,
  type PainterSessions,
} from './painter-sessions.ts'
export { hoursText, readHours, type ReadHours } from './read-hours.ts'
export { endOfDay, localDateAt, type Session, wallClock } from './sessions.ts'
