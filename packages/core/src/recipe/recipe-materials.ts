import type { Material } from '../materials/material.ts'
import type { MaterialId } from '../units/ids.ts'
import type { Recipe, Step } from './recipe.ts'
import type { Shelf } from './step-facts.ts'

/** Every material that a recipe names: in mixes, as substitutes, in kept versions. */
export function materialsOf(recipe: Pick<Recipe, 'steps' | 'versions'>): ReadonlySet<MaterialId> {
  const steps = [...recipe.steps, ...recipe.versions.flatMap((version) => version.steps)]
  return new Set(steps.flatMap((step) => [...step.mix.map((part) => part.materialId), ...step.substitutes]))
}

/** The recipe with other materials in the place of those it names. */
export function withMaterials(recipe: Recipe, other: (id: MaterialId) => MaterialId): Recipe {
  const replaced = (step: Step): Step => ({
    ...step,
    mix: step.mix.map((part) => ({ ...part, materialId: other(part.materialId) })),
    substitutes: step.substitutes.map(other),
  })
  return {
    ...recipe,
    steps: recipe.steps.map(replaced),
    versions: recipe.versions.map((version) => ({ ...version, steps: version.steps.map(replaced) })),
  }
}

/** A recipe as it fits a shelf, and what has to be put there first. */
export interface FittedRecipe {
  readonly recipe: Recipe
  readonly missing: readonly Material[]
}

/** A recipe made of the materials of `source`: those the shelf knows by name are taken from it. */
export function fitToShelf(recipe: Recipe, source: readonly Material[], shelf: Shelf): FittedRecipe {
  const known = new Map(source.map((material) => [material.id, material]))
  const idByName = new Map([...shelf.values()].map((material) => [material.name.toLowerCase(), material.id]))
  const here = (id: MaterialId): MaterialId =>
    shelf.has(id) ? id : (idByName.get(known.get(id)?.name.toLowerCase() ?? '') ?? id)
  const fitted = withMaterials(recipe, here)
  const missing = [...materialsOf(fitted)].flatMap((id) => (shelf.has(id) ? [] : (known.get(id) ?? [])))
  return { recipe: fitted, missing }
}
