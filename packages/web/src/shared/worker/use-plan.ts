import type { LinePlan, ProjectToPlan, PlanProblem, Project, Result } from '@seriatim/core'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'

/** The last plan of each project: while nothing about the project itself changes, the next one keeps to it. */
const last = new Map<Project['id'], { readonly project: Project; readonly plan: LinePlan }>()

/** So much effort goes to a plan that keeps to the one before: what was found then is where it begins. */
export const quickEffort = 400_000

/** The plan of what is left, worked out beside the page; the last one stays in view until the next is there. */
export function usePlan(input: ProjectToPlan | null) {
  return useQuery({
    queryKey: ['plan', inputKey(input)],
    enabled: input !== null,
    queryFn: async ({ signal }): Promise<Result<LinePlan, PlanProblem>> => {
      if (!input) throw new Error('nothing to plan')
      const { project } = input
      const known = last.get(project.id)
      const { effort = quickEffort } = input
      const wish =
        known?.project === project
          ? { ...input, before: { stretches: known.plan.stretches }, effort: Math.min(effort, quickEffort) }
          : input
      const planned = await callPlanner(
        'plan',
        async (planner, turn, pack) => planner.planLine(pack(wish), turn),
        signal,
      )
      if (planned.ok) last.set(project.id, { project, plan: planned.value })
      return planned
    },
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
}
