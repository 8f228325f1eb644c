import { slotsOf } from './time-slots.ts'
import type { PlanInstance } from './instance.ts'

/** What can be worked on at a time, and when: hands in some hours, or the places of a station. */
export interface Scarce {
  readonly painters: readonly number[]
  readonly windows: number | null
  readonly station: number | null
}

/** Stretches of time and how much is done in a second of each: at a pace of 1, or by the clock at a station. */
export type Opening = readonly { readonly start: number; readonly end: number; readonly speed: number }[]

export function openingOf(instance: PlanInstance, { painters, windows, station }: Scarce): Opening {
  const changes: { at: number; speed: number }[] = []
  for (const painter of painters) {
    const speed = station === null ? 1 / (instance.painters[painter]?.pace ?? 1) : 1
    const slots = slotsOf(instance, painter, windows)
    for (let at = 0; at < slots.count; at++)
      changes.push(
        { at: Math.max(0, slots.start[at] ?? 0), speed },
        { at: Math.max(0, slots.end[at] ?? 0), speed: -speed },
      )
  }
  changes.sort((a, b) => a.at - b.at)
  const places = station === null ? Number.POSITIVE_INFINITY : (instance.stations[station] ?? 0)
  const open: { start: number; end: number; speed: number }[] = []
  let speed = 0
  changes.forEach((change, index) => {
    speed += change.speed
    const end = changes[index + 1]?.at ?? change.at
    if (end > change.at && speed > 1e-9) open.push({ start: change.at, end, speed: Math.min(places, speed) })
  })
  return open
}

/** The moment by which so much can be done from `from` on; what lies beyond the last stretch is left out. */
export function doneBy(open: Opening, from: number, work: number): number {
  let left = work
  let clock = from
  let low = 0
  let high = open.length
  while (low < high) {
    const middle = (low + high) >> 1
    if ((open[middle]?.end ?? 0) <= from) low = middle + 1
    else high = middle
  }
  for (let at = low; at < open.length; at++) {
    const stretch = open[at]
    if (!stretch) break
    const start = Math.max(from, stretch.start)
    const most = (stretch.end - start) * stretch.speed
    if (left <= most) return start + Math.ceil(left / stretch.speed - 1e-6)
    left -= most
    clock = stretch.end
  }
  return clock
}
