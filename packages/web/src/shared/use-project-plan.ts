import type { Progress } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import { useEstimated, useRoom, useTimes } from './working-project.ts'
import { usePlan, usePlanningInput } from './worker/index.ts'

interface PlanWish {
  /** As the planner takes it. */
  readonly effort?: number
  /** Where nobody looks at the plan none is worked out. */
  readonly isWanted?: boolean
}

/** The plan of what is left, `null` until there is one, with the estimate it is made from. */
export function useProjectPlan(
  project: Project,
  progress: Progress | undefined,
  { effort, isWanted = true }: PlanWish = {},
) {
  const estimated = useEstimated(project, progress)
  const times = useTimes(estimated?.estimate)
  const room = useRoom(project, estimated?.estimate)
  const planned = usePlan(
    usePlanningInput(project, isWanted ? estimated?.progress : undefined, times, room?.share ?? 0, effort),
  )
  const plan = planned.data?.ok ? planned.data.value : null
  return { estimated, times, plan, isPlanned: planned.data !== undefined || planned.isError }
}
