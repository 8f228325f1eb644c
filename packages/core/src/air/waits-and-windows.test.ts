import { describe, expect, it } from 'vitest'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import { footRecipe, testShelf } from '../testing/recipes.ts'
import type { RecipeId, StepId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { dewPoint } from './air.ts'
import { airNow, carriersIn, lineInAir, type AirAt, type AirPlace } from './line-in-air.ts'
import { simulatedAir } from './simulated-air.ts'
import { airOfCans, sprayWindows } from './spray-windows.ts'

const hours = (count: number) => addSeconds(noon, count * 3600)
const reading = (hour: number, celsius: number, humidity: number, place: AirPlace = 'indoors'): AirAt => ({
  at: hours(hour),
  place,
  celsius,
  humidity,
})

describe('airNow', () => {
  it('is the newest reading that is not to come, and none that is half a day old', () => {
    const readings = [reading(-2, 18, 50), reading(-5, 10, 50), reading(1, 30, 30)]
    expect(airNow(readings, noon, 'indoors')?.celsius).toBe(18)
    expect(airNow(readings, hours(-2.5), 'indoors')?.celsius).toBe(10)
    expect(airNow([reading(-13, 18, 50)], noon, 'indoors')).toBeNull()
    expect(airNow([], noon, 'indoors')).toBeNull()
  })

  it('takes no air from outside for that at the desk', () => {
    const readings = [reading(-3, 20, 45), reading(-1, 4, 90, 'outdoors')]
    expect(airNow(readings, noon, 'indoors')?.celsius).toBe(20)
    expect(airNow(readings, noon, 'outdoors')?.celsius).toBe(4)
    expect(airNow([reading(-1, 4, 90, 'outdoors')], noon, 'indoors')).toBeNull()
  })
})

describe('lineInAir', () => {
  const recipe = footRecipe([
    ['coat', 'moss green', 'base coat'],
    ['coat', 'umber oil', 'pin wash'],
  ])
  const ref = (step: string) => ({ recipeId: 'recipe' as RecipeId, stepId: step as StepId })
  const line = [
    stage('moss', { ...drying(10), steps: [ref('step 0')] }),
    stage('oil', { ...drying(60), steps: [ref('step 1')] }),
    stage('river grit', drying(30)),
    stage('unknown', drying(20)),
  ]
  const given = project([unit('pikes', 2)], line, { recipes: [recipe] })
  const waits = (celsius: number, humidity: number) =>
    lineInAir(given, testShelf, { celsius, humidity }).map((each) => each.dryingMinSeconds / 60)

  it('knows what thins a stage, by recipe or by name', () => {
    expect(line.map(carriersIn(given, testShelf))).toEqual(['water', 'spirit', 'dry', 'water'])
  })

  it('leaves waits as written without a reading, and at 20 °C and 50 %', () => {
    expect(lineInAir(given, testShelf, null)).toBe(line)
    expect(waits(20, 50)).toEqual([10, 60, 30, 20])
  })

  it('lengthens water-borne waits in damp air, those of oil in the cold, and neither of grit', () => {
    const damp = waits(20, 75)
    expect(damp[0]).toBe(20)
    expect(damp[1]).toBe(60)
    const cold = waits(10, 50)
    expect(cold[1]).toBe(120)
    expect(cold[2]).toBe(30)
  })
})

describe('sprayWindows', () => {
  it('joins hours alike, names what speaks against, and says nothing where nothing was read', () => {
    const readings = [
      reading(0, 8, 60),
      reading(1, 9, 60),
      reading(2, 15, 60),
      reading(3, 16, 55),
      reading(4, 12, 90),
      reading(12, 15, 50),
    ]
    expect(sprayWindows(readings.toReversed(), noon, hours(24))).toEqual([
      { from: noon, until: hours(2), against: ['too cold'] },
      { from: hours(2), until: hours(4), against: [] },
      { from: hours(4), until: hours(5), against: ['too damp', 'too near the dew point'] },
      { from: hours(12), until: hours(13), against: [] },
    ])
  })

  it('is cut to what is asked for', () => {
    const windows = sprayWindows([reading(0, 20, 50), reading(2, 20, 50)], hours(1), hours(2.5))
    expect(windows).toEqual([{ from: hours(1), until: hours(2.5), against: [] }])
    expect(sprayWindows([], noon, hours(9))).toEqual([])
  })
})

describe('airOfCans', () => {
  it('is that outside, and that at the desk where nobody reads the other', () => {
    const [desk, outside] = [reading(0, 20, 45), reading(0, 4, 90, 'outdoors')]
    expect(airOfCans([desk, outside])).toEqual([outside])
    expect(airOfCans([desk])).toEqual([desk])
  })
})

describe('simulatedAir', () => {
  it('is the same for the same seed, hourly, and possible air', () => {
    const air = simulatedAir(noon, 240, 5)
    expect(air).toEqual(simulatedAir(noon, 240, 5))
    expect(air).not.toEqual(simulatedAir(noon, 240, 6))
    expect(air).toHaveLength(480)
    air.forEach((each, index) => {
      expect(each.at).toBe(hours(Math.floor(index / 2)))
      expect(each.place).toBe(index % 2 === 0 ? 'outdoors' : 'indoors')
      expect(each.humidity).toBeGreaterThanOrEqual(1)
      expect(each.humidity).toBeLessThanOrEqual(100)
      expect(dewPoint(each)).toBeLessThanOrEqual(each.celsius)
    })
  })

  it('is warmer in the room than outside, and the drier for it, with the same water in it', () => {
    const air = simulatedAir(noon, 48, 3)
    for (let index = 0; index < air.length; index += 2) {
      const [outside, inside] = [air[index]!, air[index + 1]!]
      expect(inside.celsius).toBeGreaterThanOrEqual(20)
      expect(inside.humidity).toBeLessThanOrEqual(outside.humidity)
      // Whole per cent move a dew point by a degree where the air is dry.
      expect(Math.abs(dewPoint(inside) - dewPoint(outside))).toBeLessThan(1)
    }
  })

  it('has spray weather and hours without it', () => {
    const windows = sprayWindows(airOfCans(simulatedAir(noon, 144, 2)), noon, hours(144))
    expect(windows.some((each) => each.against.length === 0)).toBe(true)
    expect(windows.some((each) => each.against.length > 0)).toBe(true)
  })
})
