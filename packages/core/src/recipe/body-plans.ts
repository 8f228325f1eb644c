import type { Finish, Region, Size, SubAssembly } from '../trade/index.ts'

/** The regions a kind of model usually has. */
export interface BodyPlan {
  readonly id: string
  readonly name: string
  /** Of a model of this kind, as long as nothing else is said. */
  readonly usualSize: Size
  readonly regions: readonly Region[]
  readonly subAssemblies: readonly SubAssembly[]
}

type Row = readonly [
  name: string,
  finish: Finish,
  areaShare: number,
  parts: number,
  depth: number,
  neighbours: readonly string[],
]

/** `apart` names the regions that are usually painted on their own and joined later, at a size of their own. */
function plan(
  id: string,
  name: string,
  usualSize: Size,
  rows: readonly Row[],
  apart: readonly (SubAssembly & { readonly regions: readonly string[] })[] = [],
): BodyPlan {
  const partOf = (region: string) => apart.find((each) => each.regions.includes(region))?.name ?? ''
  const regions = rows.map(([region, finish, areaShare, parts, depth, neighbours]) => ({
    name: region,
    finish,
    areaShare,
    parts,
    depth,
    neighbours,
    bare: false,
    apart: partOf(region),
  }))
  const subAssemblies = apart.map(({ name: part, size, count }) => ({ name: part, size, count }))
  return { id, name, usualSize, regions, subAssemblies }
}

