import { plannedBatches, type LinePlan } from '@seriatim/core/plan'
import type { Batch } from '@seriatim/core/trade'
import { useMemo, useState } from 'react'
import type { ShownProject } from '../project/index.ts'
import { usePlanBefore } from './use-plan.ts'

/** Who goes together, as the plan has it; before it is there as the last one had it. The same as long as nobody changes place. */
export function usePlannedBatches(
  project: ShownProject,
  plan: Pick<LinePlan, 'batches'> | null,
): readonly Batch[] {
  const before = usePlanBefore(project)
  const [stable] = useState(createStable)
  const planned = plan ?? before
  return useMemo(() => stable(project, plannedBatches(project, planned)), [stable, project, planned])
}

/** Gives back what it gave before, where that says the same. */
function createStable() {
  let last: { readonly project: ShownProject; readonly batches: readonly Batch[] } | null = null
  const namesOf = (batches: readonly Batch[]) => batches.map(({ id }) => id).join(' ')
  return (project: ShownProject, batches: readonly Batch[]): readonly Batch[] => {
    if (last?.project !== project || namesOf(last.batches) !== namesOf(batches)) last = { project, batches }
    return last.batches
  }
}
