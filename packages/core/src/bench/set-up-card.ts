import { surfacePresets } from '../presets/index.ts'
import {
  formOf,
  type Job,
  type Mix,
  type Model,
  potOf,
  regionsMeet,
  type Stage,
  takesStage,
  takesStep,
  touchedRegions,
  type Unit,
} from '../trade/index.ts'
import { mixCard, type MixCard, stepMillilitres } from '../mixing/index.ts'
import { isThrough, type Judgement, type Progress, slipText } from '../progress/index.ts'
import { factsOf, type Shelf, type StepFacts } from '../recipe/index.ts'
import { beforeOpening, deskTool, type DeskTool } from './desk-tool.ts'
import { whereItHides, type HidingPlace } from './where-it-hides.ts'

/** What is got ready before the first model of a batch, and what is looked at before the pot is closed. */
export interface SetUpCard {
  readonly tool: DeskTool | null
  /** What to do to the pot first. */
  readonly before: string | null
  /** Drops for all models that still need it; `null` where nothing is measured. */
  readonly mix: MixCard | null
  /** What was last said of the stage on a model of the unit, as on its pilot; `null` where nothing was. */
  readonly said: Judgement | null
  readonly hides: readonly HidingPlace[]
  /** What was noted of slips here before, the newest first, each once. */
  readonly missedBefore: readonly string[]
  /** Models of any unit that still need something from this pot, these among them. */
  readonly modelsLeft: number
}

/**
 * @param models those of the batch that still need the stage. @param used what is really in the palette; `null`: what the
 * recipe says.
 */
export function setUpCard(
  project: Pick<Job, 'units' | 'recipes' | 'line'>,
  progress: Progress,
  shelf: Shelf,
  {
    stage,
    unit,
    models,
    used,
  }: {
    readonly stage: Stage
    readonly unit: Unit
    readonly models: readonly Model[]
    readonly used: Mix | null
  },
): SetUpCard {
  const recipe = project.recipes.find((each) => each.unitIds.includes(unit.id))
  const steps = new Set(stage.steps.flatMap((step) => (step.recipeId === recipe?.id ? [step.stepId] : [])))
  const facts = recipe ? factsOf(recipe, shelf).filter((each) => steps.has(each.step.id)) : []
  const [longest] = facts.toSorted((a, b) => b.handsOnSecondsPerModel - a.handsOnSecondsPerModel)
  const regions = facts.filter((each) => !each.whole).flatMap((each) => each.regions)
  return {
    tool: longest ? deskTool(longest) : null,
    before: longest ? beforeOpening(longest) : null,
    mix: mixOf(facts, models, unit, used, shelf),
    said:
      progress.judgements.findLast(
        (each) => each.stageId === stage.id && unit.models.some((model) => each.modelIds.includes(model.id)),
      ) ?? null,
    hides: whereItHides(regions, recipe?.regions ?? []),
    missedBefore: missedBefore(project, progress, stage),
    modelsLeft: modelsLeft(project, progress, stage),
  }
}

/** A can is not counted in drops, nor grit by the drop. */
function isDropped(mix: Mix, shelf: Shelf): boolean {
  return mix.some(({ materialId }) => {
    const material = shelf.get(materialId)
    return material !== undefined && ['pot', 'airbrush'].includes(formOf(material))
  })
}

/** One amount for everybody, so that the tone stays the same. */
function mixOf(
  facts: readonly StepFacts[],
  models: readonly Model[],
  unit: Unit,
  used: Mix | null,
  shelf: Shelf,
): MixCard | null {
  const [first] = facts
  if (!first) return null
  const ml = facts.reduce((sum, each) => {
    const takers = models.filter((model) => takesStep(each.step, model)).length
    return sum + stepMillilitres(each, takers * surfacePresets[unit.size])
  }, 0)
  const mix = used ?? first.step.mix
  return ml === 0 || !isDropped(mix, shelf) ? null : mixCard(mix, ml, shelf)
}

/** Slips on the same regions with the same pot, whosever model it was. */
function missedBefore({ line }: Pick<Job, 'line'>, { slips }: Progress, stage: Stage): readonly string[] {
  const here = touchedRegions(stage.touch)
  const alike = new Set(
    line
      .filter((each) => potOf(each) === potOf(stage) && regionsMeet(touchedRegions(each.touch), here))
      .map((each) => each.id),
  )
  const notes = slips
    .toReversed()
    .filter((slip) => alike.has(slip.stageId))
    .map(slipText)
    .filter((said) => said !== '')
  return [...new Set(notes)].slice(0, 5)
}

function modelsLeft({ units, line }: Pick<Job, 'units' | 'line'>, progress: Progress, stage: Stage): number {
  const pot = potOf(stage)
  const stages = line.filter((each) => potOf(each) === pot)
  return units
    .flatMap((unit) => unit.models.map((model) => [unit.id, model] as const))
    .filter(([unitId, model]) =>
      stages.some((each) => takesStage(each, unitId, model) && !isThrough(progress, model.id, each)),
    ).length
}
