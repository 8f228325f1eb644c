import { batchesAlone } from './batch-alone.ts'
import { inHandBound } from './in-hand-bound.ts'
import {
  handsSeconds,
  isChain,
  leastWait,
  waysOf,
  type PlanBatch,
  type PlanInstance,
  type PlanTask,
} from './instance.ts'
import { doneBy, openingOf } from './opening.ts'
import { scarceBound } from './scarce-bound.ts'

/** No plan of this instance can be finished before any of these moments. */
export interface LowerBound {
  /** All hands-on work and the set-ups nobody can avoid, shared without a gap. */
  readonly workContent: number
  /** The longest batch alone, its pots always open and everybody there for it. */
  readonly longestChain: number
  /** What only some may do, only in some hours, or only at one station, with what comes before and after it. */
  readonly scarce: number
  /** As many batches at a time as may be in hand. */
  readonly inHand: number
}

export function lowerBound(instance: PlanInstance): LowerBound {
  const aloneFrom = batchesAlone(instance)
  const alone = instance.batches.map((_, batch) => aloneFrom(batch, 0))
  return {
    workContent: workContent(instance),
    longestChain: Math.max(0, ...alone.map((each) => each.dryAt)),
    scarce: scarceBound(instance, alone),
    inHand: inHandBound(instance, aloneFrom),
  }
}

/** The latest of the bounds. */
export function earliestFinish(bound: LowerBound): number {
  return Math.max(bound.workContent, bound.longestChain, bound.scarce, bound.inHand)
}

/** What a model takes of everybody's time at the least, in seconds at a pace of 1: a slow hand loses less by it. */
function leastWork(instance: PlanInstance, task: PlanTask): number {
  let least = Number.POSITIVE_INFINITY
  for (const way of waysOf(task)) {
    for (const painter of way.painters ?? instance.painters.keys()) {
      const own = instance.painters[painter]
      least = Math.min(least, handsSeconds(way, own) / (own?.pace ?? 1))
    }
  }
  return least
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
  const everybody = { painters: [...instance.painters.keys()], windows: null, station: null }
  return doneBy(openingOf(instance, everybody), 0, work) + Math.min(...lastWaits)
}

/** The tasks that may come last. */
function lastOf(batch: PlanBatch): readonly PlanTask[] {
  if (isChain(batch)) return batch.tasks.slice(-1)
  const followed = new Set(batch.comesAfter?.flat())
  return batch.tasks.filter((_, index) => !followed.has(index))
}
