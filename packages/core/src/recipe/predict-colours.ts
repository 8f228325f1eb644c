import { extentPresets } from '../presets/index.ts'
import { isVarnish, type Mix, type Recipe, regionsOfStep, type Step } from '../trade/index.ts'
import { meetOnAModel, type Shelf, type StepFacts } from './step-facts.ts'
import type { StepId } from '../units/index.ts'
import { coatOver, type Hex, mixedColour } from '../colour/index.ts'

/** Bare plastic or resin. */
const bare: Hex = '#8f9894'

/** What share of a region a technique leaves its colour on. */
const reach: Partial<Record<string, number>> = {
  'spray from above': 0.7,
  wash: 0.4,
  'pin wash': 0.15,
  'dry brush': 0.3,
  edge: 0.15,
  layer: 0.6,
  detail: 0.3,
  chip: 0.1,
  stipple: 0.5,
  glaze: 0.7,
}

/** What a mix looks like by itself; medium and thinner thin it and do not tint. `null` without paint. */
export function colourOfMix(mix: Mix, shelf: Shelf): Hex | null {
  return mixedColour(
    mix.flatMap(({ materialId, parts }) => {
      const part = shelf.get(materialId)
      return part && part.kind !== 'medium' && part.kind !== 'thinner' ? [{ colour: part.colour, parts }] : []
    }),
  )
}

/** What share of its regions a step leaves its colour on. */
export function reachOfTechnique({ technique, extent }: Pick<Step, 'technique' | 'extent'>): number {
  return (reach[technique] ?? 1) * extentPresets[extent]
}

/** Settles where it likes: what shows is the region as a whole, not the stroke. */
const pooled: ReadonlySet<string> = new Set(['wash', 'pin wash', 'spray from above'])

/** How each step looks on each region it lands on, on what lies under it: a guide, not a match. */
export function predictColours(
  recipe: Recipe,
  facts: readonly StepFacts[],
  shelf: Shelf,
): ReadonlyMap<StepId, ReadonlyMap<string, Hex>> {
  const seen = new Map<string, { readonly by: StepFacts; readonly colour: Hex }[]>()
  return new Map(
    facts.map((each) => {
      const { step, material } = each
      const colour = colourOfMix(step.mix, shelf)
      const colours = new Map<string, Hex>()
      for (const region of regionsOfStep(recipe, step)) {
        const below = seen.get(region) ?? []
        const under = below.findLast(({ by }) => meetOnAModel(by, each))?.colour ?? bare
        const clear =
          colour === null || material === null || isVarnish(material.kind) || material.kind === 'glue'
        const opacity = 1 - (1 - (material?.opacity ?? 0)) ** step.coats
        const coat = clear ? under : coatOver(colour, opacity, under)
        const share = reachOfTechnique(step)
        const mixed =
          share === 1 || clear
            ? coat
            : (mixedColour([
                { colour: coat, parts: share },
                { colour: under, parts: 1 - share },
              ]) ?? coat)
        seen.set(region, [...below, { by: each, colour: mixed }])
        colours.set(region, pooled.has(step.technique) ? mixed : coat)
      }
      return [step.id, colours]
    }),
  )
}
