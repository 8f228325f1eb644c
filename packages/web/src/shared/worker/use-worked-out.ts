import { skipToken, useQuery } from '@tanstack/react-query'
import { callPlanner, type Lane, type Task } from './call-planner.ts'
import { inputKey } from './input-key.ts'

type Primitive = string | number | boolean | null | undefined

interface Work<Answer> {
  readonly lane: Lane
  /** What is worked out, and about what: while these two stay, the last answer stays in view until the next is there. */
  readonly name: string
  readonly about: string
  /** All the task reads; objects are told apart by identity. `null` while something is missing. */
  readonly inputs: readonly (object | Primitive)[] | null
  readonly task: Task<Answer>
}

/** An answer worked out beside the page, so that no render computes it. */
export function useWorkedOut<Answer>({ lane, name, about, inputs, task }: Work<Answer>): Answer | undefined {
  const { data } = useQuery({
    queryKey: [
      name,
      about,
      ...(inputs ?? []).map((each) =>
        typeof each === 'object' && each !== null ? `#${String(inputKey(each))}` : (each ?? null),
      ),
    ],
    queryFn: inputs ? ({ signal }: { signal: AbortSignal }) => callPlanner(lane, task, signal) : skipToken,
    placeholderData: (before, query) => (query?.queryKey[1] === about ? before : undefined),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
  })
  return data
}
