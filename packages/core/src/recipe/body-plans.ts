import type { Finish, Region } from './recipe.ts'

/** The regions a kind of model usually has. */
export interface BodyPlan {
  readonly id: string
  readonly name: string
  readonly regions: readonly Region[]
}

type Row = readonly [
  name: string,
  finish: Finish,
  areaShare: number,
  parts: number,
  depth: number,
  neighbours: readonly string[],
]

/** `apart` names the regions that are usually painted on their own and joined later. */
function plan(
  id: string,
  name: string,
  rows: readonly Row[],
  apart: Readonly<Record<string, readonly string[]>> = {},
): BodyPlan {
  const partOf = (region: string) =>
    Object.entries(apart).find(([, regions]) => regions.includes(region))?.[0] ?? ''
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
  return { id, name, regions }
}

/** Shares, counts and depths of usual sculpts: common practice, to be edited. A neighbour is named on one side only. */
const oneSided: readonly BodyPlan[] = [
  plan('foot', 'Foot', [
    ['skin', 'skin', 0.12, 3, 2, ['hair', 'coat']],
    ['hair', 'hair', 0.05, 1, 1, []],
    ['coat', 'cloth', 0.33, 1, 1, ['trousers', 'leather', 'metal']],
    ['trousers', 'cloth', 0.16, 2, 1, ['leather']],
    ['leather', 'leather', 0.16, 6, 0, ['metal']],
    ['wood', 'wood', 0.06, 1, 0, ['metal']],
    ['metal', 'metal', 0.12, 5, 0, []],
    ['base', 'base', 0.25, 1, 0, []],
  ]),
  plan('cloaked-foot', 'Cloaked foot', [
    ['skin', 'skin', 0.08, 2, 2, ['hair', 'coat', 'cloak']],
    ['hair', 'hair', 0.04, 1, 1, []],
    ['coat', 'cloth', 0.24, 1, 2, ['leather', 'metal', 'cloak']],
    ['cloak', 'cloth', 0.34, 1, 0, []],
    ['leather', 'leather', 0.14, 5, 1, ['metal']],
    ['wood', 'wood', 0.05, 1, 0, []],
    ['metal', 'metal', 0.11, 4, 0, []],
    ['base', 'base', 0.25, 1, 0, []],
  ]),
  plan('armoured-foot', 'Armoured foot', [
    ['armour', 'plate', 0.58, 6, 1, ['skin', 'cloth', 'leather', 'metal']],
    ['skin', 'skin', 0.05, 1, 2, []],
    ['cloth', 'cloth', 0.12, 2, 2, ['leather']],
    ['leather', 'leather', 0.08, 4, 1, []],
    ['metal', 'metal', 0.14, 8, 0, []],
    ['lenses', 'glass', 0.03, 2, 0, ['armour']],
    ['base', 'base', 0.25, 1, 0, []],
  ]),
  plan(
    'rider-and-mount',
    'Rider and mount',
    [
      ['hide', 'hide', 0.4, 1, 1, ['mane', 'saddle', 'harness']],
      ['mane', 'hair', 0.05, 2, 1, []],
      ['saddle', 'cloth', 0.08, 1, 1, ['harness', 'coat']],
      ['harness', 'leather', 0.08, 6, 0, []],
      ['skin', 'skin', 0.06, 3, 2, ['coat']],
      ['coat', 'cloth', 0.2, 1, 1, ['metal']],
      ['metal', 'metal', 0.08, 5, 0, []],
      ['wood', 'wood', 0.05, 1, 0, []],
      ['base', 'base', 0.35, 1, 0, []],
    ],
    { rider: ['skin', 'coat', 'metal', 'wood'] },
  ),
  plan('large-creature', 'Large creature', [
    ['hide', 'hide', 0.6, 1, 1, ['belly', 'claws', 'mane']],
    ['belly', 'skin', 0.2, 1, 2, []],
    ['mane', 'hair', 0.06, 2, 0, []],
    ['claws', 'bone', 0.08, 14, 0, []],
    ['harness', 'leather', 0.06, 5, 0, ['hide']],
    ['base', 'base', 0.4, 1, 0, []],
  ]),
  plan('vehicle', 'Vehicle', [
    ['hull', 'plate', 0.62, 8, 1, ['tracks', 'fittings', 'windows']],
    ['tracks', 'metal', 0.18, 2, 2, []],
    ['fittings', 'metal', 0.08, 12, 0, []],
    ['stowage', 'leather', 0.08, 6, 0, ['hull']],
    ['windows', 'glass', 0.04, 4, 0, []],
    ['base', 'base', 0.2, 1, 0, []],
  ]),
  plan('gun-and-crew', 'Gun and crew', [
    ['barrel', 'metal', 0.18, 3, 1, ['carriage']],
    ['carriage', 'wood', 0.24, 6, 1, []],
    ['skin', 'skin', 0.08, 6, 2, ['coats']],
    ['coats', 'cloth', 0.3, 3, 1, ['leather']],
    ['leather', 'leather', 0.12, 10, 0, []],
    ['buckles', 'metal', 0.08, 9, 0, ['coats', 'leather']],
    ['base', 'base', 0.4, 1, 0, []],
  ]),
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
