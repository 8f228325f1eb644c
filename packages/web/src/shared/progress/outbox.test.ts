import {
  instant,
  type EventId,
  type ModelId,
  type ProgressEvent,
  type ProjectId,
  type StageId,
} from '@seriatim/core'
import { v7 } from 'uuid'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createOutbox } from './outbox.ts'

const server = vi.hoisted(() => ({
  received: [] as string[],
  /** What the next request comes to. */
  answer: 'taken',
}))

vi.mock('../api/index.ts', () => ({
  api: {
    projects: {
      ':id': {
        events: {
          $post: ({ json }: { json: { events: { id: string }[] } }) =>
            Promise.resolve(json.events.map((event) => event.id)),
        },
      },
    },
  },
  ask: async (request: Promise<string[]>) => {
    const ids = await request
    if (server.answer === 'away') throw new Error('away')
    if (server.answer === 'refused') throw new Error('no such stage')
    server.received.push(...ids)
    if (server.answer === 'lost') throw new Error('away')
    return { recorded: ids.length }
  },
  mayPass: (error: Error) => error.message === 'away',
}))

function memory(): Storage {
  const entries = new Map<string, string>()
  return {
    get length() {
      return entries.size
    },
    key: (index) => [...entries.keys()][index] ?? null,
    getItem: (key) => entries.get(key) ?? null,
    setItem: (key, value) => void entries.set(key, value),
    removeItem: (key) => void entries.delete(key),
    clear: () => entries.clear(),
  }
}

const project = v7() as ProjectId
const punch = (): ProgressEvent => ({
  kind: 'punched',
  id: v7() as EventId,
  at: instant(Date.parse('2026-11-24T20:00:00Z')),
  stageId: v7() as StageId,
  modelIds: [v7() as ModelId],
})
const keysOf = (storage: Storage) => Array.from({ length: storage.length }, (_, index) => storage.key(index))

beforeEach(() => {
  vi.useFakeTimers()
  server.received = []
  server.answer = 'taken'
})

describe('the outbox', () => {
  it('stores an event before it is sent and forgets it once it is acknowledged', async () => {
    const storage = memory()
    const outbox = createOutbox(storage)
    const sent = vi.fn()
    outbox.listen({ onSent: sent, onRefused: vi.fn() })
    const event = punch()
    outbox.record(project, event)
    expect(keysOf(storage)).toEqual([`seriatim.outbox.${event.id}`])
    await vi.runAllTimersAsync()
    expect(server.received).toEqual([event.id])
    expect(sent).toHaveBeenCalledTimes(1)
    expect(storage.length).toBe(0)
    expect(outbox.getState()).toEqual({
      waiting: [],
      sent: [{ projectId: project, event }],
      trouble: null,
    })
  })

  it('keeps everything while the server is away and sends it when it is back', async () => {
    const storage = memory()
    const outbox = createOutbox(storage)
    server.answer = 'away'
    const events = [punch(), punch()]
    for (const event of events) outbox.record(project, event)
    await vi.advanceTimersByTimeAsync(3000)
    expect(outbox.getState()).toMatchObject({
      trouble: 'away',
      waiting: [{ event: events[0] }, { event: events[1] }],
    })
    server.answer = 'taken'
    await vi.advanceTimersByTimeAsync(20_000)
    expect(server.received).toEqual(events.map((event) => event.id))
    expect(outbox.getState().trouble).toBeNull()
  })

  it('a new tab finds what an old one left, as it was', async () => {
    const storage = memory()
    server.answer = 'away'
    const event = punch()
    createOutbox(storage).record(project, event)
    const reopened = createOutbox(storage)
    expect(reopened.getState().waiting).toEqual([{ projectId: project, event }])
    server.answer = 'taken'
    void reopened.flush()
    await vi.advanceTimersByTimeAsync(10_000)
    expect(server.received).toContain(event.id)
    expect(storage.length).toBe(0)
  })

  it('sends again when the answer was lost on the way', async () => {
    const outbox = createOutbox(memory())
    server.answer = 'lost'
    const event = punch()
    outbox.record(project, event)
    await vi.advanceTimersByTimeAsync(100)
    server.answer = 'taken'
    await vi.advanceTimersByTimeAsync(10_000)
    expect(server.received).toEqual([event.id, event.id])
    expect(outbox.getState().waiting).toEqual([])
  })

  it('says so when the server refuses, keeps a copy and goes on', async () => {
    const storage = memory()
    const outbox = createOutbox(storage)
    const refused = vi.fn()
    outbox.listen({ onSent: vi.fn(), onRefused: refused })
    server.answer = 'refused'
    const event = punch()
    outbox.record(project, event)
    await vi.runAllTimersAsync()
    expect(refused).toHaveBeenCalledWith(project, 'no such stage')
    expect(keysOf(storage)).toEqual([`seriatim.refused.${event.id}`])
    expect(outbox.getState()).toMatchObject({ waiting: [], sent: [] })
  })

  it('passes over what is not an event in the storage', () => {
    const storage = memory()
    storage.setItem('seriatim.outbox.x', '{"projectId":1}')
    storage.setItem('seriatim.outbox.y', 'not json')
    expect(createOutbox(storage).getState().waiting).toEqual([])
  })
})
