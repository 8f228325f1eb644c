import { planToKeep, routes } from '@seriatim/contract'
import type { LinePlan } from '@seriatim/core/plan'
import type { ProjectId } from '@seriatim/core/units'
import { queryOptions } from '@tanstack/react-query'
import { z } from 'zod'
import { call } from './call.ts'

/** The plan that every device keeps to; `null` where nobody has planned yet. */
export const keptPlanQuery = (id: ProjectId) =>
  queryOptions({
    queryKey: ['kept plan', id],
    queryFn: ({ signal }) => call(routes.readPlan, { params: { id } }, signal).then(({ plan }) => plan),
    staleTime: 30_000,
    // Where the server is away a plan is made without it, not waited for.
    retry: false,
  })

/** Keeps a plan for whoever looks next. @param revision of the project it was made for. */
export async function sayPlan(
  id: ProjectId,
  revision: number,
  plan: Pick<LinePlan, 'batches' | 'stretches' | 'asFound'>,
): Promise<void> {
  const body = z.encode(routes.keepPlan.body, planToKeep(revision, plan))
  await call(routes.keepPlan, { params: { id }, body })
}
