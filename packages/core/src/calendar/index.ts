export { calendarEntries, type CalendarEntry } from './calendar-entries.ts'
export { hereFrom, paintedBy } from './due.ts'
export {
  type CalendarNote,
  dailyWindows,
  momentOf,
  painterSessions,
  type PainterSessions,
} from './painter-sessions.ts'
export { endOfDay, localDateAt, type Session, wallClock } from './sessions.ts'
