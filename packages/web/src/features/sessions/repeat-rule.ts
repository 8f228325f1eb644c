import type { Instant } from '@seriatim/core/units'
import type ICAL from 'ical.js'

const unitSeconds: Readonly<Record<string, number>> = {
  SECONDLY: 1,
  MINUTELY: 60,
  HOURLY: 3600,
  DAILY: 86_400,
  WEEKLY: 7 * 86_400,
}

/** Two days of room for clocks that are changed between. */
const roomSeconds = 2 * 86_400

/**
 * A later beginning from which the rule gives the same times, shortly before `from`; `null` where there is none: months
 * and years are few, and a rule that counts its times has to be counted through.
 */
export function nearStart(rule: ICAL.Recur, start: ICAL.Time, from: Instant): ICAL.Time | null {
  const unit = unitSeconds[rule.freq]
  if (unit === undefined || rule.count !== null) return null
  const step = unit * Math.max(1, rule.interval)
  const gap = from / 1000 - roomSeconds - start.toUnixTime()
  const steps = Math.floor(gap / step)
  if (steps < 1) return null
  const near = start.clone()
  near.adjust(0, 0, 0, steps * step)
  return near
}

const longestMonth = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

/** Whether any year has a day that the rule speaks of: a 31 February would be looked for without end. */
export function hasAnyDay(rule: ICAL.Recur): boolean {
  const parts = rule.parts as Readonly<Record<string, readonly number[] | undefined>>
  const days = parts['BYMONTHDAY']
  if (!days) return true
  const months = parts['BYMONTH'] ?? longestMonth.map((_, index) => index + 1)
  return months.some((month) =>
    days.some((day) => Math.abs(day) >= 1 && Math.abs(day) <= (longestMonth[month - 1] ?? 0)),
  )
}
