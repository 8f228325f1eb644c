import { batchName, type Job } from '../trade/index.ts'
import { isThrough, type Progress } from '../progress/index.ts'
import type { BatchId, Instant, StageId } from '../units/index.ts'
import type { LinePlan, Stretch } from './line-plan.ts'

/** What of a plan is kept to compare a later one with; plain JSON. */
export interface KeptPlan {
  readonly takenAt: Instant
  readonly finishesAt: Instant
  readonly sessions: readonly { readonly startsAt: Instant; readonly endsAt: Instant }[]
  readonly works: readonly KeptWork[]
}

interface KeptWork {
  readonly batchId: BatchId
  readonly batchName: string
  readonly stageId: StageId
  readonly startsAt: Instant
  readonly endsAt: Instant
}

/** What became of an earlier plan. */
export type PlanChange =
  | { readonly kind: 'finish'; readonly from: Instant; readonly to: Instant }
  | { readonly kind: 'done'; readonly works: number; readonly ofPlanned: number }
  | { readonly kind: 'ahead'; readonly works: number }
  | { readonly kind: 'session-lost'; readonly startsAt: Instant }
  | {
      readonly kind: 'slipped'
      readonly batchName: string
      readonly stageName: string
      readonly from: Instant
      readonly to: Instant
    }
  | { readonly kind: 'new-work'; readonly works: number }
  | { readonly kind: 'gone'; readonly works: number }

const mostSlips = 3
/** Less than this is no news. */
const noticeableMilliseconds = 30 * 60_000

export function keepPlan(plan: LinePlan, takenAt: Instant): KeptPlan {
  const nameOf = new Map(plan.batches.map((batch) => [batch.id, batchName(batch)]))
  const used = new Set(plan.stretches.map((stretch) => stretch.session))
  return {
    takenAt,
    finishesAt: plan.finishesAt,
    sessions: plan.sessions
      .filter((_, index) => used.has(index))
      .map(({ startsAt, endsAt }) => ({ startsAt, endsAt })),
    works: plan.stretches.filter(isStage).map(({ batchId, stageId, startsAt, endsAt }) => ({
      batchId,
      batchName: nameOf.get(batchId) ?? '',
      stageId,
      startsAt,
      endsAt,
    })),
  }
}

/** Touch-ups are small and said apart. */
const isStage = ({ touchUp }: Stretch): boolean => touchUp === null

/** The differences that matter, the most telling first; empty when all goes as planned. */
export function comparePlans(
  before: KeptPlan,
  plan: LinePlan,
  project: Pick<Job, 'line'>,
  progress: Progress,
  now: Instant,
): readonly PlanChange[] {
  const changes: PlanChange[] = []
  if (Math.abs(plan.finishesAt - before.finishesAt) >= noticeableMilliseconds)
    changes.push({ kind: 'finish', from: before.finishesAt, to: plan.finishesAt })
  const stretches = plan.stretches.filter(isStage)
  const stageOf = new Map(project.line.map((stage) => [stage.id, stage]))
  const batchOf = new Map(plan.batches.map((batch) => [batch.id, batch]))
  const isDone = (work: KeptWork): boolean => {
    const stage = stageOf.get(work.stageId)
    const batch = batchOf.get(work.batchId)
    if (!stage || !batch) return false
    return (
      !stretches.some((each) => each.batchId === work.batchId && each.stageId === work.stageId) &&
      batch.models.some((model) => isThrough(progress, model.id, stage))
    )
  }
  const known = before.works.filter((work) => stageOf.has(work.stageId) && batchOf.has(work.batchId))
  const planned = known.filter((work) => work.endsAt <= now)
  const done = planned.filter(isDone)
  if (planned.length > 0) changes.push({ kind: 'done', works: done.length, ofPlanned: planned.length })
  const ahead = known.filter((work) => work.endsAt > now && isDone(work)).length
  if (ahead > 0) changes.push({ kind: 'ahead', works: ahead })
  for (const session of before.sessions) {
    if (session.endsAt > now) continue
    const own = planned.filter((work) => work.startsAt >= session.startsAt && work.startsAt < session.endsAt)
    if (own.length > 0 && own.every((work) => !isDone(work)))
      changes.push({ kind: 'session-lost', startsAt: session.startsAt })
  }
  const slips = known.flatMap((work) => {
    const later = stretches.find((each) => each.batchId === work.batchId && each.stageId === work.stageId)
    return later && later.startsAt - work.startsAt >= noticeableMilliseconds
      ? [{ work, to: later.startsAt, by: later.startsAt - work.startsAt }]
      : []
  })
  for (const { work, to } of slips.sort((a, b) => b.by - a.by).slice(0, mostSlips)) {
    changes.push({
      kind: 'slipped',
      batchName: work.batchName,
      stageName: stageOf.get(work.stageId)?.name ?? '',
      from: work.startsAt,
      to,
    })
  }
  const wasPlanned = new Set(before.works.map((work) => `${work.batchId} ${work.stageId}`))
  const fresh = stretches.filter((each) => !wasPlanned.has(`${each.batchId} ${each.stageId}`)).length
  if (fresh > 0) changes.push({ kind: 'new-work', works: fresh })
  if (known.length < before.works.length)
    changes.push({ kind: 'gone', works: before.works.length - known.length })
  return changes
}
