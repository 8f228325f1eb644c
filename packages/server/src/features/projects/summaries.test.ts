import { Figures } from '@seriatim/core/estimating'
import { starterShelf } from '@seriatim/core/presets'
import type { ProjectId } from '@seriatim/core/units'
import { v7 } from 'uuid'
import { afterAll, beforeAll, beforeEach, expect, it, vi } from 'vitest'
import { punched, startTestServer, testNow } from '../../testing/test-server.ts'
import * as shelfService from '../shelf/service.ts'
import { createSummaries } from './summaries.ts'

const { readShelf } = shelfService
const estimated = vi.spyOn(Figures, 'of')
const shelfRead = vi.spyOn(shelfService, 'readShelf')

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
  for (const isBegun of [true, false, false]) {
    const { path, line, unit } = await server.seed()
    if (isBegun)
      await server.call('POST', `${path}/events`, { events: [punched(line[0]!.id, [unit.models[0]!.id])] })
  }
})
afterAll(() => {
  vi.restoreAllMocks()
  return server.stop()
})
beforeEach(() => {
  estimated.mockClear()
})

/** Another material on the shelf: what every project was worked out from is another. */
async function changeShelf(): Promise<void> {
  const id = v7()
  const materials = [{ ...starterShelf[0], id, name: `paint ${id}` }]
  expect((await server.call('PUT', '/shelf', { materials })).status).toBe(200)
}

function signal() {
  let send: () => void = () => undefined
  const sent = new Promise<void>((resolve) => (send = resolve))
  return { sent, send: () => send() }
}

it('whoever asks at once is told by one working out, and what is told holds until something changes', async () => {
  const summaries = createSummaries(server.db, () => testNow)
  await changeShelf()
  const lists = await Promise.all([summaries.list(), summaries.list(), summaries.list()])
  expect(lists[0]).toHaveLength(3)
  expect(lists[1]).toEqual(lists[0])
  expect(estimated).toHaveBeenCalledTimes(4)
  await summaries.list()
  await summaries.taughtBeside(v7() as ProjectId)
  expect(estimated).toHaveBeenCalledTimes(4)
})

it('who asked before it was worked out, and comes to it only after, takes what there is', async () => {
  const summaries = createSummaries(server.db, () => testNow)
  await changeShelf()
  const [firstAsked, secondAsked] = [signal(), signal()]
  let first: Promise<unknown> = Promise.resolve()
  shelfRead
    .mockImplementationOnce(async (db) => {
      firstAsked.send()
      await secondAsked.sent
      return readShelf(db)
    })
    .mockImplementationOnce(async (db) => {
      secondAsked.send()
      await first
      return readShelf(db)
    })
  first = summaries.list()
  await firstAsked.sent
  const second = summaries.list()
  expect(await second).toEqual(await first)
  expect(estimated).toHaveBeenCalledTimes(4)
  // What was made of the same things, and then of others, is made again.
  await changeShelf()
  await summaries.list()
  expect(estimated).toHaveBeenCalledTimes(8)
})

it('a project that is put away while the others are worked out is told of no more, and fails nobody', async () => {
  const summaries = createSummaries(server.db, () => testNow)
  const { id, path } = await server.seed()
  shelfRead.mockImplementationOnce(async (db) => {
    expect((await server.call('DELETE', path)).status).toBe(200)
    return readShelf(db)
  })
  const told = await summaries.list()
  expect(told).toHaveLength(3)
  expect(told.map((each) => each.id)).not.toContain(id)
})

it('a project at which nobody painted teaches nothing, and is not worked out for it', async () => {
  const summaries = createSummaries(server.db, () => testNow)
  await changeShelf()
  await Promise.all([summaries.taughtBeside(v7() as ProjectId), summaries.taughtBeside(v7() as ProjectId)])
  expect(estimated).toHaveBeenCalledTimes(1)
})
