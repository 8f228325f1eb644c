import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { isCurrency, minor, minorDigits, sumOf } from './money.ts'

describe('money', () => {
  it('is whole minor units, half away from nothing', () => {
    expect([10.4, 10.5, -10.4, -10.5, -0.2].map(minor)).toEqual([10, 11, -10, -11, 0])
    expect(Object.is(minor(-0.2), 0)).toBe(true)
    expect(() => minor(Number.NaN)).toThrow(RangeError)
    expect(() => minor(Number.POSITIVE_INFINITY)).toThrow(RangeError)
  })

  it('is never further from what was asked than half a unit, and as far for a debt', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e9, max: 1e9, noNaN: true }), (amount) => {
        expect(Math.abs(minor(amount) - amount)).toBeLessThanOrEqual(0.5)
        expect(minor(-amount) + minor(amount)).toBe(0)
      }),
    )
  })

  it('adds up to the same in any order', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -1e9, max: 1e9 })), (amounts) => {
        const given = amounts.map(minor)
        expect(sumOf(given.toReversed())).toBe(sumOf(given))
      }),
    )
  })

  // ISO 4217: two digits for the euro, none for the yen, three for the Kuwaiti dinar.
  it.each([
    ['EUR', 2],
    ['JPY', 0],
    ['KWD', 3],
  ])('knows the digits of %s', (currency, digits) => {
    expect(minorDigits(currency)).toBe(digits)
    expect(isCurrency(currency)).toBe(true)
  })

  it('knows what is no currency', () => {
    expect(isCurrency('QQQ')).toBe(false)
    expect(isCurrency('euro')).toBe(false)
  })
})
