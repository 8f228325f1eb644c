import { expect, it } from 'vitest'
import { modelRunText } from './model-run-text.ts'

const said = (...names: readonly string[]) =>
  modelRunText(
    names.map((name) => ({ name })),
    'Pikes',
  )

it('says models by their numbers, runs as a run, and others by name', () => {
  expect(said('Pikes 1', 'Pikes 2', 'Pikes 3', 'Pikes 7', 'Brann', 'Pikes 9', 'Pikes 10')).toBe(
    '1–3, 7, Brann, 9–10',
  )
  expect(said('Pikes two', 'Pikesmen 3', 'Pikes 4')).toBe('Pikes two, Pikesmen 3, 4')
  expect(said('Pike 7', 'Pike 8', 'Pike 9', 'Pike 12', 'Horn')).toBe('Pike 7–9, 12, Horn')
  expect(said()).toBe('')
})
