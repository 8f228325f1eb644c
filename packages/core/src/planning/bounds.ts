import { firstSlotAfter, sessionsOf, slotsOf, type DeskSlots } from './desk-slots.ts'
import { handsSeconds, isChain, wayOf, type PlanBatch, type PlanInstance, type PlanTask } from './instance.ts'
import { createRegionSlots } from './region-slots.ts'

/** No plan of this instance can be finished before any of these moments. */
export interface LowerBound {
  /** All hands-on work and the set-ups nobody can avoid, shared without a gap. */
  readonly workContent: number
  /** The longest batch alone, its pots always open and everybody there for it. */
  readonly longestChain: number
  /** What only one painter may do, by the painter who has most of it. */
  readonly busiestPainter: number
}

export function lowerBound(instance: PlanInstance): LowerBound {
  const chains = new Map<number, number>()
  const slots = slotsOnce(instance)
  return {
    workContent: workContent(instance),
    longestChain: Math.max(0, ...instance.batches.map((_, batch) => chain(instance, batch, chains, slots))),
    busiestPainter: Math.max(0, ...instance.painters.map((_, painter) => ownWork(instance, painter))),
  }
}

/** The latest of the bounds. */
export function earliestFinish(bound: LowerBound): number {
  return Math.max(bound.workContent, bound.longestChain, bound.busiestPainter)
}

/** Seconds a model takes whoever is quickest at it. */
function quickest(instance: PlanInstance, task: PlanTask): number {
  let least = Number.POSITIVE_INFINITY
  for (let at = 0; at <= task.others.length; at++) {
    const way = wayOf(task, at)
    const people = way.painters ?? instance.painters.map((_, painter) => painter)
    for (const painter of people) least = Math.min(least, handsSeconds(way, instance.painters[painter]))
  }
  return least
}

/** What a model takes of everybody's time at the least, in seconds at a pace of 1: a slow hand loses less by it. */
function leastWork(instance: PlanInstance, task: PlanTask): number {
  let least = Number.POSITIVE_INFINITY
  for (let at = 0; at <= task.others.length; at++) {
    const way = wayOf(task, at)
    for (const painter of way.painters ?? instance.painters.keys()) {
      const own = instance.painters[painter]
      least = Math.min(least, handsSeconds(way, own) / (own?.pace ?? 1))
    }
  }
  return least
}

function leastWait(task: PlanTask): number {
  return Math.min(task.wait, ...task.others.map((way) => way.wait))
}

function workContent(instance: PlanInstance): number {
  const working = instance.batches.filter((batch) => batch.tasks.length > 0)
  if (working.length === 0) return 0
  const slowest = Math.max(...instance.painters.map((painter) => painter.pace))
  let work = 0
  const setUps = new Map<number, { first: number; again: number; times: number }>()
  for (const batch of working) {
    const runs = new Map<number, number>()
    let previous: number | null = null
    for (const task of batch.tasks) {
      work += leastWork(instance, task) * task.models.length
      // Another way may do without this pot.
      if (task.others.length > 0) {
        previous = null
        continue
      }
      if (task.family !== previous) runs.set(task.family, (runs.get(task.family) ?? 0) + 1)
      previous = task.family
      const known = setUps.get(task.family)
      setUps.set(task.family, {
        first: Math.min(known?.first ?? task.setUp, task.setUp),
        again: Math.min(known?.again ?? task.again, task.again, task.setUp),
        times: known?.times ?? 1,
      })
    }
    const plain = isChain(batch) && batch.tasks.every((task) => task.others.length === 0)
    // Between two runs of one pot the same batch needs another pot, so a painter alone opens it anew each time.
    if (instance.painters.length > 1 || !plain) continue
    for (const [family, times] of runs) {
      const known = setUps.get(family)
      if (known) setUps.set(family, { ...known, times: Math.max(known.times, times) })
    }
  }
  // The first opening is a whole one; later the colour may still lie on the palette.
  for (const [family, { first, again, times }] of setUps) {
    // A set-up takes everybody as long: it costs least of the slowest hand's time.
    work += ((family === instance.openFamily ? 0 : first) + again * (times - 1)) / slowest
  }
  const lastWaits = working.map((batch) => {
    // Where the order is free any task that nothing has to follow may be the last.
    return Math.min(...lastOf(batch).map(leastWait))
  })
  const everybody = instance.painters.map((_, painter) => painter)
  return atWork(instance, everybody, work) + Math.min(...lastWaits)
}

/** The tasks that may come last. */
function lastOf(batch: PlanBatch): readonly PlanTask[] {
  if (isChain(batch)) return batch.tasks.slice(-1)
  const followed = new Set(batch.comesAfter?.flat())
  return batch.tasks.filter((_, index) => !followed.has(index))
}

