import type { OddsWish } from '@seriatim/core/forecasting'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterAll, beforeEach, expect, it, vi } from 'vitest'
import * as finishes from '../api/projects.ts'
import * as calling from './call-planner.ts'
import { useForecast, useOdds } from './use-odds.ts'

const callPlanner = vi.spyOn(calling, 'callPlanner')
const sayFinish = vi.spyOn(finishes, 'sayFinish')
afterAll(() => {
  vi.restoreAllMocks()
})

/** What was tried: of which plan, and what of it is otherwise. */
const tried: [before: unknown, offer: string | null][] = []
beforeEach(() => {
  tried.length = 0
  sayFinish.mockResolvedValue()
  const planner = {
    tryOffer: (_: object, { before }: OddsWish, offer: { kind: string } | null) => {
      tried.push([before, offer?.kind ?? null])
      return Promise.resolve({ odds: null, p50: 1, p80: 2, p95: 3, drivers: [], byDay: [], futures: 10 })
    },
  }
  callPlanner.mockImplementation((_, task) => task(planner as never, 1, (given) => given))
})

const before = { stretches: ['as shown'] }
const project = { id: 'fen', units: [{ models: Array(9) }], line: [], batchSize: 4, batchesInHand: null }
const shown = { sources: { project, clock: 0 }, plan: before } as never
const estimate = { stages: [] } as never

const client = new QueryClient()
const wrapper = ({ children }: { readonly children: ReactNode }) => (
  <QueryClientProvider client={client}>{children}</QueryClientProvider>
)

it('draws the plan that is shown, and tries what would help once somebody looks at it', async () => {
  const { result, rerender } = renderHook(
    ({ isLookedAt }) => {
      const headline = useForecast(shown)
      return { headline, odds: useOdds(shown, isLookedAt ? estimate : null) }
    },
    { wrapper, initialProps: { isLookedAt: false } },
  )
  await waitFor(() => expect(result.current.headline?.p80).toBe(2))
  expect(result.current.odds).toMatchObject({ offers: [], total: 0, running: false })
  // Once for headline and ticket.
  expect(tried).toEqual([[before, null]])

  rerender({ isLookedAt: true })
  await waitFor(() => expect(result.current.odds.offers).toHaveLength(2))
  expect(tried.slice(1)).toEqual([
    [before, 'one-more-session'],
    [before, 'longer-sessions'],
  ])
  expect(result.current.headline).toEqual({ ...result.current.odds.forecast, isFresh: true })
})
