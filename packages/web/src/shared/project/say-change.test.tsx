import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { Toaster } from 'sonner'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { sayChange } from './say-change.ts'

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'requestAnimationFrame', 'Date'] })
  render(<Toaster duration={5000} />)
})
afterEach(async () => {
  await say('')
  await pass(1000)
  cleanup()
  vi.useRealTimers()
})

const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms))
const say = async (said: string, undo: (() => void) | null = null) => {
  act(() => sayChange(said, undo))
  await pass(50)
}

test('a later change is said in place of an earlier one', async () => {
  await say('Skin is now stage 5.')
  await say('Skin is now stage 4.')
  expect(screen.queryByText('Skin is now stage 5.')).toBeNull()
  expect(screen.getByText('Skin is now stage 4.')).toBeTruthy()
})

test('what is said while the toast before leaves, by its Undo, stays', async () => {
  const undo = vi.fn()
  await say('Skin is now stage 5.', undo)
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }))
  expect(undo).toHaveBeenCalledOnce()
  await say('Grade is now stage 3.')
  await pass(1000)
  expect(screen.getByText('Grade is now stage 3.')).toBeTruthy()
  expect(screen.queryByText('Skin is now stage 5.')).toBeNull()
})

test('what is said as the toast before runs out stays', async () => {
  await say('Skin is now stage 5.')
  await pass(4990)
  await say('Grade is now stage 3.')
  await pass(1000)
  expect(screen.getByText('Grade is now stage 3.')).toBeTruthy()
})

test('an empty word takes off what was said, and what comes after it stays', async () => {
  await say('Skin is now stage 5.')
  await say('')
  await say('Grade is now stage 3.')
  await pass(1000)
  expect(screen.queryByText('Skin is now stage 5.')).toBeNull()
  expect(screen.getByText('Grade is now stage 3.')).toBeTruthy()
})
