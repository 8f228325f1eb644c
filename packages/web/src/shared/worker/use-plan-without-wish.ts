import { noBatchWish, type LinePlan } from '@seriatim/core/plan'
import { skipToken, useQuery } from '@tanstack/react-query'
import type { ShownSources } from '../figures.ts'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'
import { quickEffort } from './use-plan.ts'

/** The plan if nothing were wished of how many go together, or at once; `null` where nobody asks, and until it is there. */
export function usePlanWithoutWish(sources: ShownSources | null): LinePlan | null {
  const { data } = useQuery({
    queryKey: ['plan without wish', inputKey(sources)],
    queryFn: sources
      ? ({ signal }) =>
          callPlanner(
            'compare',
            async (planner, turn, pack) =>
              planner.planLine(
                pack({ ...sources, project: { ...sources.project, ...noBatchWish(sources.project) } }),
                { effort: quickEffort },
                turn,
              ),
            signal,
          )
      : skipToken,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
  return data?.ok ? data.value : null
}
