import { builderState, sumOf } from './builder-state.ts'
import { builderView, type BuilderView } from './builder-view.ts'
import { compileInstance, type CompiledInstance } from './compiled.ts'
import type { PlanCost, PlanInstance, PlanSegment } from './instance.ts'
import { copyPlace, noPlace, placeFinder, type Place, type SplitPolicy } from './place-finder.ts'
import { botherCounter } from './evening-bother.ts'
import { samenessCounter } from './sameness.ts'

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
export interface ScheduleBuilder extends BuilderView {
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
  /**
   * Seconds at the desk by which the last hands rest at the earliest, however the rest is laid.
   * @param workLeft least hands-on seconds of what is not laid.
   */
  readonly leastDeskSeconds: (workLeft: number) => number
  readonly save: (into?: Float64Array) => Float64Array
  readonly load: (state: Float64Array) => void
}

/** Where an earlier plan had the tasks. */
export interface EarlierPlaces {
  /** By task, in seconds from now; NaN where it did not know the task. */
  readonly startsAt: Float64Array
  /** By task; −1 where it did not know it. */
  readonly painters: Int32Array
}

const day = 86_400
/** A task may begin so much sooner or later and is still where it was. */
const sameTime = 900
/** What it is worth in seconds that a task stays: tonight, later, and with its painter. */
const staying = { tonight: 300, later: 30, painter: 120 }

/** @param skipped by painter and session: 1 where a session falls out; read anew for every task. */
export function createScheduleBuilder(
  instance: PlanInstance,
  skipped?: readonly Uint8Array[],
  earlier?: EarlierPlaces,
): ScheduleBuilder {
  const compiled = compileInstance(instance)
  const { people, batchOf, taskAt, modelsFrom, models, wayFrom, before, helps, tasks, atDesk } = compiled
  const {
    family: familyOf,
    hands: handsOf,
    wait: waits,
    station: stationOf,
    onRack,
    opens: opensAt,
  } = compiled
  const { whole, maxWait, regions, regionsFrom, families } = compiled
  const choices = choicesOf(instance)
  const state = builderState(compiled)
  const { sums, free, laid, left, begun, pending, deadline, wet, width, rack, stamp, onPalette } = state
  const {
    family: openFamily,
    session: sessionOf,
    lastHands,
    firstHands,
    dry: dryOf,
    through: throughOf,
  } = state
  const isBound = tasks.some((task) => task.maxWait !== null) || (sums[sumOf.pending] ?? 0) > 0
  const { batches } = instance
  const finder = placeFinder(compiled, state, builderState(compiled), choices, skipped)
  const { draft } = finder
  const countSameness = samenessCounter(instance, state)
  const countBother = botherCounter(instance, state)
  const mostInHand = instance.inHandAtMost ?? Number.POSITIVE_INFINITY
  const severalHands = people > 1
  const racked = instance.rack !== null
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
    if (isBound && (sums[sumOf.pending] ?? 0) > 0 && (pending[batchOf[task] ?? 0] ?? 0) === 0) {
      const urgent = missedAfterDraft(task)
      if (urgent >= 0) return place(urgent) && place(task, choice)
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
    const stationWas = state.stationFree[at] ?? 0
    if (at >= 0) state.stationFree[at] = kept.end
    let missed = -1
    for (let batch = 0; batch < pending.length && missed < 0; batch++) {
      const follows = (pending[batch] ?? 0) - 1
      if (follows < 0 || batch === batchOf[task]) continue
      if (!finder.choose(follows, 0) || draft.tooLate) missed = follows
    }
    free[painter] = wasFree
    openFamily[painter] = wasFamily
    sessionOf[painter] = wasSession
    if (at >= 0) state.stationFree[at] = stationWas
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
      layPart(task, batch, through)
      through += draft.count
      if (through >= count) break
      if (!finder.goOn(task, through, way, painter)) {
        failed = true
        return false
      }
    }
    countInHand(task, batch)
    return !failed
  }

  function layPart(task: number, batch: number, from: number): void {
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
    if (racked && onRack[way] === 1) {
      const at = (sums[sumOf.onRack] ?? 0) * 3
      rack[at] = start + setUp
      rack[at + 1] = dry
      rack[at + 2] = count
      add(sumOf.onRack, 1)
    }
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

  function countInHand(task: number, batch: number): void {
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

  const lateOfJob = new Float64Array(1 + batches.reduce((most, batch) => Math.max(most, batch.job ?? -1), -1))

  /** Where an evening has prices, a moment counts by the day. */
  const told = (seconds: number) => (instance.prices ? Math.ceil(seconds / day) * day : seconds)

  function cost(): PlanCost {
    let finish = 0
    let flow = 0
    let late = 0
    let pressed = 0
    lateOfJob.fill(0)
    for (let index = 0; index < left.length; index++) {
      if ((left[index] ?? 0) > 0) failed = true
      const batch = batches[index]
      const dry = dryOf[index] ?? 0
      flow += dry
      if (dry > finish) finish = dry
      if (!batch) continue
      pressed += batch.priority * told(dry)
      if (batch.due === null) continue
      const own = Math.max(0, told(dry - batch.due))
      const known = batch.job === undefined ? 0 : (lateOfJob[batch.job] ?? 0)
      if (own <= known) continue
      late += own - known
      if (batch.job !== undefined) lateOfJob[batch.job] = own
    }
    let handsDone = 0
    let deskSeconds = 0
    let lastOpens = 0
    for (let painter = 0; painter < people; painter++) {
      const until = free[painter] ?? 0
      const opens = opensAt[painter]?.[sessionOf[painter] ?? 0] ?? 0
      if (openFamily[painter] !== -1 && opens > lastOpens) lastOpens = opens
      handsDone = Math.max(handsDone, until)
      deskSeconds = Math.max(deskSeconds, atDesk[painter]?.until(until) ?? 0)
    }
    return {
      late,
      pressed,
      finish: failed ? Number.POSITIVE_INFINITY : finish,
      handsDone,
      deskSeconds,
      handsOnSeconds: sums[sumOf.hands] ?? 0,
      setUpSeconds: sums[sumOf.setUp] ?? 0,
      potOpenings: sums[sumOf.pots] ?? 0,
      exposed: sums[sumOf.exposed] ?? 0,
      flow,
      sameness: sums[sumOf.sameness] ?? 0,
      lastOpens,
      bother: sums[sumOf.bother] ?? 0,
      moved: sums[sumOf.moved] ?? 0,
    }
  }

  function leastDeskSeconds(workLeft: number): number {
    let all = workLeft
    let latest = 0
    for (let painter = 0; painter < people; painter++) {
      const until = atDesk[painter]?.until(free[painter] ?? 0) ?? 0
      all += until
      if (until > latest) latest = until
    }
    return Math.max(latest, all / people)
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
    cost,
    throughAt: (batch) => (throughOf[batch] ?? 0) / Math.max(1, batches[batch]?.tasks.length ?? 0),
    leastDeskSeconds,
    ...builderView(compiled, state),
    save: state.save,
    load: (saved) => {
      state.load(saved)
      failed = false
    },
  }
}
