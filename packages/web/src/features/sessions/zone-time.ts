import { momentOf } from '@seriatim/core/calendar'
import { addSeconds, parseLocalDate, type Instant } from '@seriatim/core/units'

/** A time on a wall clock. */
interface WallTime {
  readonly year: number
  readonly month: number
  readonly day: number
  readonly hour: number
  readonly minute: number
  readonly second: number
}

const two = (value: number) => String(value).padStart(2, '0')

/** When the wall clock of a zone shows this. @throws Error for a day that does not exist. */
export function momentInZone(time: WallTime, timeZone: string): Instant {
  const on = parseLocalDate(`${String(time.year).padStart(4, '0')}-${two(time.month)}-${two(time.day)}`)
  if (!on.ok) throw new Error('no such day')
  return addSeconds(
    momentOf({ on: on.value, at: `${two(time.hour)}:${two(time.minute)}` }, timeZone),
    time.second,
  )
}

export function isKnownZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name })
    return true
  } catch {
    return false
  }
}
