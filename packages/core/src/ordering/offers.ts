import { colourDifference } from '../colour/colour.ts'
import type { Recipe } from '../recipe/recipe.ts'
import { factsOf, stepText, type StepFacts } from '../recipe/step-facts.ts'
import type { MaterialId, RecipeId, StepId } from '../units/ids.ts'
import { orderLine, type LineOrder, type OrderingInput } from './order-line.ts'

/** A small region recoloured with a pot that is open anyway. Never applied unasked. */
export interface SamenessOffer {
  readonly recipeId: RecipeId
  readonly stepId: StepId
  readonly materialId: MaterialId
  readonly reason: string
  /** Less opening and changing on the whole line, by ordering it again. */
  readonly secondsSaved: number
}

/** Larger regions are what people look at; leave their colour alone. */
const smallArea = 0.1
/** CIEDE2000 beyond which the eye calls it another colour family; from memory. */
const alike = 22
const mostTried = 12

/** Where one pot could serve for two, dearest saving first; each is computed by ordering the line again. */
export function offersOfSameness(input: OrderingInput, order: LineOrder): readonly SamenessOffer[] {
  const facts = input.recipes.flatMap(({ recipe }) =>
    factsOf(recipe, input.shelf).map((each) => ({ recipe, each })),
  )
  const users = new Map<MaterialId, number>()
  for (const { each } of facts) {
    for (const { materialId } of each.step.mix) users.set(materialId, (users.get(materialId) ?? 0) + 1)
  }
  const tries = facts
    .filter(({ each }) => isSmallColour(each) && users.get(each.material?.id ?? ('' as MaterialId)) === 1)
    .flatMap(({ recipe, each }) => {
      const other = closest(each, facts)
      return other ? [{ recipe, each, other }] : []
    })
  return tries
    .slice(0, mostTried)
    .flatMap(({ recipe, each, other }) => {
      const changed = recoloured(recipe, each.step.id, other.id)
      const recipes = input.recipes.map((source) =>
        source.recipe.id === recipe.id ? { ...source, recipe: changed } : source,
      )
      const again = orderLine({ ...input, recipes })
      const secondsSaved = Math.round(order.setUpSeconds - again.setUpSeconds)
      if (secondsSaved <= 0 || again.cost >= order.cost) return []
      return [
        {
          recipeId: recipe.id,
          stepId: each.step.id,
          materialId: other.id,
          reason: `The ${stepText(each)} could be the ${other.name}, which is open anyway.`,
          secondsSaved,
        },
      ]
    })
    .sort((a, b) => b.secondsSaved - a.secondsSaved || (a.stepId < b.stepId ? -1 : 1))
}

function isSmallColour(facts: StepFacts): boolean {
  return facts.colours && !facts.whole && facts.area <= smallArea && facts.step.mix.length === 1
}

/** The material of the same kind, used elsewhere on the line with the same tool, that looks most like it. */
function closest(facts: StepFacts, all: readonly { readonly each: StepFacts }[]) {
  const mine = facts.material
  if (!mine) return null
  const others = all
    .flatMap(({ each }) =>
      each.material && each.tool === facts.tool && each.step.mix.length === 1 ? [each.material] : [],
    )
    .filter((other) => other.kind === mine.kind && other.id !== mine.id)
    .map((other) => ({ other, difference: colourDifference(other.colour, mine.colour) }))
    .filter(({ difference }) => difference <= alike)
    .sort((a, b) => a.difference - b.difference || (a.other.id < b.other.id ? -1 : 1))
  return others[0]?.other ?? null
}

function recoloured(recipe: Recipe, stepId: StepId, materialId: MaterialId): Recipe {
  const steps = recipe.steps.map((step) =>
    step.id === stepId ? { ...step, mix: [{ materialId, parts: 1 }] } : step,
  )
  return { ...recipe, steps }
}
