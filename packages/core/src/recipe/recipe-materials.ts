import { type Material, type Recipe, type Standard, standardReaches, type Step } from '../trade/index.ts'
import type { MaterialId } from '../units/index.ts'
import type { Shelf } from './step-facts.ts'

type Path = readonly (string | number)[]

/** Every material that a recipe names, with the path to it: in mixes, as substitutes, in kept versions. */
export function namedMaterials(
  recipe: Pick<Recipe, 'steps' | 'versions'>,
): readonly { readonly id: MaterialId; readonly path: Path }[] {
  const inSteps = (steps: readonly Step[], path: Path) =>
    steps.flatMap((step, s) => [
      ...step.mix.map((part, m) => ({
        id: part.materialId,
        path: [...path, 'steps', s, 'mix', m, 'materialId'],
      })),
      ...step.substitutes.map((id, m) => ({ id, path: [...path, 'steps', s, 'substitutes', m] })),
    ])
  return [
    ...inSteps(recipe.steps, []),
    ...recipe.versions.flatMap((version, v) => inSteps(version.steps, ['versions', v])),
  ]
}

export function materialsOf(recipe: Pick<Recipe, 'steps' | 'versions'>): ReadonlySet<MaterialId> {
  return new Set(namedMaterials(recipe).map(({ id }) => id))
}

/** The steps that models of these standards get; all of them where nobody follows the recipe. */
export function stepsFor({ steps }: Pick<Recipe, 'steps'>, followed: readonly Standard[]): readonly Step[] {
  if (followed.length === 0) return steps
  return steps.filter((step) => followed.some((standard) => standardReaches(step.standard, standard)))
}

/** The pots that these steps take: one a material, water among them where a recipe names it. */
export function potsFor(
  recipe: Pick<Recipe, 'steps'>,
  followed: readonly Standard[],
): ReadonlySet<MaterialId> {
  return new Set(stepsFor(recipe, followed).flatMap((step) => step.mix.map((part) => part.materialId)))
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
