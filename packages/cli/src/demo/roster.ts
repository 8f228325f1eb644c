import type { Model, Standard, Unit } from '@seriatim/core/trade'
import type { ModelId, UnitId } from '@seriatim/core/units'
import { nextId } from './ids.ts'

type Row = readonly [name: string, role: string, points: number, variants?: readonly string[]]

type Kind = Partial<Pick<Unit, 'size' | 'detail' | 'perHolder'>>

function unit(name: string, standard: Standard, models: readonly Row[], kind: Kind = {}): Unit {
  return {
    id: nextId() as UnitId,
    name,
    standard,
    size: 'foot',
    detail: 'usual',
    perHolder: 1,
    pilot: [],
    joinedAt: null,
    ...kind,
    models: models.map(([modelName, role, points, variants = []]): Model => ({
      id: nextId() as ModelId,
      name: modelName,
      role,
      variants,
      points,
    })),
  }
}

const troopers = (name: string, from: number, to: number, points: number) =>
  Array.from({ length: to - from + 1 }, (_, k): Row => [`${name} ${String(from + k)}`, 'trooper', points])

/** Hair in four colours, spread over the unit. */
const withHair = (rows: readonly Row[]) =>
  rows.map(([name, role, points, variants = []], index): Row => [
    name,
    role,
    points,
    [...variants, `hair ${String((index % 4) + 1)}`],
  ])

const keepers = unit(
  'Lock-keepers',
  'tabletop',
  withHair([
    ['Lockmaster Bream', 'leader', 14, ['cloak']],
    ['Lock-keeper with horn', 'musician', 9],
    ['Lock-keeper with pennon', 'standard bearer', 9, ['cloak']],
    ...troopers('Lock-keeper', 4, 12, 7),
  ]),
)
/** The fourth of them went first. */
export const lockKeepers: Unit = { ...keepers, pilot: keepers.models.slice(3, 4).map((model) => model.id) }

export const reedPikes = unit(
  'Reed-pikes',
  'tabletop',
  withHair([['Pikewarden Sedge', 'leader', 12, ['cloak']], ...troopers('Reed-pike', 2, 12, 6)]),
)
export const eelNetters = unit(
  'Eel-netters',
  'tabletop',
  [['Netmother Lamprey', 'leader', 11], ...troopers('Eel-netter', 2, 10, 5)],
  { perHolder: 5 },
)
export const stiltRiders = unit('Stilt-riders', 'tabletop plus', troopers('Stilt-rider', 1, 4, 18), {
  size: 'mounted',
})
export const sluiceGun = unit(
  'Sluice gun',
  'tabletop plus',
  [['Sluice gun', 'special', 60], ...troopers('Gun hand', 1, 3, 5)],
  { size: 'large' },
)
export const officers = unit(
  'Officers',
  'tabletop plus',
  [
    ['Provost Quill', 'character', 45],
    ['Dame Osier', 'character', 40],
    ['Reeve Marl', 'character', 35],
  ],
  { detail: 'ornate' },
)

export const units: readonly Unit[] = [lockKeepers, reedPikes, eelNetters, stiltRiders, sluiceGun, officers]
