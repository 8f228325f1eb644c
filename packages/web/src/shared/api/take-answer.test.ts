import { QueryClient, queryOptions } from '@tanstack/react-query'
import { expect, it, vi } from 'vitest'
import { takeAnswer } from './take-answer.ts'

/** A shelf that is read; each reading ends when it is given what it found. */
function read() {
  const client = new QueryClient()
  const ends: ((found: string) => void)[] = []
  const shelf = queryOptions({
    queryKey: ['shelf'],
    queryFn: () => new Promise<string>((resolve) => ends.push(resolve)),
  })
  const start = () => void client.query(shelf).catch(() => undefined)
  const end = async (reading: number, found: string) => {
    await vi.waitFor(() => expect(ends.length).toBeGreaterThan(reading))
    ends[reading]?.(found)
  }
  return { client, shelf, ends, start, end, seen: () => client.getQueryData(shelf.queryKey) }
}

it('keeps what a write answered where a reading of before it ends later', async () => {
  const { client, shelf, start, end, seen } = read()
  const shown = new Set<unknown>()
  client.getQueryCache().subscribe(() => shown.add(seen()))
  start()
  takeAnswer(client, shelf.queryKey, 'with the wash')
  await end(0, 'without the wash')
  await end(1, 'with the wash, and what another wrote')
  await vi.waitFor(() => expect(seen()).toBe('with the wash, and what another wrote'))
  expect(shown).not.toContain('without the wash')
})

it('asks nothing again where no reading is under way', () => {
  const { client, shelf, ends, seen } = read()
  takeAnswer(client, shelf.queryKey, 'with the wash')
  expect(seen()).toBe('with the wash')
  expect(ends).toHaveLength(0)
})
