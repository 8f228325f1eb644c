import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import { CommitField } from './commit-field.tsx'

const onCommit = vi.fn<(text: string) => void>()
afterEach(() => {
  cleanup()
  onCommit.mockReset()
})

const field = (value: string) => (
  <CommitField
    label="Pots"
    value={value}
    check={(text) => (/^\d+$/.test(text) ? null : 'Give a number.')}
    onCommit={onCommit}
  />
)

test('it writes when it is left or on Enter, not with each key', async () => {
  const user = userEvent.setup()
  render(field('3'))
  await user.type(screen.getByLabelText('Pots'), '4')
  expect(onCommit).not.toHaveBeenCalled()
  await user.keyboard('{Enter}')
  expect(onCommit.mock.calls).toEqual([['34']])
})

test('what is wrong stays in view and is not written; what did not change is not written', async () => {
  const user = userEvent.setup()
  render(field('3'))
  const input = screen.getByLabelText('Pots')
  await user.clear(input)
  await user.tab()
  expect(screen.getByRole('alert').textContent).toBe('Give a number.')
  await user.type(input, '3')
  await user.tab()
  expect(onCommit).not.toHaveBeenCalled()
})

test('a value that changes elsewhere is shown', () => {
  const { rerender } = render(field('3'))
  rerender(field('7'))
  expect(screen.getByLabelText<HTMLInputElement>('Pots').value).toBe('7')
})
