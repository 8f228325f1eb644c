import type { LocalDate } from '../units/index.ts'
import type { RecipeState } from './compare-recipes.ts'
import type { Recipe, RecipeVersion } from '../trade/index.ts'

const most = 50

/** The recipe with its present state kept as a version; beyond fifty, the oldest is let go. */
export function keepVersion(recipe: Recipe, keptOn: LocalDate, note: string): Recipe {
  const number = (recipe.versions.at(-1)?.number ?? 0) + 1
  const { regions, steps, preferences } = recipe
  const version: RecipeVersion = { number, keptOn, note, regions, steps, preferences }
  return { ...recipe, versions: [...recipe.versions, version].slice(-most) }
}

/** The recipe as it was in a version; its present state is kept first, unless a version has it already. */
export function backToVersion(recipe: Recipe, version: RecipeVersion, keptOn: LocalDate): Recipe {
  const isKept = recipe.versions.some((each) => isSameState(each, recipe))
  const safe = isKept
    ? recipe
    : keepVersion(recipe, keptOn, `Before going back to ${String(version.number)}.`)
  const { regions, steps, preferences } = version
  return { ...safe, regions, steps, preferences }
}

export function isSameState(a: RecipeState, b: RecipeState): boolean {
  const text = ({ regions, steps, preferences }: RecipeState) => JSON.stringify([regions, steps, preferences])
  return text(a) === text(b)
}
