import { addSeconds, type Instant, seededRandom } from '../units/index.ts'
import { saturationPressure, type Air } from './air.ts'
import type { AirAt } from './line-in-air.ts'

const hour = 3600

const heated = 20

/** The same water in a heated room: warmer than outside, and the drier for it. */
function inTheRoom({ celsius, humidity }: Air): Air {
  const warm = Math.max(heated, celsius)
  const pressure = (saturationPressure(celsius) * humidity) / 100
  return { celsius: warm, humidity: Math.round((100 * pressure) / saturationPressure(warm)) }
}

/**
 * What two thermo-hygrometers, one outside and one at the desk, would show hour by hour: a stand-in for the devices, of
 * our own making. A day's swing around a mean that drifts, and an amount of water in the air that drifts too; warm hours
 * are dry and nights damp because of that alone. One seed, one answer.
 */
export function simulatedAir(from: Instant, hours: number, seed: number): readonly AirAt[] {
  const random = seededRandom(seed)
  let mean = 12 + 4 * random()
  let pressure = 8 + 3 * random()
  return Array.from({ length: hours }, (_, index): AirAt[] => {
    const at = addSeconds(from, index * hour)
    const ofDay = ((at / 1000) % (24 * hour)) / hour
    mean += 0.5 * (random() - 0.5) + 0.02 * (13 - mean)
    pressure = Math.max(4, pressure + 0.6 * (random() - 0.5) + 0.04 * (9.5 - pressure))
    const celsius = mean + 4.5 * Math.cos((2 * Math.PI * (ofDay - 15)) / 24) + 0.4 * (random() - 0.5)
    const humidity = Math.min(98, (100 * pressure) / saturationPressure(celsius))
    const outside = { celsius: Math.round(celsius * 10) / 10, humidity: Math.round(humidity) }
    return [
      { at, place: 'outdoors', ...outside },
      { at, place: 'indoors', ...inTheRoom(outside) },
    ]
  }).flat()
}
