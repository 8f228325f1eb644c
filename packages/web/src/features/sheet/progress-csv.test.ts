import type { ModelStanding } from '@seriatim/core/sheet'
import type { Stage } from '@seriatim/core/trade'
import { describe, expect, it } from 'vitest'
import { linesOfCsv } from '../../shared/csv/index.ts'
import { progressCsv } from './progress-csv.ts'

const line = [{ name: 'Prime' }, { name: 'Coat' }, { name: 'Rim, black' }] as unknown as readonly Stage[]
const standing = (name: string, holes: readonly object[], some: object = {}) =>
  ({
    unit: { name: 'Pikes' },
    model: { name, role: 'trooper', points: 6.5 },
    holes,
    isTableReady: false,
    inspection: null,
    ...some,
  }) as unknown as ModelStanding

describe('progressCsv', () => {
  it('is a line a model and a column a stage', () => {
    const done = { kind: 'done' }
    const text = progressCsv(
      [
        standing('Pike 1', [done, { kind: 'touch-up', region: 'coat', note: 'bare' }, { kind: 'to-do' }]),
        standing('Pike 2', [done, { kind: 'drying' }, { kind: 'not-needed' }], {
          isTableReady: true,
          inspection: { verdict: 'passed' },
        }),
      ],
      line,
    )
    expect(linesOfCsv(text).map(({ cells }) => cells)).toEqual([
      ['unit', 'model', 'role', 'points', 'table-ready', 'inspected', '1. Prime', '2. Coat', '3. Rim, black'],
      ['Pikes', 'Pike 1', 'trooper', '6.5', 'no', '', 'done', 'touch-up: coat, bare', 'to do'],
      ['Pikes', 'Pike 2', 'trooper', '6.5', 'yes', 'passed', 'done', 'drying', ''],
    ])
  })
})
