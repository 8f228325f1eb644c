import { expandSessions, type Session } from '../calendar/sessions.ts'
import type { BatchTimes } from '../estimating/batch-time.ts'
import { regionsMeet } from '../line/regions.ts'
import { dryingShelf } from '../progress/drying-shelf.ts'
import { foldProgress, type Progress } from '../progress/fold-progress.ts'
import { splitIntoBatches, type Batch, type BatchSplit } from '../project/batches.ts'
import type { Project } from '../project/project.ts'
import { addSeconds, instant, type Instant } from '../units/instant.ts'
import { failure, success, type Result } from '../units/result.ts'
import { seconds } from '../units/seconds.ts'
import { earliestFinish, lowerBound } from './bounds.ts'
import { buildInstance } from './build-instance.ts'
import { createDesk, layRow } from './desk.ts'
import { batchByBatch, stageByStage } from './habits.ts'
import type { PlanCost, PlanInstance, PlanSegment } from './instance.ts'
import type { LinePlan, PlanProblem, Stretch } from './line-plan.ts'
import { searchRow } from './search.ts'

export interface PlanningInput {
  readonly project: Project
  readonly progress?: Progress
  readonly now: Instant
  /** Estimated times; without them what is written on the stages. */
  readonly times?: BatchTimes
  /** Defaults to the project's own. */
  readonly split?: BatchSplit
  readonly seed?: number
  /** How many model-stages the search may lay out; more finds better plans. */
  readonly effort?: number
}

const maxSessions = 2000
const defaultEffort = 2_000_000
const nothingDone = foldProgress([])

/**
 * Plans what is left of the project from `now` (cut to the second) for one painter. Deterministic: the same
 * input gives the same plan on every machine. Never worse than either hand habit.
 */
export function planLine(input: PlanningInput): Result<LinePlan, PlanProblem> {
  const { project, progress = nothingDone } = input
  const now = instant(Math.floor(input.now / 1000) * 1000)
  const batches = splitIntoBatches(project, input.split ?? project)
  const bare = buildInstance(project, batches, progress, now, input.times)
  const problem = findProblem(project, bare)
  if (problem) return failure(problem)

  const scheduled = withSessions(project, bare, now)
  if (!scheduled) return failure({ kind: 'too-far-away' })
  const { instance, sessions } = scheduled
  const size = bare.batches.reduce(
    (sum, b) => sum + b.tasks.reduce((n, task) => n + task.models.length, 0),
    0,
  )
  const evaluations = Math.min(20_000, Math.floor((input.effort ?? defaultEffort) / size))
  const found = searchRow(instance, { seed: input.seed ?? 1, evaluations })

  const desk = createDesk(instance)
  const segments: PlanSegment[] = []
  const cost = layRow(desk, found.row, found.policy, (segment) => segments.push(segment))
  const unlimited = createDesk({ ...instance, inHandAtMost: null })
  const habit = (row: readonly number[]) => addSeconds(now, layRow(unlimited, row, 'fill').finish)
  const everything = stageByStage({ ...instance, inHandAtMost: null })
  return success({
    ...summary(instance, cost, now),
    batches,
    sessions,
    drying: dryingShelf(project, batches, progress, now),
    stretches: segments.map((segment) => stretchOf(segment, instance, project, batches, now)),
    firstBatchAt: firstBatchDry(instance, segments, now),
    habits: { batchByBatch: habit(batchByBatch(instance)), stageByStage: habit(everything) },
  })
}

function findProblem(project: Project, bare: Omit<PlanInstance, 'sessions'>): PlanProblem | null {
  if (bare.batches.length === 0) return { kind: 'no-models' }
  if (project.line.length === 0) return { kind: 'no-stages' }
  const tasks = bare.batches.flatMap((batch) => batch.tasks)
  if (tasks.length === 0) return { kind: 'all-done' }
  const { lengthSeconds } = project.evenings
  const tooLong = tasks.find((task) => task.setUp + task.perModel > lengthSeconds)
  if (!tooLong) return null
  return {
    kind: 'stage-never-fits',
    stageName: project.line[tooLong.stage]?.name ?? '',
    neededSeconds: seconds(tooLong.setUp + tooLong.perModel),
    sessionSeconds: lengthSeconds,
  }
}

/** As many sessions as the slower hand habits need: then every row of tasks the search may try finds a place. */
function withSessions(
  project: Project,
  bare: Omit<PlanInstance, 'sessions'>,
  now: Instant,
): { instance: PlanInstance; sessions: readonly Session[] } | null {
  for (let count = 16; count <= maxSessions; count *= 5) {
    const sessions = expandSessions(project.evenings, now, count)
    const instance = {
      ...bare,
      sessions: sessions.map((session) => ({
        start: (session.startsAt - now) / 1000,
        end: (session.endsAt - now) / 1000,
      })),
    }
    const desk = createDesk(instance)
    const slowest = layRow(desk, batchByBatch(instance), 'whole').finish
    const everything = layRow(
      createDesk({ ...instance, inHandAtMost: null }),
      batchByBatch(instance),
      'fill',
    ).finish
    if (Number.isFinite(slowest) && Number.isFinite(everything)) return { instance, sessions }
  }
  return null
}

function summary(instance: PlanInstance, cost: PlanCost, now: Instant) {
  const bound = earliestFinish(lowerBound(instance))
  const work = instance.batches
    .flatMap((batch) => batch.tasks)
    .reduce((sum, task) => sum + task.perModel * task.models.length, 0)
  return {
    finishesAt: addSeconds(now, cost.finish),
    handsOnSeconds: seconds(work + cost.setUpSeconds),
    setUpSeconds: seconds(cost.setUpSeconds),
    potOpenings: cost.potOpenings,
    exposedSeconds: seconds(cost.exposed),
    hiddenSeconds: seconds(Math.max(0, bindingWaits(instance) - cost.exposed)),
    earliestFinishAt: addSeconds(now, bound),
    gap: bound > 0 ? cost.finish / bound - 1 : 0,
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
  instance: PlanInstance,
  project: Project,
  batches: readonly Batch[],
  now: Instant,
): Stretch {
  const batch = batches[segment.batch]
  const task = instance.batches[segment.batch]?.tasks[segment.task]
  const stage = task && project.line[task.stage]
  if (!batch || !stage) throw new RangeError('a segment names no batch or stage')
  return {
    batchId: batch.id,
    stageId: stage.id,
    modelIds: task.models
      .slice(segment.from, segment.from + segment.count)
      .flatMap((model) => batch.models[model]?.id ?? []),
    startsAt: addSeconds(now, segment.start),
    setUpSeconds: seconds(segment.setUp),
    opensPot: segment.opensPot,
    endsAt: addSeconds(now, segment.end),
    dryAt: addSeconds(now, segment.end + task.wait),
    session: segment.session,
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
