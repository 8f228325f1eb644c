import { plainPlanning } from '@seriatim/core/trade'
import { expect, it } from 'vitest'
import { asOfNow } from './as-of-now.ts'

it('gives a project of an older release the wishes it did not know, and leaves what it wished', () => {
  const { holders: _, ...older } = { ...plainPlanning, skipShare: 0.3 }
  expect(asOfNow(['project', 'fen'], { name: 'Fen', planning: older })).toEqual({
    name: 'Fen',
    planning: { ...plainPlanning, skipShare: 0.3 },
  })
})

it('takes all else as it was kept', () => {
  expect(asOfNow(['shelf'], [1])).toEqual([1])
})
