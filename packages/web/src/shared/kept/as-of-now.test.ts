import { plainPlanning, plainStep } from '@seriatim/core/trade'
import { expect, it } from 'vitest'
import { asOfNow } from './as-of-now.ts'

it('gives a project of an older release the wishes it did not know, and leaves what it wished', () => {
  const { holders: _, ...older } = { ...plainPlanning, skipShare: 0.3 }
  const { extent: _extent, ...step } = { ...plainStep, id: 'wash', note: 'thin' }
  const recipe = { steps: [step], versions: [{ number: 1, steps: [step] }] }
  expect(asOfNow(['project', 'fen'], { name: 'Fen', planning: older, recipes: [recipe] })).toEqual({
    name: 'Fen',
    recipes: [
      {
        steps: [{ ...step, extent: 'all of it' }],
        versions: [{ number: 1, steps: [{ ...step, extent: 'all of it' }] }],
      },
    ],
    planning: { ...plainPlanning, skipShare: 0.3 },
  })
})

it('takes all else as it was kept', () => {
  expect(asOfNow(['shelf'], [1])).toEqual([1])
})
