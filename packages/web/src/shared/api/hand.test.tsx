import type { ProjectId } from '@seriatim/core/units'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, cleanup, renderHook, screen, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import { Toaster } from 'sonner'
import { afterEach, expect, test, vi } from 'vitest'
import { useBringRates, useHand } from './hand.ts'

afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const id = '01930000-0000-7000-8000-000000000009' as ProjectId
const glaze = { technique: 'glaze', size: 'foot', factor: 1.25, laps: 40 } as const

test('once rates are said to be brought, the page has them: what is done next is done with them', async () => {
  const answers = [
    Response.json({ brought: [], lessons: [], elsewhere: [] }),
    Response.json({ brought: [glaze] }),
  ]
  // Asked anew after that, the server takes its time.
  vi.stubGlobal('fetch', () => answers.shift() ?? new Promise(() => undefined))
  const client = new QueryClient()
  const { result } = renderHook(() => ({ hand: useHand(id), bring: useBringRates() }), {
    wrapper: ({ children }: { readonly children: ReactNode }) => (
      <QueryClientProvider client={client}>
        {children}
        <Toaster />
      </QueryClientProvider>
    ),
  })
  await waitFor(() => expect(result.current.hand.data?.brought).toEqual([]))
  act(() => result.current.bring.mutate({ rates: [glaze], said: '1 rate brought.' }))
  await screen.findByText('1 rate brought.')
  expect(result.current.hand.data?.brought).toEqual([glaze])
})
