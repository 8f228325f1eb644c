import fc from 'fast-check'
import jstat from 'jstat'
import { describe, expect, it } from 'vitest'
import { seededRandom } from '../units/random.ts'
import { spreadPresets } from '../presets/presets.ts'
import { rounds } from '../testing/rounds.ts'
import {
  lapSpread,
  learnRates,
  overallPace,
  paceAt,
  paceOf,
  reachOf,
  varianceAt,
  varianceOfSum,
  type PaceObservation,
  type Rates,
} from './rates.ts'

const lap = (factor: number, some: Partial<PaceObservation> = {}): PaceObservation => ({
  technique: 'wash',
  size: 'foot',
  cell: 'a',
  factor,
  models: 1,
  laps: 1,
  ...some,
})

const variance = spreadPresets.lap ** 2
const of = (spread: number) => spread ** 2 / variance
const priors = {
  painter: of(spreadPresets.painter),
  technique: of(spreadPresets.technique),
  size: of(spreadPresets.size),
  stage: of(spreadPresets.stage),
}

/**
 * The same posterior as a Bayesian linear regression: a column for every painter, technique, size and stage, and
 * one inverse of a dense matrix (normal–inverse-gamma; Gelman et al. 2013, ch. 14). Shares nothing with the code.
 */
function byRegression(laps: readonly PaceObservation[], { counted, spreads: found }: Rates) {
  const [painter, technique, sized, stage] = [0, 1, 2, 3].map((level) => varianceAt(found, level)) as [
    number,
    number,
    number,
    number,
  ]
  const names = ['painter']
  const spreads = [painter]
  const column = (name: string, spread: number) => {
    if (!names.includes(name)) {
      names.push(name)
      spreads.push(spread)
    }
    return names.indexOf(name)
  }
  const rows = laps.map((each) => [
    0,
    column(each.technique ?? '', technique),
    column(`${each.technique ?? ''} ${each.size}`, sized),
    column(`${each.technique ?? ''} ${each.size} ${each.cell}`, stage),
  ])
  const size = names.length
  const weight = laps.map(
    (each, index) =>
      ((counted[index] ?? 0) * (each.alone ?? 1) * each.laps) /
      (spreadPresets.shared + (1 - spreadPresets.shared) / each.models),
  )
  const precision = names.map((_, a) =>
    names.map(
      (__, b) =>
        (a === b ? 1 / (spreads[a] ?? 1) : 0) +
        rows.reduce((sum, row, i) => sum + (row.includes(a) && row.includes(b) ? (weight[i] ?? 0) : 0), 0),
    ),
  )
  const right = names.map((_, a) =>
    rows.reduce(
      (sum, row, i) => sum + (row.includes(a) ? (weight[i] ?? 0) * Math.log(laps[i]?.factor ?? 1) : 0),
      0,
    ),
  )
  const covariance = jstat.inv(precision)
  const mean = covariance.map((row) => row.reduce((sum, each, b) => sum + each * (right[b] ?? 0), 0))
  const squares = laps.reduce((sum, each, i) => sum + (weight[i] ?? 0) * Math.log(each.factor) ** 2, 0)
  const explained = mean.reduce((sum, each, a) => sum + each * (right[a] ?? 0), 0)
  const worth = spreadPresets.worth / 2
  const shape =
    worth + laps.reduce((sum, each, i) => sum + each.laps * (each.alone ?? 1) * (counted[i] ?? 0), 0) / 2
  const scale = worth * variance + (squares - explained) / 2
  const determinant = logDeterminant(precision) + spreads.reduce((sum, each) => sum + Math.log(each), 0)
  const place = (row: readonly number[]) => ({
    mean: row.reduce((sum, a) => sum + (mean[a] ?? 0), 0),
    variance: row.reduce((sum, a) => sum + row.reduce((s, b) => s + (covariance[a]?.[b] ?? 0), 0), 0),
  })
  return {
    shape,
    scale,
    evidence: found.odds - determinant / 2 - shape * Math.log(scale),
    places: rows.map(place),
    painter: place([0]),
    sum: (amounts: readonly number[]) => {
      const along = names.map((_, a) =>
        rows.reduce((sum, row, i) => sum + (row.includes(a) ? (amounts[i] ?? 0) : 0), 0),
      )
      return along.reduce(
        (sum, left, a) =>
          sum + along.reduce((s, other, b) => s + left * other * (covariance[a]?.[b] ?? 0), 0),
        0,
      )
    },
    size,
  }
}

