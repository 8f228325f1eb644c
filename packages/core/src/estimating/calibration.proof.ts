import { describe, expect, it } from 'vitest'
import { heavyTails, otherPainters, simulate } from '../testing/ranges-held.ts'
import { believed } from '../testing/painters.ts'

describe('the 80 % range of a batch total', () => {
  it.each([0, 5, 20, 100])('holds 75–85 % of the truths after %i laps of painters as believed', (laps) => {
    const { coverage, medianError } = simulate(believed, laps, 11 + laps)
    expect(coverage).toBeGreaterThanOrEqual(0.75)
    expect(coverage).toBeLessThanOrEqual(0.85)
    if (laps >= 20) expect(medianError).toBeLessThan(0.12)
  })

  it.each([
    ['heavy tails and many interruptions', heavyTails],
    ['wider differences and steeper learning', otherPainters],
  ])('holds no less than 70 %% under a wrong model: %s', (_, model) => {
    for (const laps of [0, 5, 20, 100]) {
      const { coverage } = simulate(model, laps, 31 + laps)
      expect(coverage).toBeGreaterThanOrEqual(0.7)
    }
  })
})
