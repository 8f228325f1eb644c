import type { FigureSources } from '@seriatim/core/estimating'
import { distinctSplits, type SplitOutcome } from '@seriatim/core/plan'
import { useQueries, useQueryClient, type UseQueryResult } from '@tanstack/react-query'
import { useMemo } from 'react'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'

export interface Comparison {
  readonly outcomes: readonly SplitOutcome[]
  readonly total: number
  readonly running: boolean
  readonly cancel: () => void
  readonly restart: () => void
}

const effortPerSize = 300_000
/** Two sizes are worked out side by side. */
const lanes = ['compare', 'compare beside'] as const

/** Every way of splitting tried in turn, the first results in view while the others are worked out. */
export function useBatchSizeComparison(sources: FigureSources | null): Comparison {
  const client = useQueryClient()
  // The fewest batches first: they are planned soonest, so that there is something to see.
  const splits = useMemo(() => (sources ? distinctSplits(sources.project).toReversed() : []), [sources])
  const queryKey = ['batch-size', inputKey(sources)]
  const { outcomes, running, restart } = useQueries({
    queries: splits.map((split, index) => ({
      queryKey: [...queryKey, split],
      queryFn: ({ signal }: { signal: AbortSignal }) => {
        if (!sources) throw new Error('nothing to compare')
        return callPlanner(
          lanes[index % lanes.length] ?? lanes[0],
          (planner, turn, pack) => planner.trySplit(pack(sources), { effort: effortPerSize }, split, turn),
          signal,
        )
      },
      staleTime: Number.POSITIVE_INFINITY,
      gcTime: 60_000,
    })),
    combine: together,
  })
  return {
    outcomes,
    total: splits.length,
    running,
    cancel: () => void client.cancelQueries({ queryKey }),
    restart,
  }
}

function together(results: readonly UseQueryResult<SplitOutcome | null>[]) {
  return {
    outcomes: results.toReversed().flatMap((result) => result.data ?? []),
    running: results.some((result) => result.isFetching),
    restart: () => {
      for (const result of results) if (result.data === undefined) void result.refetch()
    },
  }
}
