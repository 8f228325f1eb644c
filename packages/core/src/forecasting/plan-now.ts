import { lineNow } from '../air/line-now.ts'
import type { AirAt } from '../air/line-in-air.ts'
import { unfitForCans } from '../air/spray-windows.ts'
import { estimateLine, timesOf, type EstimateInput } from '../estimating/estimate-line.ts'
import { roomFor } from '../estimating/room.ts'
import type { LaidPlan } from '../plan/line-plan.ts'
import { layLine, type PlanningInput } from '../plan/plan-line.ts'
import type { PlanProblem } from '../plan/plan-notes.ts'
import { toPlan } from '../plan/to-plan.ts'
import type { Progress } from '../progress/progress.ts'
import { partsOf, type Project } from '../trade/project.ts'
import { success, type Result } from '../units/result.ts'
import type { FinishForecast } from './forecast-finish.ts'
import { tryOffer } from './offers.ts'

/** A project as it stands, and all around it that its plan follows from. */
export interface ProjectNow extends Required<Pick<EstimateInput, 'shelf' | 'now' | 'known'>> {
  readonly project: Project
  readonly progress: Progress
  /** Of the air, those foretold among them. */
  readonly readings: readonly AirAt[]
  /** The plan before, which is kept to where nothing is much better. */
  readonly before?: NonNullable<PlanningInput['before']>
}

interface PlannedNow {
  readonly plan: LaidPlan
  /** `null` where futures have no plan. */
  readonly forecast: FinishForecast | null
}

/** The plan and its odds as a page would work them out at this moment. */
export function planNow(input: ProjectNow): Result<PlannedNow, PlanProblem> {
  const { shelf, now, known, progress, readings, before } = input
  const project = { ...input.project, line: lineNow(input.project, shelf, readings, progress.touches, now) }
  const estimateInput = { project, shelf, now, known, progress }
  const estimate = estimateLine(estimateInput)
  const noSpray = unfitForCans(readings, now)
  const planned = layLine({
    ...toPlan(project),
    progress,
    now,
    times: timesOf(estimate),
    shelf,
    noSpray,
    room: roomFor(partsOf(project), estimate).share,
    ...(before ? { before } : {}),
  })
  if (!planned.ok) return planned
  return success({
    plan: planned.value,
    forecast: tryOffer({ project, progress, now, noSpray, estimateInput, before: planned.value }, null),
  })
}
