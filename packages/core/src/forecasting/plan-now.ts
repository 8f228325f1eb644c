import type { Figures } from '../estimating/index.ts'
import { type LaidPlan, layLine, type PlanningInput, planningOf, type PlanProblem } from '../plan/index.ts'
import { type Result, success } from '../units/index.ts'
import type { FinishForecast } from './forecast-finish.ts'
import { forecastFigures } from './offers.ts'

interface PlannedNow {
  readonly plan: LaidPlan
  /** `null` where futures have no plan. */
  readonly forecast: FinishForecast | null
}

/**
 * The plan and its odds as a page would work them out at this moment.
 * @param before the plan before, which is kept to where nothing is much better.
 */
export function planNow(figures: Figures, before?: PlanningInput['before']): Result<PlannedNow, PlanProblem> {
  const planned = layLine(planningOf(figures, before ? { before } : {}))
  if (!planned.ok) return planned
  return success({ plan: planned.value, forecast: forecastFigures(figures, { before: planned.value }) })
}
