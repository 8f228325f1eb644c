import { regionsMeet } from '../trade/index.ts'
import { firstSlotAfter, type TimeSlots } from './time-slots.ts'
import type { BuilderReadiness } from './builder-readiness.ts'
import type { BuilderState } from './builder-state.ts'
import { handsSeconds, wayOf, type PlanInstance, type PlanTask } from './instance.ts'

/**
 * The earliest start from `start` to `last` after which what follows the task can be in time; NaN when there is none. It is
 * put off where what follows finds hands, a station or a session only later.
 */
export type FollowingStart = (
  batch: number,
  index: number,
  start: number,
  last: number,
  setUp: number,
  wayIndex: number,
  painter: number,
) => number

export function followingStart(
  instance: PlanInstance,
  state: BuilderState,
  slotTable: readonly (readonly TimeSlots[])[],
  { stationReady }: BuilderReadiness,
): FollowingStart {
  const { batches, painters } = instance
  const { free, regions } = state
  const anyWindow = instance.windows.length
  const everybody = [...painters.keys()]

  const startOfChain: FollowingStart = (batch, index, start, last, setUp, wayIndex, painter) => {
    const task = batches[batch]?.tasks[index]
    const after = batches[batch]?.tasks[index + 1]
    if (!task || !after || task.maxWait === null) return start <= last ? start : Number.NaN
    const way = wayOf(task, wayIndex)
    const hands = handsSeconds(way, painters[painter])
    const meets = regionsMeet(task.regions, after.regions)
    let best = Number.POSITIVE_INFINITY
    for (let nextWay = 0; nextWay <= after.others.length; nextWay++) {
      const following = wayOf(after, nextWay)
      for (const other of following.painters ?? everybody) {
        const own = other === painter
        const nextHands = handsSeconds(following, painters[other])
        const nextSetUp = own && following.family === way.family ? 0 : following.setUp
        // What moves with this start, and what does not.
        let moving = own ? start + setUp + task.models.length * hands + nextSetUp : 0
        let fixed = Math.max(
          stationReady(following.station),
          own ? 0 : Math.max(free[other] ?? 0, start) + nextSetUp,
        )
        let latest = Number.POSITIVE_INFINITY
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
        const mostShift = Math.min(last, best) - start
        const nextStart = Math.max(moving, fixed) - nextSetUp
        const length = nextSetUp + after.models.length * nextHands
        const slots = slotTable[other]?.[following.windows ?? anyWindow]
        for (let at = slots ? firstSlotAfter(slots, nextStart) : 0; slots && at < slots.count; at++) {
          const opensAt = slots.start[at] ?? 0
          if (opensAt + nextSetUp - latest > mostShift) break
          const begins = startOfChain(
            batch,
            index + 1,
            Math.max(nextStart, opensAt),
            Math.min((slots.end[at] ?? 0) - length, latest + mostShift - nextSetUp),
            nextSetUp,
            nextWay,
            other,
          )
          if (Number.isNaN(begins)) continue
          best = Math.min(best, start + Math.max(0, begins + nextSetUp - latest))
          break
        }
      }
    }
    return best <= last ? best : Number.NaN
  }

  return startOfChain
}

/** Whether a task can be followed in time anywhere in a painter's sessions, were nothing else to do. */
export type EverFollowed = (batch: number, index: number, wayIndex: number, painter: number) => boolean

/** Worked out once for a task, way and painter: asking every session for a long chain takes as long as many rows. */
export function everFollowed(
  instance: PlanInstance,
  idle: BuilderState,
  slotTable: readonly (readonly TimeSlots[])[],
  readiness: BuilderReadiness,
): EverFollowed {
  const startOfChain = followingStart(instance, idle, slotTable, readiness)
  const known = new Map<PlanTask, Map<number, boolean>>()

  function fitsSomewhere(batch: number, index: number, task: PlanTask, wayIndex: number, painter: number) {
    const way = wayOf(task, wayIndex)
    const slots = slotTable[painter]?.[way.windows ?? instance.windows.length]
    const length = way.setUp + task.models.length * handsSeconds(way, instance.painters[painter])
    for (let at = 0; slots && at < slots.count; at++) {
      const last = (slots.end[at] ?? 0) - length
      if (!Number.isNaN(startOfChain(batch, index, slots.start[at] ?? 0, last, way.setUp, wayIndex, painter)))
        return true
    }
    return false
  }

  return (batch, index, wayIndex, painter) => {
    const task = instance.batches[batch]?.tasks[index]
    if (!task || task.maxWait === null) return true
    const own = known.get(task) ?? new Map<number, boolean>()
    known.set(task, own)
    const key = wayIndex * instance.painters.length + painter
    const fits = own.get(key) ?? fitsSomewhere(batch, index, task, wayIndex, painter)
    own.set(key, fits)
    return fits
  }
}
