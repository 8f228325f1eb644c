import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { learningFactor, learningTotal, rememberedUnits, type Learning } from './learning.ts'
import { spreadOf } from './three-point.ts'

const never = Number.POSITIVE_INFINITY
const curve = (rate: number, flatFrom = never): Learning => ({ rate, flatFrom })

describe('learningFactor', () => {
  // Crawford's unit curve at 80 %: unit 2n takes 0.8 of unit n; the odd units by n^log2(0.8).
  it.each([
    [1, 1],
    [2, 0.8],
    [3, 0.7021037],
    [4, 0.64],
    [5, 0.5956373],
    [8, 0.512],
    [10, 0.4765099],
    [16, 0.4096],
    [20, 0.3812079],
  ])('of unit %i at 80 %% is %d', (unit, factor) => {
    expect(learningFactor(unit, curve(0.8))).toBeCloseTo(factor, 7)
  })

  // 0.9^k for unit 2^k, by the definition of the curve.
  it.each([
    [2, 0.9],
    [4, 0.81],
    [8, 0.729],
    [16, 0.6561],
  ])('of unit %i at 90 %% is %d', (unit, factor) => {
    expect(learningFactor(unit, curve(0.9))).toBeCloseTo(factor, 12)
  })

  // Totals of Crawford's curve, not of Wright's cumulative average (4.765 and 7.624).
  it.each([
    [10, 6.3153730176],
    [20, 10.484942826],
    [100, 32.65081083],
  ])('adds up to %d units at 80 %%', (count, total) => {
    expect(learningTotal(0, count, curve(0.8))).toBeCloseTo(total, 7)
  })

  it('is flat from the floor on, and for who learns nothing', () => {
    expect(learningFactor(50, curve(0.95, 12))).toBe(learningFactor(12, curve(0.95)))
    expect(learningTotal(3, 7, curve(1))).toBe(7)
  })

  it('never rises, and splits over what is done before', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 60 }),
        fc.nat({ max: 40 }),
        fc.nat({ max: 40 }),
        (rate, flatFrom, first, second) => {
          const learning = { rate, flatFrom }
          expect(learningFactor(first + 2, learning)).toBeLessThanOrEqual(learningFactor(first + 1, learning))
          expect(learningTotal(0, first, learning) + learningTotal(first, second, learning)).toBeCloseTo(
            learningTotal(0, first + second, learning),
            9,
          )
        },
      ),
    )
  })

  it.each([
    [0, 0.9, 10],
    [1, 0, 10],
    [1, 1.1, 10],
    [1, 0.9, 0],
    [Number.NaN, 0.9, 10],
  ])('refuses unit %d, rate %d, flat from %d', (unit, rate, flatFrom) => {
    expect(() => learningFactor(unit, { rate, flatFrom })).toThrow(RangeError)
  })
})

describe('rememberedUnits', () => {
  it('is all at once, half after 45 days, and never more than was done', () => {
    expect(rememberedUnits(12, 0)).toBe(12)
    expect(rememberedUnits(12, -3)).toBe(12)
    expect(rememberedUnits(12, 45)).toBe(6)
    expect(rememberedUnits(12, 90)).toBe(3)
  })
})

describe('spreadOf', () => {
  // Means and classic variances by the formulas of Malcolm, Roseboom, Clark & Fazar (1959).
  it.each([
    [{ best: 2, likely: 4, worst: 12 }, 5, 2.7777778],
    [{ best: 10, likely: 15, worst: 26 }, 16, 7.1111111],
    [{ best: 1, likely: 2, worst: 3 }, 2, 0.1111111],
  ])('of %o', (points, mean, variance) => {
    const spread = spreadOf(points)
    expect(spread.ok && spread.value.mean).toBeCloseTo(mean, 9)
    expect(spread.ok && spread.value.standardDeviation ** 2).toBeCloseTo(variance, 6)
  })

  it.each([
    [{ best: 5, likely: 4, worst: 12 }, 'The best time comes first, then the likely, then the worst.'],
    [{ best: 1, likely: 4, worst: 3 }, 'The best time comes first, then the likely, then the worst.'],
    [{ best: -1, likely: 4, worst: 5 }, 'Give three times, none below zero.'],
    [{ best: 1, likely: Number.NaN, worst: 5 }, 'Give three times, none below zero.'],
  ])('refuses %o', (points, error) => {
    expect(spreadOf(points)).toEqual({ ok: false, error })
  })

  it('lies between best and worst', () => {
    const minutes = fc.double({ min: 0, max: 600, noNaN: true })
    fc.assert(
      fc.property(fc.tuple(minutes, minutes, minutes), (three) => {
        const [best = 0, likely = 0, worst = 0] = three.toSorted((a, b) => a - b)
        const spread = spreadOf({ best, likely, worst })
        expect(spread.ok && spread.value.mean).toBeGreaterThanOrEqual(best - 1e-9)
        expect(spread.ok && spread.value.mean).toBeLessThanOrEqual(worst + 1e-9)
      }),
    )
  })
})
