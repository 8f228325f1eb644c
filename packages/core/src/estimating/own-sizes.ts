import type { Recipe, Region, Size } from '../trade/index.ts'
import { sizePresets } from '../presets/index.ts'

/** How much there is of some regions, on a model of one size. */
export interface RegionAmount {
  /** Share of the model's surface. */
  readonly area: number
  readonly parts: number
}

/**
 * What regions amount to on a model of a size. What is painted apart may have a size of its own: its regions share
 * that surface, a crew of three three times, and are given in terms of the model's.
 */
export function regionAmounts(
  { regions, subAssemblies }: Pick<Recipe, 'regions' | 'subAssemblies'>,
  size: Size,
): (some: readonly Region[]) => RegionAmount {
  const weights = new Map(
    subAssemblies.map((each) => {
      const own = regions.filter((region) => region.apart === each.name)
      const share = own.reduce((sum, region) => sum + region.areaShare, 0)
      const [there, here] = [sizePresets[each.size], sizePresets[size]]
      return [
        each.name,
        {
          area: share > 0 ? (each.count * there.area) / (here.area * share) : 1,
          parts: there.parts / here.parts,
        },
      ] as const
    }),
  )
  return (some) =>
    some.reduce<RegionAmount>(
      (sum, region) => {
        const weight = weights.get(region.apart)
        return {
          area: sum.area + region.areaShare * (weight?.area ?? 1),
          parts: sum.parts + region.parts * (weight?.parts ?? 1),
        }
      },
      { area: 0, parts: 0 },
    )
}
