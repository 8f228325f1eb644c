import { starterShelf } from '../presets/starter-shelf.ts'
import { bodyPlans } from '../recipe/body-plans.ts'
import { plainStep, type Preferences, type Recipe, type Step } from '../trade/recipe.ts'
import type { Technique } from '../trade/technique.ts'
import type { MaterialId, RecipeId, StepId } from '../units/ids.ts'

export const testShelf = new Map(starterShelf.map((material) => [material.id, material]))

export function materialNamed(name: string): MaterialId {
  const found = starterShelf.find((material) => material.name === name)
  if (!found) throw new RangeError(`no material named ${name}`)
  return found.id
}

/** `['coat', 'moss translucent', 'base coat']`; regions with `+`, `all` for the whole model, no material as `-`. */
export type StepRow = readonly [on: string, material: string, technique: Technique, some?: Partial<Step>]

export function stepsOf(rows: readonly StepRow[]): readonly Step[] {
  return rows.map(([on, material, technique, some], index) => ({
    id: `step ${String(index)}` as StepId,
    on: on === 'all' ? ('whole' as const) : on.split('+'),
    mix: material === '-' ? [] : [{ materialId: materialNamed(material), parts: 1 }],
    technique,
    ...plainStep,
    ...some,
  }))
}

/** A recipe on the regions of a usual foot model: skin, hair, coat, trousers, leather, wood, metal, base. */
export function footRecipe(rows: readonly StepRow[], some: Partial<Recipe> = {}): Recipe {
  const plan = bodyPlans.find((each) => each.id === 'foot')
  if (!plan) throw new RangeError('no foot plan')
  const preferences: Preferences = {
    mainColour: 'either',
    base: 'meanwhile',
    lightBeforeDark: true,
    careful: false,
  }
  return {
    id: 'recipe' as RecipeId,
    name: 'Reed-pikes',
    unitIds: [],
    school: 'translucent-over-bright',
    bodyPlan: plan.id,
    regions: plan.regions,
    subAssemblies: plan.subAssemblies,
    steps: stepsOf(rows),
    preferences,
    silenced: [],
    versions: [],
    ...some,
  }
}
