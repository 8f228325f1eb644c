import {
  distinctBatchSizes,
  type BatchSizeOutcome,
  type LinePlan,
  type PlanningInput,
  type PlanProblem,
  type Result,
} from '@seriatim/core'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useState } from 'react'
import { callPlanner } from './call-planner.ts'

/** The plan of what is left, worked out beside the page; the last one stays in view until the next is there. */
export function usePlan(input: PlanningInput | null) {
  const key = useInputKey(input)
  return useQuery({
    queryKey: ['plan', key],
    enabled: input !== null,
    queryFn: ({ signal }): Promise<Result<LinePlan, PlanProblem>> => {
      if (!input) throw new Error('nothing to plan')
      return callPlanner(async (planner) => planner.planLine(input), signal)
    },
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
}

let keys = 0
const keyOf = new WeakMap<object, number>()

/** Inputs are told apart by identity: the caller memoises them. */
function useInputKey(input: PlanningInput | null): number {
  if (!input) return 0
  const known = keyOf.get(input)
  if (known !== undefined) return known
  keys += 1
  keyOf.set(input, keys)
  return keys
}

export interface Comparison {
  readonly outcomes: readonly BatchSizeOutcome[]
  readonly total: number
  readonly running: boolean
  readonly cancel: () => void
  readonly restart: () => void
}

const effortPerSize = 600_000
const none: readonly BatchSizeOutcome[] = []

/** Every batch size tried in turn, the first results in view while the others are worked out. */
export function useBatchSizeComparison(input: PlanningInput | null): Comparison {
  const sizes = useMemo(() => (input ? distinctBatchSizes(input.project) : []), [input])
  const [round, setRound] = useState(0)
  const [state, setState] = useState<{ key: string; outcomes: readonly BatchSizeOutcome[]; running: boolean }>({
    key: '',
    outcomes: none,
    running: false,
  })
  const [controller, setController] = useState<AbortController | null>(null)
  const inputKey = useInputKey(input)
  const key = `${String(inputKey)}/${String(round)}`

  useEffect(() => {
    if (!input) return
    const abort = new AbortController()
    setController(abort)
    const run = async () => {
      const outcomes: BatchSizeOutcome[] = []
      setState({ key, outcomes, running: true })
      for (const size of sizes) {
        const outcome = await callPlanner(
          (planner) => planner.tryBatchSize({ ...input, effort: effortPerSize }, size),
          abort.signal,
        )
        if (outcome) outcomes.push(outcome)
        setState({ key, outcomes: [...outcomes], running: true })
      }
      setState({ key, outcomes, running: false })
    }
    run().catch(() => {
      setState((last) => (last.key === key ? { ...last, running: false } : last))
    })
    return () => abort.abort()
  }, [input, sizes, key])

  return {
    outcomes: state.outcomes,
    total: sizes.length,
    running: state.running,
    cancel: useCallback(() => controller?.abort(), [controller]),
    restart: useCallback(() => setRound((count) => count + 1), []),
  }
}
