import { expose } from 'comlink'
import { readCalendar } from './read-calendar.ts'

const reader = { readCalendar }

export type CalendarReader = typeof reader

expose(reader)
