import { paintedBy } from '../calendar/due.ts'
import { estimateLine, timesOf, type EstimateInput } from '../estimating/estimate-line.ts'
import { roomFor } from '../estimating/room.ts'
import type { LinePlan } from '../plan/line-plan.ts'
import { solveLine, type PlanningInput } from '../plan/plan-line.ts'
import type { PlanProblem } from '../plan/plan-notes.ts'
import { planTogether } from '../plan/plan-together.ts'
import { runSheets, type RunSheet } from '../plan/run-sheet.ts'
import { atDesk, type Desk } from '../trade/desk.ts'
import type { Project } from '../trade/project.ts'
import type { ProjectId } from '../units/ids.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { success, type Result } from '../units/result.ts'
import { forecastJobs, type FinishForecast, type JobForecast } from './forecast-finish.ts'

/** What is planned at one desk. */
export interface DeskInput extends Pick<EstimateInput, 'shelf' | 'now' | 'known'> {
  readonly desk: Desk
  /** Those put first before the others. */
  readonly jobs: readonly [DeskJob, ...DeskJob[]]
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
  /** So many pots are opened less than if each job were painted by itself. */
  readonly potsSaved: number
}

/** Several jobs at one desk: one plan, when each is done in it, and what it would be by itself. */
export function planDesk(input: DeskInput): Result<DeskPlan, PlanProblem> {
  const { desk, shelf, now, known, effort, isCalledOff } = input
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
  const [first, ...others] = input.jobs
  const inputs: [PlanningInput, ...PlanningInput[]] = [ready(first), ...others.map(ready)]
  const together = planTogether(desk, inputs)
  const { project } = together
  // At one desk it is one hand: what it showed at one job holds for the others.
  const estimate = estimateLine({
    project,
    shelf,
    now,
    ...(together.progress ? { progress: together.progress } : {}),
    ...(known ? { known } : {}),
  })
  const solved = solveLine({
    ...together,
    times: timesOf(estimate),
    room: roomFor(project, estimate).share,
    spare: true,
  })
  if (!solved.ok) return solved
  const { plan } = solved.value
  const futures = { solved: solved.value, project, estimate, ...(isCalledOff ? { stop: isCalledOff } : {}) }
  const units = input.jobs.map((job) => new Set(job.project.units.map((unit) => unit.id)))
  const asked = input.jobs.map((job, index) => ({
    due: paintedBy(job.project),
    batches: plan.batches.flatMap((batch, place) => (units[index]?.has(batch.unitId) ? [place] : [])),
  }))
  const { whole, jobs: forecasts } = forecastJobs(futures, asked)
  // Planned apart only to be compared: less will do.
  const alone = inputs.map((each) => solveLine({ ...each, effort: 0 }))
  const openings = alone.reduce((sum, each) => sum + (each.ok ? each.value.plan.potOpenings : 0), 0)
  return success({
    project,
    plan,
    sheets: runSheets(plan, project),
    forecast: whole,
    potsSaved: Math.max(0, openings - plan.potOpenings),
    jobs: input.jobs.map((job, index) => {
      const own = new Set((asked[index]?.batches ?? []).map((place) => plan.batches[place]?.id))
      const dry = plan.stretches.flatMap((each) => (own.has(each.batchId) ? [each.dryAt] : []))
      const apart = alone[index]
      const isLeft = dry.length > 0
      return {
        projectId: job.project.id,
        due: asked[index]?.due ?? null,
        doneAt: isLeft ? addSeconds(now, Math.max(...dry.map((at) => (at - now) / 1000))) : null,
        aloneAt: isLeft && apart?.ok ? apart.value.plan.finishesAt : null,
        p80: forecasts[index]?.p80 ?? null,
        odds: forecasts[index]?.odds ?? null,
      }
    }),
  })
}
