import { setUpCard, type SetUpCard } from '@seriatim/core/bench'
import { lastUsed, type Progress } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import { useMemo } from 'react'
import { useShelf } from '../../shared/api/index.ts'
import type { BenchTask } from './bench-task.ts'

/** What to get ready for the models that still need the stage, with what is really in the palette; `null` without the shelf. */
export function useSetUpCard(task: BenchTask, project: Project, progress: Progress): SetUpCard | null {
  const materials = useShelf().data
  return useMemo(() => {
    const { stage, batch, left } = task
    const unit = project.units.find((each) => each.id === batch.unitId)
    if (!unit || !materials) return null
    const models = batch.models.filter((model) => left.includes(model.id))
    const used = lastUsed(progress, stage.id, task.modelIds)?.mix ?? null
    return setUpCard(project, progress, materials, { stage, unit, models, used })
  }, [task, project, progress, materials])
}
