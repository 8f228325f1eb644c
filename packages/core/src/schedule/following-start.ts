import { regionsMeet } from '../trade/index.ts'
import type { BuilderState } from './builder-state.ts'
import type { CompiledInstance } from './compiled.ts'
import { addToRack, rackReady } from './drying-rack.ts'
import type { PlanTask } from './instance.ts'
import { firstSlotAfter } from './time-slots.ts'

/**
 * The earliest start from `start` to `last` after which what follows the task can be in time; NaN when there is none. It is
 * put off where what follows finds hands, a station, places on the rack or a session only later.
 */
export type FollowingStart = (
  task: number,
  start: number,
  last: number,
  setUp: number,
  way: number,
  painter: number,
) => number

/** A task that another has to follow soon, and where the models of the one come in the other. */
interface Pair {
  readonly task: PlanTask
  readonly after: PlanTask
  readonly meets: boolean
  /** By place in `after`, the place in `task`; −1 where the model is not in it. */
  readonly before: Int32Array
}

export function followingStart(compiled: CompiledInstance, state: BuilderState): FollowingStart {
  const { instance, people, wayFrom, modelsFrom, models } = compiled
  const { free, wet, width } = state
  const kinds = instance.windows.length + 1
  const places = instance.rack
  const pairs = compiled.tasks.map((task, index) => pairAfter(compiled, task, index))

  function stationReady(station: number): number {
    if (station < 0) return 0
    const from = state.stationAt[station] ?? 0
    let earliest = Number.POSITIVE_INFINITY
    for (let at = from; at < from + (instance.stations[station] ?? 0); at++)
      earliest = Math.min(earliest, state.stationFree[at] ?? 0)
    return earliest
  }

  function dryAt(model: number, { regions }: PlanTask): number {
    const base = model * width
    if (regions === 'whole') return wet[base + 1] ?? 0
    let dry = people > 1 ? Math.max(wet[base] ?? 0, wet[base + 2] ?? 0) : (wet[base] ?? 0)
    for (const region of regions) dry = Math.max(dry, wet[base + 3 + region] ?? 0)
    return dry
  }

  /** From a start on, when there are places on the rack for what follows, and for as long as it dries. */
  function onRackFrom(start: number, setUp: number, way: number, hands: number, models: number): number {
    if (places === null || compiled.onRack[way] !== 1) return start
    const length = models * hands + (compiled.wait[way] ?? 0)
    return rackReady(state, places, start + setUp, length, models) - setUp
  }

  const startOfChain: FollowingStart = (index, start, last, setUp, ownWay, painter) => {
    const pair = pairs[index]
    if (!pair) return start <= last ? start : Number.NaN
    const { task, after, meets, before } = pair
    const way = (wayFrom[index] ?? 0) + ownWay
    const hands = compiled.hands[way * people + painter] ?? 0
    const wait = compiled.wait[way] ?? 0
    const within = compiled.maxWait[index] ?? 0
    const first = wayFrom[index + 1] ?? 0
    let best = Number.POSITIVE_INFINITY
    const isRacked = places !== null && compiled.onRack[way] === 1
    const dry = start + setUp + task.models.length * hands + wait
    if (isRacked) addToRack(state, start + setUp, dry, task.models.length)
    for (let following = first; following < (wayFrom[index + 2] ?? 0) && best > start; following++) {
      for (let other = 0; other < people; other++) {
        const nextHands = compiled.hands[following * people + other] ?? -1
        if (nextHands < 0) continue
        const own = other === painter
        const samePot = own && compiled.family[following] === compiled.family[way]
        const nextSetUp = samePot ? 0 : (compiled.setUp[following] ?? 0)
        // What moves with this start, and what does not.
        let moving = own ? start + setUp + task.models.length * hands + nextSetUp : 0
        let fixed = Math.max(
          stationReady(compiled.station[following] ?? -1),
          own ? 0 : Math.max(free[other] ?? 0, start) + nextSetUp,
        )
        let latest = Number.POSITIVE_INFINITY
        for (let position = 0; position < before.length; position++) {
          const offset = position * nextHands
          const model = models[(modelsFrom[index + 1] ?? 0) + position] ?? 0
          fixed = Math.max(fixed, dryAt(model, after) - offset)
          const at = before[position] ?? -1
          if (at < 0) continue
          const left = start + setUp + (at + 1) * hands
          if (meets) moving = Math.max(moving, left + wait - offset)
          latest = Math.min(latest, left + within - offset)
        }
        if (moving > latest) continue
        const mostShift = Math.min(last, best) - start
        const nextStart = Math.max(moving, fixed) - nextSetUp
        const length = nextSetUp + after.models.length * nextHands
        const slots = compiled.slots[other * kinds + (compiled.windows[following] ?? 0)]
        for (let at = slots ? firstSlotAfter(slots, nextStart) : 0; slots && at < slots.count; at++) {
          const opensAt = slots.start[at] ?? 0
          if (opensAt + nextSetUp - latest > mostShift) break
          const begins = startOfChain(
            index + 1,
            onRackFrom(Math.max(nextStart, opensAt), nextSetUp, following, nextHands, after.models.length),
            Math.min((slots.end[at] ?? 0) - length, latest + mostShift - nextSetUp),
            nextSetUp,
            following - first,
            other,
          )
          if (Number.isNaN(begins)) continue
          best = Math.min(best, start + Math.max(0, begins + nextSetUp - latest))
          break
        }
        // There is none earlier.
        if (best === start) break
      }
    }
    if (isRacked) addToRack(state, start + setUp, dry, -task.models.length)
    return best <= last ? best : Number.NaN
  }

  return startOfChain
}

function pairAfter({ batchOf, tasks }: CompiledInstance, task: PlanTask, index: number): Pair | null {
  const after = tasks[index + 1]
  if (task.maxWait === null || !after || batchOf[index] !== batchOf[index + 1]) return null
  const before = Int32Array.from(after.models, (model) => task.models.indexOf(model))
  return { task, after, meets: regionsMeet(task.regions, after.regions), before }
}

/** Whether a task can be followed in time anywhere in a painter's sessions, were nothing else to do. */
export type EverFollowed = (task: number, way: number, painter: number) => boolean

/** Worked out once for a task, way and painter: asking every session for a long chain takes as long as many sequences. */
export function everFollowed(compiled: CompiledInstance, idle: BuilderState): EverFollowed {
  const { people, wayFrom } = compiled
  const startOfChain = followingStart(compiled, idle)
  const kinds = compiled.instance.windows.length + 1
  const known = new Map<number, boolean>()

  function fitsSomewhere(task: number, ownWay: number, painter: number): boolean {
    const way = (wayFrom[task] ?? 0) + ownWay
    const slots = compiled.slots[painter * kinds + (compiled.windows[way] ?? 0)]
    const setUp = compiled.setUp[way] ?? 0
    const hands = compiled.hands[way * people + painter] ?? 0
    const length = setUp + (compiled.tasks[task]?.models.length ?? 0) * hands
    for (let at = 0; slots && at < slots.count; at++) {
      const last = (slots.end[at] ?? 0) - length
      if (!Number.isNaN(startOfChain(task, slots.start[at] ?? 0, last, setUp, ownWay, painter))) return true
    }
    return false
  }

  return (task, way, painter) => {
    const key = ((wayFrom[task] ?? 0) + way) * people + painter
    const answer = known.get(key) ?? fitsSomewhere(task, way, painter)
    known.set(key, answer)
    return answer
  }
}
