import type { EstimateInput, Extra, Project, Standard, StandardCosts, UnitId } from '@seriatim/core'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'

/** An estimate's input over a whole project. */
export type WholeInput = EstimateInput & { readonly project: Project }

/** What each standard takes on each unit, worked out beside the page. */
export function useStandardCosts(input: WholeInput): readonly StandardCosts[] | undefined {
  const { data } = useQuery({
    queryKey: ['standard-costs', inputKey(input)],
    queryFn: ({ signal }) => callPlanner('hours', async (planner) => planner.standardCosts(input), signal),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
  })
  return data
}

const nothing: readonly Extra[] = []

/** Optional stages that fit into what is over, worked out beside the page. */
export function useExtras(
  input: WholeInput,
  standardOf: ReadonlyMap<UnitId, Standard>,
  seconds: number,
  safety: number,
): readonly Extra[] {
  const { data } = useQuery({
    queryKey: ['extras', inputKey(input), [...standardOf], seconds, safety],
    queryFn: ({ signal }) =>
      callPlanner('hours', async (planner) => planner.extrasFor(input, standardOf, seconds, safety), signal),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
  })
  return data ?? nothing
}
