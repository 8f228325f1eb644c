import { paintedBy } from '../calendar/index.ts'
import { cellOf, estimateLine, type Figures, type LineEstimate, roomFor } from '../estimating/index.ts'
import {
  type LaidPlan,
  layLine,
  type LinePlan,
  type PlanningInput,
  planningOf,
  type PlanProblem,
  planTogether,
  type RunSheet,
  runSheets,
  type SolvedLine,
  solveLine,
  unplannedUnits,
} from '../plan/index.ts'
import { type Desk, wishesOf, type Work } from '../trade/index.ts'
import { addSeconds, instant, type Instant, type ProjectId, type Result, success } from '../units/index.ts'
import { forecastJobs, type FinishForecast, type JobForecast } from './forecast-finish.ts'
import { besideRush, hurried, running } from './rush-job.ts'

/** What is planned at one desk. */
export interface DeskInput {
  readonly desk: Desk
  /** The figures of each job, those put first before the others. */
  readonly jobs: readonly [Figures, ...Figures[]]
  /** This one first, whatever it costs the others; these then by their dates. */
  readonly rush?: ProjectId | null
  /** When some would be done if they had the desk to themselves, as an answer before has it: they are not planned apart again. */
  readonly aloneAt?: ReadonlyMap<ProjectId, Instant | null>
  /** A plan to keep to where nothing is much better, of these jobs or more: with a job less no other is to come later. */
  readonly before?: Pick<LinePlan, 'batches' | 'stretches' | 'sessions'>
  /** The share of futures in which a job is done by the day said of it; eight of ten without it. */
  readonly confidence?: number
  readonly effort?: number
  readonly isCalledOff?: () => boolean
}

/** One job among the others, as it is planned. */
export interface JobLaid {
  readonly projectId: ProjectId
  /** When its last coat is dry if every session happens and every guess is met; `null` where nothing is left of it. */
  readonly doneAt: Instant | null
  /** The same if it had the desk to itself. */
  readonly aloneAt: Instant | null
  readonly due: Instant | null
}

/** The same with how it may go. */
export interface JobAtDesk extends JobLaid, JobForecast {}

/** The jobs in one plan, before it is drawn how it may go. */
export interface DeskLaid {
  /** All jobs as one: what the plan and its sheets speak of. */
  readonly work: Work
  readonly desk: Desk
  readonly plan: LinePlan
  readonly sheets: readonly RunSheet[]
  readonly jobs: readonly JobLaid[]
  /** So often a pot stands open for one job and is used for another as well: each an opening less. */
  readonly potsSaved: number
}

export interface DeskPlan extends DeskLaid {
  readonly forecast: FinishForecast
  readonly jobs: readonly JobAtDesk[]
}

/** So many tasks are drawn over all futures, as far as they are enough to tell eight of ten. */
const tasksDrawn = 150_000
const fewestFutures = 100
const usualFutures = 1000
const usualEffort = 2_000_000
/** So many are planned apart as well as together. */
const fewJobs = 4

/** Several jobs laid into one plan, and what their futures are drawn from. */
export interface SolvedDesk {
  readonly laid: DeskLaid
  readonly solved: SolvedLine
  readonly estimate: LineEstimate
  /** Of each the batches by their place in the plan, and by when it has to be painted. */
  readonly asked: readonly { readonly due: Instant | null; readonly batches: readonly number[] }[]
}

