export { eventsQuery, useOutbox, useProgress, useRecorder } from './events.ts'
