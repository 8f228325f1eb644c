import { predictColours, meetOnAModel, type Shelf, type StepFacts } from '../recipe/index.ts'
import { sheenOf, type Recipe } from '../trade/index.ts'
import type { Hex } from '../colour/index.ts'

/** What is seen of a region in the end. */
export interface SeenRegion {
  readonly colour: Hex
  readonly sheen: 'matt' | 'satin' | 'gloss' | 'metal'
  /** The last step that gives it its main colour; `null` where only the primer does. */
  readonly by: StepFacts | null
}

/** Each region as it looks when all is done, for models that take `steps`; regions without any coat are left out. */
export function seenRegions(
  recipe: Recipe,
  facts: readonly StepFacts[],
  shelf: Shelf,
): ReadonlyMap<string, SeenRegion> {
  const predicted = predictColours(recipe, facts, shelf)
  const seen = new Map<string, SeenRegion>()
  for (const region of recipe.regions) {
    const own = facts.filter((each) => each.regions.includes(region) && each.material !== null)
    // Of a colour that only some take, what all take is looked at.
    const all = own.filter((each) => each.takers === null || own.every((other) => meetOnAModel(each, other)))
    const colour = all.flatMap((each) => predicted.get(each.step.id)?.get(region.name) ?? []).at(-1)
    if (!colour) continue
    const by =
      all.findLast((each) => each.colours && !each.whole) ?? all.findLast((each) => each.colours) ?? null
    const surface = all.findLast((each) => each.material !== null && (each.colours || each.varnish))?.material
    const metal = by?.material?.kind === 'metallic'
    seen.set(region.name, { colour, sheen: metal ? 'metal' : surface ? sheenOf(surface) : 'matt', by })
  }
  return seen
}
