import type { BodyPlan } from './body-plans.ts'
import type { Recipe, Region, Step } from '../trade/index.ts'
import type { RecipeId, StepId } from '../units/index.ts'

export interface AdaptedRecipe {
  readonly recipe: Recipe
  /** Sentences on what could not be carried over. */
  readonly lost: readonly string[]
}

/**
 * A recipe on another kind of model: each region takes the layers of the one with its name, else those of the first
 * with its finish. Notes and mixes go along; versions and units stay behind. `newId` gives UUIDs.
 */
export function adaptRecipe(
  recipe: Recipe,
  { id: bodyPlan, regions, subAssemblies }: Pick<BodyPlan, 'id' | 'regions' | 'subAssemblies'>,
  name: string,
  newId: () => string,
): AdaptedRecipe {
  const source = new Map(regions.map((region) => [region.name, sourceOf(region, recipe.regions)?.name]))
  const takersOf = (old: string) =>
    regions.flatMap((region) => (source.get(region.name) === old ? [region.name] : []))
  const lost: string[] = []
  const steps = recipe.steps.flatMap((step): Step[] => {
    const id = newId() as StepId
    const except = step.except.flatMap(takersOf)
    if (step.on === 'whole') {
      return except.length === regions.length ? [] : [{ ...step, id, except }]
    }
    const on = [...new Set(step.on.flatMap(takersOf))]
    return on.length === 0 ? [] : [{ ...step, id, on }]
  })
  for (const region of recipe.regions) {
    if (
      takersOf(region.name).length === 0 &&
      recipe.steps.some((step) => step.on !== 'whole' && step.on.includes(region.name))
    )
      lost.push(`No ${region.name} on this model: what goes there is left out.`)
  }
  const bare = regions.filter((region) => source.get(region.name) === undefined)
  for (const region of bare) lost.push(`No layer for the ${region.name}: the recipe knows nothing like it.`)
  return {
    recipe: {
      ...recipe,
      id: newId() as RecipeId,
      name,
      unitIds: [],
      bodyPlan,
      subAssemblies,
      regions: regions.map((region) => ({
        ...region,
        bare: recipe.regions.find((old) => old.name === source.get(region.name))?.bare ?? false,
      })),
      steps,
      versions: [],
    },
    lost,
  }
}

function sourceOf(region: Region, old: readonly Region[]): Region | undefined {
  return old.find((each) => each.name === region.name) ?? old.find((each) => each.finish === region.finish)
}
