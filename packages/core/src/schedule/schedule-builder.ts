import { builderCost } from './builder-cost.ts'
import { copyDraft, emptyDraft, fitting, isBetter, type Draft, type Place } from './builder-draft.ts'
import { builderPots } from './builder-pots.ts'
import { builderReadiness } from './builder-readiness.ts'
import { firstSlotAfter, sessionsOf, slotsOf } from './time-slots.ts'
import { builderState } from './builder-state.ts'
import { builderView, type BuilderView } from './builder-view.ts'
import { rackReady } from './drying-rack.ts'
import { everFollowed, followingStart } from './following-start.ts'
import {
  handsSeconds,
  wayOf,
  type PlanCost,
  type PlanInstance,
  type PlanSegment,
  type PlanTask,
  type PlanWay,
} from './instance.ts'
import { samenessCounter } from './sameness.ts'

/** How a stage too long for what is left of a session is placed: begin it there, or keep it in one piece. */
export type SplitPolicy = 'fill' | 'whole'

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
 * schedule in which nothing could be moved earlier by itself is such a row of tasks, so a search over rows misses
 * no better plan, but where waiting before a task with a maximum wait would pay.
 */
export interface ScheduleBuilder extends BuilderView {
  readonly reset: (policy: SplitPolicy, record?: (segment: PlanSegment) => void) => void
  /** The batch has a task left. */
  readonly hasTask: (batch: number) => boolean
  /** Its next task may begin: enough room in hand, and what is joined to it is through. */
  readonly mayGoOn: (batch: number) => boolean
  /** Where the next task would begin; `null` when it may not, or does not fit anywhere. */
  readonly peek: (batch: number, choice?: Choice) => Place | null
  /** Lays the batch's next task, and before it what would be too late after it; false when it cannot. */
  readonly place: (batch: number, choice?: Choice) => boolean
  /** Lays it and nothing else; false when something else would then be too late. */
  readonly placeAlone: (batch: number, choice: Choice) => boolean
  /** When a painter's hands are free. */
  readonly free: (painter: number) => number
  readonly dryAt: (batch: number) => number
  readonly setUpSeconds: () => number
  readonly cost: () => PlanCost
  readonly save: () => Float64Array
  readonly load: (state: Float64Array) => void
}

