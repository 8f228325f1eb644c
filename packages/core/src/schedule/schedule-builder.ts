import { builderCost, type BuilderCost } from './builder-cost.ts'
import { builderState, sumOf } from './builder-state.ts'
import { builderView, type BuilderView } from './builder-view.ts'
import { compileInstance, type CompiledInstance } from './compiled.ts'
import type { PlanCost, PlanInstance, PlanSegment } from './instance.ts'
import { addToRack } from './drying-rack.ts'
import { copyPlace, noPlace, placeFinder, type Place, type SplitPolicy } from './place-finder.ts'
import { stretchTaker, type EarlierPlaces } from './take-stretch.ts'

/**
 * Who does a task and how: 0 leaves it to the desk, else 1 + way × painters + painter. With `choicesOf` added it is not
 * begun in the session that the painter is in: rather tomorrow than after a wait tonight.
 */
export type Choice = number

/** So many choices there are of who and how. */
export function choicesOf({ batches, painters }: PlanInstance): number {
  const ways = batches.flatMap((batch) => batch.tasks.map((task) => 1 + task.others.length))
  return 1 + Math.max(1, ...ways) * painters.length
}

/**
 * The painters at their desks, laying tasks one after the other, each as early as those before it allow. Every
 * schedule in which nothing could be moved earlier by itself is such a sequence of tasks, so a search over sequences misses
 * no better plan, but where waiting before a task with a maximum wait would pay. Tasks are numbered through all batches.
 */
export interface ScheduleBuilder extends BuilderView, Pick<BuilderCost, 'leastDeskSeconds'> {
  readonly compiled: CompiledInstance
  readonly choices: number
  readonly reset: (policy: SplitPolicy, record?: (segment: PlanSegment) => void) => void
  readonly isLaid: (task: number) => boolean
  readonly isBegun: (batch: number) => boolean
  readonly isThrough: (batch: number) => boolean
  /** It may be begun: what comes before it is laid, nothing else of its batch has to follow first, there is room in hand. */
  readonly mayBegin: (task: number) => boolean
  /** Where it would begin; `null` when it may not, or does not fit anywhere. The object is written over and over. */
  readonly peek: (task: number, choice?: Choice) => Readonly<Place> | null
  /** The same, of a task that may begin: whoever asked need not have it asked again. */
  readonly lay: (task: number, choice: Choice) => boolean
  /** Lays it, and before it what would be too late after it; false when it cannot. */
  readonly place: (task: number, choice?: Choice) => boolean
  /** Lays it and nothing else; false when something else would then be too late. */
  readonly placeAlone: (task: number, choice: Choice) => boolean
  /** When a painter's hands are free. */
  readonly free: (painter: number) => number
  readonly dryAt: (batch: number) => number
  readonly setUpSeconds: () => number
  readonly cost: () => PlanCost
  /** When the tasks of a batch are through on average, in seconds at the desk. */
  readonly throughAt: (batch: number) => number
  readonly save: (into?: Float64Array) => Float64Array
  readonly load: (state: Float64Array) => void
}

