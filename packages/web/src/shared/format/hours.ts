import { hoursText as plainHoursText } from '@seriatim/core/calendar'
import type { SessionRule } from '@seriatim/core/trade'
import { isTwelveHours } from './system.ts'

/** `Tue, Thu 19:30–22:00`, or `Tue, Thu 7:30 pm–10:00 pm` where clocks are read so; what is printed can be typed. */
export function hoursText(rules: readonly SessionRule[]): string {
  const text = plainHoursText(rules)
  return isTwelveHours
    ? text.replaceAll(/\b(\d\d):(\d\d)\b/g, (_, hours: string, minutes: string) =>
        twelve(Number(hours), minutes),
      )
    : text
}

function twelve(hours: number, minutes: string): string {
  return `${String(((hours + 11) % 12) + 1)}:${minutes} ${hours < 12 ? 'am' : 'pm'}`
}
