import { paintedBy } from '../calendar/due.ts'
import { estimateLine, timesOf, type EstimateInput, type LineEstimate } from '../estimating/estimate-line.ts'
import { roomFor } from '../estimating/room.ts'
import type { LinePlan } from '../plan/line-plan.ts'
import { solveLine, type PlanningInput, type SolvedLine } from '../plan/plan-line.ts'
import type { PlanProblem } from '../plan/plan-notes.ts'
import { planTogether } from '../plan/plan-together.ts'
import { runSheets, type RunSheet } from '../plan/run-sheet.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import { atDesk, type Desk } from '../trade/desk.ts'
import type { Model, Project } from '../trade/project.ts'
import type { ProjectId } from '../units/ids.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { success, type Result } from '../units/result.ts'
import { forecastJobs, type FinishForecast, type JobForecast } from './forecast-finish.ts'

/** What is planned at one desk. */
export interface DeskInput extends Pick<EstimateInput, 'shelf' | 'now' | 'known'> {
  readonly desk: Desk
  /** Those put first before the others. */
  readonly jobs: readonly [DeskJob, ...DeskJob[]]
  /** This one first, whatever it costs the others; these then by their dates. */
  readonly rush?: ProjectId | null
  /** A plan to keep to where nothing is much better, of these jobs or more: with a job less no other is to come later. */
  readonly before?: Pick<LinePlan, 'stretches'>
  /** The share of futures in which a job is done by the day said of it; eight of ten without it. */
  readonly confidence?: number
  readonly effort?: number
  readonly isCalledOff?: () => boolean
}

export interface DeskJob extends Pick<PlanningInput, 'progress'> {
  readonly project: Project
}

/** One job among the others. */
export interface JobAtDesk extends JobForecast {
  readonly projectId: ProjectId
  /** When its last coat is dry if every session happens and every guess is met; `null` where nothing is left of it. */
  readonly doneAt: Instant | null
  /** The same if it had the desk to itself. */
  readonly aloneAt: Instant | null
  readonly due: Instant | null
}

export interface DeskPlan {
  /** All jobs as one, at this desk: what the plan and its sheets speak of. */
  readonly project: Project
  readonly plan: LinePlan
  readonly sheets: readonly RunSheet[]
  readonly forecast: FinishForecast
  readonly jobs: readonly JobAtDesk[]
  /** So often a pot stands open for one job and is used for another as well: each an opening less. */
  readonly potsSaved: number
}

/** So many tasks are drawn over all futures, as far as they are enough to tell eight of ten. */
const tasksDrawn = 150_000
const fewestFutures = 100
const usualFutures = 1000
const usualEffort = 2_000_000
/** So many are planned apart as well as together. */
const fewJobs = 4

/** Several jobs laid into one plan, and what their futures are drawn from. */
interface SolvedDesk {
  /** All jobs as one, at this desk. */
  readonly project: Project
  readonly solved: SolvedLine
  readonly estimate: LineEstimate
  /** Each planned by itself. */
  readonly alone: readonly Result<SolvedLine, PlanProblem>[]
  /** Of each the batches by their place in the plan, and by when it has to be painted. */
  readonly asked: readonly { readonly due: Instant | null; readonly batches: readonly number[] }[]
}

/** The jobs in one plan. */
export function solveDesk(input: DeskInput): Result<SolvedDesk, PlanProblem> {
  const { desk, shelf, now, known, rush, effort, isCalledOff } = input
  const given = tellApart(input.jobs)
  const ready = ({ project, progress }: DeskJob) => {
    const here = atDesk(project, desk)
    const estimate = estimateLine({
      project: here,
      shelf,
      now,
      ...(progress ? { progress } : {}),
      ...(known ? { known } : {}),
    })
    return {
      project: here,
      now,
      times: timesOf(estimate),
      shelf,
      room: roomFor(here, estimate).share,
      ...(progress ? { progress } : {}),
      ...(effort === undefined ? {} : { effort }),
      ...(isCalledOff ? { isCalledOff } : {}),
    } satisfies PlanningInput
  }
  const [first, ...others] = given
  const inputs: [PlanningInput, ...PlanningInput[]] = [ready(first), ...others.map(ready)]
  const together = hurried(planTogether(desk, inputs), given, input)
  const { project } = together
  // At one desk it is one hand: what it showed at one job holds for the others.
  const estimate = estimateLine({
    project,
    shelf,
    now,
    ...(together.progress ? { progress: together.progress } : {}),
    ...(known ? { known } : {}),
  })
  // Planned apart to be compared, and the rush job to be kept so; of many, with less effort each.
  const alone = inputs.map((each) =>
    solveLine({ ...each, effort: (effort ?? usualEffort) / Math.max(1, given.length - fewJobs + 1) }),
  )
  const rushed = alone[given.findIndex((job) => job.project.id === rush)]
  const solved = solveLine({
    ...together,
    ...(rushed?.ok ? { before: rushed.value.plan } : input.before ? { before: input.before } : {}),
    times: timesOf(estimate),
    room: roomFor(project, estimate).share,
    spare: true,
  })
  if (!solved.ok) return solved
  const { batches } = solved.value.plan
  const asked = given.map((job) => {
    const units = new Set(job.project.units.map((unit) => unit.id))
    return {
      due: paintedBy(job.project),
      batches: batches.flatMap((batch, place) => (units.has(batch.unitId) ? [place] : [])),
    }
  })
  return success({ project, solved: solved.value, estimate, alone, asked })
}

