import { newsStream } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { QueryClient, QueryClientProvider, QueryObserver } from '@tanstack/react-query'
import { cleanup, renderHook, waitFor } from '@testing-library/react'
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

const id = '01930000-0000-7000-8000-000000000001' as ProjectId

function hear(client: QueryClient) {
  vi.stubGlobal('EventSource', Object.assign(Line, { CLOSED: 2 }))
  renderHook(() => useNews(id), {
    wrapper: ({ children }: { readonly children: ReactNode }) => (
      <QueryClientProvider client={client}>{children}</QueryClientProvider>
    ),
  })
}

test('as soon as the server is heard, what waits is sent, and what went by before is asked for', () => {
  const flush = vi.spyOn(outbox, 'flush').mockResolvedValue()
  const client = new QueryClient()
  const asked = vi.spyOn(client, 'refetchQueries')
  hear(client)
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

test.for([
  ['the line opens', new Event('open')],
  ['news come', new MessageEvent(newsStream.event, { data: 'another device' })],
] as const)(
  'when %s while the page’s first asking is under way, it is asked once more after it',
  async ([, event]) => {
    vi.spyOn(outbox, 'flush').mockResolvedValue()
    const client = new QueryClient()
    const answers: ((last: number) => void)[] = []
    const queryFn = () => new Promise<number>((answer) => answers.push(answer))
    hear(client)
    new QueryObserver(client, { queryKey: ['news', id], queryFn }).subscribe(() => undefined)
    expect(answers).toHaveLength(1)
    Line.last?.dispatchEvent(event)
    answers[0]?.(7)
    await waitFor(() => expect(answers).toHaveLength(2))
    answers[1]?.(8)
    await waitFor(() => expect(client.getQueryData(['news', id])).toBe(8))
    expect(answers).toHaveLength(2)
  },
)
