import { renderHook } from '@testing-library/react'
import { expect, it } from 'vitest'
import { goesOnAsPlanned, isDrawn, usePlanShown, type PlanShown } from './plan-shown.ts'

const project = { id: 'fen' }
const shelf = new Map()
const sources = { project, shelf, readings: [], known: [], progress: 'at six', clock: 0 }
const promised = { finishesAt: 100, exposedSeconds: 5 }
const shownOf = (otherwise: object, asFound: object | null = promised) =>
  ({ sources: { ...sources, ...otherwise }, plan: { stretches: [], asFound } }) as unknown as PlanShown
const before = shownOf({})
const minutes = (count: number) => count * 60_000

it('goes on as planned for an hour of ticks, and by the clock alone for as long as the plan holds', () => {
  expect(goesOnAsPlanned(before, shownOf({ progress: 'a tick later', clock: minutes(59) }))).toBe(true)
  expect(goesOnAsPlanned(before, shownOf({ progress: 'a tick later', clock: minutes(60) }))).toBe(false)
  expect(goesOnAsPlanned(before, shownOf({ clock: minutes(600) }))).toBe(true)
})

it.each([
  ['the project', shownOf({ project: { ...project } })],
  ['the shelf', shownOf({ shelf: new Map() })],
  ['the air', shownOf({ readings: [{}] })],
  ['the pace', shownOf({ known: [{}] })],
  ['what the plan promises', shownOf({}, { ...promised, finishesAt: 200 })],
  ['a plan that promises nothing', shownOf({}, null)],
])('is another where it is of another: %s', (_, now) => {
  expect(goesOnAsPlanned(before, now)).toBe(false)
})

it('shows what is known, until something has changed', () => {
  isDrawn(before)
  const { result, rerender } = renderHook(({ sources: given, plan }) => usePlanShown(given, plan), {
    initialProps: shownOf({ progress: 'a tick later', clock: minutes(1) }),
  })
  expect(result.current).toBe(before)
  const changed = shownOf({ project: { ...project } })
  rerender(changed)
  expect(result.current).toEqual(changed)
})
