import type { FigureSources } from '@seriatim/core/estimating'
import type { LinePlan, PlanProblem } from '@seriatim/core/plan'
import { teamworks, type Teamwork } from '@seriatim/core/trade'
import type { Result } from '@seriatim/core/units'
import { useQueries, type UseQueryResult } from '@tanstack/react-query'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'

export interface TriedTeamwork {
  readonly teamwork: Teamwork
  readonly plan: LinePlan | null
}

/** The same work shared out in each way, worked out beside the page; nothing for a painter alone. */
export function useTeamworks(sources: FigureSources | null): readonly TriedTeamwork[] {
  const several = sources !== null && sources.project.planning.painters.length > 1
  return useQueries({
    queries: (several ? teamworks : []).map((teamwork) => ({
      queryKey: ['teamwork', inputKey(sources), teamwork],
      queryFn: ({ signal }: { signal: AbortSignal }): Promise<Result<LinePlan, PlanProblem>> => {
        if (!sources) throw new Error('nothing to compare')
        return callPlanner(
          'odds',
          async (planner, turn, pack) => planner.planLine(pack(sources), { teamwork }, turn),
          signal,
        )
      },
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: 60_000,
    })),
    combine: together,
  })
}

function together(
  results: readonly UseQueryResult<Result<LinePlan, PlanProblem>>[],
): readonly TriedTeamwork[] {
  return results.flatMap(({ data }, index) => {
    const teamwork = teamworks[index]
    return data && teamwork ? [{ teamwork, plan: data.ok ? data.value : null }] : []
  })
}
