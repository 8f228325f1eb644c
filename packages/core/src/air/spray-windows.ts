import { addSeconds, instant, type Instant } from '../units/index.ts'
import { againstSpraying, type NoSpray } from './air.ts'
import type { AirAt } from './line-in-air.ts'

/** A stretch of time of one kind of weather for spraying. */
export interface SprayWindow {
  readonly from: Instant
  readonly until: Instant
  /** What speaks against it; nothing: spray. */
  readonly against: readonly NoSpray[]
}

const hour = 3600 * 1000
/** Readings further apart say nothing of the time between. */
const longestGap = 3 * hour

/** What cans are used in: the air outside, or that at the desk where nobody reads the other. */
export function airOfCans<Reading extends AirAt>(readings: readonly Reading[]): readonly Reading[] {
  const outdoors = readings.filter((reading) => reading.place === 'outdoors')
  return outdoors.length > 0 ? outdoors : readings
}

/**
 * When there is spray weather, by readings of one place: each stands until the next. Stretches with the same
 * reasons are one; where readings are more than three hours apart nothing is said.
 */
export function sprayWindows(
  readings: readonly AirAt[],
  from: Instant,
  until: Instant,
): readonly SprayWindow[] {
  const inOrder = readings.toSorted((a, b) => a.at - b.at)
  const windows: SprayWindow[] = []
  inOrder.forEach((reading, index) => {
    const next = inOrder[index + 1]?.at ?? ((reading.at + hour) as Instant)
    const end = next - reading.at > longestGap ? reading.at + hour : next
    const window = {
      from: Math.max(reading.at, from) as Instant,
      until: Math.min(end, until) as Instant,
      against: againstSpraying(reading),
    }
    if (window.until <= window.from) return
    const last = windows.at(-1)
    if (last && last.until === window.from && last.against.join() === window.against.join()) {
      windows[windows.length - 1] = { ...last, until: window.until }
    } else windows.push(window)
  })
  return windows
}

/** When the readings, those to come among them, speak against cans. */
export function unfitForCans(
  readings: readonly AirAt[],
  now: Instant,
): readonly { readonly from: Instant; readonly until: Instant }[] {
  const ofCans = airOfCans(readings)
  const last = Math.max(now, ...ofCans.map((reading) => reading.at))
  return sprayWindows(ofCans, now, addSeconds(instant(last), 3600))
    .filter((window) => window.against.length > 0)
    .map(({ from, until }) => ({ from, until }))
}
