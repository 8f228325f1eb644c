import type { EstimateInput, LineEstimate } from '@seriatim/core/estimating'
import type { Progress } from '@seriatim/core/progress'
import { keepPreviousData, skipToken, useQuery } from '@tanstack/react-query'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'

/** An estimate and the progress it was made with: the two are one moment, while newer punches are already shown. */
export interface Estimated {
  readonly estimate: LineEstimate
  readonly progress: Progress | undefined
}

/** What every stage takes, worked out beside the page; the last one stays until the next is there. */
export function useLineEstimate(input: EstimateInput | undefined): Estimated | undefined {
  const { project, shelf, progress, now, known } = input ?? {}
  const { data } = useQuery({
    queryKey: ['estimate', inputKey(project), inputKey(shelf), inputKey(progress), now, inputKey(known)],
    queryFn: input
      ? ({ signal }: { signal: AbortSignal }) =>
          callPlanner('estimate', async (planner, _, pack) => planner.estimateLine(pack(input)), signal).then(
            (estimate): Estimated => ({ estimate, progress: input.progress }),
          )
      : skipToken,
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
  })
  return data
}
