import type { Material, Mix } from '../trade/index.ts'
import type { Shelf } from '../recipe/index.ts'
import type { MaterialId } from '../units/index.ts'

/** Pharmacy convention. */
export const dropsPerMl = 20

/** Surface of a foot model without its base: from memory, to be edited. */
const footModelCm2 = 30

/** What stays in the palette and on the brush. */
const waste = 0.3

interface MixCardLine {
  readonly material: Material
  readonly drops: number
  readonly ml: number
  /** How far its share is from the one asked for, as a share of that. */
  readonly off: number
  readonly enough: boolean
  /** Pots to buy so that there is enough; 0 when there is, or when it has no pots. */
  readonly buyPots: number
}

export interface MixCard {
  readonly lines: readonly MixCardLine[]
  readonly totalMl: number
  /** Paints of the mix that are not on the shelf. */
  readonly missing: readonly MaterialId[]
}

/** Millilitres that `models` take of a step's material over `area` (1 is a whole foot model). */
export function millilitresFor(material: Material, area: number, models: number, coats: number): number {
  if (material.coverage <= 0) return 0
  return (area * footModelCm2 * models * coats * (1 + waste)) / material.coverage
}

/** Most a part's share may be off after rounding to whole drops. */
const mostOff = 0.05

/**
 * Whole drops of each paint for at least `ml` altogether: the least such amount at which no paint's share is
 * more than 5 % off the one asked for. Mixing for the whole batch at once keeps its tone.
 */
export function mixCard(mix: Mix, ml: number, shelf: Shelf): MixCard {
  const known = mix.flatMap(({ materialId, parts }) => {
    const material = shelf.get(materialId)
    return material && parts > 0 ? [{ material, parts }] : []
  })
  const missing = mix.filter(({ materialId }) => !shelf.has(materialId)).map(({ materialId }) => materialId)
  const all = known.reduce((sum, { parts }) => sum + parts, 0)
  if (all === 0) return { lines: [], totalMl: 0, missing }
  const shares = known.map(({ parts }) => parts / all)
  const drops = wholeDrops(shares, Math.max(1, Math.ceil(ml * dropsPerMl - 1e-9)))
  const total = drops.reduce((sum, each) => sum + each, 0)
  const lines = known.map(({ material }, index): MixCardLine => {
    const count = drops[index] ?? 0
    const needed = count / dropsPerMl
    const short = Math.max(0, needed - material.stockMl)
    return {
      material,
      drops: count,
      ml: needed,
      off: Math.abs(count / total / (shares[index] ?? 1) - 1),
      enough: short < 1e-9 || isAlwaysThere(material),
      buyPots:
        material.potMl > 0 && !isAlwaysThere(material)
          ? Math.max(0, Math.ceil(short / material.potMl - 1e-9))
          : 0,
    }
  })
  return { lines, totalMl: total / dropsPerMl, missing }
}

/** Water comes from the tap: a medium that no pot holds. */
function isAlwaysThere({ kind, potMl }: Material): boolean {
  return kind === 'medium' && potMl === 0
}

/** The first total from `least` on whose rounded shares are close enough. */
function wholeDrops(shares: readonly number[], least: number): readonly number[] {
  const furthest = least + Math.ceil(2 / mostOff / Math.min(...shares))
  let best: readonly number[] = []
  let bestOff = Number.POSITIVE_INFINITY
  for (let total = least; total <= furthest; total++) {
    const drops = shares.map((share) => Math.round(share * total))
    const sum = drops.reduce((all, each) => all + each, 0)
    if (sum < least) continue
    const off = Math.max(...drops.map((each, index) => Math.abs(each / sum / (shares[index] ?? 1) - 1)))
    if (off <= mostOff + 1e-12) return drops
    if (off < bestOff) {
      best = drops
      bestOff = off
    }
  }
  return best
}
