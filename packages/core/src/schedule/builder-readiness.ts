import type { BuilderState } from './builder-state.ts'
import type { PlanInstance, PlanTask } from './instance.ts'

/** When models, stations and places in hand are ready for a task. */
export interface BuilderReadiness {
  readonly lookUpDry: (batch: number, task: PlanTask, left: number) => void
  readonly dryFor: (task: PlanTask, left: number, hands: number, from: number) => number
  /** No hands are at the models just looked up before this, nor done with them within less than all their hands. */
  readonly soonest: (models: number, hands: number) => number
  readonly latestFor: (batch: number, task: PlanTask, left: number, hands: number) => number
  readonly roomInHand: (batch: number) => number
  readonly stationReady: (station: number | null) => number
  readonly earliestStation: (station: number) => number
}

/** @param helps batches that others wait for: they do not count as in hand. */
export function builderReadiness(
  instance: PlanInstance,
  state: BuilderState,
  helps: ReadonlySet<number>,
): BuilderReadiness {
  const { batches, stations } = instance
  const people = instance.painters.length
  const mostInHand = instance.inHandAtMost ?? Number.POSITIVE_INFINITY
  const { deadline, firstHands, lastHands, next, pending, regions, stationFree, sums } = state
  const stationAt = stations.map((_, station) =>
    stations.slice(0, station).reduce((sum, each) => sum + each, 0),
  )
  const isThrough = (batch: number) => (next[batch] ?? 0) >= (batches[batch]?.tasks.length ?? 0)
  const dryOf = new Float64Array(batches.reduce((most, batch) => Math.max(most, batch.models), 0))
  let readyAnyway = 0
  let latestDry = 0

  /** Looks up when the models of a task are dry: the same for whoever takes it. */
  function lookUpDry(batch: number, task: PlanTask, left: number): void {
    readyAnyway = firstHands[batch] ?? 0
    for (const joined of task.joins) readyAnyway = Math.max(readyAnyway, regions[joined]?.allDryAt() ?? 0)
    latestDry = 0
    const slots = regions[batch]
    if (!slots) return
    for (let index = left; index < task.models.length; index++) {
      const dry = slots.dryAt(task.models[index] ?? 0, task.regions)
      dryOf[index] = dry
      if (dry > latestDry) latestDry = dry
    }
  }

  /** The earliest start of the hands from `from` on at which no model is touched wet when its turn comes. */
  function dryFor(task: PlanTask, left: number, hands: number, from: number): number {
    if (latestDry <= from) return readyAnyway
    let ready = readyAnyway
    let offset = 0
    for (let index = left; index < task.models.length; index++) {
      const dry = (dryOf[index] ?? 0) - offset
      if (dry > ready) ready = dry
      offset += hands
    }
    return ready
  }

  const soonest = (models: number, hands: number): number =>
    Math.max(readyAnyway, latestDry - (models - 1) * hands)

  /** The latest start of the hands that keeps the maximum wait of every model. */
  function latestFor(batch: number, task: PlanTask, left: number, hands: number): number {
    let latest = Number.POSITIVE_INFINITY
    if (pending[batch] === 0) return latest
    const from = state.modelAt[batch] ?? 0
    let offset = 0
    for (let index = left; index < task.models.length; index++) {
      latest = Math.min(latest, (deadline[from + (task.models[index] ?? 0)] ?? 0) - offset)
      offset += hands
    }
    return latest
  }

  const ends = new Float64Array(batches.length)
  let roomAt = -1
  let room = 0

  /** When a batch may begin, so that at no time too many are in hand. With one painter the row sees to that. */
  function roomInHand(batch: number): number {
    if (people === 1 || mostInHand === Number.POSITIVE_INFINITY) return 0
    if ((next[batch] ?? 0) > 0 || batches[batch]?.begun === true || helps.has(batch)) return 0
    // The same for every batch that is not begun, until something is laid.
    if (roomAt === state.stamp.now) return room
    roomAt = state.stamp.now
    let through = 0
    for (let other = 0; other < batches.length; other++) {
      if (isThrough(other) && !helps.has(other)) ends[through++] = lastHands[other] ?? 0
    }
    room = ends.subarray(0, through).sort()[through - Math.max(1, mostInHand - sums.inHand)] ?? 0
    return room
  }

  function stationReady(station: number | null): number {
    if (station === null) return 0
    let earliest = Number.POSITIVE_INFINITY
    const from = stationAt[station] ?? 0
    for (let at = from; at < from + (stations[station] ?? 0); at++)
      earliest = Math.min(earliest, stationFree[at] ?? 0)
    return earliest
  }

  function earliestStation(station: number): number {
    const from = stationAt[station] ?? 0
    let best = from
    for (let at = from; at < from + (stations[station] ?? 0); at++) {
      if ((stationFree[at] ?? 0) < (stationFree[best] ?? 0)) best = at
    }
    return best
  }

  return { lookUpDry, dryFor, soonest, latestFor, roomInHand, stationReady, earliestStation }
}
