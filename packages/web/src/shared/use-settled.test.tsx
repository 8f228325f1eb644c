import { act, cleanup, fireEvent, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useSettled } from './use-settled.ts'

const rests = { atFirst: 1000, later: 4000 }

beforeEach(() => {
  vi.useFakeTimers()
})
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

const settling = (value: string | null) =>
  renderHook((props) => useSettled(props.value, rests), { initialProps: { value } })

const pass = (milliseconds: number) =>
  act(() => {
    vi.advanceTimersByTime(milliseconds)
  })

it('is the first value soon, and another one later', () => {
  const { result, rerender } = settling('plan')
  pass(999)
  expect(result.current).toBeNull()
  pass(1)
  expect(result.current).toBe('plan')
  rerender({ value: 'another plan' })
  pass(3999)
  expect(result.current).toBe('plan')
  pass(1)
  expect(result.current).toBe('another plan')
})

it('waits until the hands rest', () => {
  const { result } = settling('plan')
  pass(900)
  fireEvent.pointerDown(document.body)
  pass(900)
  fireEvent.keyDown(document.body, { key: 'n' })
  pass(900)
  expect(result.current).toBeNull()
  pass(100)
  expect(result.current).toBe('plan')
})

it('waits for fifteen seconds at most, whatever changes and whoever taps', () => {
  const { result, rerender } = settling('0')
  for (let count = 1; count <= 29; count++) {
    pass(500)
    fireEvent.pointerDown(document.body)
    rerender({ value: String(count) })
  }
  expect(result.current).toBeNull()
  pass(500)
  expect(result.current).toBe('29')
})

it('forgets a value that is gone before it is taken over', () => {
  const { result, rerender } = settling('plan')
  pass(900)
  rerender({ value: null })
  pass(5000)
  expect(result.current).toBeNull()
  rerender({ value: 'another plan' })
  pass(1000)
  expect(result.current).toBe('another plan')
})

it('counts from the change that it waits for', () => {
  const { result, rerender } = settling('plan')
  pass(1000)
  rerender({ value: 'another plan' })
  pass(3000)
  rerender({ value: 'plan' })
  pass(20_000)
  rerender({ value: 'a third plan' })
  pass(3999)
  expect(result.current).toBe('plan')
  pass(1)
  expect(result.current).toBe('a third plan')
})
