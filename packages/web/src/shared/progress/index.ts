export { useOutbox, useProgress, useRecorder } from './events.ts'
