import { routes } from '@seriatim/contract'
import { usualPriceList } from '@seriatim/core/money'
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { cleanup, render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { PricesForm } from './PricesForm.tsx'

/** Bodies of what was asked to be kept. */
const kept: unknown[] = []

beforeEach(() => {
  kept.length = 0
  vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
    const body = typeof init.body === 'string' ? (JSON.parse(init.body) as unknown) : null
    if (body !== null) kept.push(body)
    const answer = url.endsWith('/api/prices')
      ? (body ?? routes.readPrices.answer.encode({ prices: usualPriceList, revision: 4 }))
      : { projects: [] }
    return Promise.resolve(Response.json(answer))
  })
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

async function open() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } })
  render(
    <QueryClientProvider client={client}>
      <PricesForm />
    </QueryClientProvider>,
  )
  const hour = await screen.findByLabelText<HTMLInputElement>('An hour at the desk')
  const user = userEvent.setup()
  const write = async (label: string, text: string) => {
    await user.clear(screen.getByLabelText(label))
    await user.type(screen.getByLabelText(label), text)
  }
  return {
    user,
    write,
    hour,
    keep: () => user.click(screen.getByRole('button', { name: 'Keep these prices' })),
  }
}

test('money is written as people write it, and kept in its smallest coin', async () => {
  const { write, hour, keep } = await open()
  expect(hour.value).toBe('20.00')
  await write('An hour at the desk', '23,5')
  await write('Contingency, %', '7,5')
  await keep()
  expect(kept).toMatchObject([
    { prices: { hour: 2350, contingency: 0.075, pot: usualPriceList.pot }, revision: 4 },
  ])
})

test('what cannot be a price is said at its field, and nothing is kept', async () => {
  const { write, keep } = await open()
  await write('Currency', 'coins')
  await write('Margin, %', '-95')
  await keep()
  expect(screen.getAllByRole('alert').map((each) => each.textContent)).toEqual([
    'Give a currency by its three letters: EUR.',
    'From −90 to 900 per cent.',
  ])
  await write('Currency', 'EUR')
  await write('Margin, %', '10')
  await write('The box', '-1')
  await keep()
  expect(screen.getByRole('alert').textContent).toBe('Give an amount: 20.00.')
  expect(kept).toEqual([])
})

test('a margin below nothing is said while it is written', async () => {
  const { write } = await open()
  expect(screen.queryByText(/paid for by the studio/)).toBeNull()
  await write('Margin, %', '-5')
  expect(screen.getByText(/paid for by the studio/)).toBeTruthy()
})
