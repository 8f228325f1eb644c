import type { LinePlan } from '@seriatim/core/plan'
import { useCurrentFigures, type CurrentFigures } from './figures.ts'
import { useEstimated, usePlan, type Estimated } from './worker/index.ts'

interface PlanWish {
  /** As the planner takes it. */
  readonly effort?: number
  /** Where nobody looks at the plan none is worked out. */
  readonly isWanted?: boolean
}

interface CurrentPlan extends CurrentFigures, Partial<Omit<Estimated, 'sources'>> {
  /** `null` until there is one. */
  readonly plan: LinePlan | null
  readonly isPlanned: boolean
}

/** The project of this road with its figures, as far as they are worked out, and the plan of what is left. */
export function useCurrentPlan({ effort, isWanted = true }: PlanWish = {}): CurrentPlan {
  const figures = useCurrentFigures()
  const { sources } = figures
  const { sources: _, ...estimated } = useEstimated(sources) ?? {}
  const planned = usePlan(isWanted ? sources : undefined, effort)
  const plan = planned.data?.ok ? planned.data.value : null
  return { ...figures, ...estimated, plan, isPlanned: planned.data !== undefined || planned.isError }
}
