import type { LineEstimate, StageEstimate } from '../estimating/index.ts'
import type { LinePlan, PlanSession, Stretch } from '../plan/index.ts'
import { type Batch, type Job, type Model, type Stage, takesStage } from '../trade/index.ts'
import { isThrough, longestPause, neededForTable, type Progress } from '../progress/index.ts'
import type { EventId, Instant, PainterId } from '../units/index.ts'

/** A batch that gets somewhere in a session, as it is planned. */
interface Reached {
  readonly batch: Batch
  readonly what: 'table-ready' | 'finished'
}

/** The session that is on, or the next one. */
export interface Sitting {
  readonly session: PlanSession
  readonly isOn: boolean
  /** When the last work of it ends, as the plan stands now. */
  readonly workUntil: Instant
  readonly reached: readonly Reached[]
  /** What the clocks of this sitting showed, against what was estimated; `null` before the first lap. */
  readonly clocked: { readonly seconds: number; readonly estimatedSeconds: number } | null
}

/** @param plan as it was made after the last punch. */
export function sittingNow(
  project: Pick<Job, 'units' | 'line' | 'recipes'>,
  progress: Progress,
  plan: LinePlan,
  estimate: LineEstimate | undefined,
  painter: PainterId,
  now: Instant,
): Sitting | null {
  const place = Math.max(
    0,
    plan.painters.findIndex((each) => each.id === painter),
  )
  const at = plan.sessions.findIndex((each) => each.painter === place && each.endsAt > now)
  const session = plan.sessions[at]
  if (!session) return null
  const stretches = plan.stretches.filter((each) => each.session === at)
  return {
    session,
    isOn: session.startsAt <= now,
    workUntil: stretches.reduce<Instant>(
      (last, each) => (each.endsAt > last ? each.endsAt : last),
      session.startsAt,
    ),
    reached: reachedBy(project, progress, plan, at),
    clocked: clockedBefore(now, estimate, lapsOfOthers(progress, plan, painter)),
  }
}

/** Batches that come to a stop in a session: a few of them, so that it can be asked after every punch. */
function reachedBy(
  project: Pick<Job, 'units' | 'line' | 'recipes'>,
  progress: Progress,
  plan: LinePlan,
  session: number,
): readonly Reached[] {
  const isNeeded = neededForTable(project)
  const here = new Set(plan.stretches.flatMap((each) => (each.session === session ? [each.batchId] : [])))
  return plan.batches.flatMap((batch): Reached[] => {
    if (!here.has(batch.id)) return []
    const own = plan.stretches.filter((each) => each.batchId === batch.id)
    const throughIn = (stages: readonly Stage[]) =>
      Math.max(never, ...stages.map((stage) => lastSession(stage, batch, progress, own)))
    if (throughIn(project.line) === session) return [{ batch, what: 'finished' }]
    const needed = project.line.filter((stage) => isNeeded(stage, batch.unitId))
    return throughIn(needed) === session ? [{ batch, what: 'table-ready' }] : []
  })
}

const never = Number.NEGATIVE_INFINITY

/** The session in which the last model of a batch gets through a stage; minus infinity where all are through. */
function lastSession(stage: Stage, batch: Batch, progress: Progress, stretches: readonly Stretch[]): number {
  const left = stillWithout(stage, batch, progress)
  if (left.length === 0) return never
  const planned = stretches.filter((each) => each.stageId === stage.id)
  const laid = new Set(planned.flatMap((each) => each.modelIds))
  const isAll = left.every((model) => laid.has(model.id))
  return isAll ? Math.max(...planned.map((each) => each.session)) : Number.POSITIVE_INFINITY
}

/** The models of a batch that take a stage and are not through it. */
function stillWithout(stage: Stage, batch: Batch, progress: Progress): readonly Model[] {
  return batch.models.filter(
    (model) => takesStage(stage, batch.unitId, model) && !isThrough(progress, model.id, stage),
  )
}

/** Laps of before painters were told apart are the first painter's. */
function lapsOfOthers(
  { laps }: Progress,
  { painters: [first] }: LinePlan,
  painter: PainterId,
): ReadonlySet<EventId> {
  return new Set(
    laps.flatMap((lap) => ((lap.painter ?? first?.id ?? painter) === painter ? [] : [lap.eventId])),
  )
}

/** The laps of this sitting; one that teaches nothing, as a clock that was forgotten, says nothing here either. */
function clockedBefore(
  now: Instant,
  estimate: LineEstimate | undefined,
  ofOthers: ReadonlySet<EventId>,
): Sitting['clocked'] {
  const stageOf = new Map<string, StageEstimate>(
    estimate?.stages.map((each) => [`${each.work.stageId} ${each.work.unitId}`, each] as const),
  )
  let seconds = 0
  let estimatedSeconds = 0
  let next: number = now
  for (const lap of estimate?.observed.toReversed() ?? []) {
    if (lap.kind !== 'lap' || ofOthers.has(lap.eventId)) continue
    if (next - lap.at > longestPause) break
    next = lap.at - lap.clockSeconds * 1000
    if (lap.silent !== null) continue
    const stage = stageOf.get(`${lap.stageIds[0] ?? ''} ${lap.unitId}`)
    seconds += lap.countedSeconds
    // What the preset expected, set-up in it where it was on the clock, at this hand's pace.
    estimatedSeconds +=
      stage?.source === 'typed'
        ? stage.perModel.likely * lap.models
        : lap.expectedSeconds * (stage?.pace ?? 1)
  }
  return seconds > 0 ? { seconds, estimatedSeconds } : null
}

/** What a batch that counts as table-ready could still get. */
export interface FurtherStep {
  readonly name: string
  readonly seconds: number
}

/** Stages beyond the stop line, with their minutes, where all that the table asks for is done; `null` before that. */
export function beyondTheStopLine(
  project: Pick<Job, 'line' | 'recipes'>,
  progress: Progress,
  estimate: LineEstimate | undefined,
  batch: Batch,
): readonly FurtherStep[] | null {
  const isNeeded = neededForTable(project)
  const left = project.line.flatMap((stage) => {
    const models = stillWithout(stage, batch, progress).length
    return models > 0 ? [{ stage, models }] : []
  })
  if (left.length === 0 || left.some(({ stage }) => isNeeded(stage, batch.unitId))) return null
  return left.map(({ stage, models }) => {
    const each = estimate?.stages.find(
      ({ work }) => work.stageId === stage.id && work.unitId === batch.unitId,
    )
    const perModel = each?.perModel.likely ?? stage.handsOnSecondsPerModel
    return { name: stage.name, seconds: stage.setUpSeconds + perModel * models }
  })
}
