import { regionsMeet } from '../trade/index.ts'
import type { Alone } from './batch-alone.ts'
import {
  handsRange,
  handsSeconds,
  isChain,
  leastWait,
  waysOf,
  type PlanBatch,
  type PlanInstance,
  type PlanTask,
} from './instance.ts'
import { doneBy, openingOf, type Scarce } from './opening.ts'

/** Work that has to be done there, and what comes before and after it at the least; seconds. */
interface Share {
  readonly work: number
  readonly head: number
  readonly tail: number
}

/** So many steps of heads and of tails are looked at. */
const steps = 12

/**
 * No plan is finished before the work of a scarce place is done: what cannot begin before a moment is done from then on,
 * and of what has much after it the rest follows (Carlier 1982, for heads and tails on one machine).
 * @param alone each batch by itself from time 0.
 */
export function scarceBound(instance: PlanInstance, alone: readonly Alone[]): number {
  const tails = instance.batches.map((batch) => tailsOf(instance, batch))
  let latest = 0
  for (const scarce of scarcePlaces(instance)) {
    const shares: Share[] = []
    instance.batches.forEach((batch, index) => {
      batch.tasks.forEach((task, at) => {
        const work = workThere(instance, task, scarce)
        const head = alone[index]?.starts[at]
        if (work > 0 && head !== undefined)
          shares.push({ work: work * task.models.length, head, tail: tails[index]?.[at] ?? 0 })
      })
    })
    latest = Math.max(latest, finishOf(instance, scarce, shares))
  }
  return latest
}

/** Every set of painters some task is left to, alone and in its hours; and every station. */
function scarcePlaces(instance: PlanInstance): readonly Scarce[] {
  const everybody = [...instance.painters.keys()]
  const known = new Map<string, Scarce>()
  const add = (scarce: Scarce) => known.set(JSON.stringify(scarce), scarce)
  for (const windows of [null, ...instance.windows.keys()]) {
    add({ painters: everybody, windows, station: null })
    for (const painter of everybody) add({ painters: [painter], windows, station: null })
  }
  for (const batch of instance.batches)
    for (const task of batch.tasks) {
      const ways = waysOf(task)
      const painters = [...new Set(ways.flatMap((way) => way.painters ?? everybody))].sort((a, b) => a - b)
      add({ painters, windows: null, station: null })
      if (task.windows !== null) add({ painters, windows: task.windows, station: null })
    }
  for (const station of instance.stations.keys()) add({ painters: everybody, windows: null, station })
  return [...known.values()]
}

/** What a model takes of a scarce place at the least, in its seconds; 0 where it can be done elsewhere. */
function workThere(instance: PlanInstance, task: PlanTask, scarce: Scarce): number {
  let least = Number.POSITIVE_INFINITY
  for (const way of waysOf(task)) {
    if (scarce.windows !== null && way.windows !== scarce.windows) return 0
    if (scarce.station !== null && way.station !== scarce.station) return 0
    for (const painter of way.painters ?? instance.painters.keys()) {
      if (!scarce.painters.includes(painter)) return 0
      const own = instance.painters[painter]
      // A place is held as long as the hands are there; hands are counted at a pace of 1.
      least = Math.min(least, handsSeconds(way, own) / (scarce.station === null ? (own?.pace ?? 1) : 1))
    }
  }
  return Number.isFinite(least) ? least : 0
}

/** By task, what comes after its last model at the least. */
function tailsOf(instance: PlanInstance, batch: PlanBatch): readonly number[] {
  const hands = batch.tasks.map((task) => handsRange(instance, task)[0])
  const waits = batch.tasks.map(leastWait)
  const inRow = isChain(batch)
  /** By task and model, from when the hands leave it there. */
  const after = batch.tasks.map(() => new Map<number, number>())
  for (let at = batch.tasks.length - 1; at >= 0; at--) {
    const task = batch.tasks[at]
    for (const model of task?.models ?? []) {
      let longest = waits[at] ?? 0
      for (let later = at + 1; later < batch.tasks.length; later++) {
        const next = batch.tasks[later]
        const tail = after[later]?.get(model)
        if (!task || !next || tail === undefined) continue
        const meets = regionsMeet(task.regions, next.regions)
        if (!meets && !inRow) continue
        longest = Math.max(longest, (meets ? (waits[at] ?? 0) : 0) + (hands[later] ?? 0) + tail)
      }
      after[at]?.set(model, longest)
    }
  }
  return after.map((own) => (own.size > 0 ? Math.min(...own.values()) : 0))
}

/** The latest of what each step of heads and tails says. */
function finishOf(instance: PlanInstance, scarce: Scarce, shares: readonly Share[]): number {
  if (shares.length === 0) return 0
  const open = openingOf(instance, scarce)
  let latest = 0
  for (const head of some(shares.map((share) => share.head)))
    for (const tail of some(shares.map((share) => share.tail))) {
      const own = shares.filter((share) => share.head >= head && share.tail >= tail)
      if (own.length === 0) continue
      const work = own.reduce((sum, share) => sum + share.work, 0)
      latest = Math.max(latest, doneBy(open, head, work) + Math.min(...own.map((share) => share.tail)))
    }
  return latest
}

function some(values: readonly number[]): readonly number[] {
  const each = [...new Set(values)].sort((a, b) => a - b)
  if (each.length <= steps) return each
  return Array.from({ length: steps }, (_, step) => each[Math.floor((step * each.length) / steps)] ?? 0)
}
