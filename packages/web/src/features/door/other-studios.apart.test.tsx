// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { chooseStudio } from '../../shared/api/index.ts'
import { useOutbox } from '../../shared/outbox/index.ts'
import { OtherStudios } from './OtherStudios.tsx'

vi.mock(import('../../shared/api/index.ts'))
vi.mock(import('../../shared/outbox/index.ts'))
vi.mock(import('../../shared/kept/index.ts'))

const weir = { id: '01930000-0000-7000-8000-000000000001', name: 'Below the weir', isAsked: false }
const fen = { id: '01930000-0000-7000-8000-000000000002', name: 'Across the fen', isAsked: true }

beforeEach(() => waits(0))
afterEach(() => {
  cleanup()
  vi.mocked(chooseStudio).mockReset()
})

function waits(entries: number) {
  const waiting = Array.from({ length: entries }, () => ({}) as never)
  vi.mocked(useOutbox).mockReturnValue({ waiting, refused: [], trouble: null, unsaved: 0 })
}

const shown = () =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <OtherStudios studios={[weir, fen]} />
    </QueryClientProvider>,
  )

test('one that asks is joined, one of theirs is gone to', async () => {
  // It stays open: the page is left only once the server has said so.
  vi.mocked(chooseStudio).mockReturnValue(new Promise(() => undefined))
  shown()
  expect(screen.getByRole('button', { name: /^Go to\s*Below the weir$/ })).toBeDefined()
  await userEvent.click(screen.getByRole('button', { name: /^Join\s*Across the fen$/ }))
  expect(vi.mocked(chooseStudio).mock.calls.map(([id]) => id)).toEqual([fen.id])
  // Not twice, and not to two at once.
  for (const button of screen.getAllByRole('button')) expect(button).toHaveProperty('disabled', true)
})

test('what waits is delivered to the studio it is of before somebody goes to another', async () => {
  waits(2)
  shown()
  expect(screen.getByText(/^2 entries of this studio are not delivered yet/)).toBeDefined()
  await userEvent.click(screen.getByRole('button', { name: /^Go to\s*Below the weir$/ }))
  expect(vi.mocked(chooseStudio)).not.toHaveBeenCalled()
})

test('where the server does not let them go it says why, and the page stays', async () => {
  vi.mocked(chooseStudio).mockRejectedValue(new Error('You belong to no studio of this kind.'))
  shown()
  await userEvent.click(screen.getByRole('button', { name: /^Go to\s*Below the weir$/ }))
  expect((await screen.findByRole('alert')).textContent).toBe('You belong to no studio of this kind.')
  expect(screen.getByRole('button', { name: /^Go to\s*Below the weir$/ })).toHaveProperty('disabled', false)
})
