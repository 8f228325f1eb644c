import type { HoleState } from '@seriatim/core/progress'
import type { Instant } from '@seriatim/core/units'
import { cleanup, render, screen } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { PunchStrip } from './punch-strip.tsx'

afterEach(cleanup)

const now = 0 as Instant
const touchUp: HoleState = { kind: 'touch-up', note: '', region: null }

/** The strip as drawn: how many of what at a time. */
function drawn(states: readonly HoleState[], more: { stopAfter?: number; lit?: number } = {}) {
  const holes = states.map((state, index) => ({
    id: String(index),
    state,
    stopLine: index === more.stopAfter,
  }))
  render(<PunchStrip label="strip" holes={holes} now={now} size={12} lit={more.lit?.toString()} />)
  return [...screen.getByRole('img', { name: 'strip' }).querySelectorAll<HTMLElement>('[data-state]')].map(
    (each) => `${each.style.getPropertyValue('--count') || '1'} ${each.dataset['state'] ?? ''}`,
  )
}

const done: HoleState = { kind: 'done' }
const toDo: HoleState = { kind: 'to-do' }

test('holes that are alike are drawn as one, and every hole is there once', () => {
  expect(drawn([done, done, done, { kind: 'not-needed' }, toDo, toDo])).toEqual([
    '3 done',
    '1 not-needed',
    '2 to-do',
  ])
})

test('what has more to tell stands alone, though its neighbour is of its kind', () => {
  expect(drawn([done, touchUp, touchUp, done])).toEqual(['1 done', '1 touch-up', '1 touch-up', '1 done'])
})

test('the stop line and the chosen stage are seen at their own hole', () => {
  expect(drawn([done, done, done, done, done, done], { stopAfter: 1, lit: 4 })).toEqual([
    '1 done',
    '1 done',
    '2 done',
    '1 done',
    '1 done',
  ])
})
