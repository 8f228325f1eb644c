import {
  type Job,
  type Recipe,
  regionsOfStep,
  type Stage,
  type Standard,
  standardReaches,
  type Step,
  tableReadyStandard,
  techniqueFacts,
} from '../trade/index.ts'
import { setUpPresets } from '../presets/index.ts'
import { minutes, seconds, type StageId, type StepId } from '../units/index.ts'

/**
 * The project as if every unit were painted to this standard: stages that a unit's recipe keeps for a higher one
 * pass it by, steps that are not on the line yet get a stage each at its end, and of stages written by hand those
 * behind the stop line are for more than tabletop.
 */
export function projectForStandard<P extends Pick<Job, 'units' | 'recipes' | 'line'>>(
  project: P,
  standard: Standard,
): P {
  const { units, recipes, line } = project
  const steps = new Map<StepId, Step>(
    recipes.flatMap((recipe) => recipe.steps.map((step) => [step.id, step] as const)),
  )
  const recipeOf = new Map(
    units.map((unit) => [unit.id, recipes.find((recipe) => recipe.unitIds.includes(unit.id))]),
  )
  const stopLine = line.findIndex((stage) => stage.tableReady)
  const adapted = line.map((stage, index): Stage => {
    const beyond = stopLine >= 0 && index > stopLine
    const passes = units.filter((unit) => {
      const recipe = recipeOf.get(unit.id)
      const own = stage.steps
        .filter((step) => step.recipeId === recipe?.id)
        .flatMap((step) => steps.get(step.stepId) ?? [])
      if (own.length > 0) return !own.some((step) => standardReaches(step.standard, standard))
      if (stage.notNeededBy.includes(unit.id)) return true
      return beyond && standardReaches(standard, tableReadyStandard)
    })
    return { ...stage, notNeededBy: passes.map((unit) => unit.id) }
  })
  const onLine = new Set(line.flatMap((stage) => stage.steps.map((step) => step.stepId)))
  const added = recipes.flatMap((recipe) =>
    recipe.steps
      .filter((step) => !onLine.has(step.id) && standardReaches(step.standard, standard))
      .map((step) => bareStageOf(recipe, step, project)),
  )
  return {
    ...project,
    units: units.map((unit) => ({ ...unit, standard })),
    line: [...adapted, ...added],
  }
}

/** A stage for one step as far as its time goes: no colour, no wait, nothing that dries. */
export function bareStageOf(recipe: Recipe, step: Step, { units }: Pick<Job, 'units'>): Stage {
  const { tool } = techniqueFacts[step.technique]
  const none = seconds(0)
  return {
    id: `step ${step.id}` as StageId,
    name: `${step.technique}, ${regionsOfStep(recipe, step).join(', ')}`,
    material: '',
    touch: { kind: 'whole' },
    handsOnSecondsPerModel: none,
    setUpSeconds: step.mix.length === 0 ? none : minutes(setUpPresets[tool].open),
    dryingMinSeconds: none,
    nextWithinSeconds: null,
    dryingMaxSeconds: none,
    notNeededBy: units.filter((unit) => !recipe.unitIds.includes(unit.id)).map((unit) => unit.id),
    limits: [],
    tableReady: false,
    cautions: [],
    note: '',
    technique: null,
    typed: [],
    steps: [{ recipeId: recipe.id, stepId: step.id }],
  }
}
