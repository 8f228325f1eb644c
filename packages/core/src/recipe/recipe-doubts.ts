import { lightness } from '../colour/index.ts'
import { formOf, isPaint, type Recipe, type Region } from '../trade/index.ts'
import type { StepId } from '../units/index.ts'
import { factsOf, shareRegion, stepText, type Shelf } from './step-facts.ts'

/** What is wrong with what was written, not with its order: figures come out wrong, or a step has nothing to do. */
export interface RecipeDoubt {
  readonly kind: 'shares' | 'wipe' | 'no bright ground'
  /** A sentence, with the way on. */
  readonly text: string
  /** The step it is about; `null` where it is about the model or the shelf. */
  readonly stepId: StepId | null
}

/** Shares that are typed in whole per cent may be off by as much. */
const closeEnough = 0.02

export function recipeDoubts(recipe: Recipe, shelf: Shelf): readonly RecipeDoubt[] {
  return [...shares(recipe), ...wipes(recipe, shelf), ...brightGround(recipe, shelf)]
}

function shares({ regions, steps }: Recipe): readonly RecipeDoubt[] {
  // What few models have, a cloak, may lie beside the rest or on top of it.
  const few = (region: Region) => {
    const own = steps.filter((step) => step.on !== 'whole' && step.on.includes(region.name))
    return own.length > 0 && own.every((step) => step.roles.length > 0)
  }
  const most = sumOfShares(regions)
  const least = sumOfShares(regions.filter((region) => !few(region)))
  if (regions.every(isBase) || (most >= 1 - closeEnough && least <= 1 + closeEnough)) return []
  const sum = most < 1 ? most : least
  const text = `All regions but the base add up to ${String(Math.round(sum * 100))} % of the surface, not 100: times and amounts come out by as much too ${sum < 1 ? 'small' : 'large'}. Set them right under Regions, or have them scaled.`
  return [{ kind: 'shares', text, stepId: null }]
}

const isBase = (region: Region) => region.finish === 'base'

function sumOfShares(regions: readonly Region[]): number {
  return regions.filter((region) => !isBase(region)).reduce((sum, region) => sum + region.areaShare, 0)
}

/** The regions with their shares scaled so that all but the base add up to the whole. */
export function scaledShares(regions: readonly Region[]): readonly Region[] {
  const sum = sumOfShares(regions)
  if (sum <= 0) return regions
  return regions.map((region) =>
    isBase(region) ? region : { ...region, areaShare: Math.round((region.areaShare / sum) * 1000) / 1000 },
  )
}

const wiped = ['oil', 'dip', 'wash', 'pigment', 'ink', 'translucent']

function wipes(recipe: Recipe, shelf: Shelf): readonly RecipeDoubt[] {
  const facts = factsOf(recipe, shelf)
  return facts.flatMap((wipe): RecipeDoubt[] => {
    if (wipe.step.technique !== 'wipe') return []
    const wet = facts.some(
      (each) =>
        each.index < wipe.index && wiped.includes(each.material?.kind ?? '') && shareRegion(each, wipe),
    )
    if (wet) return []
    const text = `The ${stepText(wipe)} has nothing under it to take off: put an oil, a dip or a wash before it, or take it out.`
    return [{ kind: 'wipe', text, stepId: wipe.step.id }]
  })
}

const bright = 70

/** Translucent paint wants something bright under it, and the shelf has nothing of the kind. */
function brightGround(recipe: Recipe, shelf: Shelf): readonly RecipeDoubt[] {
  const tint = factsOf(recipe, shelf).find((each) => each.material?.kind === 'translucent' && each.colours)
  if (!tint) return []
  const isBright = [...shelf.values()].some(
    (each) =>
      isPaint(each.kind) &&
      ['primer', 'opaque', 'ink'].includes(each.kind) &&
      formOf(each) !== 'powder' &&
      lightness(each.colour) >= bright,
  )
  if (isBright) return []
  const text = `There is no bright primer, paint or ink on the shelf, and the ${stepText(tint)} vanishes over dark ground: put one there, or choose a school of opaque paints.`
  return [{ kind: 'no bright ground', text, stepId: tint.step.id }]
}
