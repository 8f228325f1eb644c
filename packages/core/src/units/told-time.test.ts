import { describe, expect, it } from 'vitest'
import { readToldTime } from './told-time.ts'

const hoursOf = (told: string, models = 10) => {
  const time = readToldTime(told, models)
  return time && time.seconds / 3600
}

describe('a time as it is told', () => {
  it.each([
    ['3 h', 3],
    ['90 min', 1.5],
    ['1:30', 1.5],
    ['2.5 hours', 2.5],
    ['2,5 hours', 2.5],
    ['an hour and a half', 1.5],
    ['half an hour', 0.5],
    ['4½ h', 4.5],
    ['2 h 15 min', 2.25],
    ['6-7 hours', 6.5],
    ['six to seven hours', 6.5],
    ['about three evenings of two hours', 6],
    ['Ten foot by washes to tabletop: about three evenings of two hours', 6],
    ['3 evenings of 2-3 h', 7.5],
    ['four sessions of 90 minutes', 6],
    ['a couple of evenings', 5],
    ['a weekend', 10],
    ['just under 20 min each', 10 / 3],
    ['12 minutes a model', 2],
  ])('%s', (told, hours) => {
    expect(hoursOf(told)).toBeCloseTo(hours, 3)
  })

  it.each(['', 'long', 'ten', 'forever', '0 h', '3 parsecs', '9999999 hours'])('%s is none', (told) => {
    expect(hoursOf(told)).toBeNull()
  })

  it('is the vaguer the vaguer it is told', () => {
    const told = ['6 h', 'about 6 h', '5-7 h', 'three evenings', 'about a weekend']
    const deviations = told.map((each) => readToldTime(each, 1)!.deviation)
    expect(deviations).toEqual(deviations.toSorted((a, b) => a - b))
    expect(deviations[0]).toBeGreaterThan(0.1)
  })
})