/** What nobody else may do, laid in this painter's sessions without a gap. */
function ownWork(instance: PlanInstance, painter: number): number {
  let work = 0
  let leastTail = Number.POSITIVE_INFINITY
  for (const batch of instance.batches) {
    let tail = 0
    for (const task of batch.tasks.toReversed()) {
      const isOwn = task.others.length === 0 && task.painters?.length === 1 && task.painters[0] === painter
      if (isOwn) {
        const own = instance.painters[painter]
        work += (handsSeconds(task, own) / (own?.pace ?? 1)) * task.models.length
        leastTail = Math.min(leastTail, tail)
      }
      // Regions may dry beside each other, so only work is sure to come after.
      tail += isChain(batch) ? quickest(instance, task) : 0
    }
  }
  return work === 0 ? 0 : atWork(instance, [painter], work) + leastTail
}

/**
 * The moment by which so much can have been worked inside the sessions of these painters, each at their own pace.
 * @param work seconds at a pace of 1.
 */
function atWork(instance: PlanInstance, painters: readonly number[], work: number): number {
  const changes: { at: number; speed: number }[] = []
  for (const painter of painters) {
    const speed = 1 / (instance.painters[painter]?.pace ?? 1)
    for (const slot of sessionsOf(instance, painter)) {
      changes.push({ at: Math.max(0, slot.start), speed }, { at: Math.max(0, slot.end), speed: -speed })
    }
  }
  changes.sort((a, b) => a.at - b.at)
  let left = work
  let speed = 0
  let clock = 0
  for (const change of changes) {
    const open = (change.at - clock) * speed
    if (speed > 1e-9 && left <= open) return clock + Math.ceil(left / speed - 1e-6)
    left -= speed > 1e-9 ? open : 0
    clock = change.at
    speed += change.speed
  }
  return clock
}

/** One batch with every painter to itself, free to pause between any two models. */
function chain(instance: PlanInstance, index: number, known: Map<number, number>, slots: SlotsOf): number {
  const done = known.get(index)
  if (done !== undefined) return done
  known.set(index, 0)
  const batch = instance.batches[index]
  const end = batch ? chainOf(instance, batch, known, slots) : 0
  known.set(index, end)
  return end
}

function chainOf(
  instance: PlanInstance,
  batch: PlanBatch,
  known: Map<number, number>,
  slotsBy: SlotsOf,
): number {
  // In a free order the hands come to a model in any row; only its regions bind.
  const slots = createRegionSlots(batch, instance.regionCount, undefined, isChain(batch))
  let clock = 0
  for (const task of batch.tasks) {
    let joined = 0
    for (const each of task.joins) joined = Math.max(joined, chain(instance, each, known, slotsBy))
    const hands = quickest(instance, task)
    const wait = leastWait(task)
    const places = slotsFor(instance, task, slotsBy)
    for (const model of task.models) {
      // Several painters may be at different models of the batch.
      // Where the order is free, what shares no region may be done at another time.
      const from = instance.painters.length > 1 || !isChain(batch) ? 0 : clock
      const start = earliest(places, Math.max(from, joined, slots.dryAt(model, task.regions)), hands)
      if (!Number.isFinite(start)) return slots.allDryAt()
      clock = start + hands
      slots.wet(model, task.regions, clock, clock + wait)
    }
  }
  return slots.allDryAt()
}

type SlotsOf = (painter: number, windows: number | null) => DeskSlots

/** The slots of each painter and windows, laid out once: every task asks for them. */
function slotsOnce(instance: PlanInstance): SlotsOf {
  const known = new Map<string, DeskSlots>()
  return (painter, windows) => {
    const key = `${String(painter)} ${String(windows)}`
    const slots = known.get(key) ?? slotsOf(instance, painter, windows)
    known.set(key, slots)
    return slots
  }
}

function slotsFor(instance: PlanInstance, task: PlanTask, slots: SlotsOf): readonly DeskSlots[] {
  return Array.from({ length: 1 + task.others.length }, (_, at) => wayOf(task, at)).flatMap((way) =>
    (way.painters ?? instance.painters.map((_, painter) => painter)).map((painter) =>
      slots(painter, way.windows),
    ),
  )
}

function earliest(places: readonly DeskSlots[], from: number, hands: number): number {
  let best = Number.POSITIVE_INFINITY
  for (const slots of places) {
    for (let at = firstSlotAfter(slots, from); at < slots.count; at++) {
      const start = Math.max(from, slots.start[at] ?? 0)
      if (start >= best) break
      if (start + hands > (slots.end[at] ?? 0)) continue
      best = Math.min(best, start)
      break
    }
  }
  return best
}
