import { planBefore, type StoredPlan } from '@seriatim/contract'
import type { LinePlan, PlanProblem, PlanWish } from '@seriatim/core/plan'
import type { Project } from '@seriatim/core/trade'
import type { Result } from '@seriatim/core/units'
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query'
import { keptPlanQuery, sayPlan } from '../api/index.ts'
import { useWaiting } from '../outbox/index.ts'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'
import type { ShownSources } from '../figures.ts'

type KeptTo = NonNullable<PlanWish['before']>

interface Known {
  readonly plan: KeptTo
  /** Searched for as long as it takes, it or the one that it keeps to. */
  readonly isThorough: boolean
  /** Of the project as it is; else something about it has changed since, and it is where the next one begins. */
  readonly isOfNow: boolean
}

/** The last plan of each project: the next one begins with it. */
const last = new Map<Project['id'], Omit<Known, 'isOfNow'> & { readonly project: Project }>()

/** So much effort goes to a plan that keeps to the one before: what was found then is where it begins. */
export const quickEffort = 400_000

/**
 * The plan of what is left, worked out beside the page; the last one stays in view until the next is there. It keeps to the
 * one before, and after a reload or on another device to the one that is kept with the project.
 */
export function usePlan(sources: ShownSources | undefined, effort?: number) {
  const client = useQueryClient()
  const isDelivered = useWaiting(sources?.project.id ?? null).length === 0
  const revision = isDelivered ? sources?.project.revision : undefined
  return useQuery({
    queryKey: ['plan', inputKey(sources), effort],
    enabled: sources !== undefined,
    queryFn: async ({ signal }): Promise<Result<LinePlan, PlanProblem>> => {
      if (!sources) throw new Error('nothing to plan')
      const { project } = sources
      const before = lastPlan(project) ?? (await keptPlan())
      const wish: PlanWish = before ? keepingTo(before, effort) : effort === undefined ? {} : { effort }
      const planned = await callPlanner(
        'plan',
        async (planner, turn, pack) => planner.planLine(pack(sources), wish, turn),
        signal,
      )
      if (!planned.ok) return planned
      const isSearched = wish.effort === undefined
      last.set(project.id, {
        project,
        plan: planned.value,
        isThorough: isSearched || (before?.isThorough === true && before.isOfNow),
      })
      // What was found in a hurry is nothing to keep to.
      if (isSearched && revision !== undefined) keep(project.id, revision, planned.value)
      return planned
    },
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })

  async function keptPlan(): Promise<Known | null> {
    if (revision === undefined || !sources) return null
    const kept = await client.query(keptPlanQuery(sources.project.id)).catch(() => null)
    return knownOf(kept, revision)
  }

  function keep(id: Project['id'], of: number, plan: LinePlan) {
    void sayPlan(id, of, plan).then(
      () => client.invalidateQueries({ queryKey: keptPlanQuery(id).queryKey }),
      () => undefined,
    )
  }
}

/** What the next plan of an unchanged project keeps to; `null`: nothing, `undefined`: that is not known yet. */
export function usePlanBefore(project: ShownSources['project'] | undefined): KeptTo | null | undefined {
  const isDelivered = useWaiting(project?.id ?? null).length === 0
  const { data: kept, isPending } = useQuery({
    ...keptPlanQuery(project?.id ?? ('' as Project['id'])),
    enabled: project !== undefined && isDelivered,
  })
  if (!project) return undefined
  const known = lastPlan(project)
  if (known?.isOfNow) return known.plan
  if (!isDelivered) return null
  if (isPending) return undefined
  return kept && kept.revision === project.revision && kept.stretches.length > 0 ? kept : null
}

function lastPlan(project: Project): Known | null {
  const known = last.get(project.id)
  return known ? { ...known, isOfNow: known.project === project } : null
}

function knownOf(kept: StoredPlan | null | undefined, revision: number | undefined): Known | null {
  const plan = revision === undefined ? undefined : planBefore(kept, revision)
  return plan ? { plan, isThorough: true, isOfNow: kept?.revision === revision } : null
}

/** A plan found in a hurry is followed only where a hurried one is asked for; else a thorough one begins with it. */
function keepingTo({ plan, isThorough, isOfNow }: Known, effort: number | undefined): PlanWish {
  const { batches, stretches, asFound } = plan
  const order = { batches, stretches, wished: asFound?.wished }
  if (!isOfNow) return { before: order, ...(effort === undefined ? {} : { effort }) }
  if (!isThorough && effort === undefined) return { before: order }
  return {
    before: { ...order, ...(asFound ? { asFound } : {}) },
    effort: Math.min(effort ?? quickEffort, quickEffort),
  }
}