/** @param skipped by painter and session: 1 where a session falls out; read anew for every task. */
export function createScheduleBuilder(
  instance: PlanInstance,
  skipped?: readonly Uint8Array[],
  earlier?: EarlierPlaces,
): ScheduleBuilder {
  const compiled = compileInstance(instance)
  const {
    people,
    batchOf,
    modelsFrom,
    wayFrom,
    before,
    helps,
    tasks,
    family: familyOf,
    station: stationOf,
    onRack,
    wait,
  } = compiled
  const choices = choicesOf(instance)
  const state = builderState(compiled)
  const { sums, free, laid, left, begun, pending, stamp, stationFree } = state
  const { family: openFamily, session: sessionOf, firstHands, dry: dryOf, through: throughOf } = state
  const isBound = tasks.some((task) => task.maxWait !== null) || (sums[sumOf.pending] ?? 0) > 0
  const { batches } = instance
  const finder = placeFinder(compiled, state, builderState(compiled), choices, skipped)
  const { draft } = finder
  const { takeStretch, takeTask } = stretchTaker(compiled, state, finder, earlier)
  const costs = builderCost(compiled, state)
  const mostInHand = instance.inHandAtMost ?? Number.POSITIVE_INFINITY
  const kept = noPlace()
  /** What the draft is of, and since when nothing was laid: who has peeked a place without looking again. */
  const drafted = { task: -1, choice: -1, stamp: -1 }
  let record: ((segment: PlanSegment) => void) | undefined
  let failed = false

  function reset(policy: SplitPolicy, newRecord?: (segment: PlanSegment) => void): void {
    record = newRecord
    failed = false
    finder.reset(policy)
    state.reset()
  }

  function mayBegin(task: number): boolean {
    const batch = batchOf[task] ?? 0
    if (laid[task] === 1) return false
    if (isBound) {
      const follows = pending[batch] ?? 0
      if (follows > 0 && follows !== task + 1) return false
    }
    const needed = before[task]
    if (needed) for (let at = 0; at < needed.length; at++) if (laid[needed[at] ?? 0] === 0) return false
    return begun[batch] === 1 || (sums[sumOf.inHand] ?? 0) < mostInHand || helps[batch] === 1
  }

  /** What a choice comes to: where nobody else could do it and in no other way, it is put off or not. */
  function meant(task: number, choice: Choice): Choice {
    if (people > 1 || (wayFrom[task + 1] ?? 0) - (wayFrom[task] ?? 0) > 1) return choice
    return choice < choices ? 0 : choices
  }

  /** The best place for a task, into `draft`, unless it lies there already. */
  function look(task: number, choice: Choice): boolean {
    const wanted = meant(task, choice)
    if (drafted.stamp === stamp.now && drafted.task === task && drafted.choice === wanted) return true
    drafted.stamp = -1
    if (!finder.choose(task, wanted)) return false
    drafted.task = task
    drafted.choice = wanted
    drafted.stamp = stamp.now
    return true
  }

  const peek = (task: number, choice: Choice = 0): Readonly<Place> | null =>
    mayBegin(task) && look(task, choice) ? draft : null

  function place(task: number, choice: Choice = 0): boolean {
    if (!failed && mayBegin(task)) return lay(task, choice)
    failed = true
    return false
  }

  function lay(task: number, choice: Choice): boolean {
    if (failed || !look(task, choice)) {
      failed = true
      return false
    }
    if (isBound && (sums[sumOf.pending] ?? 0) > 0) {
      const urgent = missedAfterDraft(task)
      // It comes right away, whatever else that makes too late.
      if (urgent >= 0) {
        failed = !mayBegin(urgent) || !look(urgent, 0) || !put(urgent)
        return place(task, choice)
      }
    }
    return put(task)
  }

  function placeAlone(task: number, choice: Choice): boolean {
    if (!mayBegin(task) || !look(task, choice) || draft.tooLate) return false
    if ((sums[sumOf.pending] ?? 0) > 0 && missedAfterDraft(task) >= 0) return false
    return put(task)
  }

  /** A task that would miss its maximum wait if the draft were laid before it; −1 when none would. */
  function missedAfterDraft(task: number): number {
    copyPlace(draft, kept)
    drafted.stamp = -1
    const { painter } = kept
    const way = (wayFrom[task] ?? 0) + kept.way
    const wasFree = free[painter] ?? 0
    const wasFamily = openFamily[painter] ?? -1
    const wasSession = sessionOf[painter] ?? 0
    free[painter] = kept.count < (tasks[task]?.models.length ?? 0) ? Number.POSITIVE_INFINITY : kept.end
    openFamily[painter] = familyOf[way] ?? 0
    sessionOf[painter] = kept.session
    const station = stationOf[way] ?? -1
    const at = station < 0 ? -1 : finder.earliestStation(station)
    const stationWas = stationFree[at] ?? 0
    if (at >= 0) stationFree[at] = kept.end
    const isRacked = instance.rack !== null && onRack[way] === 1
    const [begins, dry] = [kept.start + kept.setUp, kept.end + (wait[way] ?? 0)]
    if (isRacked) addToRack(state, begins, dry, kept.count)
    let missed = -1
    for (let batch = 0; batch < pending.length && missed < 0; batch++) {
      const follows = (pending[batch] ?? 0) - 1
      if (follows < 0 || batch === batchOf[task]) continue
      if (!finder.choose(follows, 0) || draft.tooLate) missed = follows
    }
    free[painter] = wasFree
    openFamily[painter] = wasFamily
    sessionOf[painter] = wasSession
    if (at >= 0) stationFree[at] = stationWas
    if (isRacked) addToRack(state, begins, dry, -kept.count)
    copyPlace(kept, draft)
    return missed
  }

  /** Lays the draft, and goes on with the same painter until every model is through. */
  function put(task: number): boolean {
    const { way, painter } = draft
    const batch = batchOf[task] ?? 0
    const count = (modelsFrom[task + 1] ?? 0) - (modelsFrom[task] ?? 0)
    drafted.stamp = -1
    let through = 0
    for (;;) {
      if (draft.tooLate) failed = true
      if (through === 0) firstHands[batch] = draft.start + draft.setUp
      takeStretch(task, through, record)
      through += draft.count
      if (through >= count) break
      if (!finder.goOn(task, through, way, painter)) {
        failed = true
        return false
      }
    }
    takeTask(task)
    return !failed
  }

  return {
    compiled,
    choices,
    reset,
    isLaid: (task) => laid[task] === 1,
    isBegun: (batch) => begun[batch] === 1,
    isThrough: (batch) => left[batch] === 0,
    mayBegin,
    peek,
    lay,
    place,
    placeAlone,
    free: (painter) => free[painter] ?? 0,
    dryAt: (batch) => dryOf[batch] ?? 0,
    setUpSeconds: () => sums[sumOf.setUp] ?? 0,
    cost: () => costs.cost(failed),
    throughAt: (batch) => (throughOf[batch] ?? 0) / Math.max(1, batches[batch]?.tasks.length ?? 0),
    leastDeskSeconds: costs.leastDeskSeconds,
    ...builderView(compiled, state),
    save: state.save,
    load: (saved) => {
      state.load(saved)
      failed = false
    },
  }
}
