import { describe, expect, it } from 'vitest'
import { instant } from '@seriatim/core/units'
import { readCsv } from '../../shared/csv/index.ts'
import { airReader } from './air-csv.ts'

const now = instant(Date.parse('2026-11-24T12:00:00Z'))
const readAll = (text: string) => readCsv(text, airReader(now))
const read = (time: string) => readAll(`time,temperature,humidity\n${time},20,50`)
const moment = (time: string) => {
  const [reading] = read(time).values
  return reading ? new Date(reading.at).toISOString() : null
}

describe('airReader', () => {
  it('reads times with one digit of an hour, seconds and offsets', () => {
    expect(moment('2026-11-24 9:00Z')).toBe('2026-11-24T09:00:00.000Z')
    expect(moment('2026-11-24T19:30:15+01:00')).toBe('2026-11-24T18:30:15.000Z')
    expect(read('2026-11-24 9:00').faults).toEqual([])
  })

  it('takes what was read for the desk, what is foretold for outside, and a place where one is given', () => {
    const text = [
      'time,temperature,humidity,place',
      '2026-11-24T11:00Z,20,50,',
      '2026-11-24T13:00Z,8,70,',
      '2026-11-24T11:00Z,5,80,Outdoors',
      '2026-11-24T13:00Z,20,50,attic',
    ]
    expect(readAll(text.slice(0, 4).join('\n')).values.map(({ place }) => place)).toEqual([
      'indoors',
      'outdoors',
      'outdoors',
    ])
    expect(readAll(text.join('\n')).faults).toEqual([
      { line: 5, column: 'place', message: '“attic” is not indoors or outdoors.' },
    ])
  })

  it.each(['2026-02-30 10:00', '2026-13-01 10:00', '2026-11-24 24:30', '24.11.2026 10:00', ''])(
    'refuses %j at its line',
    (time) => {
      const { values, faults } = readAll(`time,temperature,humidity\n\n2026-11-24 10:00,20,50\n${time},20,50`)
      expect(values).toHaveLength(1)
      expect(faults.map(({ line, column }) => [line, column])).toEqual([[4, 'time']])
    },
  )
})
