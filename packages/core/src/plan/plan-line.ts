import {
  type Batch,
  type BatchSplit,
  type Desk,
  type Parts,
  regionsMeet,
  splitIntoBatches,
  type Teamwork,
} from '../trade/index.ts'
import type { BatchTimes } from '../estimating/index.ts'
import type { Session } from '../calendar/index.ts'
import { dryingShelf, foldProgress, type Progress } from '../progress/index.ts'
import type { Shelf } from '../recipe/index.ts'
import {
  addSeconds,
  instant,
  type Instant,
  type Result,
  seconds,
  type StageId,
  success,
  type UnitId,
} from '../units/index.ts'
import {
  batchByBatch,
  buildSchedule,
  choicesOf,
  createScheduleBuilder,
  type EarlierPlan,
  earliestFinish,
  firstTasks,
  inFull,
  isMuch,
  layKept,
  lowerBound,
  type PlanCost,
  type PlanInstance,
  type PlanSegment,
  type SearchResult,
  searchPlan,
  sequenceEntry,
  stageByStage,
  type TaskSequence,
  wayOf,
} from '../schedule/index.ts'
import type {
  AsFound,
  LaidPlan,
  LinePlan,
  PainterLoad,
  PlannedTask,
  PlanSession,
  Stretch,
} from './line-plan.ts'
import type { NoSprayTime } from './desk-hours.ts'
import { planInstance, type PlanInstanceOf } from './plan-instance.ts'
import type { PlanProblem } from './plan-notes.ts'
import { lineLinks } from './line-links.ts'

export interface PlanningInput extends Parts {
  readonly progress?: Progress
  readonly now: Instant
  /** Estimated times; without them what is written on the stages. */
  readonly times?: BatchTimes
  /** With it a batch takes its stages in any sound order; without it every batch keeps to the line's row. */
  readonly shelf?: Shelf
  /** Defaults to what is wished. */
  readonly split?: BatchSplit
  /** Defaults to the units split that way. */
  readonly batches?: readonly Batch[]
  /** By when units are to be dry that have dates of their own; otherwise the one wished. */
  readonly dueByUnit?: ReadonlyMap<UnitId, Instant | null>
  /** From when on the models of each unit are here; at once without it. */
  readonly hereByUnit?: ReadonlyMap<UnitId, Instant | null>
  /** The job of each unit by number, where several are planned together: a job is late when its last batch is. */
  readonly jobByUnit?: ReadonlyMap<UnitId, number>
  /** Defaults to the desk's. */
  readonly teamwork?: Teamwork
  /** When the air is known not to be fit for cans. */
  readonly noSpray?: readonly NoSprayTime[]
  /** Share of each session that is left free for what is to be expected; 0 by default. */
  readonly room?: number
  /** With sessions to spare, for futures that take longer. */
  readonly spare?: boolean
  /**
   * The plan before something happened: what can be kept of it is kept. With what it promised it is followed as it is, and
   * nothing searched for, while it keeps to that.
   */
  readonly before?: { readonly stretches: readonly PlannedTask[]; readonly asFound?: AsFound | null }
  readonly seed?: number
  /** How many model-stages the search may lay out; more finds better plans. */
  readonly effort?: number
  /** Asked now and then; from when it is true on, the search ends with the best so far. */
  readonly isCalledOff?: () => boolean
}

const defaultEffort = 2_000_000
/** A sequence is laid anew from where it differs, and given up when it gets too long: so many take as long as one in full. */
const resumed = 4
const nothingDone = foldProgress([])

/** A plan together with the instance it solves and the row it lays: what a forecast lays anew. */
export interface SolvedLine extends Parts {
  readonly plan: LinePlan
  readonly instance: PlanInstance
  readonly found: SearchResult
  readonly batches: readonly Batch[]
  /** By painter: the whole sessions, with what the plan leaves free of them. */
  readonly sessions: readonly (readonly Session[])[]
  readonly now: Instant
}

/**
 * Plans what is left of the work from `now` (cut to the second). Deterministic: the same input gives the same
 * plan on every machine. Never worse than either hand habit, but where an earlier plan is kept to: it is given up
 * only for one that saves more than ten minutes, or one part in a hundred.
 */
export function planLine(input: PlanningInput): Result<LinePlan, PlanProblem> {
  const solved = solveLine(input)
  return solved.ok ? success(solved.value.plan) : solved
}

/** The same plan by itself, where nobody asks how good it is: that takes longer than laying a long one. */
export function layLine(input: PlanningInput): Result<LaidPlan, PlanProblem> {
  const searched = searchLine(input)
  return searched.ok ? success(laidPlan(searched.value).plan) : searched
}

export function solveLine(input: PlanningInput): Result<SolvedLine, PlanProblem> {
  const searched = searchLine(input)
  if (!searched.ok) return searched
  const { work, desk, wishes } = input
  const { instance, found, batches, sessions, now } = searched.value
  const plan = planOf(searched.value)
  return success({ plan, work, desk, wishes, instance, found, batches, sessions, now })
}

