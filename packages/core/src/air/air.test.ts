import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { againstSpraying, dewPoint, saturationPressure, vapourDeficit, waitFactor } from './air.ts'

describe('saturationPressure', () => {
  // Wagner & Pruss (1993; the IAPWS equation of saturation), in hPa; Magnus stays within 0.4 % of it.
  it.each([
    [0, 6.1121],
    [10, 12.2811],
    [15, 17.0568],
  ])('at %d °C', (celsius, hectopascal) => {
    expect(Math.abs(saturationPressure(celsius) / hectopascal - 1)).toBeLessThan(0.004)
  })

  // By the formula with the coefficients of Alduchov & Eskridge (1996) itself.
  it.each([
    [0, 6.1094],
    [10, 12.2602],
    [15, 17.0198],
    [20, 23.3344],
  ])('at %d °C by its own coefficients', (celsius, hectopascal) => {
    expect(saturationPressure(celsius)).toBeCloseTo(hectopascal, 3)
  })
})

describe('dewPoint', () => {
  // Common tables: 20 °C and 50 % → 9.3 °C; 25 °C and 60 % → 16.7 °C.
  it.each([
    [20, 50, 9.3],
    [25, 60, 16.7],
  ])('at %d °C and %d %%', (celsius, humidity, dew) => {
    expect(dewPoint({ celsius, humidity })).toBeCloseTo(dew, 1)
  })

  const air = fc.record({
    celsius: fc.double({ min: -20, max: 45, noNaN: true }),
    humidity: fc.double({ min: 1, max: 100, noNaN: true }),
  })

  it('is where the vapour of the air is just saturated, never above the air', () => {
    fc.assert(
      fc.property(air, (each) => {
        const dew = dewPoint(each)
        expect(dew).toBeLessThanOrEqual(each.celsius + 1e-9)
        expect(saturationPressure(dew)).toBeCloseTo(
          (saturationPressure(each.celsius) * each.humidity) / 100,
          6,
        )
      }),
    )
  })

  it.each([0, -5, 101, Number.NaN])('refuses a humidity of %d', (humidity) => {
    expect(() => dewPoint({ celsius: 20, humidity })).toThrow(RangeError)
  })

  it('rises with humidity, while the drying power falls', () => {
    fc.assert(
      fc.property(air, (each) => {
        const damper = { ...each, humidity: Math.min(100, each.humidity + 1) }
        expect(dewPoint(damper)).toBeGreaterThanOrEqual(dewPoint(each))
        expect(vapourDeficit(damper)).toBeLessThanOrEqual(vapourDeficit(each))
      }),
    )
  })
})

describe('waitFactor', () => {
  it('is one in usual air, and for what does not dry', () => {
    expect(waitFactor({ celsius: 20, humidity: 50 }, 'water')).toBe(1)
    expect(waitFactor({ celsius: 20, humidity: 90 }, 'spirit')).toBe(1)
    expect(waitFactor({ celsius: 5, humidity: 95 }, 'dry')).toBe(1)
  })

  it('lengthens water-borne waits in cold and damp, and oil in the cold alone', () => {
    // 20 °C, 75 %: half the deficit of 50 %, so twice the wait.
    expect(waitFactor({ celsius: 20, humidity: 75 }, 'water')).toBeCloseTo(2, 9)
    expect(waitFactor({ celsius: 10, humidity: 50 }, 'water')).toBeCloseTo(23.3344 / 12.2602, 3)
    expect(waitFactor({ celsius: 10, humidity: 30 }, 'spirit')).toBe(2)
    expect(waitFactor({ celsius: 30, humidity: 50 }, 'spirit')).toBe(0.5)
  })

  it('stays within half and four times, in saturated air as well', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.constantFrom('water' as const, 'spirit' as const),
        (celsius, humidity, carrier) => {
          const factor = waitFactor({ celsius, humidity }, carrier)
          expect(factor).toBeGreaterThanOrEqual(0.5)
          expect(factor).toBeLessThanOrEqual(4)
        },
      ),
    )
  })
})

describe('againstSpraying', () => {
  it.each([
    [20, 50, undefined, []],
    [9, 50, undefined, ['too cold']],
    [31, 40, undefined, ['too hot']],
    [20, 71, undefined, ['too damp']],
    [20, 85, undefined, ['too damp', 'too near the dew point']],
    [20, 50, 12, ['too near the dew point']],
    [5, 95, undefined, ['too cold', 'too damp', 'too near the dew point']],
  ])('at %d °C and %d %%, surface %s', (celsius, humidity, surface, reasons) => {
    expect(againstSpraying({ celsius, humidity }, surface)).toEqual(reasons)
  })
})
