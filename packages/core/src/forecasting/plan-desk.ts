import { paintedBy } from '../calendar/due.ts'
import { estimateLine, timesOf, type EstimateInput, type LineEstimate } from '../estimating/estimate-line.ts'
import { roomFor } from '../estimating/room.ts'
import type { LaidPlan, LinePlan } from '../plan/line-plan.ts'
import { layLine, solveLine, type PlanningInput, type SolvedLine } from '../plan/plan-line.ts'
import type { PlanProblem } from '../plan/plan-notes.ts'
import { planTogether } from '../plan/plan-together.ts'
import { runSheets, type RunSheet } from '../plan/run-sheet.ts'
import { toPlan } from '../plan/to-plan.ts'
import type { Desk } from '../trade/desk.ts'
import type { Work } from '../trade/job.ts'
import { wishesOf, type Project } from '../trade/project.ts'
import type { ProjectId } from '../units/ids.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { success, type Result } from '../units/result.ts'
import { forecastJobs, type FinishForecast, type JobForecast } from './forecast-finish.ts'
import { besideRush, hurried, running } from './rush-job.ts'

/** What is planned at one desk. */
export interface DeskInput extends Pick<EstimateInput, 'shelf' | 'now' | 'known'> {
  readonly desk: Desk
  /** Those put first before the others. */
  readonly jobs: readonly [DeskJob, ...DeskJob[]]
  /** This one first, whatever it costs the others; these then by their dates. */
  readonly rush?: ProjectId | null
  /** A plan to keep to where nothing is much better, of these jobs or more: with a job less no other is to come later. */
  readonly before?: Pick<LinePlan, 'stretches' | 'sessions'>
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
  /** All jobs as one: what the plan and its sheets speak of. */
  readonly work: Work
  readonly desk: Desk
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
  readonly solved: SolvedLine
  readonly estimate: LineEstimate
  /** Each planned by itself. */
  readonly alone: readonly Result<LaidPlan, PlanProblem>[]
  /** Of each the batches by their place in the plan, and by when it has to be painted. */
  readonly asked: readonly { readonly due: Instant | null; readonly batches: readonly number[] }[]
}

/** The jobs in one plan. */
export function solveDesk(input: DeskInput): Result<SolvedDesk, PlanProblem> {
  const { desk, shelf, now, known, rush, effort, isCalledOff } = input
  const given = tellApart(input.jobs)
  const ready = ({ project, progress }: DeskJob) => {
    const own = toPlan(project, desk)
    const estimate = estimateLine({
      project,
      shelf,
      now,
      ...(progress ? { progress } : {}),
      ...(known ? { known } : {}),
    })
    return {
      ...own,
      now,
      times: timesOf(estimate),
      shelf,
      room: roomFor(own, estimate).share,
      ...(progress ? { progress } : {}),
      ...(effort === undefined ? {} : { effort }),
      ...(isCalledOff ? { isCalledOff } : {}),
    } satisfies PlanningInput
  }
  const [first, ...others] = given
  const inputs: [PlanningInput, ...PlanningInput[]] = [ready(first), ...others.map(ready)]
  // Planned apart to be compared, and the rush job to be kept so; of many, with less effort each.
  const alone = inputs.map((each) =>
    layLine({ ...each, effort: (effort ?? usualEffort) / Math.max(1, given.length - fewJobs + 1) }),
  )
  const rushed = alone[given.findIndex((job) => job.project.id === rush)]
  const calm = planTogether(desk, inputs)
  const together = hurried(calm, given, rush ?? null, rushed?.ok ? rushed.value.finishesAt : now)
  // At one desk it is one hand: what it showed at one job holds for the others.
  const estimate = estimateLine({
    project: together.work,
    shelf,
    now,
    ...(together.progress ? { progress: together.progress } : {}),
    ...(known ? { known } : {}),
  })
  const asEstimated = { times: timesOf(estimate), room: roomFor(together, estimate).share }
  const before = rushed?.ok
    ? besideRush(
        { ...together, ...asEstimated },
        rushed.value,
        input.before ?? running({ ...calm, ...asEstimated }),
      )
    : input.before
  const solved = solveLine({
    ...together,
    ...asEstimated,
    ...(before ? { before } : {}),
    spare: true,
  })
  if (!solved.ok) return solved
  const { batches } = solved.value.plan
  const asked = given.map((job) => {
    const units = new Set(job.project.units.map((unit) => unit.id))
    return {
      due: paintedBy(wishesOf(job.project), desk),
      batches: batches.flatMap((batch, place) => (units.has(batch.unitId) ? [place] : [])),
    }
  })
  return success({ solved: solved.value, estimate, alone, asked })
}

/** Several jobs at one desk: one plan, when each is done in it, and what it would be by itself. */
export function planDesk(input: DeskInput): Result<DeskPlan, PlanProblem> {
  const laid = solveDesk(input)
  if (!laid.ok) return laid
  const { solved, estimate, alone, asked } = laid.value
  const { now, isCalledOff, jobs: given } = input
  const { plan, work } = solved
  const tasks = plan.batches.length * Math.max(1, work.line.length / given.length)
  const futures = {
    solved,
    estimate,
    futures: Math.round(Math.min(usualFutures, Math.max(fewestFutures, tasksDrawn / tasks))),
    ...(isCalledOff ? { stop: isCalledOff } : {}),
  }
  const { whole, jobs: forecasts } = forecastJobs(futures, asked, input.confidence)
  return success({
    work,
    desk: input.desk,
    plan,
    sheets: runSheets(plan, work),
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
        aloneAt: isLeft && apart?.ok ? apart.value.finishesAt : null,
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
