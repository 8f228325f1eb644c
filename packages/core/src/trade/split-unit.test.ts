import { describe, expect, it } from 'vitest'
import { project, stage, unit } from '../testing/builders.ts'
import { footRecipe } from '../testing/recipes.ts'
import type { BatchId, ModelId, StageId, UnitId } from '../units/ids.ts'
import { minutes } from '../units/seconds.ts'
import type { Unit } from './job.ts'
import { plainPlanning } from './project.ts'
import { joinUnits, splitUnit } from './split-unit.ts'

const pikes = { ...unit('pikes', 6), pilot: ['pikes-6' as ModelId] }
const bows = unit('bows', 2)
const recipe = footRecipe([['coat', 'moss green', 'base coat']], { unitIds: [pikes.id] })
const typed = (unitId: UnitId) => ({
  unitId,
  bestSeconds: minutes(1),
  likelySeconds: minutes(2),
  worstSeconds: minutes(3),
})
const line = [
  stage('coat', { typed: [typed(pikes.id)], limits: [{ unitId: pikes.id, roles: ['trooper'] }] }),
  stage('bows', { notNeededBy: [pikes.id] }),
]
const kept = (id: string, ...models: readonly string[]) => ({
  id: id as BatchId,
  unitId: pikes.id,
  modelIds: models.map((name) => name as ModelId),
})
const given = {
  ...project([pikes, bows], line),
  recipes: [recipe],
  planning: { ...plainPlanning, batches: [kept('a', 'pikes-1', 'pikes-5'), kept('b', 'pikes-6')] },
}
const own = { id: 'reds' as UnitId, name: 'Red pikes' }
const reds = new Set(['pikes-5', 'pikes-6'] as ModelId[])
const split = splitUnit(given, pikes.id, reds, own)

describe('splitUnit', () => {
  it('takes models out into a unit that is painted as before', () => {
    expect(split.units.map(({ name, models, pilot }) => [name, models.length, pilot])).toEqual([
      ['pikes', 4, []],
      ['Red pikes', 2, ['pikes-6']],
      ['bows', 2, []],
    ])
    expect(split.recipes[0]?.unitIds).toEqual(['pikes', 'reds'])
    expect(split.line[0]?.limits.map(({ unitId }) => unitId)).toEqual(['pikes', 'reds'])
    expect(split.line[0]?.typed.map(({ unitId }) => unitId)).toEqual(['pikes', 'reds'])
    expect(split.line[1]?.notNeededBy).toEqual(['pikes', 'reds'])
    expect(split.planning.batches.map(({ unitId, modelIds }) => [unitId, modelIds])).toEqual([
      ['pikes', ['pikes-1']],
      ['reds', ['pikes-6']],
    ])
  })

  it('leaves everything as it is where it would empty a unit, or there is nothing to take', () => {
    const all = new Set(pikes.models.map(({ id }) => id))
    expect(splitUnit(given, pikes.id, all, own)).toBe(given)
    expect(splitUnit(given, pikes.id, new Set(), own)).toBe(given)
    expect(splitUnit(given, 'nobody' as UnitId, reds, own)).toBe(given)
  })
})

describe('joinUnits', () => {
  it('gives back what was split, the models in their order', () => {
    const back = joinUnits(split, pikes.id, own.id)
    expect(back.units).toEqual(given.units)
    expect(back.recipes).toEqual(given.recipes)
    expect(back.line).toEqual(given.line)
  })

  it('takes what is joined to the other along, and is joined to nothing that is itself', () => {
    const at = { unitId: own.id, stageId: 'coat' as StageId }
    const units: readonly Unit[] = split.units.map((each) => ({ ...each, joinedAt: at }))
    const back = joinUnits({ ...split, units }, pikes.id, own.id)
    expect(back.units.map(({ joinedAt }) => joinedAt?.unitId ?? null)).toEqual([null, 'pikes'])
    expect(joinUnits(split, pikes.id, pikes.id)).toBe(split)
  })
})
