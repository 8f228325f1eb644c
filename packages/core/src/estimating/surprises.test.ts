import { describe, expect, it } from 'vitest'
import type { ObservedTime } from './observe-times.ts'
import { surprises } from './surprises.ts'

const lap = (stage: string, unit: string, took: number, expected: number, some: Partial<ObservedTime> = {}) =>
  ({
    kind: 'lap',
    silent: null,
    stageIds: [stage],
    unitId: unit,
    models: 2,
    countedSeconds: took,
    expectedSeconds: expected,
    ...some,
  }) as unknown as ObservedTime

describe('surprises', () => {
  it('add up the laps of a stage on a unit, the most minutes first, either way', () => {
    const told = surprises([
      lap('eyes', 'officers', 600, 300),
      lap('eyes', 'officers', 400, 300),
      lap('eyes', 'pikes', 100, 900),
      lap('coat', 'pikes', 630, 600),
    ])
    expect(told).toEqual([
      { stageId: 'eyes', unitId: 'pikes', models: 2, tookSeconds: 100, expectedSeconds: 900 },
      { stageId: 'eyes', unitId: 'officers', models: 4, tookSeconds: 1000, expectedSeconds: 600 },
    ])
  })

  it('are no seconds, and no small share of a long stage', () => {
    expect(surprises([lap('a', 'u', 100, 30), lap('b', 'u', 4100, 3600)])).toEqual([])
    // Laps that go the one way and the other even out.
    expect(surprises([lap('c', 'u', 900, 500), lap('c', 'u', 100, 500)])).toEqual([])
  })

  it('are not made of what teaches nothing, nor of milestones', () => {
    expect(
      surprises([
        lap('a', 'u', 9000, 300, { silent: 'even taps' }),
        lap('a', 'u', 9000, 300, { kind: 'milestone' }),
      ]),
    ).toEqual([])
  })
})
