import { regionsMeet } from '../trade/index.ts'
import { slotsOf, type TimeSlots } from './time-slots.ts'
import {
  handsRange,
  handsSeconds,
  isChain,
  leastWait,
  waysOf,
  type PlanBatch,
  type PlanInstance,
  type PlanTask,
  type PlanWay,
} from './instance.ts'
import { createRegionSlots } from './region-slots.ts'
import { earliestIn, spans, spread, within, type SpanSet } from './span-set.ts'

/** A batch with everybody there for it alone and its pots open: nothing it is part of can be sooner. */
export interface Alone {
  /** By task, when the hands begin at the earliest. */
  readonly starts: readonly number[]
  /** When the hands leave it for good. */
  readonly handsEnd: number
  readonly dryAt: number
}

/** Where nothing fits any more the rest is left out: what is said stays a lower bound. */
export type AloneFrom = (batch: number, from: number) => Alone

/** So many stretches ahead are looked at to see whether what has to follow soon can. */
const stretchesAhead = 60

export function batchesAlone(instance: PlanInstance): AloneFrom {
  const opened = leastSetUps(instance)
  const placesOf = placesOnce(instance, slotsOnce(instance))
  const prepared = instance.batches.map((batch) =>
    batch.tasks.map((task, at) => ({
      ...prepare(instance, task, placesOf),
      setUp: unsparedSetUp(instance, batch, at, opened),
    })),
  )
  const dryFirst = new Map<number, number>()

  /** When what is joined is dry at the earliest. */
  function joinedDry(batch: number): number {
    const known = dryFirst.get(batch)
    if (known !== undefined) return known
    dryFirst.set(batch, 0)
    const dry = alone(batch, 0).dryAt
    dryFirst.set(batch, dry)
    return dry
  }

  function alone(index: number, from: number): Alone {
    const batch = instance.batches[index]
    if (!batch) return { starts: [], handsEnd: 0, dryAt: 0 }
    return follow(instance, batch, prepared[index] ?? [], from, joinedDry)
  }
  return alone
}

interface Prepared {
  readonly task: PlanTask
  /** Seconds a model takes whoever is quickest, and whoever is slowest. */
  readonly least: number
  readonly most: number
  readonly wait: number
  /** Where hands may begin on what has to stay together. */
  readonly places: SpanSet
  /** Models that have to stay together: all, or each by itself. */
  readonly groups: readonly (readonly number[])[]
  /** Seconds for its pot that have to lie between the task before and this one. */
  readonly setUp: number
}

/** By pot the least that opening it ever takes. */
function leastSetUps({ batches }: PlanInstance): ReadonlyMap<number, number> {
  const least = new Map<number, number>()
  for (const way of batches.flatMap((batch) => batch.tasks.flatMap(waysOf)))
    least.set(way.family, Math.min(least.get(way.family) ?? Number.POSITIVE_INFINITY, way.again, way.setUp))
  return least
}

/** A painter alone opens a pot after another one, for whichever batch. */
function unsparedSetUp(
  instance: PlanInstance,
  batch: PlanBatch,
  at: number,
  opened: ReadonlyMap<number, number>,
): number {
  const [before, task] = [batch.tasks[at - 1], batch.tasks[at]]
  if (instance.painters.length > 1 || !isChain(batch) || !before || !task) return 0
  const another = before.others.length === 0 && task.others.length === 0 && before.family !== task.family
  return another ? (opened.get(task.family) ?? 0) : 0
}

function prepare(
  instance: PlanInstance,
  task: PlanTask,
  placesOf: (task: PlanTask, together: number) => SpanSet,
): Omit<Prepared, 'setUp'> {
  const groups = instance.maySplit ? task.models.map((model) => [model]) : [task.models]
  const [least, most] = handsRange(instance, task)
  return { task, least, most, wait: leastWait(task), places: placesOf(task, groups[0]?.length ?? 1), groups }
}

/** Where hands may begin on so many models of a task: worked out once for all tasks that take the same. */
function placesOnce(instance: PlanInstance, slots: SlotsOf): (task: PlanTask, together: number) => SpanSet {
  const known = new Map<string, SpanSet>()
  return (task, together) => {
    const ways = waysOf(task)
    const key = JSON.stringify([together, ways.map((way) => [way.perModel, way.painters, way.windows])])
    const places = known.get(key) ?? placesFor(instance, ways, together, slots)
    known.set(key, places)
    return places
  }
}

