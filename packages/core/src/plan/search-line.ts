import type { BatchTimes } from '../estimating/index.ts'
import { foldProgress, type Progress } from '../progress/index.ts'
import {
  choicesOf,
  type EarlierPlan,
  firstTasks,
  inFull,
  isMuch,
  layKept,
  orderOfAims,
  type PlanCost,
  type PlanInstance,
  searchPlan,
  type SearchResult,
  sequenceEntry,
  type TaskSequence,
} from '../schedule/index.ts'
import {
  type Batch,
  batchSizesText,
  type Parts,
  splitIntoBatches,
  stagesOf,
  type Wishes,
} from '../trade/index.ts'
import { instant, type Instant, type Result, seconds, success } from '../units/index.ts'
import { type AsBefore, batchesAsBefore, batchesWished, batchWays, fitForRack } from './batch-ways.ts'
import type { AsFound } from './line-plan.ts'
import { lineLinks } from './line-links.ts'
import { planInstance, type PlanInstanceOf } from './plan-instance.ts'
import type { PlanProblem } from './plan-notes.ts'
import type { PlanBefore, PlanningInput } from './planning-input.ts'

/** What is left of the work with the order that was found for it. */
export interface SearchedLine extends PlanInstanceOf, Parts {
  readonly progress: Progress
  readonly batches: readonly Batch[]
  readonly now: Instant
  readonly times: BatchTimes | undefined
  readonly found: SearchResult
  /** Where a plan before still holds. */
  readonly asFound?: AsFound
}

/** What is left as an instance to search on, and what is to be kept of a plan before. */
interface Prepared extends PlanInstanceOf, Pick<SearchedLine, 'batches' | 'progress' | 'now'> {
  readonly keep: EarlierPlan | null
}

const defaultEffort = 2_000_000
/** A sequence is laid anew from where it differs, and given up when it gets too long: so many take as long as one in full. */
const resumed = 4
const nothingDone = foldProgress([])

/** Of the effort such a share goes to finding out how the batches are best divided. */
const tryingShare = 0.3
/** Batches are divided further only where that ends in a sooner session, or saves so many seconds. */
const worthDividing = 900
/** Those of a plan that is kept are divided anew only where it ends so many seconds sooner. */
const worthDividingAnew = 43_200
/** With more tasks than these nothing is divided further: there is enough to choose from. */
const mostTasks = 500

/**
 * Searches for the order of what is left, and for how its batches are best divided. With a plan before that still holds
 * nothing is searched for.
 */
export function searchLine(input: PlanningInput): Result<SearchedLine, PlanProblem> {
  const wished = wishedBatches(input)
  const { before } = input
  const asBefore = before && before.stretches.length > 0 ? asPlanned(wished, before, input.wishes) : null
  const first = prepare(input, asBefore ?? bare(wished))
  const standing = first.ok ? asFound(first.value, input) : null
  if (standing) return success(standing)
  const isSettled = input.split !== undefined || input.effort === 0 || (before?.asFound ?? null) !== null
  const others = isSettled ? [] : otherWays(input, wished, first)
  const possible = [first, ...others].flatMap((way) => (way.ok ? [way.value] : []))
  if (!first.ok && possible.length === 0) return first
  const effort = input.effort ?? defaultEffort
  const share = possible.length > 1 ? tryingShare : 1
  const tried = possible.map((way) =>
    searchPrepared(way, { ...input, effort: (effort * share) / possible.length }),
  )
  const isKept = possible[0]?.keep !== null
  const best = tried.reduce((a, b) => (isWorthDividing(a, b, isKept) ? b : a))
  const way = possible[tried.indexOf(best)]
  if (!way || possible.length === 1) return success(best)
  return success(searchPrepared(way, { ...input, effort: effort * (1 - share) }, best.found.sequence))
}

/**
 * The work laid in the order of each of several earlier plans of the same batches, with nothing searched for; or why there is no
 * plan at all.
 */
export function layAsBefore(
  input: PlanningInput,
  plans: readonly PlanBefore[],
): Result<readonly SearchedLine[], PlanProblem> {
  const wished = wishedBatches(input)
  const [first] = plans
  const way = first ? asPlanned(wished, first, input.wishes) : bare(wished)
  const prepared = prepare(input, way)
  if (!prepared.ok) return prepared
  const { batches, instance } = prepared.value
  return success(
    plans.map((before) => {
      const keep = planBefore(before, input, batches, way.places, instance)
      return searchPrepared({ ...prepared.value, keep }, { ...input, effort: 0 })
    }),
  )
}

