import { sumOf, type BuilderState } from './builder-state.ts'
import type { CompiledInstance } from './compiled.ts'
import { addToRack } from './drying-rack.ts'
import { botherCounter } from './evening-bother.ts'
import type { PlanSegment } from './instance.ts'
import type { PlaceFinder } from './place-finder.ts'
import { samenessCounter } from './sameness.ts'

/** Where an earlier plan had the tasks. */
export interface EarlierPlaces {
  /** By task, in seconds from now; NaN where it did not know the task. */
  readonly startsAt: Float64Array
  /** By task; −1 where it did not know it. */
  readonly painters: Int32Array
}

/** A task may begin so much sooner or later and is still where it was. */
const sameTime = 900
/** What it is worth in seconds that a task stays: tonight, later, and with its painter. */
const staying = { tonight: 300, later: 30, painter: 120 }

export interface StretchTaker {
  /** The state with the stretch that the finder found. @param from of the task's models the first. */
  readonly takeStretch: (task: number, from: number, record?: (segment: PlanSegment) => void) => void
  /** The state with all of the task laid, of which the stretch taken last was the last. */
  readonly takeTask: (task: number) => void
}

export function stretchTaker(
  compiled: CompiledInstance,
  state: BuilderState,
  finder: PlaceFinder,
  earlier?: EarlierPlaces,
): StretchTaker {
  const { instance, people, batchOf, taskAt, modelsFrom, models, wayFrom, helps, tasks, atDesk } = compiled
  const {
    family: familyOf,
    hands: handsOf,
    wait: waits,
    station: stationOf,
    onRack,
    opens: opensAt,
  } = compiled
  const { whole, maxWait, regions, regionsFrom, families } = compiled
  const { sums, free, laid, left, begun, pending, deadline, wet, width, stamp, onPalette } = state
  const { family: openFamily, session: sessionOf, lastHands, dry: dryOf, through: throughOf } = state
  const isBound = tasks.some((task) => task.maxWait !== null) || (sums[sumOf.pending] ?? 0) > 0
  const { batches } = instance
  const { draft } = finder
  const countSameness = samenessCounter(instance, state)
  const countBother = botherCounter(instance, state)
  const severalHands = people > 1
  const racked = instance.rack !== null

  function takeStretch(task: number, from: number, record?: (segment: PlanSegment) => void): void {
    const batch = batchOf[task] ?? 0
    const { painter, start, setUp, opensPot, count, end, session } = draft
    const way = (wayFrom[task] ?? 0) + draft.way
    const family = familyOf[way] ?? 0
    const hands = handsOf[way * people + painter] ?? 0
    touch(task, from, count, start + setUp, hands, waits[way] ?? 0)
    record?.({
      batch,
      task: task - (taskAt[batch] ?? 0),
      way: draft.way,
      painter,
      from,
      count,
      start,
      setUp,
      opensPot,
      end,
      session,
      putOff: draft.putOff && from === 0,
    })
    const opens = opensAt[painter]?.[session] ?? 0
    add(sumOf.exposed, start - Math.max(free[painter] ?? 0, opens))
    add(sumOf.setUp, setUp)
    add(sumOf.hands, end - start)
    if (opensPot) add(sumOf.pots, 1)
    if (earlier && from === 0) add(sumOf.moved, movedFrom(earlier, task, painter, start))
    countSameness(batch, task, painter, session, count * hands)
    countBother(batch, stationOf[way] ?? -1, draft)
    openFamily[painter] = family
    onPalette[painter * families + family] = session + 1
    sessionOf[painter] = session
    free[painter] = end
    if (end > (lastHands[batch] ?? 0)) lastHands[batch] = end
    const dry = end + (waits[way] ?? 0)
    if (dry > (dryOf[batch] ?? 0)) dryOf[batch] = dry
    const station = stationOf[way] ?? -1
    if (station >= 0) state.stationFree[finder.earliestStation(station)] = end
    if (racked && onRack[way] === 1) addToRack(state, start + setUp, dry, count)
  }

  function movedFrom({ startsAt, painters }: EarlierPlaces, task: number, painter: number, start: number) {
    const before = startsAt[task] ?? Number.NaN
    if (Number.isNaN(before)) return 0
    const who = painters[task] ?? -1
    const own = who === painter ? 0 : staying.painter
    if (Math.abs(start - before) <= sameTime) return own
    const isTonight = before < (compiled.closes[who] ?? 0)
    return own + (isTonight ? staying.tonight : staying.later)
  }

  function add(sum: number, more: number): void {
    sums[sum] = (sums[sum] ?? 0) + more
  }

  /** The models leave the hands one after the other, and are dry so much later. */
  function touch(
    task: number,
    from: number,
    count: number,
    begin: number,
    hands: number,
    wait: number,
  ): void {
    const first = (modelsFrom[task] ?? 0) + from
    const isWhole = whole[task] === 1
    const within = maxWait[task] ?? Number.POSITIVE_INFINITY
    const firstRegion = regionsFrom[task] ?? 0
    const endRegion = regionsFrom[task + 1] ?? 0
    let clock = begin
    for (let at = first; at < first + count; at++) {
      clock += hands
      const model = models[at] ?? 0
      const base = model * width
      const until = clock + wait
      if (until > (wet[base + 1] ?? 0)) wet[base + 1] = until
      if (severalHands && clock > (wet[base + 2] ?? 0)) wet[base + 2] = clock
      if (isWhole) {
        if (until > (wet[base] ?? 0)) wet[base] = until
      } else {
        for (let region = firstRegion; region < endRegion; region++) {
          const place = base + 3 + (regions[region] ?? 0)
          if (until > (wet[place] ?? 0)) wet[place] = until
        }
      }
      if (within !== Number.POSITIVE_INFINITY) deadline[model] = clock + within
    }
  }

  function takeTask(task: number): void {
    const batch = batchOf[task] ?? 0
    const { painter, end, session } = draft
    const opens = opensAt[painter]?.[session] ?? 0
    throughOf[batch] = (throughOf[batch] ?? 0) + (atDesk[painter]?.before[session] ?? 0) + end - opens
    stamp.now += 1
    laid[task] = 1
    left[batch] = (left[batch] ?? 0) - 1
    const isLast = left[batch] === 0
    if (helps[batch] !== 1) {
      if (begun[batch] !== 1) add(sumOf.inHand, 1)
      if (isLast) add(sumOf.inHand, -1)
    }
    begun[batch] = 1
    if (!isBound) return
    if ((pending[batch] ?? 0) > 0) {
      pending[batch] = 0
      add(sumOf.pending, -1)
    }
    if (maxWait[task] === Number.POSITIVE_INFINITY || task + 1 >= (taskAt[batch + 1] ?? 0)) return
    pending[batch] = task + 2
    add(sumOf.pending, 1)
    // Models that this task left out are bound by nothing.
    const own = tasks[task]?.models ?? []
    for (let model = 0; model < (batches[batch]?.models ?? 0); model++)
      if (!own.includes(model)) deadline[(compiled.modelAt[batch] ?? 0) + model] = Number.POSITIVE_INFINITY
  }

  return { takeStretch, takeTask }
}
