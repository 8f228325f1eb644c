import { asRedGreenBlind, greyOf, type Hex } from '@seriatim/core/colour'
import type { Figures } from '@seriatim/core/estimating'
import { seenRegions, whatReads, whatShows, type Merging, type Shown } from '@seriatim/core/looks'
import { factsOf } from '@seriatim/core/recipe'
import type { Recipe, Unit } from '@seriatim/core/trade'

interface Band {
  /** Where it begins, from the top, and how much of the model it is. */
  readonly from: number
  readonly share: number
  readonly colour: Hex
  readonly isBase: boolean
}

/** How a recipe looks on the table. */
export interface Looks {
  readonly merging: readonly Merging[]
  readonly shown: readonly Shown[]
  /** The model as bands of its regions, as it is and as others see it. */
  readonly views: readonly { readonly name: string; readonly bands: readonly Band[] }[]
}

const eyes: readonly (readonly [name: string, see: (colour: Hex) => Hex])[] = [
  ['In colour', (colour) => colour],
  ['By lightness alone', greyOf],
  ['Where red and green look alike', asRedGreenBlind],
]

export function looksOf(figures: Figures, recipe: Recipe, units: readonly Unit[]): Looks {
  const { shelf } = figures
  const seen = seenRegions(recipe, factsOf(recipe, shelf), shelf)
  const body = recipe.regions.filter(({ finish }) => finish !== 'base')
  const whole = body.reduce((sum, { areaShare }) => sum + areaShare, 0) || 1
  // From the top down as body plans list them: heads before coats before boots.
  let from = 0
  const bands = recipe.regions.map((region): Band => {
    const isBase = region.finish === 'base'
    const share = region.areaShare / whole
    const band = { from, share, colour: seen.get(region.name)?.colour ?? '#8f9894', isBase }
    if (!isBase) from += share
    return band
  })
  return {
    merging: whatReads(recipe, shelf),
    shown: whatShows(figures, recipe, units),
    views: eyes.map(([name, see]) => ({
      name,
      bands: bands.map((band) => ({ ...band, colour: see(band.colour) })),
    })),
  }
}
