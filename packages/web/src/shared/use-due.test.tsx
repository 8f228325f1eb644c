import { act, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { useDue } from './use-due.ts'
import { useNowBefore } from './use-now.ts'
import { instant } from '@seriatim/core/units'

const seven = Date.parse('2026-11-24T19:30:00Z')

beforeEach(() => {
  vi.useFakeTimers({ now: seven })
})
afterEach(() => {
  vi.useRealTimers()
})

const pass = (milliseconds: number) =>
  act(() => {
    vi.advanceTimersByTime(milliseconds)
  })

it('says what comes while the page is open, once, and draws nothing meanwhile', () => {
  const came: string[] = []
  let drawn = 0
  const list = [
    { key: 'past', at: seven - 1000 },
    { key: 'soon', at: seven + 2500 },
    { key: 'later', at: seven + 60_000 },
  ]
  const onDue = ({ key }: { key: string }) => came.push(key)
  const { rerender, unmount } = renderHook(
    ({ due }) => {
      drawn += 1
      useDue(due, onDue)
    },
    { initialProps: { due: list } },
  )
  pass(2000)
  expect(came).toEqual([])
  pass(2000)
  expect(came).toEqual(['soon'])
  rerender({ due: [...list] })
  pass(10_000)
  expect(came).toEqual(['soon'])
  expect(drawn).toBe(2)
  unmount()
})

it('counts by the second only in the last minutes before a moment', () => {
  const until = instant(seven + 300_000)
  const { result, unmount } = renderHook(() => until - useNowBefore(until))
  pass(61_000)
  expect(result.current).toBe(240_000)
  pass(180_000)
  expect(result.current).toBe(59_000)
  unmount()
})
