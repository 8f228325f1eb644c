import type { Model, ModelId, Standard, Unit, UnitId } from '@seriatim/core'
import { nextId } from './ids.ts'

type Row = readonly [name: string, role: string, points: number, variants?: readonly string[]]

function unit(name: string, standard: Standard, models: readonly Row[]): Unit {
  return {
    id: nextId() as UnitId,
    name,
    standard,
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

export const lockKeepers = unit(
  'Lock-keepers',
  'tabletop',
  withHair([
    ['Lockmaster Bream', 'leader', 14, ['cloak']],
    ['Lock-keeper with horn', 'musician', 9],
    ['Lock-keeper with pennon', 'standard bearer', 9, ['cloak']],
    ...troopers('Lock-keeper', 4, 12, 7),
  ]),
)
export const reedPikes = unit(
  'Reed-pikes',
  'tabletop',
  withHair([['Pikewarden Sedge', 'leader', 12, ['cloak']], ...troopers('Reed-pike', 2, 12, 6)]),
)
export const eelNetters = unit('Eel-netters', 'tabletop', [
  ['Netmother Lamprey', 'leader', 11],
  ...troopers('Eel-netter', 2, 10, 5),
])
export const stiltRiders = unit('Stilt-riders', 'tabletop plus', troopers('Stilt-rider', 1, 4, 18))
export const sluiceGun = unit('Sluice gun', 'tabletop plus', [
  ['Sluice gun', 'special', 60],
  ...troopers('Gun hand', 1, 3, 5),
])
export const officers = unit('Officers', 'display', [
  ['Provost Quill', 'character', 45],
  ['Dame Osier', 'character', 40],
  ['Reeve Marl', 'character', 35],
])

export const units: readonly Unit[] = [lockKeepers, reedPikes, eelNetters, stiltRiders, sluiceGun, officers]
