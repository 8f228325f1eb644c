import type { LinePlan, PlanningInput, PlanProblem, Result } from '@seriatim/core'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'

/** The plan of what is left, worked out beside the page; the last one stays in view until the next is there. */
export function usePlan(input: PlanningInput | null) {
  return useQuery({
    queryKey: ['plan', inputKey(input)],
    enabled: input !== null,
    queryFn: ({ signal }): Promise<Result<LinePlan, PlanProblem>> => {
      if (!input) throw new Error('nothing to plan')
      return callPlanner('plan', async (planner) => planner.planLine(input), signal)
    },
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
}
