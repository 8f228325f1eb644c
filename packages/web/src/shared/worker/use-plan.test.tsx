import type { FigureSources } from '@seriatim/core/estimating'
import type { PlanWish } from '@seriatim/core/plan'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterAll, beforeEach, expect, it, vi } from 'vitest'
import * as plans from '../api/plans.ts'
import * as calling from './call-planner.ts'
import { usePlan } from './use-plan.ts'

const callPlanner = vi.spyOn(calling, 'callPlanner')
const keptPlanQuery = vi.spyOn(plans, 'keptPlanQuery')
const sayPlan = vi.spyOn(plans, 'sayPlan')
afterAll(() => {
  vi.restoreAllMocks()
})

/** What the planner is asked for, one plan after the other; each answers with a stretch of its own. */
function asked() {
  const inputs: PlanWish[] = []
  const planner = {
    planLine: (_: FigureSources, wish: PlanWish) => {
      inputs.push(wish)
      const number = String(inputs.length)
      return Promise.resolve({
        ok: true,
        value: { stretches: [`plan ${number}`], asFound: `promised by ${number}` },
      })
    },
  }
  callPlanner.mockImplementation((_, task) => task(planner as never, 1, (given) => given))
  return inputs
}

/** What is kept with the project. */
function kept(plan: object | null) {
  keptPlanQuery.mockReturnValue({
    queryKey: ['kept plan', 'fen'],
    queryFn: () => Promise.resolve(plan),
  } as never)
  sayPlan.mockResolvedValue()
}

const planOnce = (inputs: ReturnType<typeof asked>, project: object, effort?: number) => {
  const client = new QueryClient()
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  )
  const before = inputs.length
  const sources = { project, clock: 0 } as never
  const { result } = renderHook(() => usePlan(sources, effort), { wrapper })
  return waitFor(() => {
    expect(inputs).toHaveLength(before + 1)
    expect(result.current.data?.ok).toBe(true)
    return inputs[before]
  })
}

beforeEach(() => {
  vi.clearAllMocks()
  kept(null)
})

it('keeps to the plan that is kept with the project: after a reload, and on every device', async () => {
  const inputs = asked()
  kept({ revision: 7, stretches: ['as kept'], asFound: 'as promised' })
  expect(await planOnce(inputs, { id: 'reed', revision: 7 })).toMatchObject({
    before: { stretches: ['as kept'], asFound: 'as promised' },
    effort: 400_000,
  })
  // What it was made for has changed: the next begins with it, is searched for in full, and that is kept.
  expect(await planOnce(inputs, { id: 'reed', revision: 8 })).toEqual({ before: { stretches: ['plan 1'] } })
  expect(sayPlan.mock.calls).toEqual([['reed', 8, { stretches: ['plan 2'], asFound: 'promised by 2' }]])
  kept({ revision: 3, stretches: ['of before'], asFound: 'as promised' })
  expect(await planOnce(inputs, { id: 'moss', revision: 4 })).toEqual({
    before: { stretches: ['of before'] },
  })
  // All was done when that was planned: it is nothing to keep to.
  kept({ revision: 9, stretches: [] })
  expect(await planOnce(inputs, { id: 'mire', revision: 9 })).not.toHaveProperty('before')
})

it('keeps nothing that was found in a hurry, or of a project that no server has', async () => {
  const inputs = asked()
  await planOnce(inputs, { id: 'sedge', revision: 1 }, 150_000)
  await planOnce(inputs, { id: 'sedge' })
  expect(sayPlan).not.toHaveBeenCalled()
})

it('keeps to the plan before with less effort while the project itself is the same', async () => {
  const inputs = asked()
  const client = new QueryClient()
  const wrapper = ({ children }: { readonly children: ReactNode }) => (
    <QueryClientProvider client={client}>{children}</QueryClientProvider>
  )
  const project = { id: 'fen' }
  const at = (clock: number, of: object = project) => ({ project: of, clock }) as unknown as FigureSources
  const first: { readonly sources: FigureSources; readonly effort?: number } = { sources: at(0) }
  const { rerender } = renderHook(({ sources, effort }) => usePlan(sources, effort), {
    wrapper,
    initialProps: first,
  })
  await waitFor(() => expect(inputs).toHaveLength(1))
  expect(inputs[0]).toEqual({})

  rerender({ sources: at(1) })
  await waitFor(() => expect(inputs).toHaveLength(2))
  expect(inputs[1]).toEqual({
    before: { stretches: ['plan 1'], asFound: 'promised by 1' },
    effort: 400_000,
  })

  rerender({ sources: at(2), effort: 150_000 })
  await waitFor(() => expect(inputs).toHaveLength(3))
  expect(inputs[2]).toMatchObject({ before: { stretches: ['plan 2'] }, effort: 150_000 })

  rerender({ sources: at(3, { id: 'fen', line: [] }) })
  await waitFor(() => expect(inputs).toHaveLength(4))
  expect(inputs[3]).toEqual({ before: { stretches: ['plan 3'] } })
})

it('follows a plan found in a hurry where that is asked for, and begins with it where one is to be thorough', async () => {
  const inputs = asked()
  const project = { id: 'rush', revision: 3 }
  const hurried = await planOnce(inputs, project, 150_000)
  expect(hurried).not.toHaveProperty('before')
  expect(await planOnce(inputs, project, 150_000)).toMatchObject({
    before: { stretches: ['plan 1'], asFound: 'promised by 1' },
  })
  const thorough = await planOnce(inputs, project)
  expect(thorough).toMatchObject({ before: { stretches: ['plan 2'] } })
  expect(thorough).not.toHaveProperty('effort')
  expect(thorough).not.toHaveProperty('before.asFound')
  expect(sayPlan).toHaveBeenCalledOnce()
})
