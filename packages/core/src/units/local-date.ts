import { failure, success, type Result } from './result.ts'

declare const unit: unique symbol

/** A day on the wall calendar, `YYYY-MM-DD`, without a zone. */
export type LocalDate = string & { readonly [unit]: 'day' }

export interface NotADate {
  readonly kind: 'not-a-date'
  readonly text: string
}

const dayPattern = /^(\d{4})-(\d{2})-(\d{2})$/
const dayMilliseconds = 86_400_000

/** Untrusted text in, so failure is a value. Rejects days that do not exist. */
export function parseLocalDate(text: string): Result<LocalDate, NotADate> {
  const match = dayPattern.exec(text)
  if (match) {
    const [, year = '', month = '', day = ''] = match
    const utc = new Date(Date.UTC(Number(year), Number(month) - 1, Number(day)))
    if (utc.toISOString().slice(0, 10) === text) return success(text as LocalDate)
  }
  return failure({ kind: 'not-a-date', text })
}

function epochDay(date: LocalDate): number {
  return Date.parse(`${date}T00:00:00Z`) / dayMilliseconds
}

/** `days` may be negative. */
export function addDays(date: LocalDate, days: number): LocalDate {
  return new Date((epochDay(date) + days) * dayMilliseconds).toISOString().slice(0, 10) as LocalDate
}

export function daysBetween(from: LocalDate, to: LocalDate): number {
  return epochDay(to) - epochDay(from)
}

/** ISO 8601 weekday: Monday 1 … Sunday 7. */
export function isoWeekday(date: LocalDate): number {
  return ((((epochDay(date) + 3) % 7) + 7) % 7) + 1
}
