import type { FigureSources } from '@seriatim/core/estimating'
import type { WayOutcome } from '@seriatim/core/plan'
import type { Recipe, Unit } from '@seriatim/core/trade'
import { useQueries } from '@tanstack/react-query'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'

/** What each way, a set of recipes, would come to for these units, worked out one after the other beside the page. */
export function useWays(
  sources: FigureSources | undefined,
  units: readonly Unit[],
  ways: readonly (readonly Recipe[])[],
): readonly (WayOutcome | undefined)[] {
  return useQueries({
    queries: ways.map((recipes) => ({
      queryKey: [
        'way',
        inputKey(sources),
        units.map((unit) => unit.id).join(),
        ...recipes.map((recipe) => inputKey(recipe)),
      ],
      enabled: sources !== undefined && units.length > 0,
      queryFn: ({ signal }: { signal: AbortSignal }) =>
        callPlanner(
          'compare',
          async (planner, _, pack) => {
            if (!sources) throw new Error('nothing to compare with')
            return planner.tryWay(pack(sources), units, recipes)
          },
          signal,
        ),
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: 60_000,
    })),
    combine: (results) => results.map((result) => result.data),
  })
}