function placesFor(
  instance: PlanInstance,
  ways: readonly PlanWay[],
  together: number,
  slots: SlotsOf,
): SpanSet {
  const starts: { start: number; end: number }[] = []
  for (const way of ways) {
    for (const painter of way.painters ?? instance.painters.keys()) {
      const hands = handsSeconds(way, instance.painters[painter])
      const own = slots(painter, way.windows)
      for (let slot = 0; slot < own.count; slot++) {
        const [start = 0, end = 0] = [own.start[slot], own.end[slot]]
        if (end - start >= together * hands) starts.push({ start, end: end - together * hands })
      }
    }
  }
  return spans(starts)
}

function follow(
  instance: PlanInstance,
  batch: PlanBatch,
  tasks: readonly Prepared[],
  from: number,
  joinedDry: (batch: number) => number,
): Alone {
  const inRow = isChain(batch)
  const oneHand = instance.painters.length === 1
  // In a free order the hands come to a model in any row; only its regions bind.
  const slots = createRegionSlots(batch, instance.regionCount, undefined, inRow)
  const starts: number[] = []
  let clock = from
  let begun = from
  let handsEnd = from
  /** Where each group of the task before may have begun, while something has to follow it soon. */
  let before: Group[] = []
  for (let at = 0; at < tasks.length; at++) {
    const prepared = tasks[at]
    if (!prepared) continue
    const { task, least, most, wait, places, groups, setUp } = prepared
    clock += setUp
    let ready = inRow ? begun : from
    for (const each of task.joins) ready = Math.max(ready, joinedDry(each))
    const follows = tasks[at - 1]
    const soon = follows && follows.task.maxWait !== null ? follows : null
    const isFollowed = task.maxWait !== null && at + 1 < tasks.length
    const own: Group[] = []
    let first = Number.POSITIVE_INFINITY
    /** When the hands are free for the next models of this task. */
    let through = 0
    for (const models of groups) {
      // Several painters may be at different models of the batch, but at a task is one.
      let earliest = Math.max(ready, oneHand && inRow ? clock : 0, through)
      models.forEach((model, place) => {
        earliest = Math.max(earliest, slots.dryAt(model, task.regions) - place * most)
      })
      let may: SpanSet | null = isFollowed || soon ? within(places, earliest, stretchesAhead) : null
      if (may && soon)
        for (const group of before) {
          const [low, high] = gapBetween(soon, group.models, prepared, models)
          if (Number.isFinite(high)) may = spread(group.may, low, high, may)
        }
      const start = may ? earliestIn(may, earliest) : earliestIn(places, earliest)
      if (!Number.isFinite(start)) return { starts, handsEnd, dryAt: Math.max(handsEnd, slots.allDryAt()) }
      if (may && isFollowed) own.push({ models, may })
      first = Math.min(first, start)
      through = start + models.length * least
      models.forEach((model, place) => {
        const leaves = start + (place + 1) * least
        slots.wet(model, task.regions, leaves, leaves + wait)
        handsEnd = Math.max(handsEnd, leaves)
      })
      clock = start + models.length * least
    }
    starts.push(first)
    begun = first
    before = own
  }
  return { starts, handsEnd, dryAt: slots.allDryAt() }
}

interface Group {
  readonly models: readonly number[]
  readonly may: SpanSet
}

/** How long after one group the next may begin, at the least and at the most, for the models they share. */
function gapBetween(
  { task, least, most, wait }: Prepared,
  models: readonly number[],
  after: Prepared,
  following: readonly number[],
): readonly [number, number] {
  let low = Number.NEGATIVE_INFINITY
  let high = Number.POSITIVE_INFINITY
  const meets = regionsMeet(task.regions, after.task.regions)
  models.forEach((model, place) => {
    const next = following.indexOf(model)
    if (next < 0) return
    low = Math.max(low, (place + 1) * least + (meets ? wait : 0) - next * after.most)
    high = Math.min(high, (place + 1) * most + (task.maxWait ?? 0) - next * after.least)
  })
  return [low, high]
}

type SlotsOf = (painter: number, windows: number | null) => TimeSlots

/** The slots of each painter and windows, laid out once: every task asks for them. */
function slotsOnce(instance: PlanInstance): SlotsOf {
  const known = new Map<string, TimeSlots>()
  return (painter, windows) => {
    const key = `${String(painter)} ${String(windows)}`
    const slots = known.get(key) ?? slotsOf(instance, painter, windows)
    known.set(key, slots)
    return slots
  }
}
