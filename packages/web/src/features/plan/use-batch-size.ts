import type { Progress } from '@seriatim/core/progress'
import type { BatchWish, LinePlan } from '@seriatim/core/plan'
import { keepBatches } from '@seriatim/core/trade'
import { useSettings, type ShownProject } from '../../shared/project/index.ts'

/** Sets how many may go together and at once; what is begun stays together as it stands on the desk. `said` is the toast. */
export function useBatchSize(
  project: ShownProject,
  plan: Pick<LinePlan, 'batches'> | null,
  progress: Progress | undefined,
) {
  const setSettings = useSettings()
  return (wish: Partial<BatchWish>, said: string) => {
    const isBegun = (id: (typeof project.units)[number]['models'][number]['id']) =>
      (progress?.marks.get(id)?.size ?? 0) > 0
    const batches = keepBatches(project.planning.batches, plan?.batches ?? [], (batch) =>
      batch.models.some((model) => isBegun(model.id)),
    )
    setSettings({ ...wish, planning: { ...project.planning, batches } }, said)
  }
}
