import { colourDifference, lightness } from '../colour/index.ts'
import { factsOf, type Shelf, type StepFacts } from '../recipe/index.ts'
import type { Material, Recipe, Region, Step } from '../trade/index.ts'
import { type SeenRegion, seenRegions } from './seen-colours.ts'

/** Two neighbours that are hard to tell apart from a metre. */
export interface Merging {
  readonly regions: readonly [string, string]
  /** CIEDE2000. */
  readonly difference: number
  /** Lightness, hue and sheen as they are, in words. */
  readonly why: string
  /** Another paint from the shelf for the smaller of them; `null` where none there is better. */
  readonly swap: Swap | null
}

interface Swap {
  readonly stepId: Step['id']
  readonly from: Material
  readonly to: Material
  readonly recipe: Recipe
}

/** Below this CIEDE2000 neighbours merge from a metre, and below this difference of CIE L* where hues are near: from memory. */
const merges = { difference: 12, lightness: 12 }
/** What tells them apart for sure. */
const reads = 18
/** Smaller than this, share of the model, is no area but a detail. */
const least = 0.02

/**
 * Which neighbouring regions merge, by the colours they come to in the end: the largest first. What lies under one paint
 * on purpose is left alone. A guide: predicted colours, and thresholds from memory.
 */
export function whatReads(recipe: Recipe, shelf: Shelf): readonly Merging[] {
  const facts = factsOf(recipe, shelf)
  const seen = seenRegions(recipe, facts, shelf)
  return pairsOf(recipe.regions).flatMap(([a, b]): Merging[] => {
    const [first, second] = [seen.get(a.name), seen.get(b.name)]
    if (!first || !second || isMeantAlike(first, second)) return []
    // What is still primer is asked about as unpainted.
    if (first.by === null || second.by === null) return []
    const difference = colourDifference(first.colour, second.colour)
    const lighter = Math.abs(lightness(first.colour) - lightness(second.colour))
    const isTold = difference >= merges.difference || lighter >= merges.lightness
    if (isTold || (first.sheen === 'metal') !== (second.sheen === 'metal')) return []
    const [small, large] = a.areaShare < b.areaShare ? [a, b] : [b, a]
    return [
      {
        regions: [small.name, large.name],
        difference,
        why: `${lighter < 4 ? 'as light as each other' : 'nearly as light'}, ${first.sheen === second.sheen ? 'the same sheen' : 'other sheens'}`,
        swap: swapFor(recipe, shelf, small, seen),
      },
    ]
  })
}

function pairsOf(regions: readonly Region[]): readonly (readonly [Region, Region])[] {
  return regions
    .flatMap((region, index) =>
      regions
        .slice(index + 1)
        .filter((other) => region.neighbours.includes(other.name) || other.neighbours.includes(region.name))
        .map((other) => [region, other] as const),
    )
    .filter(([a, b]) => Math.min(a.areaShare, b.areaShare) >= least && a.apart === b.apart)
    .sort(([a, b], [c, d]) => areaOf(c, d) - areaOf(a, b))
}

const areaOf = (a: Region, b: Region) => Math.min(a.areaShare, b.areaShare)

/** By one step, or by the same paint: belts, boots and pouches. */
function isMeantAlike(a: SeenRegion, b: SeenRegion): boolean {
  return a.by !== null && (a.by === b.by || a.by.material?.id === b.by?.material?.id)
}

/** The paint on the shelf that reads beside all its neighbours and is least unlike what is there. */
function swapFor(
  recipe: Recipe,
  shelf: Shelf,
  region: Region,
  seen: ReadonlyMap<string, SeenRegion>,
): Swap | null {
  const own = seen.get(region.name)
  const step = own?.by?.step
  const from = own?.by?.material
  if (!own || !from || step?.mix.length !== 1 || isShared(own.by, region)) return null
  const beside = recipe.regions
    .filter(({ name, neighbours }) => region.neighbours.includes(name) || neighbours.includes(region.name))
    .flatMap(({ name }) => seen.get(name)?.colour ?? [])
  const fitting = [...shelf.values()]
    .filter((each) => each.kind === from.kind && each.id !== from.id)
    .map((to) => ({ to, recipe: withPaint(recipe, step, to), far: colourDifference(to.colour, from.colour) }))
    .sort((a, b) => Number(b.to.stockMl > 0) - Number(a.to.stockMl > 0) || a.far - b.far)
  const better = fitting.find(({ recipe: changed }) => {
    const colour = seenRegions(changed, factsOf(changed, shelf), shelf).get(region.name)?.colour
    return colour !== undefined && beside.every((other) => colourDifference(colour, other) >= reads)
  })
  return better ? { stepId: step.id, from, to: better.to, recipe: better.recipe } : null
}

/** Its colour is that of other regions as well. */
function isShared(by: StepFacts | null, region: Region): boolean {
  return by === null || by.whole || by.regions.some((each) => each !== region)
}

function withPaint(recipe: Recipe, step: Step, to: Material): Recipe {
  const mix = [{ materialId: to.id, parts: 1 }]
  return { ...recipe, steps: recipe.steps.map((each) => (each === step ? { ...each, mix } : each)) }
}
