// @vitest-environment jsdom
import type { ProjectId } from '@seriatim/core/units'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, renderHook } from '@testing-library/react'
import type { ReactNode } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import { outbox } from '../outbox/index.ts'
import { isHeard, useNews } from './use-news.ts'

/** A line to the server that opens and breaks when the test says so. */
class Line extends EventTarget {
  static last: Line | null = null
  readyState = 0
  constructor() {
    super()
    Line.last = this
  }
  close(): void {
    this.readyState = 2
  }
}

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
  vi.restoreAllMocks()
})

test('as soon as the server is heard, what waits is sent, and what went by before is asked for', () => {
  vi.stubGlobal('EventSource', Object.assign(Line, { CLOSED: 2 }))
  const flush = vi.spyOn(outbox, 'flush').mockResolvedValue()
  const id = '01930000-0000-7000-8000-000000000001' as ProjectId
  const client = new QueryClient()
  const asked = vi.spyOn(client, 'refetchQueries')
  renderHook(() => useNews(id), {
    wrapper: ({ children }: { readonly children: ReactNode }) => (
      <QueryClientProvider client={client}>{children}</QueryClientProvider>
    ),
  })
  expect(flush).toHaveBeenCalledTimes(0)
  Line.last?.dispatchEvent(new Event('open'))
  expect(isHeard(id)).toBe(true)
  expect(flush).toHaveBeenCalledTimes(1)
  expect(asked).toHaveBeenCalledWith({ queryKey: ['news', id] })
  Line.last?.dispatchEvent(new Event('error'))
  expect(isHeard(id)).toBe(false)
  Line.last?.dispatchEvent(new Event('open'))
  expect(flush).toHaveBeenCalledTimes(2)
})
