import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import { minutes } from '../units/seconds.ts'
import { distinctSplits, smallestHiding, trySplit, usualSplits } from './compare-batch-sizes.ts'

describe('distinctSplits', () => {
  const sizes = (...units: Parameters<typeof unit>[]) =>
    distinctSplits(
      project(
        units.map((each) => unit(...each)),
        [],
      ),
    ).map(({ batchSize, firstBatch }) =>
      firstBatch === null ? batchSize : `${String(firstBatch)} then ${String(batchSize)}`,
    )

  it('leaves out what splits every unit as another does, and has mixed ones at the end', () => {
    expect(sizes(['a', 12])).toEqual([1, 2, 3, 4, 6, 12, '1 then 12', '3 then 12', '3 then 6', '4 then 10'])
    expect(sizes(['a', 5], ['b', 3])).toEqual([1, 2, 3, 5, '1 then 5', '3 then 5', '4 then 5'])
    expect(sizes()).toEqual([1])
  })
})

describe('trySplit', () => {
  const line = [
    stage('one', { setUpSeconds: minutes(4), ...drying(10) }),
    stage('two', { setUpSeconds: minutes(4) }),
  ]
  const given = project([unit('a', 12)], line, { batchesInHand: 1 })
  const outcome = (batchSize: number, firstBatch: number | null = null) =>
    trySplit({ ...toPlan(given), now: noon }, { batchSize, firstBatch })!

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
    expect(
      trySplit({ ...toPlan(project([], line)), now: noon }, { batchSize: 3, firstBatch: null }),
    ).toBeNull()
  })

  it('says how long one stage goes on, and how many models are in hand', () => {
    // Twelve minutes and the pot; one batch is through before the next is begun.
    expect(outcome(12)).toMatchObject({ longestRunSeconds: 16 * 60, inHandAtMost: 12 })
    expect(outcome(4)).toMatchObject({ longestRunSeconds: 8 * 60, inHandAtMost: 4 })
  })

  it('has some finished sooner when the first batch is smaller', () => {
    const [soon, together] = [outcome(12, 3), outcome(12)]
    expect(soon.split).toBe('3 · 9')
    expect(soon.firstBatchAt).toBeLessThan(together.firstBatchAt)
    expect(soon.potOpenings).toBeGreaterThan(together.potOpenings)
  })

  it('names how people usually split, and the smallest size that hides all drying', () => {
    const all = distinctSplits(given).map((split) => trySplit({ ...toPlan(given), now: noon }, split)!)
    expect(usualSplits(all).map(({ name, outcome: each }) => [name, each.split])).toEqual([
      ['all at once', '12'],
      ['sets of 3–5', '4 · 4 · 4'],
      ['sets of 8–12', '12'],
      ['some first', '4 · 8'],
    ])
    expect(smallestHiding(all)?.batchSize).toBe(12)
    expect(smallestHiding(all.slice(0, 2))).toBeNull()
  })
})
