import { endOfDay, localDateAt, paintedBy } from '../calendar/index.ts'
import { type LaidPlan, layAsBefore, layLine, type LinePlan, type PlanningInput } from '../plan/index.ts'
import { openTime, slotsOfSpans } from '../schedule/index.ts'
import { type Model, type Project, splitIntoBatches, wishesOf } from '../trade/index.ts'
import type { BatchId, Instant, ProjectId } from '../units/index.ts'

type PlanToKeep = Pick<LinePlan, 'batches' | 'stretches'>
/** With when everybody sits there. */
type PlanWithHours = Pick<LinePlan, 'batches' | 'stretches' | 'sessions'>

interface DeskJob {
  readonly project: Project
}

/** Milliseconds. */
const day = 86_400_000

/**
 * The rush job is due on the day it would be done by itself, so that nothing goes before it that would cost it a day; the
 * others follow by their dates.
 */
export function hurried(
  together: PlanningInput,
  jobs: readonly DeskJob[],
  rush: ProjectId | null,
  alone: Pick<LaidPlan, 'batches' | 'finishesAt'> | null,
): PlanningInput {
  if (rush === null) return together
  const { timeZone } = together.desk.evenings
  const atOnce = endOfDay(localDateAt(alone?.finishesAt ?? together.now, timeZone), timeZone)
  const due = ({ project }: DeskJob) =>
    paintedBy(wishesOf(project), together.desk) ?? Number.POSITIVE_INFINITY
  const others = jobs.filter((job) => job.project.id !== rush && Number.isFinite(due(job)))
  const inOrder = others.toSorted((a, b) => due(a) - due(b))
  const inHand = together.desk.batchesInHand
  const isBegun = (model: Model) => (together.progress?.marks.get(model.id)?.size ?? 0) > 0
  const begun = (together.batches ?? []).filter((batch) => batch.models.some(isBegun)).length
  return {
    ...together,
    dueByUnit: new Map(
      jobs.flatMap(({ project }) =>
        project.units.map((unit) => [unit.id, project.id === rush ? atOnce : null] as const),
      ),
    ),
    desk: {
      ...together.desk,
      // It is begun at once, beside what is in hand.
      batchesInHand: inHand === null ? null : Math.max(inHand, begun) + (alone?.batches.length ?? 0),
    },
    wishes: {
      ...together.wishes,
      first: inOrder.flatMap(({ project }) => splitIntoBatches(project, project).map((batch) => batch.id)),
    },
  }
}

/**
 * What a plan with a rush job is to keep to, of two ways the one by which all ends sooner: first that job, then the others as
 * they were to be; or the others beside it, each later by what it takes of their painter's time.
 * @param together all jobs, the rush job due at once. @param alone the rush job by itself. @param all the plan without a rush.
 */
export function besideRush(together: PlanningInput, alone: LaidPlan, all: PlanWithHours): PlanToKeep {
  const units = new Set(alone.batches.map(({ unitId }) => unitId))
  const own = new Set(alone.batches.map(({ id }) => id))
  const otherBatches = all.batches.filter(({ unitId }) => !units.has(unitId))
  const isOther = new Set(otherBatches.map(({ id }) => id))
  const others = all.stretches.filter((each) => isOther.has(each.batchId))
  const batches = [...alone.batches, ...otherBatches]
  const ways = [[...alone.stretches, ...others], sideBySide(alone.stretches, others, all.sessions)]
  const laid = layAsBefore(
    together,
    ways.map((stretches) => ({ batches, stretches })),
  )
  const [inTurn, beside] = ways.map((stretches, way) => {
    const plan = laid.ok ? laid.value[way] : undefined
    const rushed = (plan?.stretches ?? []).flatMap((each) => (own.has(each.batchId) ? [each.dryAt] : []))
    return {
      batches,
      stretches,
      // A day later is as soon.
      rush: plan ? Math.max(alone.finishesAt + day, ...rushed) : Number.POSITIVE_INFINITY,
      finish: plan ? plan.finishesAt : Number.POSITIVE_INFINITY,
    }
  })
  if (!inTurn || !beside) return { batches, stretches: [] }
  const isSooner = beside.rush === inTurn.rush ? beside.finish < inTurn.finish : beside.rush < inTurn.rush
  return isSooner ? beside : inTurn
}

/** By when they come to be done, with the others later by the rush job. */
function sideBySide(
  rush: LinePlan['stretches'],
  others: LinePlan['stretches'],
  sessions: LinePlan['sessions'],
): LinePlan['stretches'] {
  const painters = [...new Set(sessions.map((each) => each.painter))]
  const later = new Map(painters.map((painter) => [painter, laterBy(rush, sessions, painter)]))
  const begun = rush.map((stretch) => ({ at: Number(stretch.startsAt), stretch }))
  const reached = new Map<BatchId, number>()
  for (const stretch of others) {
    const { batchId, painter, startsAt } = stretch
    // The tasks of a batch stay in their order, whoever does them.
    const at = Math.max(later.get(painter)?.(startsAt) ?? startsAt, reached.get(batchId) ?? 0)
    reached.set(batchId, at)
    begun.push({ at, stretch })
  }
  return begun.sort((a, b) => a.at - b.at).map(({ stretch }) => stretch)
}

/** When a painter comes to what was to begin at a moment, who is at the rush job first. */
function laterBy(
  rush: LinePlan['stretches'],
  sessions: LinePlan['sessions'],
  painter: number,
): (moment: Instant) => number {
  const { until, when } = openTime(
    slotsOfSpans(
      sessions
        .filter((each) => each.painter === painter)
        .map(({ startsAt, endsAt }) => ({ start: startsAt, end: endsAt })),
    ),
  )
  const taken = rush.filter((each) => each.painter === painter)
  return (moment) =>
    when(
      taken.reduce(
        (at, { startsAt, endsAt }) => (until(startsAt) <= at ? at + endsAt - startsAt : at),
        until(moment),
      ),
    )
}

/** How all jobs would go on without the rush, where nobody says it. */
export function running(calm: PlanningInput): PlanWithHours {
  const laid = layLine(calm)
  return laid.ok ? laid.value : { batches: [], stretches: [], sessions: [] }
}
