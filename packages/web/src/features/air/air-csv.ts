import type { AirReading } from '@seriatim/contract'
import { airPlaces, type AirPlace } from '@seriatim/core/air'
import type { Instant } from '@seriatim/core/units'
import { decimalOf, momentOf, type CsvReader } from '../../shared/csv/index.ts'

const needed = ['time', 'temperature', 'humidity'] as const
const columns = [...needed, 'place'] as const
const most = 10_000

/**
 * What a thermo-hygrometer saved or a forecast says: time, temperature in °C, humidity in %, hourly or otherwise, and where
 * it was read. Without a place what was read is the desk's, and what is foretold is of outside. A time without an offset is
 * taken for this machine's wall clock; where that clock is put back, for the first of both.
 */
export function airReader(now: Instant): CsvReader<AirReading, (typeof columns)[number]> {
  return {
    columns,
    needed,
    usualOrder: null,
    most,
    begin: () => (cell, complain) => {
      const at = momentOf(cell('time'))
      const celsius = decimalOf(cell('temperature').replace(/\s*°?\s*C$/i, ''))
      const humidity = decimalOf(cell('humidity').replace(/\s*%$/, ''))
      const place = placeOf(cell('place'), at !== null && at > now)
      if (at === null) complain('time', `“${cell('time')}” is not a time such as 2026-11-24 19:00.`)
      if (celsius === null || celsius < -60 || celsius > 70)
        complain('temperature', `“${cell('temperature')}” is not a temperature from −60 to 70 °C.`)
      if (humidity === null || humidity < 1 || humidity > 100)
        complain('humidity', `“${cell('humidity')}” is not a humidity from 1 to 100 %.`)
      if (place === null) complain('place', `“${cell('place')}” is not indoors or outdoors.`)
      return at !== null && celsius !== null && humidity !== null && place !== null
        ? { at, celsius, humidity, place, source: 'file' }
        : null
    },
  }
}

function placeOf(text: string, foretold: boolean): AirPlace | null {
  const said = text.trim().toLowerCase()
  if (said === '') return foretold ? 'outdoors' : 'indoors'
  return airPlaces.find((place) => place === said) ?? null
}
