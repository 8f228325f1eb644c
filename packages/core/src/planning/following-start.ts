import { firstSlotAfter, type DeskSlots } from './desk-slots.ts'
import type { DeskReadiness } from './desk-readiness.ts'
import type { DeskState } from './desk-state.ts'
import { handsSeconds, wayOf, type PlanInstance } from './instance.ts'

/** Where a task with a maximum wait may begin so that what follows it can be in time. */
export type FollowingStart = (
  batch: number,
  index: number,
  start: number,
  setUp: number,
  wayIndex: number,
  painter: number,
) => number

export function followingStart(
  instance: PlanInstance,
  state: DeskState,
  slotTable: readonly (readonly DeskSlots[])[],
  { stationReady }: DeskReadiness,
): FollowingStart {
  const { batches, painters } = instance
  const { free, regions } = state
  const anyWindow = instance.windows.length

  /** The earliest start from `start` on after which the next task can keep its maximum wait; NaN when none does. */
  function startOfChain(
    batch: number,
    index: number,
    start: number,
    setUp: number,
    wayIndex: number,
    painter: number,
  ): number {
    const task = batches[batch]?.tasks[index]
    const after = batches[batch]?.tasks[index + 1]
    if (!task || !after || task.maxWait === null) return start
    const way = wayOf(task, wayIndex)
    const hands = handsSeconds(way, painters[painter])
    const others = after.painters === null || after.painters.includes(painter) ? [painter] : after.painters
    for (const other of others) {
      const own = other === painter
      const nextHands = handsSeconds(after, painters[other])
      const nextSetUp = own && after.family === way.family ? 0 : after.setUp
      const end = start + setUp + task.models.length * hands
      // What moves with this start, and what does not.
      let moving = own ? end + nextSetUp : 0
      let fixed = Math.max(stationReady(after.station), own ? 0 : (free[other] ?? 0) + nextSetUp)
      let latest = Number.POSITIVE_INFINITY
      const meets =
        task.regions === 'whole' || after.regions === 'whole' || overlap(task.regions, after.regions)
      after.models.forEach((model, position) => {
        const before = task.models.indexOf(model)
        const offset = position * nextHands
        fixed = Math.max(fixed, (regions[batch]?.dryAt(model, after.regions) ?? 0) - offset)
        if (before < 0) return
        const left = start + setUp + (before + 1) * hands
        if (meets) moving = Math.max(moving, left + way.wait - offset)
        latest = Math.min(latest, left + (task.maxWait ?? 0) - offset)
      })
      if (moving > latest) continue
      const shift = Math.max(0, fixed - latest)
      const nextStart = Math.max(moving + shift, fixed) - nextSetUp
      const length = nextSetUp + after.models.length * nextHands
      const slots = slotTable[other]?.[after.windows ?? anyWindow]
      for (let at = slots ? firstSlotAfter(slots, nextStart) : 0; slots && at < slots.count; at++) {
        const opensAt = slots.start[at] ?? 0
        if (opensAt + nextSetUp > latest + shift) break
        const begins = Math.max(nextStart, opensAt)
        if (begins + nextSetUp > latest + shift || begins + length > (slots.end[at] ?? 0)) continue
        const deeper = startOfChain(batch, index + 1, begins, nextSetUp, 0, other)
        if (deeper === begins) return start + shift
      }
    }
    return Number.NaN
  }

  return startOfChain
}

function overlap(a: readonly number[], b: readonly number[]): boolean {
  return a.some((region) => b.includes(region))
}
