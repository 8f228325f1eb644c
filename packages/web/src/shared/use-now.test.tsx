import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useNow, useNowOf } from './use-now.ts'

const sevenPast = Date.parse('2026-11-24T19:30:07Z')

beforeEach(() => {
  vi.useFakeTimers({ now: sevenPast })
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

const pass = (milliseconds: number) =>
  act(() => {
    vi.advanceTimersByTime(milliseconds)
  })

it('is the last full ten seconds, anew when the next are full', () => {
  const { result } = renderHook(() => useNow(10))
  expect(result.current).toBe(sevenPast - 7000)
  pass(2000)
  expect(result.current).toBe(sevenPast - 7000)
  pass(1000)
  expect(result.current).toBe(sevenPast + 3000)
})

it('is never before what was just done, and goes on with the next ten seconds', () => {
  const { result, rerender } = renderHook(({ done }) => useNowOf(done, 10), {
    initialProps: { done: 'nothing' },
  })
  pass(1500)
  rerender({ done: 'a coat that was dry already' })
  expect(result.current).toBe(sevenPast + 1500)
  rerender({ done: 'a coat that was dry already' })
  pass(1000)
  expect(result.current).toBe(sevenPast + 1500)
  pass(1000)
  expect(result.current).toBe(sevenPast + 3000)
})