/** Shares (of all but the base 1 in all), counts and depths of usual sculpts: common practice, to be edited. A neighbour is named on one side only. */
const oneSided: readonly BodyPlan[] = [
  plan('foot', 'Foot', 'foot', [
    ['skin', 'skin', 0.115, 3, 2, ['hair', 'coat', 'eyes']],
    ['eyes', 'eye', 0.005, 2, 2, []],
    ['hair', 'hair', 0.05, 1, 1, []],
    ['coat', 'cloth', 0.33, 1, 1, ['trousers', 'leather', 'straps', 'pouches', 'metal']],
    ['trousers', 'cloth', 0.16, 2, 1, ['leather']],
    ['leather', 'leather', 0.1, 2, 0, ['metal', 'straps', 'pouches']],
    ['straps', 'leather', 0.03, 2, 0, ['metal', 'pouches']],
    ['pouches', 'leather', 0.03, 2, 0, ['metal']],
    ['wood', 'wood', 0.06, 1, 0, ['metal']],
    ['metal', 'metal', 0.12, 5, 0, []],
    ['base', 'base', 0.25, 1, 0, []],
  ]),
  plan('cloaked-foot', 'Cloaked foot', 'foot', [
    ['skin', 'skin', 0.075, 2, 2, ['hair', 'coat', 'cloak', 'eyes']],
    ['eyes', 'eye', 0.005, 2, 2, []],
    ['hair', 'hair', 0.04, 1, 1, []],
    ['coat', 'cloth', 0.24, 1, 2, ['leather', 'straps', 'pouches', 'metal', 'cloak']],
    ['cloak', 'cloth', 0.34, 1, 0, []],
    ['leather', 'leather', 0.09, 2, 1, ['metal', 'straps', 'pouches']],
    ['straps', 'leather', 0.02, 1, 1, ['metal', 'pouches']],
    ['pouches', 'leather', 0.03, 2, 1, ['metal']],
    ['wood', 'wood', 0.05, 1, 0, ['metal']],
    ['metal', 'metal', 0.11, 4, 0, []],
    ['base', 'base', 0.25, 1, 0, []],
  ]),
  plan('armoured-foot', 'Armoured foot', 'large foot', [
    ['armour', 'plate', 0.57, 6, 1, ['skin', 'cloth', 'straps', 'pouches', 'metal', 'studs']],
    ['studs', 'metal', 0.01, 6, 0, []],
    ['skin', 'skin', 0.05, 1, 2, []],
    ['cloth', 'cloth', 0.12, 2, 2, ['straps', 'pouches']],
    ['straps', 'leather', 0.04, 2, 1, ['pouches']],
    ['pouches', 'leather', 0.04, 2, 1, []],
    ['metal', 'metal', 0.14, 5, 0, []],
    ['lenses', 'glass', 0.03, 2, 0, ['armour']],
    ['base', 'base', 0.25, 1, 0, []],
  ]),
  plan(
    'rider-and-mount',
    'Rider and mount',
    'mounted',
    [
      ['hide', 'hide', 0.385, 1, 1, ['mane', 'saddle', 'straps', 'hooves', 'mount eyes']],
      ['mount eyes', 'eye', 0.005, 2, 1, []],
      ['hooves', 'bone', 0.01, 4, 0, []],
      ['mane', 'hair', 0.05, 2, 1, []],
      ['saddle', 'cloth', 0.08, 1, 1, ['straps', 'coat']],
      ['straps', 'leather', 0.08, 6, 0, []],
      ['skin', 'skin', 0.055, 3, 2, ['coat', 'eyes']],
      ['eyes', 'eye', 0.005, 2, 2, []],
      ['coat', 'cloth', 0.2, 1, 1, ['metal']],
      ['metal', 'metal', 0.08, 5, 0, []],
      ['wood', 'wood', 0.05, 1, 0, []],
      ['base', 'base', 0.35, 1, 0, []],
    ],
    [{ name: 'rider', size: 'foot', count: 1, regions: ['skin', 'eyes', 'coat', 'metal', 'wood'] }],
  ),
  plan('large-creature', 'Large creature', 'large', [
    ['hide', 'hide', 0.57, 1, 1, ['belly', 'claws', 'mane', 'horns', 'teeth', 'eyes']],
    ['eyes', 'eye', 0.005, 2, 1, []],
    ['belly', 'skin', 0.2, 1, 2, []],
    ['mane', 'hair', 0.055, 2, 0, []],
    ['claws', 'bone', 0.06, 10, 0, []],
    ['teeth', 'bone', 0.01, 8, 1, []],
    ['horns', 'bone', 0.04, 2, 0, []],
    ['straps', 'leather', 0.06, 5, 0, ['hide']],
    ['base', 'base', 0.4, 1, 0, []],
  ]),
  plan('vehicle', 'Vehicle', 'large', [
    ['hull', 'plate', 0.61, 8, 1, ['tracks', 'fittings', 'studs', 'windows']],
    ['tracks', 'metal', 0.18, 2, 2, []],
    ['fittings', 'metal', 0.08, 8, 0, []],
    ['studs', 'metal', 0.01, 12, 0, []],
    ['stowage', 'leather', 0.06, 4, 0, ['hull', 'straps']],
    ['straps', 'leather', 0.02, 4, 0, ['hull']],
    ['windows', 'glass', 0.04, 4, 0, []],
    ['base', 'base', 0.2, 1, 0, []],
  ]),
  plan(
    'gun-and-crew',
    'Gun and crew',
    'large',
    [
      ['barrel', 'metal', 0.18, 3, 1, ['carriage']],
      ['carriage', 'wood', 0.24, 6, 1, []],
      ['skin', 'skin', 0.075, 6, 2, ['coats', 'eyes']],
      ['eyes', 'eye', 0.005, 6, 2, []],
      ['coats', 'cloth', 0.3, 3, 1, ['leather', 'straps', 'pouches']],
      ['leather', 'leather', 0.06, 3, 0, ['straps', 'pouches']],
      ['straps', 'leather', 0.03, 4, 0, ['pouches']],
      ['pouches', 'leather', 0.03, 3, 0, []],
      ['buckles', 'metal', 0.08, 9, 0, ['coats', 'leather', 'straps']],
      ['base', 'base', 0.4, 1, 0, []],
    ],
    [
      {
        name: 'crew',
        size: 'foot',
        count: 3,
        regions: ['skin', 'eyes', 'coats', 'leather', 'straps', 'pouches', 'buckles'],
      },
    ],
  ),
]

export const bodyPlans: readonly BodyPlan[] = oneSided.map((each) => ({
  ...each,
  regions: bothSided(each.regions),
}))

/** If a names b as its neighbour, b names a. */
function bothSided(regions: readonly Region[]): readonly Region[] {
  return regions.map((region) => ({
    ...region,
    neighbours: regions
      .filter(
        (other) =>
          other.name !== region.name &&
          (region.neighbours.includes(other.name) || other.neighbours.includes(region.name)),
      )
      .map((other) => other.name),
  }))
}
