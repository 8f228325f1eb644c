import { setUpCard, type Progress, type Project, type SetUpCard } from '@seriatim/core'
import { useMemo } from 'react'
import { useMaterials } from '../../shared/working-project.ts'
import type { BenchTask } from './bench-task.ts'

/** What to get ready for the models that still need the stage, with what is really in the palette. */
export function useSetUpCard(
  { stage, batch, left }: BenchTask,
  project: Project,
  progress: Progress,
): SetUpCard | null {
  const materials = useMaterials()
  return useMemo(() => {
    const unit = project.units.find((each) => each.id === batch.unitId)
    if (!unit) return null
    const used = progress.used.findLast(
      ({ stageId, modelIds }) =>
        stageId === stage.id && modelIds.some((id) => batch.models.some((model) => model.id === id)),
    )
    const models = batch.models.filter((model) => left.includes(model.id))
    return setUpCard(project, progress, materials, { stage, unit, models, used: used?.mix ?? null })
  }, [project, progress, materials, stage, batch, left])
}
