import { describe, expect, it } from 'vitest'
import { parseAirCsv } from './parse-air-csv.ts'

const read = (time: string) => parseAirCsv(`time,temperature,humidity\n${time},20,50`)
const moment = (time: string) => {
  const [reading] = read(time).readings
  return reading ? new Date(reading.at).toISOString() : null
}

describe('parseAirCsv', () => {
  it('reads times with one digit of an hour, seconds and offsets', () => {
    expect(moment('2026-11-24 9:00Z')).toBe('2026-11-24T09:00:00.000Z')
    expect(moment('2026-11-24T19:30:15+01:00')).toBe('2026-11-24T18:30:15.000Z')
    expect(read('2026-11-24 9:00').faults).toEqual([])
  })

  it.each(['2026-02-30 10:00', '2026-13-01 10:00', '2026-11-24 24:30', '24.11.2026 10:00', ''])(
    'refuses %j at its line',
    (time) => {
      const { readings, faults } = parseAirCsv(
        `time,temperature,humidity\n\n2026-11-24 10:00,20,50\n${time},20,50`,
      )
      expect(readings).toEqual([])
      expect(faults.map(({ line, column }) => [line, column])).toEqual([[4, 'time']])
    },
  )
})
