import { minor } from '@seriatim/core/money'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { moneyInputText, parseMoney } from './money.ts'

describe('money', () => {
  it.each([
    ['12', 'EUR', 1200],
    ['12.5', 'EUR', 1250],
    ['12,50', 'EUR', 1250],
    ['1,280.00', 'EUR', 128_000],
    ['1.280,05', 'EUR', 128_005],
    ['1280', 'JPY', 1280],
    ['1,280', 'JPY', 1280],
    ['0.125', 'KWD', 125],
    ['-3', 'EUR', -300],
  ])('%s in %s is %i', (text, currency, amount) => {
    expect(parseMoney(text, currency)).toBe(amount)
  })

  it.each(['', 'free', '12.505', '1.2.3', '12 or 13', '€', '1e3'])('“%s” is none', (text) => {
    expect(parseMoney(text, 'EUR')).toBeNull()
  })

  it('that is written out is read back the same', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.constantFrom('EUR', 'JPY', 'KWD', 'USD'),
        (amount, currency) => {
          expect(parseMoney(moneyInputText(minor(amount), currency), currency)).toBe(amount)
        },
      ),
    )
  })
})
