import type { CompiledInstance } from './compiled.ts'
import { type PlanTask, waysOf } from './instance.ts'

/** Everything that changes while tasks are laid, in one buffer: copying it copies the state. */
export interface BuilderState {
  readonly reset: () => void
  readonly load: (saved: Float64Array) => void
  readonly save: (into?: Float64Array) => Float64Array
  /** Counts up whenever anything is laid or the state is set: what was worked out of it holds no longer. */
  readonly stamp: { now: number }
  /** See `sumOf`. */
  readonly sums: Float64Array
  /** By painter. */
  readonly free: Float64Array
  readonly family: Float64Array
  readonly session: Float64Array
  /** By painter: the station of the last stretch, −1 for the desk; and its kind. */
  readonly lastStation: Float64Array
  readonly lastKind: Float64Array
  /** By painter: seconds worked with the pot that is open without another in between. */
  readonly potRun: Float64Array
  /** By painter: stage and seconds, kind and seconds of the run going on. */
  readonly runs: Float64Array
  /** By painter and family: the session in which it was last on the palette, from 1. */
  readonly onPalette: Float64Array
  /** By station and place in it, from `stationAt`. */
  readonly stationFree: Float64Array
  readonly stationAt: readonly number[]
  /** By task: 1 once it is laid. */
  readonly laid: Float64Array
  /** By batch: tasks that are not laid. */
  readonly left: Float64Array
  /** By batch: 1 once it is begun. */
  readonly begun: Float64Array
  /** By batch: the task that has to follow soon, from 1; 0 where none has. */
  readonly pending: Float64Array
  /** By batch: when the hands began the task laid last; the next does not begin before. */
  readonly firstHands: Float64Array
  /** By batch: when the hands last left it, and when all of it is dry. */
  readonly lastHands: Float64Array
  readonly dry: Float64Array
  /** By batch: the desk time at which each of its tasks is through, summed up. */
  readonly through: Float64Array
  /** By model: by when the task that is pending has to begin on it. */
  readonly deadline: Float64Array
  /**
   * By model when its regions are dry: whole-model coats, then everything, then when it was last in hand, then one a region;
   * so two looks answer for a region, and one for a whole-model stage. A model is in one pair of hands at a time.
   */
  readonly wet: Float64Array
  /** Figures a model in `wet`. */
  readonly width: number
  /** Models on the drying rack, as steps: two figures a break, from when and how many from there on; see `drying-rack`. */
  readonly rack: Float64Array
}

/** Places in `sums`: figures of the plan as it is laid so far. */
export const sumOf = {
  inHand: 0,
  pending: 1,
  rackBreaks: 2,
  exposed: 3,
  setUp: 4,
  pots: 5,
  sameness: 6,
  hands: 7,
  moved: 8,
  bother: 9,
} as const

const sumCount = 10

export function builderState(compiled: CompiledInstance): BuilderState {
  const { instance, people, families, tasks, modelAt } = compiled
  const { batches, stations } = instance
  const models = modelAt[batches.length] ?? 0
  const width = instance.regionCount + 3
  const places = stations.reduce((sum, each) => sum + each, 0)
  const isRacked = (task: PlanTask) => instance.rack !== null && waysOf(task).some((way) => way.onRack)
  const racked = tasks.reduce((sum, task) => sum + (isRacked(task) ? task.models.length : 0), 0)
  const count = batches.length
  const parts: number[] = []
  const add = (size: number) => parts.push(size) - 1
  const at = {
    sums: add(sumCount),
    free: add(people),
    family: add(people),
    session: add(people),
    lastStation: add(people),
    lastKind: add(people),
    potRun: add(people),
    runs: add(people * 4),
    onPalette: add(people * families),
    stationFree: add(places),
    laid: add(tasks.length),
    left: add(count),
    begun: add(count),
    pending: add(count),
    firstHands: add(count),
    lastHands: add(count),
    dry: add(count),
    through: add(count),
    deadline: add(models),
    wet: add(models * width),
    rack: add(racked * 4),
  }
  const buffer = new Float64Array(parts.reduce((sum, size) => sum + size, 0))
  let from = 0
  const views = parts.map((size) => buffer.subarray(from, (from += size)))
  const view = (index: number) => views[index] ?? buffer.subarray(0, 0)
  const stamp = { now: 0 }
  const state: BuilderState = {
    reset: () => state.load(initial),
    load: (saved) => {
      stamp.now += 1
      buffer.set(saved)
    },
    save: (into) => {
      if (!into) return buffer.slice()
      into.set(buffer)
      return into
    },
    stamp,
    sums: view(at.sums),
    free: view(at.free),
    family: view(at.family),
    session: view(at.session),
    lastStation: view(at.lastStation),
    lastKind: view(at.lastKind),
    potRun: view(at.potRun),
    runs: view(at.runs),
    onPalette: view(at.onPalette),
    stationFree: view(at.stationFree),
    stationAt: stations.map((_, station) => stations.slice(0, station).reduce((sum, each) => sum + each, 0)),
    laid: view(at.laid),
    left: view(at.left),
    begun: view(at.begun),
    pending: view(at.pending),
    firstHands: view(at.firstHands),
    lastHands: view(at.lastHands),
    dry: view(at.dry),
    through: view(at.through),
    deadline: view(at.deadline),
    wet: view(at.wet),
    width,
    rack: view(at.rack),
  }
  state.family.fill(-1)
  if (instance.openFamily !== null) {
    state.family[0] = instance.openFamily
    state.onPalette[instance.openFamily] = 1
  }
  state.runs.fill(-1)
  state.lastStation.fill(-1)
  state.lastKind.fill(-1)
  for (let painter = 0; painter < people; painter++) {
    state.free[painter] = Math.max(0, compiled.opens[painter]?.[0] ?? 0)
    state.runs[painter * 4 + 1] = 0
    state.runs[painter * 4 + 3] = 0
  }
  batches.forEach((batch, index) => {
    const first = modelAt[index] ?? 0
    state.left[index] = batch.tasks.length
    state.begun[index] = batch.begun ? 1 : 0
    if (batch.begun && batch.tasks.length > 0 && compiled.helps[index] !== 1)
      state.sums[sumOf.inHand] = (state.sums[sumOf.inHand] ?? 0) + 1
    for (const { model, regions, readyAt } of batch.drying) {
      wetten(state.wet, (first + model) * width, regions, readyAt)
      state.dry[index] = Math.max(state.dry[index] ?? 0, readyAt)
    }
    if (!batch.firstBy || batch.firstBy.length === 0 || batch.tasks.length === 0) return
    state.pending[index] = 1 + (compiled.taskAt[index] ?? 0)
    state.sums[sumOf.pending] = (state.sums[sumOf.pending] ?? 0) + 1
    state.deadline.fill(Number.POSITIVE_INFINITY, first, first + batch.models)
    for (const { model, by } of batch.firstBy) state.deadline[first + model] = by
  })
  const initial = buffer.slice()
  return state
}

function wetten(wet: Float64Array, base: number, regions: 'whole' | readonly number[], until: number): void {
  const put = (at: number) => (wet[at] = Math.max(wet[at] ?? 0, until))
  put(base + 1)
  if (regions === 'whole') put(base)
  else for (const region of regions) put(base + 3 + region)
}