/** @param skipped by painter and session: 1 where a session falls out; read anew for every task. */
export function createScheduleBuilder(
  instance: PlanInstance,
  skipped?: readonly Uint8Array[],
): ScheduleBuilder {
  const { batches, painters } = instance
  const people = painters.length
  const choices = choicesOf(instance)
  const state = builderState(instance)
  const {
    free,
    family,
    familySession,
    onPalette,
    stationFree,
    next,
    regions,
    deadline,
    pending,
    rack,
    lastHands,
    firstHands,
    sums,
  } = state
  const mostInHand = instance.inHandAtMost ?? Number.POSITIVE_INFINITY
  const helps = new Set(batches.flatMap((batch) => batch.tasks.flatMap((task) => task.joins)))
  const begunAtFirst = batches.filter(
    (batch, index) => batch.begun && batch.tasks.length > 0 && !helps.has(index),
  ).length
  const anyWindow = instance.windows.length
  const slotTable = painters.map((_, painter) =>
    Array.from({ length: anyWindow + 1 }, (__, at) =>
      slotsOf(instance, painter, at === anyWindow ? null : at),
    ),
  )
  const alone = painters.map((_, painter) => painter)
  const { isOpen, isOnPalette, setUpOf } = builderPots(instance, state)
  const readiness = builderReadiness(instance, state, helps)
  const { lookUpDry, dryFor, soonest, latestFor, roomInHand, stationReady, earliestStation } = readiness
  const startOfChain = followingStart(instance, state, slotTable, readiness)
  const idle = builderState(instance)
  const canBeFollowed = everFollowed(instance, idle, slotTable, builderReadiness(instance, idle, helps))
  const view = builderView(instance, state, slotTable)
  const countSameness = samenessCounter(instance, state)
  const costOf = builderCost(instance, state, view)
  let policy: SplitPolicy = 'fill'
  let record: ((segment: PlanSegment) => void) | undefined
  let failed = false

  function reset(newPolicy: SplitPolicy, newRecord?: (segment: PlanSegment) => void): void {
    policy = newPolicy
    record = newRecord
    failed = false
    state.reset()
    sums.inHand = begunAtFirst
  }

  const taskOf = (batch: number): PlanTask | undefined => batches[batch]?.tasks[next[batch] ?? 0]
  const hasTask = (batch: number): boolean => taskOf(batch) !== undefined

  function mayGoOn(batch: number): boolean {
    const task = taskOf(batch)
    if (!task) return false
    for (const joined of task.joins) if (hasTask(joined)) return false
    if ((next[batch] ?? 0) > 0 || (batches[batch]?.begun ?? false)) return true
    return sums.inHand < mostInHand || helps.has(batch)
  }

  const firstTask = batches.find((batch) => batch.tasks.length > 0)?.tasks[0] ?? ({} as PlanTask)
  const draft = emptyDraft(firstTask)
  const better = emptyDraft(firstTask)
  const kept = emptyDraft(firstTask)

  const hasWorked = (painter: number) => (free[painter] ?? 0) > (sessionsOf(instance, painter)[0]?.start ?? 0)

  /** The earliest place with this painter and way, into `draft`; false when there is none. */
  function find(
    batch: number,
    task: PlanTask,
    left: number,
    wayIndex: number,
    painter: number,
    putOff = false,
  ): boolean {
    const way = wayOf(task, wayIndex)
    if (way.painters !== null && !way.painters.includes(painter)) return false
    const hands = handsSeconds(way, painters[painter])
    const windows = way.windows ?? anyWindow
    const slots = slotTable[painter]?.[windows]
    if (!slots) return false
    const wanted = task.models.length - left
    const from = Math.max(free[painter] ?? 0, roomInHand(batch))
    const dry = dryFor(task, left, hands, from)
    const latest = latestFor(batch, task, left, hands)
    const station = stationReady(way.station)
    const bound = task.maxWait !== null || pending[batch] !== 0
    if (task.maxWait !== null && !canBeFollowed(batch, next[batch] ?? 0, wayIndex, painter)) return false
    const together =
      !instance.maySplit || bound || (policy === 'whole' && way.setUp + wanted * hands <= slots.longest)
    for (let at = firstSlotAfter(slots, from); at < slots.count; at++) {
      const closesAt = slots.end[at] ?? 0
      const session = slots.session[at] ?? 0
      if (putOff && session === familySession[painter] && hasWorked(painter)) continue
      if (skipped?.[painter]?.[session] === 1) continue
      const setUp = setUpOf(painter, way, session)
      let start = Math.max(from, slots.start[at] ?? 0, dry - setUp, station - setUp)
      let count = fitting(closesAt - start - setUp, hands, wanted)
      if (count <= 0 || (count < wanted && together)) continue
      if (instance.rack !== null && way.onRack) {
        const entries = { entries: rack, count: sums.onRack }
        start = rackReady(entries, instance.rack, start + setUp, count * hands + way.wait, count) - setUp
        count = Math.min(count, fitting(closesAt - start - setUp, hands, wanted))
        if (count <= 0 || (count < wanted && together)) continue
      }
      if (task.maxWait !== null) {
        const last = closesAt - setUp - wanted * hands
        start = startOfChain(batch, next[batch] ?? 0, start, last, setUp, wayIndex, painter)
        if (Number.isNaN(start)) continue
      }
      draft.task = task
      draft.way = wayIndex
      draft.painter = painter
      draft.start = start
      draft.setUp = setUp
      draft.count = count
      draft.end = start + setUp + count * hands
      draft.session = session
      draft.tooLate = start + setUp > latest
      return true
    }
    return false
  }

  /** The best place for a task, looked for among all. */
  function choose(batch: number, task: PlanTask, choice: Choice): boolean {
    lookUpDry(batch, task, 0)
    const putOff = choice >= choices
    draft.putOff = putOff
    const who = putOff ? choice - choices : choice
    if (who > 0) {
      const way = Math.floor((who - 1) / people)
      const painter = (who - 1) % people
      if (way <= task.others.length && find(batch, task, 0, way, painter, putOff)) return true
    }
    if (putOff) {
      // There is no other session for it.
      if (chooseAnybody(batch, task, true)) return true
      draft.putOff = false
    }
    return chooseAnybody(batch, task, false)
  }

  /** With whoever is through first. */
  function chooseAnybody(batch: number, task: PlanTask, putOff: boolean): boolean {
    if (people === 1 && task.others.length === 0) return find(batch, task, 0, 0, 0, putOff)
    let any = false
    let bestEnd = 0
    for (let at = 0; at <= task.others.length; at++) {
      const way = wayOf(task, at)
      for (const painter of way.painters ?? alone) {
        if (any && !better.tooLate && earliestEnd(task, way, painter) > bestEnd) continue
        if (!find(batch, task, 0, at, painter, putOff)) continue
        const end = wholeEnd(draft) + way.wait
        if (any && !isBetter(draft, end, better, bestEnd)) continue
        any = true
        copyDraft(draft, better)
        bestEnd = end
      }
    }
    if (any) copyDraft(better, draft)
    return any
  }

  /** A painter is not through with a task, and it is not dry, before this: most need not be asked where they would begin. */
  function earliestEnd(task: PlanTask, way: PlanWay, painter: number): number {
    const hands = handsSeconds(way, painters[painter])
    const models = task.models.length
    return Math.max(free[painter] ?? 0, soonest(models, hands)) + models * hands + way.wait
  }

  /** When a task that does not fit into its session would be through. */
  function wholeEnd(each: Draft): number {
    const left = each.task.models.length - each.count
    if (left === 0) return each.end
    const following = sessionsOf(instance, each.painter)[each.session + 1]
    if (!following) return Number.POSITIVE_INFINITY
    return following.start + left * handsSeconds(wayOf(each.task, each.way), painters[each.painter])
  }

  /** What the draft is of, and since when nothing was laid: who has peeked places without looking again. */
  const drafted = { batch: -1, choice: -1, stamp: -1 }

  /** What a choice comes to: where nobody else could do it and in no other way, it is put off or not. */
  function meant(task: PlanTask, choice: Choice): Choice {
    if (people > 1 || task.others.length > 0) return choice
    return choice < choices ? 0 : choices
  }

  /** The best place for the batch's next task, into `draft`, unless it lies there already. */
  function look(batch: number, task: PlanTask, choice: Choice): boolean {
    const wanted = meant(task, choice)
    const isThere =
      drafted.stamp === state.stamp.now &&
      drafted.batch === batch &&
      drafted.choice === wanted &&
      draft.task === task
    if (isThere) return true
    drafted.stamp = -1
    if (!choose(batch, task, wanted)) return false
    drafted.batch = batch
    drafted.choice = wanted
    drafted.stamp = state.stamp.now
    return true
  }

  function peek(batch: number, choice: Choice = 0): Place | null {
    const task = taskOf(batch)
    if (!task || !mayGoOn(batch) || !look(batch, task, choice)) return null
    return draft
  }

  function placeAlone(batch: number, choice: Choice): boolean {
    const task = taskOf(batch)
    if (!task || !look(batch, task, choice) || draft.tooLate) return false
    if (sums.pending > 0 && missedAfterDraft(batch) >= 0) return false
    return put(batch, task)
  }

  function place(batch: number, choice: Choice = 0): boolean {
    const task = taskOf(batch)
    if (!task || failed) return false
    if (!mayGoOn(batch) || !look(batch, task, choice)) {
      failed = true
      return false
    }
    if (sums.pending > 0 && pending[batch] === 0) {
      const urgent = missedAfterDraft(batch)
      if (urgent >= 0) return place(urgent) && place(batch, choice)
    }
    return put(batch, task)
  }

  /** A batch that would miss its maximum wait if the draft were laid before it; −1 when none would. */
  function missedAfterDraft(batch: number): number {
    copyDraft(draft, kept)
    const { painter, end } = kept
    const way = wayOf(kept.task, kept.way)
    const before = [free[painter] ?? 0, family[painter] ?? -1, familySession[painter] ?? 0] as const
    free[painter] = kept.count < kept.task.models.length ? Number.POSITIVE_INFINITY : end
    family[painter] = way.family
    familySession[painter] = kept.session
    const station = way.station === null ? -1 : earliestStation(way.station)
    const stationBefore = stationFree[station] ?? 0
    if (station >= 0) stationFree[station] = end
    let missed = -1
    for (let other = 0; other < batches.length && missed < 0; other++) {
      const task = pending[other] === 0 || other === batch ? undefined : taskOf(other)
      if (task && !(choose(other, task, 0) && !draft.tooLate)) missed = other
    }
    free[painter] = before[0]
    family[painter] = before[1]
    familySession[painter] = before[2]
    if (station >= 0) stationFree[station] = stationBefore
    copyDraft(kept, draft)
    return missed
  }

  /** Lays the draft, and goes on with the same painter until every model is through. */
  function put(batch: number, task: PlanTask): boolean {
    const { way, painter } = draft
    drafted.stamp = -1
    let left = 0
    for (;;) {
      if (draft.tooLate) failed = true
      if (left === 0) firstHands[batch] = draft.start + draft.setUp
      lay(batch, task, left)
      left += draft.count
      if (left >= task.models.length) break
      lookUpDry(batch, task, left)
      if (!find(batch, task, left, way, painter)) {
        failed = true
        return false
      }
    }
    countInHand(batch, task)
    return !failed
  }

  function lay(batch: number, task: PlanTask, left: number): void {
    const { painter, start, setUp, count, end, session } = draft
    const way = wayOf(task, draft.way)
    const opensPot = !isOpen(painter, way, session) && !isOnPalette(painter, way, session)
    const hands = handsSeconds(way, painters[painter])
    const from = state.modelAt[batch] ?? 0
    let clock = start + setUp
    for (let index = left; index < left + count; index++) {
      clock += hands
      const model = task.models[index] ?? 0
      regions[batch]?.wet(model, task.regions, clock, clock + way.wait)
      if (task.maxWait !== null) deadline[from + model] = clock + task.maxWait
    }
    record?.({
      batch,
      task: next[batch] ?? 0,
      way: draft.way,
      painter,
      from: left,
      count,
      start,
      setUp,
      opensPot,
      end,
      session,
      putOff: draft.putOff && left === 0,
    })
    const opens = sessionsOf(instance, painter)[session]?.start ?? 0
    sums.exposed += start - Math.max(free[painter] ?? 0, opens)
    sums.setUp += setUp
    sums.hands += end - start
    if (opensPot) sums.pots += 1
    countSameness(batch, task, painter, session, count * hands)
    family[painter] = way.family
    onPalette[painter * state.families + way.family] = session + 1
    familySession[painter] = session
    free[painter] = end
    lastHands[batch] = Math.max(lastHands[batch] ?? 0, end)
    if (way.station !== null) stationFree[earliestStation(way.station)] = end
    if (instance.rack !== null && way.onRack) {
      rack[sums.onRack * 3] = start + setUp
      rack[sums.onRack * 3 + 1] = end + way.wait
      rack[sums.onRack * 3 + 2] = count
      sums.onRack += 1
    }
  }

  function countInHand(batch: number, task: PlanTask): void {
    const planned = batches[batch]
    const placed = (next[batch] ?? 0) + 1
    next[batch] = placed
    const last = placed === planned?.tasks.length
    state.stamp.now += 1
    if (!helps.has(batch)) {
      if (placed === 1 && !planned?.begun) sums.inHand += 1
      if (last) sums.inHand -= 1
    }
    if (pending[batch] !== 0) {
      pending[batch] = 0
      sums.pending -= 1
    }
    if (task.maxWait !== null && !last) {
      pending[batch] = 1
      sums.pending += 1
      // Models that this task left out are bound by nothing.
      const from = state.modelAt[batch] ?? 0
      for (let model = 0; model < (planned?.models ?? 0); model++) {
        if (!task.models.includes(model)) deadline[from + model] = Number.POSITIVE_INFINITY
      }
    }
  }

  function cost(): PlanCost {
    if (batches.some((_, batch) => hasTask(batch))) failed = true
    return costOf(failed)
  }

  return {
    reset,
    hasTask,
    mayGoOn,
    peek,
    place,
    placeAlone,
    ...view,
    free: (painter) => free[painter] ?? 0,
    dryAt: (batch) => regions[batch]?.allDryAt() ?? 0,
    setUpSeconds: () => sums.setUp,
    cost,
    save: state.save,
    load: (saved) => {
      state.load(saved)
      failed = false
    },
  }
}
