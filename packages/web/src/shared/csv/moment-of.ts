import { instant, parseLocalDate, type Instant } from '@seriatim/core/units'

const shape = /^(\d{4}-\d{2}-\d{2})[T ](\d{1,2})(:\d{2}(?::\d{2})?)(Z|[+-]\d{2}:?\d{2})?$/

/**
 * A moment as people and programs write it; without an offset by this machine's wall clock. Days that do not exist are none,
 * though the platform would read a 30 February as a day in March.
 */
export function momentOf(text: string): Instant | null {
  const [, day = '', hour = '', rest = '', offset = ''] = shape.exec(text) ?? []
  if (!parseLocalDate(day).ok || Number(hour) > 23) return null
  const moment = Date.parse(`${day}T${hour.padStart(2, '0')}${rest}${offset}`)
  return Number.isNaN(moment) ? null : instant(moment)
}
