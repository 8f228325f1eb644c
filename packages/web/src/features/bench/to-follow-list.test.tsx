import type { ToFollow } from '@seriatim/core/progress'
import type { Batch, Stage } from '@seriatim/core/trade'
import { addSeconds, instant, type ModelId } from '@seriatim/core/units'
import { act, cleanup, render, screen } from '@testing-library/react'
import { Toaster } from 'sonner'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { ToFollowList } from './ToFollowList.tsx'

const now = instant(Date.parse('2026-11-24T20:00:00Z'))
beforeEach(() => {
  vi.useFakeTimers({ now })
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

const pass = (seconds: number) => act(() => vi.advanceTimersByTimeAsync(seconds * 1000))
const waiting = (unitName: string, seconds: number): ToFollow => {
  const modelIds = ['a', 'b'] as unknown as ModelId[]
  const until = addSeconds(now, seconds)
  return {
    batch: { id: unitName, unitName, number: 1, of: 1, models: [] } as unknown as Batch,
    stage: { id: 'wash', name: 'Oil wash' } as Stage,
    next: { id: 'wipe', name: 'Wipe back' } as Stage,
    modelIds,
    untilOf: new Map(modelIds.map((id) => [id, until])),
    until,
  }
}
const rows = () => screen.getAllByRole('listitem').filter((row) => row.classList.contains('ticket'))

test('it counts down to the limit, presses in the last minute, and says so once', async () => {
  const again = vi.fn()
  render(
    <>
      <Toaster />
      <ToFollowList waiting={[waiting('Pikes', 90)]} timeZone="UTC" onAgain={again} />
    </>,
  )
  expect(rows()[0]?.textContent).toBe('Wipe backPikes, 2 models1:30by 20:01')
  expect(rows()[0]?.classList.contains('is-pressing')).toBe(false)
  await pass(32)
  expect(rows()[0]?.classList.contains('is-pressing')).toBe(true)
  expect(screen.getAllByText('Wipe back now: Pikes bears one minute more.')).toHaveLength(1)
  await pass(60)
  expect(rows()[0]?.textContent).toContain('since 20:01: look before you go on')
  screen.getByRole('button', { name: 'Oil wash again: Pikes' }).click()
  expect(again).toHaveBeenCalledWith(expect.objectContaining({ modelIds: ['a', 'b'] }))
})

test('without anything to follow there is nothing', () => {
  const { container } = render(<ToFollowList waiting={[]} timeZone="UTC" onAgain={vi.fn()} />)
  expect(container.textContent).toBe('')
})
