export { groupEntries } from './group-entries.ts'
export { RunSheetTicket } from './RunSheetTicket.tsx'
