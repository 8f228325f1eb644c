import fc from 'fast-check'
import jstat from 'jstat'
import { describe, expect, it } from 'vitest'
import { seededRandom } from '../units/random.ts'
import { lapPace, learnPace, meanPace, oddness, presetPace, type PaceBelief } from './pace.ts'

const laps = (...factors: readonly number[]) => factors.map((factor) => ({ factor, weight: 1 }))
const prior = presetPace(1, 4, 0.35)

/**
 * The posterior by brute force, sharing nothing with the code: prior × likelihood on a fine grid of the mean and
 * the logarithm of the precision.
 */
function byGrid(belief: PaceBelief, logs: readonly number[]) {
  let total = 0
  let ofMean = 0
  let below = 0
  const at = Math.log(1.2)
  for (let mean = -1.5; mean <= 1.5; mean += 0.005) {
    for (let logPrecision = -1; logPrecision <= 6.5; logPrecision += 0.02) {
      const precision = Math.exp(logPrecision)
      const density =
        (belief.shape - 0.5) * logPrecision -
        belief.scale * precision -
        (belief.weight * precision * (mean - belief.mean) ** 2) / 2 +
        logs.reduce((sum, log) => sum + logPrecision / 2 - (precision * (log - mean) ** 2) / 2, 0) +
        // From precision to its logarithm.
        logPrecision
      const mass = Math.exp(density)
      total += mass
      ofMean += mass * mean
      // The normal distribution is Student's with many degrees of freedom.
      below += mass * jstat.studentt.cdf((at - mean) * Math.sqrt(precision), 1e6)
    }
  }
  return { mean: ofMean / total, below: below / total, at }
}

describe('learnPace', () => {
  it('agrees with the posterior by brute force', () => {
    const factors = [1.3, 0.9, 1.6, 1.2]
    const after = learnPace(prior, laps(...factors))
    const grid = byGrid(prior, factors.map(Math.log))
    expect(after.mean).toBeCloseTo(grid.mean, 3)
    const spread = Math.sqrt((after.scale * (after.weight + 1)) / (after.shape * after.weight))
    expect(jstat.studentt.cdf((grid.at - after.mean) / spread, 2 * after.shape)).toBeCloseTo(grid.below, 2)
  })

  it('comes to the same lap by lap and all at once, in any order', () => {
    const factor = fc.double({ min: 0.2, max: 5, noNaN: true })
    fc.assert(
      fc.property(fc.array(factor, { minLength: 1, maxLength: 12 }), (factors) => {
        const atOnce = learnPace(prior, laps(...factors))
        const turned = factors.toReversed().reduce((belief, each) => learnPace(belief, laps(each)), prior)
        for (const key of ['mean', 'weight', 'shape', 'scale'] as const) {
          expect(turned[key]).toBeCloseTo(atOnce[key], 8)
        }
      }),
    )
  })

  it('is shifted by one lap, and ruled by thirty', () => {
    const twice = (count: number) =>
      meanPace(learnPace(prior, laps(...new Array<number>(count).fill(2)))).likely
    expect(twice(1)).toBeGreaterThan(1.1)
    expect(twice(1)).toBeLessThan(1.3)
    expect(twice(30)).toBeGreaterThan(1.8)
  })

  it('takes half a lap for half a lap', () => {
    const halves = learnPace(prior, [
      { factor: 1.5, weight: 0.5 },
      { factor: 1.5, weight: 0.5 },
    ])
    expect(halves.mean).toBeCloseTo(learnPace(prior, laps(1.5)).mean, 12)
  })

  it('passes over what is no lap', () => {
    const nothing = [0, -1, Number.NaN, Number.POSITIVE_INFINITY].map((factor) => ({ factor, weight: 1 }))
    expect(learnPace(prior, [...nothing, { factor: 2, weight: 0 }])).toBe(prior)
    expect(learnPace(prior, [])).toBe(prior)
  })

  it.each([
    [0, 4, 0.3],
    [1, 0, 0.3],
    [1, 4, 0],
    [Number.NaN, 4, 0.3],
  ])('cannot begin with %d, %d, %d', (factor, worth, spread) => {
    expect(() => presetPace(factor, worth, spread)).toThrow(RangeError)
  })
})

describe('the range', () => {
  it('narrows with laps, and holds the likely pace', () => {
    const few = lapPace(learnPace(prior, laps(1, 1.1)))
    const many = lapPace(
      learnPace(prior, laps(...new Array<number>(20).fill(1).map((one, index) => one + 0.02 * (index % 5)))),
    )
    expect(many.high / many.low).toBeLessThan(few.high / few.low)
    expect(few.low).toBeLessThan(few.likely)
    expect(few.likely).toBeLessThan(few.high)
    expect(meanPace(prior).high).toBeLessThan(lapPace(prior).high)
  })

  it('holds four laps of five of painters drawn from the model', () => {
    const random = seededRandom(7)
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    let inside = 0
    const painters = 4000
    for (let painter = 0; painter < painters; painter++) {
      // A gamma of shape 2 is the sum of two exponentials.
      const precision = (-Math.log(1 - random()) - Math.log(1 - random())) / prior.scale
      const own = prior.mean + normal() / Math.sqrt(prior.weight * precision)
      const lap = () => Math.exp(own + normal() / Math.sqrt(precision))
      const { low, high } = lapPace(learnPace(prior, laps(lap(), lap(), lap())))
      const next = lap()
      if (next >= low && next <= high) inside += 1
    }
    expect(inside / painters).toBeGreaterThan(0.78)
    expect(inside / painters).toBeLessThan(0.82)
  })
})

describe('oddness', () => {
  it('lets usual laps count in full and interrupted ones less, but never nothing', () => {
    const [usual = 0, quick = 0, asleep = 0] = oddness(prior, [1.2, 0.6, 60])
    expect([usual, quick]).toEqual([1, 1])
    expect(asleep).toBeGreaterThan(0)
    expect(asleep).toBeLessThan(0.25)
    expect(oddness(prior, [0, Number.NaN])).toEqual([0, 0])
  })

  it('keeps a lap of fourteen hours from ruling the pace', () => {
    const factors = [1, 1.1, 0.9, 1.05, 420]
    const counted = oddness(prior, factors).map((weight, index) => ({ factor: factors[index] ?? 0, weight }))
    expect(meanPace(learnPace(prior, counted)).likely).toBeLessThan(
      meanPace(learnPace(prior, laps(...factors))).likely / 1.2,
    )
  })
})
