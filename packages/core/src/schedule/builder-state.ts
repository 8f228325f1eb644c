import { waysOf, type PlanInstance } from './instance.ts'
import { createRegionSlots, slotCount, type RegionSlots } from './region-slots.ts'

/** Everything that changes while tasks are laid. All but the sums lie in one buffer: copying it copies the state. */
export interface BuilderState {
  readonly reset: () => void
  readonly save: () => Float64Array
  readonly load: (saved: Float64Array) => void
  /** The buffer from here on, without what belongs to single painters. */
  readonly common: Float64Array
  /** By painter. */
  readonly free: Float64Array
  readonly family: Float64Array
  readonly familySession: Float64Array
  /** By painter: stage and seconds, kind and seconds of the run going on. */
  readonly runs: Float64Array
  /** By painter and family: the session in which it was last on the palette, from 1. */
  readonly onPalette: Float64Array
  readonly families: number
  /** By station and place in it. */
  readonly stationFree: Float64Array
  /** Counts up whenever anything is laid or the state is set: what was worked out of it holds no longer. */
  readonly stamp: { now: number }
  /** By batch. */
  readonly next: Float64Array
  readonly pending: Float64Array
  /** When the hands began the last task laid of a batch: the next does not begin before. */
  readonly firstHands: Float64Array
  /** When the hands last left a batch. */
  readonly lastHands: Float64Array
  readonly regions: readonly RegionSlots[]
  /** By batch and model, from `modelAt`. */
  readonly deadline: Float64Array
  readonly modelAt: readonly number[]
  /** Three figures an entry: from, until, models. */
  readonly rack: Float64Array
  readonly sums: DeskSums
}

interface DeskSums {
  inHand: number
  pending: number
  onRack: number
  exposed: number
  setUp: number
  pots: number
  sameness: number
  hands: number
}

const sumCount = 8

export function builderState(instance: PlanInstance): BuilderState {
  const { batches, painters, stations } = instance
  const ways = batches.flatMap((batch) => batch.tasks.flatMap(waysOf))
  const families = ways.reduce((most, way) => Math.max(most, way.family), instance.openFamily ?? -1) + 1
  const modelAt: number[] = []
  let models = 0
  for (const batch of batches) {
    modelAt.push(models)
    models += batch.models
  }
  const racked =
    instance.rack === null
      ? 0
      : batches.reduce(
          (sum, batch) => sum + batch.tasks.reduce((all, task) => all + task.models.length, 0),
          0,
        )
  const people = painters.length
  const sizes = [
    sumCount,
    people,
    people,
    people,
    people * 4,
    people * families,
    stations.reduce((sum, each) => sum + each, 0),
    batches.length,
    batches.length,
    models,
    racked * 3,
    batches.length,
    batches.length,
    ...batches.map((batch) => slotCount(batch, instance.regionCount)),
  ]
  const buffer = new Float64Array(sizes.reduce((sum, each) => sum + each, 0))
  let at = 0
  const parts = sizes.map((size) => buffer.subarray(at, (at += size)))
  const part = (index: number) => parts[index] ?? new Float64Array(0)
  const regions = batches.map((batch, index) =>
    createRegionSlots(batch, instance.regionCount, part(13 + index), people > 1),
  )
  const [free, family] = [part(1), part(2)]
  const onPalette = part(5)
  painters.forEach((painter, index) => {
    free[index] = Math.max(0, painter.sessions?.[0]?.start ?? 0)
    family[index] = index === 0 ? (instance.openFamily ?? -1) : -1
  })
  part(4).fill(-1)
  if (instance.openFamily !== null) onPalette[instance.openFamily] = 1
  batches.forEach(({ firstBy }, batch) => {
    if (!firstBy || firstBy.length === 0) return
    const from = modelAt[batch] ?? 0
    part(8)[batch] = 1
    part(9).fill(Number.POSITIVE_INFINITY, from, from + (batches[batch]?.models ?? 0))
    for (const { model, by } of firstBy) part(9)[from + model] = by
  })
  const initial = buffer.slice()
  initial[1] = part(8).reduce((sum, each) => sum + each, 0)
  const sums: DeskSums = {
    inHand: 0,
    pending: 0,
    onRack: 0,
    exposed: 0,
    setUp: 0,
    pots: 0,
    sameness: 0,
    hands: 0,
  }
  const stamp = { now: 0 }
  const load = (saved: Float64Array): void => {
    stamp.now += 1
    buffer.set(saved)
    sums.inHand = saved[0] ?? 0
    sums.pending = saved[1] ?? 0
    sums.onRack = saved[2] ?? 0
    sums.exposed = saved[3] ?? 0
    sums.setUp = saved[4] ?? 0
    sums.pots = saved[5] ?? 0
    sums.sameness = saved[6] ?? 0
    sums.hands = saved[7] ?? 0
  }
  return {
    reset: () => load(initial),
    save: () => {
      const saved = buffer.slice()
      saved[0] = sums.inHand
      saved[1] = sums.pending
      saved[2] = sums.onRack
      saved[3] = sums.exposed
      saved[4] = sums.setUp
      saved[5] = sums.pots
      saved[6] = sums.sameness
      saved[7] = sums.hands
      return saved
    },
    load,
    stamp,
    common: buffer.subarray(sumCount + people * (7 + families)),
    free,
    family,
    familySession: part(3),
    runs: part(4),
    onPalette,
    families,
    stationFree: part(6),
    next: part(7),
    pending: part(8),
    deadline: part(9),
    modelAt,
    rack: part(10),
    lastHands: part(11),
    firstHands: part(12),
    regions,
    sums,
  }
}