/** Several jobs at one desk: one plan, when each is done in it, and what it would be by itself. */
export function planDesk(input: DeskInput): Result<DeskPlan, PlanProblem> {
  const laid = solveDesk(input)
  if (!laid.ok) return laid
  const { project, solved, estimate, alone, asked } = laid.value
  const { now, isCalledOff, jobs: given } = input
  const { plan } = solved
  const tasks = plan.batches.length * Math.max(1, project.line.length / given.length)
  const futures = {
    solved,
    project,
    estimate,
    futures: Math.round(Math.min(usualFutures, Math.max(fewestFutures, tasksDrawn / tasks))),
    ...(isCalledOff ? { stop: isCalledOff } : {}),
  }
  const { whole, jobs: forecasts } = forecastJobs(futures, asked, input.confidence)
  return success({
    project,
    plan,
    sheets: runSheets(plan, project),
    forecast: whole,
    potsSaved: potsShared(plan, asked),
    jobs: given.map((job, index) => {
      const own = new Set((asked[index]?.batches ?? []).map((place) => plan.batches[place]?.id))
      const dry = plan.stretches.flatMap((each) => (own.has(each.batchId) ? [each.dryAt] : []))
      const apart = alone[index]
      const isLeft = dry.length > 0
      return {
        projectId: job.project.id,
        due: asked[index]?.due ?? null,
        doneAt: isLeft ? addSeconds(now, Math.max(...dry.map((at) => (at - now) / 1000))) : null,
        aloneAt: isLeft && apart?.ok ? apart.value.plan.finishesAt : null,
        doneBy: forecasts[index]?.doneBy ?? null,
        odds: forecasts[index]?.odds ?? null,
      }
    }),
  })
}

/** How often a job is taken up with the pot that its painter has open for another. */
function potsShared({ stretches, batches }: LinePlan, asked: SolvedDesk['asked']): number {
  const jobOf = new Map(
    asked.flatMap((job, index) => job.batches.map((place) => [batches[place]?.id, index] as const)),
  )
  const before = new Map<number, number | undefined>()
  let shared = 0
  for (const { painter, batchId, opensPot } of stretches) {
    const job = jobOf.get(batchId)
    if (!opensPot && before.has(painter) && before.get(painter) !== job) shared += 1
    before.set(painter, job)
  }
  return shared
}

/** Units of one name in several jobs are told apart by their job's. */
function tellApart(jobs: DeskInput['jobs']): DeskInput['jobs'] {
  const names = jobs.flatMap((job) => job.project.units.map((unit) => unit.name))
  const twice = new Set(names.filter((name, at) => names.indexOf(name) !== at))
  const named = ({ project, ...rest }: DeskJob): DeskJob => ({
    ...rest,
    project: {
      ...project,
      units: project.units.map((unit) =>
        twice.has(unit.name) ? { ...unit, name: `${unit.name} (${project.name})` } : unit,
      ),
    },
  })
  const [first, ...others] = jobs
  return [named(first), ...others.map(named)]
}

/** The rush job is late from now on, so that nothing goes before it; the others follow by their dates. */
function hurried(together: PlanningInput, jobs: DeskInput['jobs'], { rush, now }: DeskInput): PlanningInput {
  if (rush === undefined || rush === null) return together
  const due = ({ project }: DeskJob) => paintedBy(project) ?? Number.POSITIVE_INFINITY
  const others = jobs.filter((job) => job.project.id !== rush && Number.isFinite(due(job)))
  const inOrder = others.toSorted((a, b) => due(a) - due(b))
  const inHand = together.project.batchesInHand
  const isBegun = (model: Model) => (together.progress?.marks.get(model.id)?.size ?? 0) > 0
  const begun = (together.batches ?? []).filter((batch) => batch.models.some(isBegun)).length
  const rushed = jobs
    .filter((job) => job.project.id === rush)
    .reduce((sum, { project }) => sum + splitIntoBatches(project, project).length, 0)
  return {
    ...together,
    dueByUnit: new Map(
      jobs.flatMap(({ project }) =>
        project.units.map((unit) => [unit.id, project.id === rush ? now : null] as const),
      ),
    ),
    project: {
      ...together.project,
      // It is begun at once, beside what is in hand.
      batchesInHand: inHand === null ? null : Math.max(inHand, begun) + rushed,
      planning: {
        ...together.project.planning,
        first: inOrder.flatMap(({ project }) => splitIntoBatches(project, project).map((batch) => batch.id)),
      },
    },
  }
}
