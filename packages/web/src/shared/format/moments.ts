import type { Instant, LocalDate } from '@seriatim/core/units'
import { english, isTwelveHours, numberText } from './system.ts'

const formats = new Map<string, Intl.DateTimeFormat>()

/** A format is dear to make and cheap to keep; there are a handful. */
function inZone(timeZone: string | undefined, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${timeZone ?? ''} ${Object.entries(options).flat().join(' ')}`
  let format = formats.get(key)
  if (!format) {
    format = new Intl.DateTimeFormat(english, { ...options, ...(timeZone ? { timeZone } : {}) })
    formats.set(key, format)
  }
  return format
}

/** `Thu 3 Dec` */
export function dayText(moment: Instant, timeZone?: string): string {
  return inZone(timeZone, { weekday: 'short', day: 'numeric', month: 'short' })
    .format(moment)
    .replace(',', '')
}

const twelve = { hour: 'numeric', minute: '2-digit', hour12: true } as const
const twentyFour = { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' } as const

/** `20:05`, or `8:05 PM` where clocks are read so. */
export function clockText(moment: Instant, timeZone?: string): string {
  return inZone(timeZone, isTwelveHours ? twelve : twentyFour).format(moment)
}

/** `Sat 12 Dec`, with the year when it is not `today`'s. */
export function dateText(date: LocalDate, today?: LocalDate): string {
  const year =
    today !== undefined && today.slice(0, 4) === date.slice(0, 4) ? {} : { year: 'numeric' as const }
  return inZone('UTC', { weekday: 'short', day: 'numeric', month: 'short', ...year })
    .format(new Date(`${date}T00:00:00Z`))
    .replace(',', '')
}

const weekdayNames = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun']

/** ISO weekday 1 … 7. */
export function weekdayText(isoDay: number): string {
  return weekdayNames[isoDay - 1] ?? ''
}

export function plural(count: number, one: string, many = `${one}s`): string {
  return `${numberText(count)} ${count === 1 ? one : many}`
}
