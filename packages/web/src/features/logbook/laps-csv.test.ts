import { foldProgress, type ProgressEvent } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import { instant } from '@seriatim/core/units'
import { describe, expect, it } from 'vitest'
import { readCsv } from '../../shared/csv/index.ts'
import { lapsReader } from './laps-csv.ts'

const now = instant(Date.parse('2026-11-24T21:00:00Z'))
const models = [1, 2, 3, 4].map((number) => ({ id: `pike ${String(number)}`, role: 'trooper', variants: [] }))
const stage = (id: string, notNeededBy: string[] = []) => ({ id, name: id, notNeededBy, limits: [] })
const project = {
  units: [{ id: 'pikes', name: 'Reed-pikes', models }],
  line: [stage('Prime'), stage('Skin'), stage('Plume', ['pikes'])],
} as unknown as Pick<Project, 'units' | 'line'>
const primed = {
  id: 'e1',
  at: now - 1000,
  kind: 'punched',
  stageId: 'Prime',
  modelIds: ['pike 1'],
} as unknown as ProgressEvent

const read = (...rows: string[]) =>
  readCsv(
    ['time,unit,stages,models,minutes', ...rows].join('\n'),
    lapsReader(project, foldProgress([primed]), () => now),
  )

describe('laps from CSV', () => {
  it('are of the first models that are not through, one row after the other', () => {
    const { values, faults } = read(
      '2026-11-24T19:10Z,reed-pikes,Prime,2,4.5',
      ',Reed-pikes,prime,1,1:30',
      ',Reed-pikes,Prime + Skin,2,1 h 30',
    )
    expect(faults).toEqual([])
    expect(values).toEqual([
      {
        at: Date.parse('2026-11-24T19:10Z'),
        stageIds: ['Prime'],
        modelIds: ['pike 2', 'pike 3'],
        workSeconds: 270,
      },
      { at: now, stageIds: ['Prime'], modelIds: ['pike 4'], workSeconds: 90 },
      { at: now, stageIds: ['Prime', 'Skin'], modelIds: ['pike 1', 'pike 2'], workSeconds: 5400 },
    ])
  })

  it.each([
    ['2026-11-24T22:00Z,Reed-pikes,Prime,1,4', 'time', 'This lies ahead: only what was done is a lap.'],
    ['yesterday,Reed-pikes,Prime,1,4', 'time', '“yesterday” is not a time such as 2026-11-24 19:00.'],
    [',Owls,Prime,1,4', 'unit', 'There is no unit “Owls” on the roster.'],
    [',Reed-pikes,Prime + Gild,1,4', 'stages', 'There is no stage “Gild”.'],
    [',Reed-pikes,Prime,none,4', 'models', '“none” is not a number of models from 1.'],
    [',Reed-pikes,Prime,4,4', 'models', 'Only 3 models of Reed-pikes are not through that.'],
    [',Reed-pikes,Plume,1,4', 'models', 'Only 0 models of Reed-pikes are not through that.'],
    [',Reed-pikes,Prime,1,0', 'minutes', '“0” is not a time such as 22 or 1 h 30.'],
  ])('%s is told of at its place', (row, column, message) => {
    const { values, faults } = read(row)
    expect(values).toEqual([])
    expect(faults).toEqual([{ line: 2, column, message }])
  })
})
