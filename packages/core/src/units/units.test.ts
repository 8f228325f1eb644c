import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { instant } from './instant.ts'
import { addDays, daysBetween, isoWeekday, parseLocalDate, type LocalDate } from './local-date.ts'
import { seededRandom } from './random.ts'
import { minutes, seconds } from './seconds.ts'

describe('seconds and instants', () => {
  it.each([-1, 0.5, Number.NaN, Number.POSITIVE_INFINITY])('refuse %d', (value) => {
    expect(() => seconds(value)).toThrow(RangeError)
    if (value !== -1) expect(() => instant(value)).toThrow(RangeError)
  })

  it('read minutes to the nearest second', () => {
    expect(minutes(4.5)).toBe(270)
    expect(minutes(1 / 3)).toBe(20)
  })
})

describe('local dates', () => {
  it.each(['2026-02-29', '2026-13-01', '2026-1-1', '', 'tomorrow', '2026-11-31'])('refuse %s', (text) => {
    expect(parseLocalDate(text).ok).toBe(false)
  })

  it('know leap days and weekdays', () => {
    expect(parseLocalDate('2028-02-29').ok).toBe(true)
    expect(isoWeekday('2026-11-24' as LocalDate)).toBe(2)
    expect(isoWeekday('1969-12-28' as LocalDate)).toBe(7)
  })

  it('add what lies between', () => {
    const day = fc
      .integer({ min: -20_000, max: 40_000 })
      .map((days) => addDays('1970-01-01' as LocalDate, days))
    fc.assert(
      fc.property(day, day, (from, to) => {
        expect(addDays(from, daysBetween(from, to))).toBe(to)
        expect(parseLocalDate(from).ok).toBe(true)
        expect(isoWeekday(addDays(from, 1))).toBe((isoWeekday(from) % 7) + 1)
      }),
    )
  })
})

describe('seededRandom', () => {
  it('repeats itself by seed and stays in [0, 1)', () => {
    const draw = (seed: number) => Array.from({ length: 1000 }, seededRandom(seed))
    expect(draw(7)).toEqual(draw(7))
    expect(draw(7)).not.toEqual(draw(8))
    expect(draw(7).every((value) => value >= 0 && value < 1)).toBe(true)
    const mean = draw(7).reduce((sum, value) => sum + value, 0) / 1000
    expect(mean).toBeGreaterThan(0.45)
    expect(mean).toBeLessThan(0.55)
  })
})
