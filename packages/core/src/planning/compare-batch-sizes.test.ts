import { describe, expect, it } from 'vitest'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import { minutes } from '../units/seconds.ts'
import { distinctBatchSizes, tryBatchSize } from './compare-batch-sizes.ts'

describe('distinctBatchSizes', () => {
  it('leaves out sizes that split every unit as a smaller one does', () => {
    expect(distinctBatchSizes(project([unit('a', 12)], []))).toEqual([1, 2, 3, 4, 6, 12])
    expect(distinctBatchSizes(project([unit('a', 5), unit('b', 3)], []))).toEqual([1, 2, 3, 5])
    expect(distinctBatchSizes(project([], []))).toEqual([1])
  })
})

describe('tryBatchSize', () => {
  const line = [
    stage('one', { setUpSeconds: minutes(4), ...drying(10) }),
    stage('two', { setUpSeconds: minutes(4) }),
  ]
  const given = project([unit('a', 12)], line, { batchesInHand: 1 })
  const outcome = (size: number) => tryBatchSize({ project: given, now: noon }, size)!

  it('smaller batches open more pots and show more drying, one batch at a time', () => {
    const [small, big] = [outcome(2), outcome(12)]
    expect(small.potOpenings).toBe(12)
    expect(big.potOpenings).toBe(2)
    expect(small.handsOnSeconds - big.handsOnSeconds).toBe(10 * 240)
    expect(small.exposedSeconds).toBeGreaterThan(big.exposedSeconds)
    expect(small.split).toBe('2 · 2 · 2 · 2 · 2 · 2')
  })

  it('the whole unit hides its drying where (n − 1) · t reaches the wait', () => {
    expect(outcome(12).exposedSeconds).toBe(0)
    expect(outcome(6).exposedSeconds).toBeGreaterThan(0)
  })

  it('has no outcome where there is no plan', () => {
    expect(tryBatchSize({ project: project([], line), now: noon }, 3)).toBeNull()
  })
})
