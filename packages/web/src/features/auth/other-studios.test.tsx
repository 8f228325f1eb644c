import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeEach, expect, test, vi, type MockInstance } from 'vitest'
import * as me from '../../shared/api/me.ts'
import { outbox } from '../../shared/outbox/index.ts'
import { OtherStudios } from './OtherStudios.tsx'

const weir = { id: '01930000-0000-7000-8000-000000000001', name: 'Below the weir', isAsked: false }
const fen = { id: '01930000-0000-7000-8000-000000000002', name: 'Across the fen', isAsked: true }

let chooseStudio: MockInstance<typeof me.chooseStudio>
beforeEach(() => {
  chooseStudio = vi.spyOn(me, 'chooseStudio')
  waits(0)
})
afterEach(() => {
  cleanup()
  vi.restoreAllMocks()
})

function waits(entries: number) {
  const waiting = Array.from({ length: entries }, () => ({}) as never)
  const state = { waiting, refused: [], trouble: null, unsaved: 0 }
  vi.spyOn(outbox, 'getState').mockReturnValue(state)
}

const shown = () =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <OtherStudios studios={[weir, fen]} />
    </QueryClientProvider>,
  )

test('one that asks is joined, one of theirs is gone to', async () => {
  // It stays open: the page is left only once the server has said so.
  chooseStudio.mockReturnValue(new Promise(() => undefined))
  shown()
  expect(screen.getByRole('button', { name: /^Go to\s*Below the weir$/ })).toBeDefined()
  await userEvent.click(screen.getByRole('button', { name: /^Join\s*Across the fen$/ }))
  expect(chooseStudio.mock.calls.map(([id]) => id)).toEqual([fen.id])
  // Not twice, and not to two at once.
  for (const button of screen.getAllByRole('button')) expect(button).toHaveProperty('disabled', true)
})

test('what waits is delivered to the studio it is of before somebody goes to another', async () => {
  waits(2)
  shown()
  expect(screen.getByText(/^2 entries of this studio are not delivered yet/)).toBeDefined()
  await userEvent.click(screen.getByRole('button', { name: /^Go to\s*Below the weir$/ }))
  expect(chooseStudio).not.toHaveBeenCalled()
})

test('where the server does not let them go it says why, and the page stays', async () => {
  chooseStudio.mockRejectedValue(new Error('You belong to no studio of this kind.'))
  shown()
  await userEvent.click(screen.getByRole('button', { name: /^Go to\s*Below the weir$/ }))
  expect((await screen.findByRole('alert')).textContent).toBe('You belong to no studio of this kind.')
  expect(screen.getByRole('button', { name: /^Go to\s*Below the weir$/ })).toHaveProperty('disabled', false)
})
