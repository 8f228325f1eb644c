import type { AirReading } from '@seriatim/contract'
import { instant } from '@seriatim/core/units'
import { expect, it } from 'vitest'
import { takenBack } from './taken-back.ts'

const reading = (minute: number, celsius: number, some: Partial<AirReading> = {}): AirReading => ({
  at: instant(minute * 60_000),
  celsius,
  humidity: 50,
  place: 'indoors',
  source: 'file',
  ...some,
})

it('gives back what stood at the same moment and place, and nothing where nothing did', () => {
  const typed = reading(1, 18, { source: 'typed' })
  const elsewhere = reading(2, 4, { place: 'outdoors' })
  const taken = [reading(1, 19), reading(2, 20)]
  expect(takenBack(taken, [typed, elsewhere])).toEqual([
    { reading: taken[0], before: { celsius: 18, humidity: 50, source: 'typed' } },
    { reading: taken[1], before: null },
  ])
})

it('of two readings for one moment takes back the one that stands', () => {
  const [first, second] = [reading(1, 19), reading(1, 20)]
  expect(takenBack([first, second], [])).toEqual([{ reading: second, before: null }])
})