/** Of a matrix that is positive definite, by elimination. */
function logDeterminant(matrix: readonly (readonly number[])[]): number {
  const rows = matrix.map((row) => [...row])
  return rows.reduce((sum, row, at) => {
    const pivot = row[at] ?? 1
    for (const below of rows.slice(at + 1)) {
      const share = (below[at] ?? 0) / pivot
      row.forEach((each, column) => (below[column] = (below[column] ?? 0) - share * each))
    }
    return sum + Math.log(pivot)
  }, 0)
}

const anyLap = fc.record({
  technique: fc.constantFrom('wash', 'base coat', 'edge'),
  size: fc.constantFrom('foot', 'large'),
  cell: fc.constantFrom('a', 'b', 'c'),
  factor: fc.double({ min: 0.4, max: 2.5, noNaN: true }),
  models: fc.integer({ min: 1, max: 20 }),
  laps: fc.double({ min: 0.1, max: 3, noNaN: true }),
  alone: fc.constantFrom(1, 0.5, 0.2),
}) as fc.Arbitrary<PaceObservation>

describe('learnRates', () => {
  it('agrees with a regression that inverts the whole matrix', () => {
    fc.assert(
      fc.property(fc.array(anyLap, { minLength: 1, maxLength: 14 }), (laps) => {
        const rates = learnRates(laps)
        const expected = byRegression(laps, rates)
        expect(rates.shape).toBeCloseTo(expected.shape, 9)
        expect(rates.scale).toBeCloseTo(expected.scale, 9)
        expect(rates.evidence).toBeCloseTo(expected.evidence, 6)
        laps.forEach((each, index) => {
          const place = paceAt(rates, each)
          expect(place.mean).toBeCloseTo(expected.places[index]!.mean, 9)
          expect(place.variance).toBeCloseTo(expected.places[index]!.variance, 9)
        })
        const amounts = laps.map((_, index) => 1 + index)
        const terms = laps.map((each, index) => ({ place: paceAt(rates, each), amount: amounts[index]! }))
        expect(varianceOfSum(rates, terms)).toBeCloseTo(expected.sum(amounts), 6)
      }),
      { seed: 4, numRuns: rounds(100) },
    )
  })

  it('learns how far techniques of one hand differ, and how far the hand does', () => {
    const techniques = ['wash', 'edge', 'base coat', 'layer', 'dry brush', 'detail'] as const
    const laps = (factorOf: (index: number) => number) =>
      techniques.flatMap((technique, index) =>
        ['a', 'b', 'c', 'd'].map((cell) => lap(factorOf(index), { technique, cell, models: 4 })),
      )
    const usual = learnRates([]).spreads
    const uneven = learnRates(laps((index) => (index % 2 === 0 ? 0.4 : 2.5))).spreads
    const even = learnRates(laps(() => 1)).spreads
    expect(varianceAt(uneven, 1)).toBeGreaterThan(varianceAt(usual, 1))
    expect(varianceAt(even, 1)).toBeLessThan(varianceAt(usual, 1))
    expect(varianceAt(learnRates(laps(() => 3)).spreads, 0)).toBeGreaterThan(varianceAt(usual, 0))
  })

  it('is the textbook normal–gamma where one thing alone is unknown', () => {
    // Murphy (2007), eq. 85–89, with κ₀ = 1 / the variance of everything above a lap, laps of one model.
    const factors = [1.3, 0.9, 1.6, 1.2]
    const rates = learnRates(factors.map((factor) => lap(factor)))
    const counted = rates.counted
    const kappa = 1 / (priors.painter + priors.technique + priors.size + priors.stage)
    const n = counted.reduce((sum, each) => sum + each, 0)
    const logs = factors.map(Math.log)
    const mean = logs.reduce((sum, log, i) => sum + log * counted[i]!, 0) / n
    const squares = logs.reduce((sum, log, i) => sum + counted[i]! * (log - mean) ** 2, 0)
    expect(paceAt(rates, lap(1)).mean).toBeCloseTo((n * mean) / (kappa + n), 10)
    expect(paceAt(rates, lap(1)).variance).toBeCloseTo(1 / (kappa + n), 10)
    const alpha = spreadPresets.worth / 2
    expect(rates.shape).toBeCloseTo(alpha + n / 2, 10)
    expect(rates.scale).toBeCloseTo(
      alpha * variance + squares / 2 + (kappa * n * mean ** 2) / (2 * (kappa + n)),
      10,
    )
  })

  it('comes to the same in any order', () => {
    fc.assert(
      fc.property(fc.array(anyLap, { minLength: 2, maxLength: 10 }), (laps) => {
        const turned = learnRates(laps.toReversed())
        const straight = learnRates(laps)
        expect(overallPace(turned).likely).toBeCloseTo(overallPace(straight).likely, 9)
        expect(turned.scale).toBeCloseTo(straight.scale, 9)
      }),
    )
  })

  it('is shifted by one lap and ruled by thirty', () => {
    const twice = (count: number) => Math.exp(paceAt(learnRates(new Array(count).fill(lap(2))), lap(1)).mean)
    expect(twice(1)).toBeGreaterThan(1.3)
    expect(twice(1)).toBeLessThan(1.8)
    expect(twice(30)).toBeGreaterThan(1.9)
  })

  it('lets the overall pace speak for a technique never timed, and says less surely', () => {
    const slow = learnRates([
      lap(1.6),
      lap(1.7, { technique: 'edge', cell: 'b' }),
      lap(1.5, { technique: 'base coat', cell: 'c' }),
    ])
    const glaze = paceOf(slow, 'glaze', 'foot')
    const wash = paceOf(slow, 'wash', 'foot')
    expect(glaze.likely).toBeGreaterThan(1.2)
    expect(glaze.likely).toBeLessThan(wash.likely)
    expect(glaze.high / glaze.low).toBeGreaterThan(wash.high / wash.low)
    // A neighbour in size is nearer than another technique.
    expect(paceOf(slow, 'wash', 'large').likely).toBeGreaterThan(glaze.likely)
  })

  it('keeps what was written by hand to its own laps', () => {
    const written = { technique: null, cell: 'w' } as const
    const rates = learnRates([lap(0.5), lap(2, written), lap(2, written)])
    expect(Math.exp(paceAt(rates, lap(1, written)).mean)).toBeGreaterThan(1.4)
    expect(paceAt(rates, lap(1, { technique: null, cell: 'other' }))).toMatchObject({ node: null, mean: 0 })
    expect(overallPace(rates).likely).toBeCloseTo(overallPace(learnRates([lap(0.5)])).likely, 6)
  })

  it('takes the stages of one span for one lap between them', () => {
    const whole = learnRates([lap(1.5)])
    const shared = learnRates([lap(1.5, { laps: 0.5 }), lap(1.5, { laps: 0.5 })])
    expect(paceAt(shared, lap(1)).mean).toBeCloseTo(paceAt(whole, lap(1)).mean, 2)
  })

  it('counts a lap slept through for next to nothing, but not for nothing', () => {
    const usual = [1, 1.1, 0.9, 1.05, 0.95].map((factor) => lap(factor))
    const asleep = learnRates([...usual, lap(420)])
    expect(asleep.counted.at(-1)).toBeGreaterThan(0)
    expect(asleep.counted.at(-1)).toBeLessThan(0.06)
    expect(paceOf(asleep, 'wash', 'foot').likely).toBeLessThan(
      1.2 * paceOf(learnRates(usual), 'wash', 'foot').likely,
    )
    // Even alone it does not make a painter of half a day.
    expect(overallPace(learnRates([lap(420)])).likely).toBeLessThan(1.5)
  })

  it('passes over what is no lap', () => {
    const nothing = [0, -1, Number.NaN, Number.POSITIVE_INFINITY].map((factor) => lap(factor))
    const rates = learnRates([...nothing, lap(2, { models: 0 }), lap(2, { laps: 0 })])
    expect(rates.counted.every((each) => each === 0)).toBe(true)
    expect(overallPace(rates)).toEqual(overallPace(learnRates([])))
    expect(lapSpread(rates)).toBeCloseTo(spreadPresets.lap, 12)
  })
})

describe('the range', () => {
  it('holds four paces of five of painters drawn from the model', () => {
    const random = seededRandom(7)
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    const painters = rounds(1000)
    let inside = 0
    for (let painter = 0; painter < painters; painter++) {
      // A gamma of shape 4 is the sum of four exponentials.
      const gamma = -Math.log((1 - random()) * (1 - random()) * (1 - random()) * (1 - random()))
      const sigma = Math.sqrt(((spreadPresets.worth / 2) * variance) / gamma)
      const sum = priors.painter + priors.technique + priors.size + priors.stage
      const own = normal() * Math.sqrt(sum) * sigma
      const rates = learnRates([0, 1, 2].map(() => lap(Math.exp(own + normal() * sigma))))
      const place = paceAt(rates, lap(1))
      const { low, high } = reachOf(rates, lapSpread(rates) * Math.sqrt(place.variance))
      if (own >= place.mean + Math.log(low) && own <= place.mean + Math.log(high)) inside += 1
    }
    expect(inside / painters).toBeGreaterThan(0.77)
    expect(inside / painters).toBeLessThan(0.83)
  })
})
