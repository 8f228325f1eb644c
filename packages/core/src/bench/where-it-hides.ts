import type { Finish, Region } from '../recipe/recipe.ts'

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

/** Where a colour hides on these regions: on the far side, behind what lies over them, on the second of two. */
export function whereItHides(regions: readonly Region[], all: readonly Region[]): readonly HidingPlace[] {
  const depthOf = new Map(all.map((region) => [region.name, region.depth]))
  const touched = new Set(regions.map((region) => region.name))
  return regions.flatMap(({ name, finish, parts, depth, neighbours }) => {
    const over = neighbours.filter((each) => !touched.has(each) && (depthOf.get(each) ?? depth) < depth)
    const places = [
      ...(parts === 2 ? ['both of them'] : parts > 2 ? [`all ${String(parts)}`] : []),
      ...(farSides[finish] === undefined ? [] : [farSides[finish]]),
      ...(over.length > 0 ? [`behind ${over.join(' and ')}`] : []),
    ]
    return places.length > 0 ? [{ region: name, places }] : []
  })
}
