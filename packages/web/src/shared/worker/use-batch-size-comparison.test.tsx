import type { BatchSplit } from '@seriatim/core/trade'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterAll, expect, it, vi } from 'vitest'
import * as calling from './call-planner.ts'
import { useBatchSizeComparison } from './use-batch-size-comparison.ts'

const callPlanner = vi.spyOn(calling, 'callPlanner')
afterAll(() => {
  vi.restoreAllMocks()
})

/** As the lanes have it: who asks in vain is answered at once. */
function slowPlanner() {
  const asked: { readonly size: number; readonly answer: () => void }[] = []
  callPlanner.mockImplementation((_, task, signal) => {
    const planner = {
      trySplit: (_sources: object, _wish: object, { batchSize }: BatchSplit) =>
        new Promise((resolve, reject) => {
          asked.push({ size: batchSize, answer: () => resolve({ split: String(batchSize), batchSize }) })
          signal.addEventListener('abort', () => reject(new Error('called off')))
        }),
    }
    return task(planner as never, 1, (given) => given)
  })
  return asked
}

const models = (count: number) =>
  Array.from({ length: count }, (_, index) => ({ id: `m${String(index)}`, variants: [] }))
const planning = { batches: [] }
const project = {
  id: 'fen',
  units: [{ id: 'pikes', models: models(3), joinedAt: null, pilot: [] }],
  planning,
}
const input = { project, now: 0 } as never

const client = new QueryClient()
const wrapper = ({ children }: { readonly children: ReactNode }) => (
  <QueryClientProvider client={client}>{children}</QueryClientProvider>
)

it('shows what is known while the rest is worked out, keeps it when it is stopped, and goes on from there', async () => {
  const asked = slowPlanner()
  const { result } = renderHook(() => useBatchSizeComparison(input), { wrapper })
  await waitFor(() => expect(asked.map(({ size }) => size)).toEqual([3, 2, 1]))
  expect(result.current).toMatchObject({ outcomes: [], total: 3, running: true })

  act(() => asked[0]?.answer())
  await waitFor(() => expect(result.current.outcomes).toHaveLength(1))
  expect(result.current.running).toBe(true)

  act(() => result.current.cancel())
  await waitFor(() => expect(result.current.running).toBe(false))
  expect(result.current.outcomes.map((each) => each.batchSize)).toEqual([3])

  act(() => result.current.restart())
  await waitFor(() => expect(asked.slice(3).map(({ size }) => size)).toEqual([2, 1]))
  expect(result.current.running).toBe(true)
  act(() => asked.slice(3).forEach(({ answer }) => answer()))
  await waitFor(() => expect(result.current.running).toBe(false))
  // The smallest first, whatever was there first.
  expect(result.current.outcomes.map((each) => each.batchSize)).toEqual([1, 2, 3])
})