function wishedBatches({ work, wishes, desk, batches, split }: PlanningInput): readonly Batch[] {
  return fitForRack(
    batches ?? splitIntoBatches({ units: work.units, planning: wishes }, split ?? wishes),
    desk,
  )
}

/** Batches that no plan divided. */
const bare = (batches: readonly Batch[]): AsBefore => ({
  batches,
  places: new Map(batches.map(({ id }, place) => [id, place])),
})

function asPlanned(
  wished: readonly Batch[],
  { batches, wished: then }: PlanBefore,
  wishes: Wishes,
): AsBefore {
  if (!batches) return bare(wished)
  const now = batchesWished(wishes)
  const isAsNow =
    !then ||
    (then.batchSize === now.batchSize &&
      then.firstBatch === now.firstBatch &&
      then.kept.join(' ') === now.kept.join(' '))
  return batchesAsBefore(wished, batches, isAsNow)
}

/** The batches in other parts than those of the first way. */
function otherWays(
  input: PlanningInput,
  wished: readonly Batch[],
  first: Result<Prepared, PlanProblem>,
): readonly Result<Prepared, PlanProblem>[] {
  const known = first.ok ? batchSizesText(first.value.batches) : null
  return batchWays(wished, input.desk)
    .filter((batches) => batchSizesText(batches) !== known && tasksOf(input, batches) <= mostTasks)
    .map((batches) => prepare(input, bare(batches)))
}

function tasksOf({ work }: PlanningInput, batches: readonly Batch[]): number {
  return batches.reduce((sum, { unitId }) => sum + stagesOf(work, unitId).length, 0)
}

/** Whether the second way of dividing the batches is so much better that the first is given up for it. */
function isWorthDividing(a: SearchedLine, b: SearchedLine, isKept: boolean): boolean {
  if (!Number.isFinite(b.found.cost.finish)) return false
  if (!Number.isFinite(a.found.cost.finish)) return true
  const worthOf = ({ desk, instance, found }: SearchedLine) =>
    orderOfAims(desk.aims, instance).worth(found.cost)
  const more = workOf(b) - workOf(a)
  if (more !== 0) return more > 0
  const [known, other] = [worthOf(a), worthOf(b)]
  if (other.late !== known.late) return other.late < known.late
  if (other.pressed !== known.pressed) return other.pressed < known.pressed
  const sooner = known.lastOpens - other.lastOpens
  if (isKept) return sooner >= worthDividingAnew
  if (sooner !== 0) return sooner > 0
  return known.seconds - other.seconds > worthDividing
}

/** What finds a place, in seconds of hands. */
function workOf({ instance: { batches } }: SearchedLine): number {
  return batches
    .flatMap(({ tasks }) => tasks)
    .reduce((sum, { perModel, models }) => sum + perModel * models.length, 0)
}

function prepare(input: PlanningInput, { batches, places }: AsBefore): Result<Prepared, PlanProblem> {
  const { work, desk, wishes, progress = nothingDone, teamwork = desk.teamwork } = input
  const now = instant(Math.floor(input.now / 1000) * 1000)
  const made = planInstance({
    work,
    desk,
    wishes,
    batches,
    progress,
    now,
    times: input.times,
    links: input.shelf ? lineLinks(work, input.shelf) : undefined,
    teamwork,
    noSpray: input.noSpray ?? [],
    ...(input.dueByUnit ? { dueByUnit: input.dueByUnit } : {}),
    ...(input.hereByUnit ? { hereByUnit: input.hereByUnit } : {}),
    ...(input.jobByUnit ? { jobByUnit: input.jobByUnit } : {}),
    room: input.room ?? 0,
    spare: input.spare === true,
  })
  if (!made.ok) return made
  const keep = input.before ? planBefore(input.before, input, batches, places, made.value.instance) : null
  return success({ ...made.value, batches, progress, now, keep })
}

/** What was planned before, where that still holds. */
function asFound(
  prepared: Prepared,
  { before, work, desk, wishes, times }: PlanningInput,
): SearchedLine | null {
  const { keep, instance, now } = prepared
  const promised = before?.asFound
  if (!keep || !promised) return null
  const found = layKept(instance, keep.sequence, desk.aims)
  if (!holds(found.cost, promised, now)) return null
  return { ...prepared, found, work, desk, wishes, times, asFound: promised }
}

