import type { Session } from '../calendar/index.ts'
import { dryingShelf } from '../progress/index.ts'
import {
  batchByBatch,
  buildSchedule,
  createScheduleBuilder,
  earliestFinish,
  lowerBound,
  type PlanCost,
  type PlanInstance,
  type PlanSegment,
  type SearchResult,
  stageByStage,
  type TaskSequence,
  wayOf,
} from '../schedule/index.ts'
import { type Batch, type Desk, type Parts, regionsMeet } from '../trade/index.ts'
import {
  addSeconds,
  type Instant,
  type Result,
  seconds,
  type StageId,
  success,
  type UnitId,
} from '../units/index.ts'
import { batchesWished } from './batch-ways.ts'
import type { LaidPlan, LinePlan, PainterLoad, PlanSession, Stretch } from './line-plan.ts'
import type { PlanInstanceOf } from './plan-instance.ts'
import type { PlanBefore, PlanningInput } from './planning-input.ts'
import type { PlanProblem } from './plan-notes.ts'
import { layAsBefore as searchAsBefore, type SearchedLine, searchLine } from './search-line.ts'

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
  plans: readonly PlanBefore[],
): Result<readonly LaidPlan[], PlanProblem> {
  const laid = searchAsBefore(input, plans)
  return laid.ok ? success(laid.value.map((each) => laidPlan(each).plan)) : laid
}

function planOf(searched: SearchedLine): LinePlan {
  const { plan, cost } = laidPlan(searched)
  const { instance, now } = searched
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

function laidPlan(searched: SearchedLine): { readonly plan: LaidPlan; readonly cost: PlanCost } {
  const { instance, found, work, desk, progress, batches, now } = searched
  const segments: PlanSegment[] = []
  const cost = buildSchedule(createScheduleBuilder(instance), found.sequence, found.policy, (segment) =>
    segments.push(segment),
  )
  segments.sort((a, b) => a.start - b.start || a.painter - b.painter)
  const sessions = inOrder(searched)
  const indexOf = new Map(
    sessions.map((session, index) => [`${String(session.painter)} ${String(session.startsAt)}`, index]),
  )
  const sessionOf = (segment: PlanSegment) => {
    const own = searched.sessions[segment.painter]?.[segment.session]
    return indexOf.get(`${String(segment.painter)} ${String(own?.startsAt ?? 0)}`) ?? 0
  }
  const said = summary(instance, cost, now)
  const { finishesAt, exposedSeconds } = said
  const plan = {
    ...said,
    asFound: searched.asFound ?? {
      finishesAt,
      exposedSeconds,
      lateSeconds: seconds(cost.late),
      wished: batchesWished(searched.wishes),
    },
    batches,
    painters: loadsOf(desk, instance, segments, now),
    sessions,
    drying: dryingShelf(work, batches, progress, now),
    stretches: segments.map((segment) => stretchOf(segment, searched, sessionOf(segment))),
    firstBatchAt: firstBatchDry(instance, segments, now),
    room: searched.room,
    notes: searched.notes,
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
  { instance, work, batches, now, times }: SearchedLine,
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
