import { isThrough, lastUsed, type Progress, slipText } from '../progress/index.ts'
import type { Shelf } from '../recipe/index.ts'
import {
  type Batch,
  type Job,
  type Mix,
  type Model,
  type Stage,
  stagesOf,
  takesStage,
} from '../trade/index.ts'
import { setUpCard, type SetUpCard } from './set-up-card.ts'

/** A stage that is left of a batch, as the next pair of hands has to do it. */
interface StageToHandOver {
  readonly stage: Stage
  /** The models of the batch that still need it, in working order. */
  readonly models: readonly Model[]
  /** In drops for these models, of what was really used on the batch where that was not what the recipe says. */
  readonly card: SetUpCard
  readonly used: { readonly mix: Mix; readonly note: string } | null
}

/** A part that waits to be mended. */
interface SlipToHandOver {
  readonly stage: Stage
  readonly model: Model
  readonly text: string
}

/** What goes along with a batch to the next painter, so that its scheme stays one. */
export interface BatchHandOver {
  readonly stagesDone: number
  readonly stages: number
  /** Other paints that are on the models already, by stage. */
  readonly usedBefore: readonly { readonly stage: Stage; readonly mix: Mix; readonly note: string }[]
  readonly left: readonly StageToHandOver[]
  readonly slips: readonly SlipToHandOver[]
}

/** @returns what is done, what is left and how, of one batch. */
export function batchHandOver(
  project: Pick<Job, 'units' | 'recipes' | 'line'>,
  progress: Progress,
  shelf: Shelf,
  batch: Batch,
): BatchHandOver {
  const unit = project.units.find((each) => each.id === batch.unitId)
  if (!unit) throw new RangeError('a batch without its unit')
  const stages = stagesOf(project, unit.id).filter((stage) =>
    batch.models.some((model) => takesStage(stage, unit.id, model)),
  )
  const modelIds = batch.models.map(({ id }) => id)
  const all = stages.map((stage) => ({
    stage,
    models: batch.models.filter(
      (model) => takesStage(stage, unit.id, model) && !isThrough(progress, model.id, stage),
    ),
    used: lastUsed(progress, stage.id, modelIds),
  }))
  const left = all
    .filter(({ models }) => models.length > 0)
    .map((each): StageToHandOver => {
      const { stage, models, used } = each
      const card = setUpCard(project, progress, shelf, { stage, unit, models, used: used?.mix ?? null })
      return { ...each, card }
    })
  return {
    stagesDone: stages.length - left.length,
    stages: stages.length,
    usedBefore: all.flatMap(({ stage, models, used }) =>
      used && models.length === 0 ? [{ stage, mix: used.mix, note: used.note }] : [],
    ),
    left,
    slips: stages.flatMap((stage) =>
      batch.models.flatMap((model): SlipToHandOver[] => {
        const mark = progress.marks.get(model.id)?.get(stage.id)
        return mark?.kind === 'touch-up' ? [{ stage, model, text: slipText(mark) }] : []
      }),
    ),
  }
}
