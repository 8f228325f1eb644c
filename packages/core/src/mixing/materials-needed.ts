import { surfacePresets } from '../presets/index.ts'
import type { Material, Recipe, Step } from '../trade/index.ts'
import { type FollowingUnit, modelsTaking, type OrderedRecipe } from '../ordering/index.ts'
import { factsOf, type Shelf, type StepFacts } from '../recipe/index.ts'
import type { MaterialId } from '../units/index.ts'
import { millilitresFor } from './mix-card.ts'

/** What a project takes of one material. */
export interface MaterialNeed {
  readonly material: Material
  readonly ml: number
  /** For what is counted: tufts, decals. */
  readonly pieces: number
  /** More than is in stock. */
  readonly shortMl: number
  readonly buyPots: number
}

/** Millilitres of a mix that a step takes, for so many models on foot or what has as much surface. */
export function stepMillilitres(facts: StepFacts, footModels: number): number {
  if (!facts.material) return 0
  return millilitresFor(facts.material, facts.area, footModels, facts.step.coats)
}

/**
 * Everything the recipes take, by name; what is short comes with the pots to buy.
 *
 * @param among the models of a unit among which a step finds those that take it; without it all.
 */
export function materialsNeeded(
  recipes: readonly OrderedRecipe[],
  shelf: Shelf,
  among: (recipe: Recipe, step: Step, unit: FollowingUnit) => FollowingUnit['models'] = (_, __, unit) =>
    unit.models,
): readonly MaterialNeed[] {
  const needs = new Map<MaterialId, { ml: number; pieces: number }>()
  for (const { recipe, units: followers } of recipes) {
    for (const facts of factsOf(recipe, shelf)) {
      const units = followers.map((unit) => ({
        ...unit,
        models: among(recipe, facts.step, unit),
      }))
      const models = modelsTaking([facts.step], units)
      const footModels = units.reduce(
        (sum, unit) => sum + modelsTaking([facts.step], [unit]) * surfacePresets[unit.size],
        0,
      )
      const all = facts.step.mix.reduce((sum, part) => sum + part.parts, 0) || 1
      for (const { materialId, parts } of facts.step.mix) {
        const need = needs.get(materialId) ?? { ml: 0, pieces: 0 }
        need.ml += (stepMillilitres(facts, footModels) * parts) / all
        if (shelf.get(materialId)?.coverage === 0) {
          const each = facts.regions.reduce((sum, region) => sum + Math.max(1, region.parts), 0)
          need.pieces += models * (facts.step.count ?? each)
        }
        needs.set(materialId, need)
      }
    }
  }
  return [...needs]
    .flatMap(([id, { ml, pieces }]): MaterialNeed[] => {
      const material = shelf.get(id)
      if (!material) return []
      const shortMl = Math.max(0, ml - material.stockMl)
      const buyPots = material.potMl > 0 && shortMl > 1e-9 ? Math.ceil(shortMl / material.potMl - 1e-9) : 0
      return [{ material, ml, pieces, shortMl, buyPots }]
    })
    .sort((a, b) => (a.material.name.toLowerCase() < b.material.name.toLowerCase() ? -1 : 1))
}