/** Several jobs at one desk in one plan, when each is done in it, and what it would be by itself. */
export function layDesk(input: DeskInput): Result<SolvedDesk, PlanProblem> {
  const { desk, rush, effort, isCalledOff } = input
  const given = tellApart(input.jobs)
  const now = instant(Math.max(...given.map((job) => job.now)))
  const isKnownAlone = (id: ProjectId) => id !== rush && input.aloneAt?.has(id) === true
  const wish = { ...(effort === undefined ? {} : { effort }), ...(isCalledOff ? { isCalledOff } : {}) }
  const ready = (job: Figures): PlanningInput => ({ ...planningOf(job, wish, desk), now })
  const [first, ...others] = given
  const inputs: [PlanningInput, ...PlanningInput[]] = [ready(first), ...others.map(ready)]
  // Planned apart to be compared, and the rush job to be kept so; of many, with less effort each.
  const alone = given.map((job, index): Result<LaidPlan, PlanProblem> | null => {
    const own = inputs[index]
    if (!own || isKnownAlone(job.project.id)) return null
    return layLine({ ...own, effort: (effort ?? usualEffort) / Math.max(1, given.length - fewJobs + 1) })
  })
  const rushed = alone[given.findIndex((job) => job.project.id === rush)]
  const calm = planTogether(desk, inputs)
  const hurriedOn = hurried(calm, given, rush ?? null, rushed?.ok ? rushed.value : null)
  const estimate = estimateTogether(given, calm, now)
  const room = roomFor(hurriedOn, estimate).share
  const together = { ...hurriedOn, room }
  const before = rushed?.ok
    ? besideRush(together, rushed.value, input.before ?? running({ ...calm, room }))
    : input.before
  const solved = solveLine({
    ...together,
    ...(before ? { before } : {}),
    spare: true,
  })
  if (!solved.ok) return solved
  const { plan, work } = solved.value
  const asked = given.map((job) => {
    const units = new Set(job.project.units.map((unit) => unit.id))
    return {
      due: paintedBy(wishesOf(job.project), desk),
      batches: plan.batches.flatMap((batch, place) => (units.has(batch.unitId) ? [place] : [])),
    }
  })
  const jobs = given.map((job, index): JobLaid => {
    const { due = null, batches = [] } = asked[index] ?? {}
    const own = new Set(batches.map((place) => plan.batches[place]?.id))
    const dry = plan.stretches.flatMap((each) => (own.has(each.batchId) ? [each.dryAt] : []))
    const apart = alone[index]
    const aloneAt = apart
      ? apart.ok
        ? apart.value.finishesAt
        : null
      : (input.aloneAt?.get(job.project.id) ?? null)
    const isLeft = dry.length > 0
    return {
      projectId: job.project.id,
      due,
      doneAt: isLeft ? addSeconds(now, Math.max(...dry.map((at) => (at - now) / 1000))) : null,
      aloneAt: isLeft ? aloneAt : null,
    }
  })
  const laid = { work, desk, plan, sheets: runSheets(plan, work), jobs, potsSaved: potsShared(plan, asked) }
  return success({ laid, solved: solved.value, estimate, asked })
}

/** How what is laid may go. */
export function drawDesk(
  { laid, solved, estimate, asked }: SolvedDesk,
  { confidence, isCalledOff }: Pick<DeskInput, 'confidence' | 'isCalledOff'>,
): DeskPlan {
  const { plan, work, jobs } = laid
  const unplanned = unplannedUnits(plan)
  const tasks = plan.batches.length * Math.max(1, work.line.length / jobs.length)
  const futures = {
    solved,
    estimate,
    futures: Math.round(Math.min(usualFutures, Math.max(fewestFutures, tasksDrawn / tasks))),
    ...(isCalledOff ? { stop: isCalledOff } : {}),
  }
  const { whole, jobs: forecasts } = forecastJobs(futures, asked, confidence)
  return {
    ...laid,
    forecast: whole,
    jobs: jobs.map((job, index) => {
      // What finds no place is not done by any day.
      const own = asked[index]?.batches.flatMap((place) => plan.batches[place] ?? []) ?? []
      const { doneBy = null, odds = null } = forecasts[index] ?? {}
      return own.some(({ unitId }) => unplanned.has(unitId))
        ? { ...job, doneBy: null, odds: job.due === null ? null : 0 }
        : { ...job, doneBy, odds }
    }),
  }
}

/** Several jobs at one desk: one plan, when each is done in it, what it would be by itself, and how it may go. */
export function planDesk(input: DeskInput): Result<DeskPlan, PlanProblem> {
  const laid = layDesk(input)
  return laid.ok ? success(drawDesk(laid.value, input)) : laid
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

/**
 * The jobs estimated as one, for what is common to them: at one desk it is one hand, and what it showed at one job holds for
 * the others. Each job's own figures have that already, so what they know of each other is left out.
 */
function estimateTogether(jobs: DeskInput['jobs'], { work, progress, shelf }: PlanningInput, now: Instant) {
  const [{ known }] = jobs
  const here = new Set(jobs.flatMap((job) => job.estimate.stages.map(({ work }) => cellOf(work))))
  return estimateLine({
    project: work,
    shelf: shelf ?? new Map(),
    now,
    ...(progress ? { progress } : {}),
    known: known.filter(({ cell }) => !here.has(cell)),
  })
}

/** Units of one name in several jobs are told apart by their job's. */
function tellApart(jobs: DeskInput['jobs']): DeskInput['jobs'] {
  const names = jobs.flatMap((job) => job.project.units.map((unit) => unit.name))
  const twice = new Set(names.filter((name, at) => names.indexOf(name) !== at))
  const named = (job: Figures): Figures => {
    const { units, name } = job.project
    if (!units.some((unit) => twice.has(unit.name))) return job
    const apart = units.map((unit) =>
      twice.has(unit.name) ? { ...unit, name: `${unit.name} (${name})` } : unit,
    )
    return job.changed({ project: { ...job.project, units: apart } })
  }
  const [first, ...others] = jobs
  return [named(first), ...others.map(named)]
}
