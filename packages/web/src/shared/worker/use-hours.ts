import type { Extra, Standard, StandardCosts, UnitId } from '@seriatim/core'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'
import type { WholeInput } from './planner.worker.ts'

/** What each standard takes on each unit, worked out beside the page. */
export function useStandardCosts(input: WholeInput): readonly StandardCosts[] | undefined {
  const { data } = useQuery({
    queryKey: ['standard-costs', inputKey(input)],
    queryFn: ({ signal }) =>
      callPlanner('hours', async (planner, _, pack) => planner.standardCosts(pack(input)), signal),
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
      callPlanner(
        'hours',
        async (planner, _, pack) => planner.extrasFor(pack(input), standardOf, seconds, safety),
        signal,
      ),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
  })
  return data ?? nothing
}