/** The work laid in the order of each of several earlier plans, with nothing searched for; or why there is no plan at all. */
export function layAsBefore(
  input: PlanningInput,
  plans: readonly NonNullable<PlanningInput['before']>[],
): Result<readonly LaidPlan[], PlanProblem> {
  const prepared = prepare(input)
  if (!prepared.ok) return prepared
  const laid = plans.map((before) => searchPrepared(prepared.value, { ...input, before, effort: 0 }))
  return success(laid.map((each) => laidPlan(each).plan))
}

function searchLine(input: PlanningInput): Result<Solving, PlanProblem> {
  const prepared = prepare(input)
  return prepared.ok ? success(searchPrepared(prepared.value, input)) : prepared
}

type Prepared = PlanInstanceOf & Pick<Solving, 'batches' | 'progress' | 'now'>

/** What is left as an instance to search on. */
function prepare(input: PlanningInput): Result<Prepared, PlanProblem> {
  const { work, desk, wishes, progress = nothingDone, teamwork = desk.teamwork } = input
  const now = instant(Math.floor(input.now / 1000) * 1000)
  const batches =
    input.batches ?? splitIntoBatches({ units: work.units, planning: wishes }, input.split ?? wishes)
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
  return made.ok ? success({ ...made.value, batches, progress, now }) : made
}

function searchPrepared(prepared: Prepared, input: PlanningInput): Solving {
  const { work, desk, times, isCalledOff } = input
  const { instance, batches, now } = prepared
  const size = instance.batches.reduce(
    (sum, batch) =>
      sum + batch.tasks.reduce((all, task) => all + task.models.length + instance.painters.length, 0),
    0,
  )
  const before = input.before?.stretches ?? []
  const keep = before.length > 0 ? planBefore(before, input, batches, instance) : null
  const asFound = input.before?.asFound
  if (keep && asFound) {
    const found = layKept(instance, keep.sequence, desk.aims)
    if (holds(found.cost, asFound, now)) return { ...prepared, found, work, desk, times, asFound }
  }
  const budget = {
    seed: input.seed ?? 1,
    evaluations: Math.floor(((input.effort ?? defaultEffort) * resumed) / size),
    ...(isCalledOff ? { spent: () => (isCalledOff() ? 1 : 0) } : {}),
  }
  return { ...prepared, found: searchPlan(instance, budget, desk.aims, keep), work, desk, times }
}

/** Whether a plan keeps what it promised: then there is nothing new to search for. */
function holds(cost: PlanCost, { finishesAt, exposedSeconds }: AsFound, now: Instant): boolean {
  const change = Math.abs(cost.finish - (finishesAt - now) / 1000)
  return (
    cost.late === 0 &&
    cost.pressed === 0 &&
    !isMuch(change, cost.finish) &&
    !isMuch(cost.exposed - exposedSeconds, 0)
  )
}

/**
 * The order of an earlier plan on what is left of it, and where it had the tasks. What it did not know comes where the line
 * has it, at the end.
 */
function planBefore(
  stretches: readonly PlannedTask[],
  { work: { line }, times, now }: Pick<PlanningInput, 'work' | 'times' | 'now'>,
  batches: readonly Batch[],
  instance: PlanInstance,
): EarlierPlan | null {
  const indexOf = new Map(batches.map((batch, index) => [batch.id, index]))
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
    const batch = indexOf.get(batchId) ?? -1
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
    const who = painter < people ? 1 + way * people + painter : 0
    return [sequenceEntry(tasks.length, task, putOff ? who + choices : who)]
  })
  // Of other batches, or of a line made anew, there is nothing to keep.
  if (known.size < tasks.length / 2) return null
  return { sequence: inFull(tasks.length, sequence), places: { startsAt, painters } }
}

interface Solving extends PlanInstanceOf, Pick<Parts, 'work' | 'desk'> {
  readonly progress: Progress
  readonly batches: readonly Batch[]
  readonly now: Instant
  readonly times: BatchTimes | undefined
  readonly found: SearchResult
  /** Where a plan before still holds. */
  readonly asFound?: AsFound
}

function planOf(solving: Solving): LinePlan {
  const { plan, cost } = laidPlan(solving)
  const { instance, now } = solving
  const unlimited = createScheduleBuilder({ ...instance, inHandAtMost: null })
  const habit = (sequence: TaskSequence) => {
    const { finish } = buildSchedule(unlimited, sequence, 'fill')
    return addSeconds(now, Number.isFinite(finish) ? finish : cost.finish)
  }
  const bound = earliestFinish(lowerBound(instance))
  return {
    ...plan,
    earliestFinishAt: addSeconds(now, bound),
    gap: bound > 0 ? cost.finish / bound - 1 : 0,
    habits: {
      batchByBatch: habit(batchByBatch(unlimited)),
      stageByStage: habit(stageByStage(unlimited)),
    },
  }
}

