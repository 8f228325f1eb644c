import { colourDifference, type Hex, mixedColour } from '../colour/index.ts'
import type { Material, Mix } from '../trade/index.ts'
import type { Shelf } from '../recipe/index.ts'

/** A paint, or two stirred together, that comes near a wanted colour. */
export interface NearPaint {
  readonly mix: Mix
  readonly colour: Hex
  /** CIEDE2000 to the wanted colour, as predicted: about 1 is just noticeable, above 10 another colour. */
  readonly difference: number
}

const ratios = [
  [1, 1],
  [2, 1],
  [1, 2],
  [3, 1],
  [1, 3],
] as const

/** Two pots only when they come clearly nearer than one. */
const worthAPot = 1

/** So many single paints are tried in pairs. */
const tried = 14

/**
 * What on the shelf comes nearest to a colour, by one paint or a mix of two of the same kind, the nearest first; only
 * paints that are in stock, or all of them where nothing is. Predicted, so a guide and not a match.
 */
export function nearestPaints(
  wanted: Hex,
  kind: Material['kind'],
  shelf: Shelf,
  without: readonly Material['id'][] = [],
): readonly NearPaint[] {
  const kin = [...shelf.values()].filter((each) => each.kind === kind && !without.includes(each.id))
  const inStock = kin.filter((each) => each.stockMl > 0)
  const singles = (inStock.length > 0 ? inStock : kin)
    .map((each): NearPaint & { readonly paint: Material } => ({
      paint: each,
      mix: [{ materialId: each.id, parts: 1 }],
      colour: each.colour,
      difference: colourDifference(each.colour, wanted),
    }))
    .sort((a, b) => a.difference - b.difference || (a.paint.id < b.paint.id ? -1 : 1))
  const best = singles[0]?.difference ?? Number.POSITIVE_INFINITY
  const few = singles.slice(0, tried)
  const pairs = few.flatMap((a, index) =>
    few.slice(index + 1).flatMap((b) =>
      ratios.flatMap(([first, second]): NearPaint[] => {
        const colour = mixedColour([
          { colour: a.paint.colour, parts: first },
          { colour: b.paint.colour, parts: second },
        ])
        if (!colour) return []
        const difference = colourDifference(colour, wanted)
        if (difference > best - worthAPot) return []
        const mix = [
          { materialId: a.paint.id, parts: first },
          { materialId: b.paint.id, parts: second },
        ]
        return [{ mix, colour, difference }]
      }),
    ),
  )
  return [
    ...singles.slice(0, 3).map(({ mix, colour, difference }) => ({ mix, colour, difference })),
    ...pairs,
  ]
    .sort((a, b) => a.difference - b.difference)
    .slice(0, 3)
}
