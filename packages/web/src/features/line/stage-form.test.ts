import { lineTemplates } from '@seriatim/core/presets'
import type { StageId, UnitId } from '@seriatim/core/units'
import { describe, expect, it } from 'vitest'
import { blankStage, lineOfTemplate } from './blank-stage.ts'
import { formOf, stageFormSchema, stageOf } from './stage-form.ts'

const units = ['u1', 'u2'] as UnitId[]
const form = (some: object) => stageFormSchema.safeParse({ ...formOf(blankStage(1), units), ...some })
const faultsOf = (some: object) => (form(some).error?.issues ?? []).map((issue) => issue.path.join('.'))

describe('the stage form', () => {
  it('gives back the stage it was made from', () => {
    for (const stage of lineOfTemplate(lineTemplates[0]!)) {
      const given = { ...stage, notNeededBy: [units[1]!] }
      const values = stageFormSchema.parse(formOf(given, units))
      expect(stageOf(stage, values, units)).toEqual(given)
    }
  })

  it('names the faulty field', () => {
    expect(faultsOf({ name: ' ' })).toEqual(['name'])
    expect(faultsOf({ each: 'long', setUp: '-1' })).toEqual(['each', 'setUp'])
    expect(faultsOf({ dryMin: '30', dryMax: '15' })).toEqual(['dryMax'])
    expect(faultsOf({ touchKind: 'regions', regions: ' , ' })).toEqual(['regions'])
    expect(faultsOf({ dryMax: '400 h' })).toEqual(['dryMax'])
  })

  it('reads regions with commas, once each, in lower case', () => {
    const values = form({ touchKind: 'regions', regions: ' Skin, boots,skin ,' }).data!
    expect(stageOf({ id: 's' as StageId, steps: [], limits: [], typed: [] }, values, units).touch).toEqual({
      kind: 'regions',
      regions: ['skin', 'boots'],
    })
  })
})