function searchPrepared(
  prepared: Prepared,
  { work, desk, wishes, times, isCalledOff, seed, effort }: PlanningInput,
  known: TaskSequence | null = null,
): SearchedLine {
  const { instance, keep, known: placing = null } = prepared
  const size = instance.batches.reduce(
    (sum, batch) =>
      sum + batch.tasks.reduce((all, task) => all + task.models.length + instance.painters.length, 0),
    0,
  )
  const budget = {
    seed: seed ?? 1,
    evaluations: Math.floor(((effort ?? defaultEffort) * resumed) / size),
    ...(isCalledOff ? { spent: () => (isCalledOff() ? 1 : 0) } : {}),
  }
  const found = searchPlan(instance, budget, desk.aims, keep, known ?? placing)
  return { ...prepared, found, work, desk, wishes, times }
}

/** Whether a plan keeps what it promised: then there is nothing new to search for. */
function holds(
  cost: PlanCost,
  { finishesAt, exposedSeconds, lateSeconds = seconds(0) }: AsFound,
  now: Instant,
): boolean {
  if (!Number.isFinite(cost.finish)) return false
  const change = Math.abs(cost.finish - (finishesAt - now) / 1000)
  return cost.late <= lateSeconds && !isMuch(change, cost.finish) && !isMuch(cost.exposed - exposedSeconds, 0)
}

/** Whether a painter has a session at a moment, in seconds from now; what is overdue is for when the desk opens next. */
function isAtDesk({ painters }: PlanInstance, painter: number, at: number): boolean {
  const sessions = painters[painter]?.sessions
  if (!sessions) return true
  const opens = Math.min(...painters.map((each) => each.sessions?.[0]?.start ?? 0))
  return sessions.some(({ start, end }) => start <= Math.max(at, opens) && at < end)
}

/**
 * The order of an earlier plan on what is left of it, and where it had the tasks. What it did not know comes where the line
 * has it, at the end.
 * @param places by the name a batch had then, its place among the batches.
 */
function planBefore(
  { stretches }: PlanBefore,
  { work: { line }, times, now }: Pick<PlanningInput, 'work' | 'times' | 'now'>,
  batches: readonly Batch[],
  places: AsBefore['places'],
  instance: PlanInstance,
): EarlierPlan | null {
  const stageAt = new Map(line.map((stage, index) => [stage.id, index]))
  const people = instance.painters.length
  const tasks = instance.batches.flatMap((batch) => batch.tasks)
  const choices = choicesOf(instance)
  const firstOf = firstTasks(instance)
  const known = new Set<number>()
  const startsAt = new Float64Array(tasks.length).fill(Number.NaN)
  const painters = new Int32Array(tasks.length).fill(-1)
  const sequence = stretches.flatMap((stretch): number[] => {
    const { batchId, stageId, touchUp, by, painter, putOff, startsAt: begins } = stretch
    const batch = places.get(batchId) ?? -1
    const unitId = batches[batch]?.unitId
    const first = firstOf[batch] ?? 0
    const own = instance.batches[batch]?.tasks.findIndex(
      (task, index) =>
        task.stage === stageAt.get(stageId) && task.touchUp === touchUp && !known.has(first + index),
    )
    if (unitId === undefined || own === undefined || own < 0) return []
    const task = first + own
    known.add(task)
    if (begins !== undefined) startsAt[task] = (begins - now) / 1000
    painters[task] = painter
    const others = times?.get(stageId)?.get(unitId)?.others ?? []
    // Of a way that there is no more, it is the line's own.
    const way = by ? 1 + others.findIndex(({ technique }) => technique === by) : 0
    const isThere = begins === undefined || isAtDesk(instance, painter, (begins - now) / 1000)
    const who = painter < people && isThere ? 1 + way * people + painter : 0
    return [sequenceEntry(tasks.length, task, putOff ? who + choices : who)]
  })
  // Of other batches, or of a line made anew, there is nothing to keep.
  if (known.size === 0 || known.size < tasks.length / 2) return null
  return { sequence: inFull(tasks.length, sequence), places: { startsAt, painters } }
}
