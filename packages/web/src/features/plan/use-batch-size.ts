import type { Progress } from '@seriatim/core/progress'
import { keepBatches, type BatchSplit } from '@seriatim/core/trade'
import { useSettings, type ShownProject } from '../../shared/project/index.ts'

/** Sets another batch size; what is begun stays together as it stands on the desk. `said` is the toast. */
export function useBatchSize(project: ShownProject, progress: Progress | undefined) {
  const setSettings = useSettings()
  return (split: BatchSplit, said: string) => {
    const isBegun = (id: (typeof project.units)[number]['models'][number]['id']) =>
      (progress?.marks.get(id)?.size ?? 0) > 0
    const batches = keepBatches(project, (batch) => batch.models.some((model) => isBegun(model.id)))
    setSettings({ ...split, planning: { ...project.planning, batches } }, said)
  }
}
