import { describe, expect, it } from 'vitest'
import { heavyTails, otherDays, simulate } from '../testing/ranges-held.ts'
import { believed } from '../testing/painters.ts'

// After more and other laps, and under another wrong model: `calibration.proof.ts`.
describe('the 80 % range of a batch total', () => {
  it.each([0, 20])('holds 75–85 % of the truths after %i laps of painters as believed', (laps) => {
    const { coverage, medianError } = simulate(believed, laps, 11 + laps)
    expect(coverage).toBeGreaterThanOrEqual(0.75)
    expect(coverage).toBeLessThanOrEqual(0.85)
    if (laps >= 20) expect(medianError).toBeLessThan(0.12)
  })

  it.each([5, 60])('holds 70–88 % after %i laps of painters with better days and worse', (laps) => {
    const { coverage } = simulate(otherDays, laps, 71 + laps)
    expect(coverage).toBeGreaterThanOrEqual(0.7)
    expect(coverage).toBeLessThanOrEqual(0.88)
  })

  it('holds no less than 70 % under a wrong model: heavy tails and many interruptions', () => {
    expect(simulate(heavyTails, 20, 51).coverage).toBeGreaterThanOrEqual(0.7)
  })
})
