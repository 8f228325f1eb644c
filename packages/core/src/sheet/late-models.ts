import { dateOf, type Project } from '../trade/index.ts'
import { paintedBy } from '../calendar/index.ts'
import type { LinePlan } from '../plan/index.ts'
import type { ModelId } from '../units/index.ts'

/** Models whose last planned coat is not dry by the date, cure and packing before it; none where there is no date. */
export function lateModels(
  project: Pick<Project, 'dueOn' | 'evenings' | 'planning'>,
  plan: Pick<LinePlan, 'stretches'> | null,
): ReadonlySet<ModelId> {
  const due = paintedBy(dateOf(project), project)
  if (due === null || !plan) return new Set()
  return new Set(plan.stretches.flatMap(({ dryAt, modelIds }) => (dryAt > due ? modelIds : [])))
}
