export { calendarEntries, type CalendarEntry } from './calendar-entries.ts'
export { handedOverAt, paintedBy } from './due.ts'
export { momentOf, painterSessions } from './painter-sessions.ts'
export { endOfDay, expandSessions, localDateAt, type Session, wallClock } from './sessions.ts'
