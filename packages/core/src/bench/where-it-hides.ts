import type { Finish, Region } from '../trade/index.ts'

/** A region and where on it a colour is easily missed. */
export interface HidingPlace {
  readonly region: string
  readonly places: readonly string[]
}

/** Where the eye does not come of itself: common practice. */
const farSides: Readonly<Partial<Record<Finish, string>>> = {
  skin: 'under the chin',
  hair: 'at the neck',
  cloth: 'inside the folds',
  wood: 'the far side',
  metal: 'the back',
  bone: 'the underside',
  hide: 'the belly',
  plate: 'behind the knees',
}

/** Where a colour hides on these regions: as the painter has it, else as finish and place have it. */
export function whereItHides(regions: readonly Region[], all: readonly Region[]): readonly HidingPlace[] {
  const touched = new Set(regions.map((region) => region.name))
  return regions.flatMap((region) => {
    const places = region.hides ?? usualHidingPlaces(region, all, touched)
    return places.length > 0 ? [{ region: region.name, places }] : []
  })
}

const none: ReadonlySet<string> = new Set()

/**
 * On the far side, behind what lies over the region, on the second of two.
 * @param touched regions the same colour lands on: nothing hides behind them.
 */
export function usualHidingPlaces(
  { finish, parts, depth, neighbours }: Region,
  all: readonly Region[],
  touched: ReadonlySet<string> = none,
): readonly string[] {
  const depthOf = new Map(all.map((region) => [region.name, region.depth]))
  const over = neighbours.filter((each) => !touched.has(each) && (depthOf.get(each) ?? depth) < depth)
  return [
    ...(parts === 2 ? ['both of them'] : parts > 2 ? [`all ${String(parts)}`] : []),
    ...(farSides[finish] === undefined ? [] : [farSides[finish]]),
    ...(over.length > 0 ? [`behind ${over.join(' and ')}`] : []),
  ]
}