function laidPlan(solving: Solving): { readonly plan: LaidPlan; readonly cost: PlanCost } {
  const { instance, found, work, desk, progress, batches, now } = solving
  const segments: PlanSegment[] = []
  const cost = buildSchedule(createScheduleBuilder(instance), found.sequence, found.policy, (segment) =>
    segments.push(segment),
  )
  segments.sort((a, b) => a.start - b.start || a.painter - b.painter)
  const sessions = inOrder(solving)
  const indexOf = new Map(
    sessions.map((session, index) => [`${String(session.painter)} ${String(session.startsAt)}`, index]),
  )
  const sessionOf = (segment: PlanSegment) => {
    const own = solving.sessions[segment.painter]?.[segment.session]
    return indexOf.get(`${String(segment.painter)} ${String(own?.startsAt ?? 0)}`) ?? 0
  }
  const said = summary(instance, cost, now)
  const { finishesAt, exposedSeconds } = said
  const plan = {
    ...said,
    asFound: solving.asFound ?? { finishesAt, exposedSeconds },
    batches,
    painters: loadsOf(desk, instance, segments, now),
    sessions,
    drying: dryingShelf(work, batches, progress, now),
    stretches: segments.map((segment) => stretchOf(segment, solving, sessionOf(segment))),
    firstBatchAt: firstBatchDry(instance, segments, now),
    room: solving.room,
    notes: solving.notes,
  }
  return { plan, cost }
}

/** Everybody's sessions by start. */
function inOrder({ sessions }: PlanInstanceOf): readonly PlanSession[] {
  return sessions
    .flatMap((own, painter) => own.map((session) => ({ ...session, painter })))
    .sort((a, b) => a.startsAt - b.startsAt || a.painter - b.painter)
}

function loadsOf(
  desk: Pick<Desk, 'painters'>,
  instance: PlanInstance,
  segments: readonly PlanSegment[],
  now: Instant,
): readonly PainterLoad[] {
  return instance.painters.map((_, index) => {
    const own = segments.filter((segment) => segment.painter === index)
    const last = own.at(-1)
    const painter = desk.painters[index]
    if (!painter) throw new RangeError('a plan has more painters than its desk')
    return {
      id: painter.id,
      name: painter.name,
      handsOnSeconds: seconds(own.reduce((sum, segment) => sum + segment.end - segment.start, 0)),
      doneAt: last ? addSeconds(now, last.end) : null,
    }
  })
}

function summary(instance: PlanInstance, cost: PlanCost, now: Instant) {
  return {
    finishesAt: addSeconds(now, cost.finish),
    handsOnSeconds: seconds(cost.handsOnSeconds),
    setUpSeconds: seconds(cost.setUpSeconds),
    potOpenings: cost.potOpenings,
    exposedSeconds: seconds(cost.exposed),
    hiddenSeconds: seconds(Math.max(0, bindingWaits(instance) - cost.exposed)),
    samenessSeconds: seconds(cost.sameness),
  }
}

/** The waits that a later stage of the same batch has to keep. */
function bindingWaits(instance: PlanInstance): number {
  let waits = 0
  for (const batch of instance.batches) {
    batch.tasks.forEach((task, index) => {
      const binds = batch.tasks.slice(index + 1).some((later) => regionsMeet(task.regions, later.regions))
      if (binds) waits += task.wait
    })
  }
  return waits
}

function stretchOf(
  segment: PlanSegment,
  { instance, work, batches, now, times }: Solving,
  session: number,
): Stretch {
  const wayNamed = (stageId: StageId, unitId: UnitId, way: number) =>
    times?.get(stageId)?.get(unitId)?.others[way - 1]?.technique
  const batch = batches[segment.batch]
  const task = instance.batches[segment.batch]?.tasks[segment.task]
  const stage = task && work.line[task.stage]
  if (!batch || !stage) throw new RangeError('a segment names no batch or stage')
  return {
    batchId: batch.id,
    stageId: stage.id,
    touchUp: task.touchUp,
    by: segment.way === 0 ? null : (wayNamed(stage.id, batch.unitId, segment.way) ?? null),
    painter: segment.painter,
    modelIds: task.models
      .slice(segment.from, segment.from + segment.count)
      .flatMap((model) => batch.models[model]?.id ?? []),
    startsAt: addSeconds(now, segment.start),
    setUpSeconds: seconds(segment.setUp),
    opensPot: segment.opensPot,
    endsAt: addSeconds(now, segment.end),
    dryAt: addSeconds(now, segment.end + wayOf(task, segment.way).wait),
    session,
    putOff: segment.putOff,
  }
}

/** When the first batch with work left is through its last stage and dry. */
function firstBatchDry(instance: PlanInstance, segments: readonly PlanSegment[], now: Instant): Instant {
  const dry = new Map<number, number>()
  for (const segment of segments) {
    const wait = instance.batches[segment.batch]?.tasks[segment.task]?.wait ?? 0
    dry.set(segment.batch, Math.max(dry.get(segment.batch) ?? 0, segment.end + wait))
  }
  return addSeconds(now, Math.min(...dry.values()))
}
