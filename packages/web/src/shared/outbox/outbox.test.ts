import type { NewChange, StoredProject } from '@seriatim/contract'
import type { ProgressEvent } from '@seriatim/core/progress'
import {
  instant,
  type ChangeId,
  type DeviceId,
  type EventId,
  type ModelId,
  type ProjectId,
  type StageId,
} from '@seriatim/core/units'
import { v7 } from 'uuid'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ApiProblem } from '../api/index.ts'
import type { Carrier, Delivered } from './deliver.ts'
import { createOutbox } from './outbox.ts'
import { idOf, type Parcel } from './parcel.ts'

const at = instant(Date.parse('2026-11-24T20:00:00Z'))
const project = v7() as ProjectId
const device = v7() as DeviceId
let number = 0

const punch = (some: Partial<ProgressEvent> = {}): Extract<Parcel, { kind: 'event' }> => ({
  kind: 'event',
  projectId: project,
  event: {
    kind: 'punched',
    id: v7() as EventId,
    at,
    by: { device, number: (number += 1), painter: null },
    stageId: v7() as StageId,
    modelIds: [v7() as ModelId],
    ...some,
  } as ProgressEvent,
})
const rename = (): Parcel => ({
  kind: 'change',
  projectId: project,
  said: 'Renamed.',
  change: {
    id: v7() as ChangeId,
    at,
    device,
    number: (number += 1),
    painter: null,
    base: 1,
    own: 0,
    commands: [{ kind: 'set', thing: 'project', field: 'name', value: 'Weir' }],
  } satisfies NewChange,
})

const problem = (kind: string, status: number) =>
  new ApiProblem({ type: `urn:seriatim:problem:${kind}`, title: kind, status, detail: `${kind}.` })

/** A server that does as it is told, and notes what it had. */
function server() {
  const loads: string[][] = []
  let fault: ((ids: readonly string[]) => Error | null) | null = null
  let isLost = false
  const bad = new Map<string, string>()
  async function answer(parcels: readonly Parcel[]): Promise<Delivered> {
    const ids = parcels.map(idOf)
    const error = fault?.(ids)
    if (error) return Promise.reject(error)
    loads.push(ids)
    if (isLost) return Promise.reject(new TypeError('lost'))
    return Promise.resolve({
      project: null,
      refused: parcels.map((parcel) => {
        const reason = bad.get(idOf(parcel))
        return reason === undefined ? null : { parcel, reason }
      }),
    })
  }
  const carrier: Carrier = {
    events: (projectId, events) =>
      answer(events.map((event): Parcel => ({ kind: 'event', projectId, event }))),
    change: (parcel) => answer([parcel]),
  }
  return {
    carrier,
    loads,
    bad,
    taken: () => loads.flat(),
    fail: (next: typeof fault) => {
      fault = next
    },
    lose: (next: boolean) => {
      isLost = next
    },
  }
}

function memory(most = Number.POSITIVE_INFINITY): Storage & { entries: Map<string, string>; most: number } {
  const entries = new Map<string, string>()
  const storage = {
    entries,
    most,
    get length() {
      return entries.size
    },
    key: (index: number) => [...entries.keys()][index] ?? null,
    getItem: (key: string) => entries.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (!entries.has(key) && entries.size >= storage.most)
        throw new DOMException('full', 'QuotaExceededError')
      entries.set(key, value)
    },
    removeItem: (key: string) => void entries.delete(key),
    clear: () => entries.clear(),
  }
  return storage
}

/** The second copy, which outlives what the storage forgot. */
function spareCopy() {
  const kept = new Map<string, Parcel>()
  return {
    kept,
    keep: (parcel: Parcel) => {
      kept.set(idOf(parcel), parcel)
      return Promise.resolve(true)
    },
    forget: (ids: readonly string[]) => {
      for (const id of ids) kept.delete(id)
      return Promise.resolve(true)
    },
    read: () => Promise.resolve({ parcels: [...kept.values()], lastNumber: number }),
  }
}

beforeEach(() => {
  vi.useFakeTimers()
})

afterEach(() => {
  vi.useRealTimers()
})

describe('the outbox', () => {
  it('stores before it sends, and forgets only when the server has said what became of it', async () => {
    const [storage, there] = [memory(), server()]
    const outbox = createOutbox(storage, there.carrier)
    const delivered = vi.fn()
    outbox.listen({ onDelivered: delivered, onRefused: vi.fn(), onNews: vi.fn() })
    const parcel = punch()
    outbox.record(parcel)
    expect([...storage.entries.keys()]).toEqual([`seriatim.outbox.${idOf(parcel)}`])
    await vi.runAllTimersAsync()
    expect(there.taken()).toEqual([idOf(parcel)])
    expect(delivered).toHaveBeenCalledWith([parcel], null)
    expect(storage.entries.size).toBe(0)
    expect(outbox.getState()).toEqual({ waiting: [], refused: [], trouble: null, unsaved: 0 })
  })

  it('one bad event among 200 keeps none of the others', async () => {
    const [storage, there] = [memory(), server()]
    const outbox = createOutbox(storage, there.carrier)
    const parcels = Array.from({ length: 200 }, () => punch())
    there.bad.set(idOf(parcels[77]!), 'There is no such stage.')
    for (const parcel of parcels) outbox.record(parcel)
    await vi.runAllTimersAsync()
    expect(new Set(there.taken()).size).toBe(200)
    expect(outbox.getState().waiting).toEqual([])
    expect(outbox.getState().refused).toEqual([{ parcel: parcels[77], reason: 'There is no such stage.' }])
    expect([...storage.entries.keys()]).toEqual([`seriatim.refused.${idOf(parcels[77]!)}`])
  })

  it.each([
    ['no answer', new TypeError('failed to fetch')],
    ['a page of somebody else', new Error('Something other than Seriatim answered (200).')],
    ['401', problem('unexpected', 401)],
    ['404, the project put away', problem('not-found', 404)],
    ['408', problem('unexpected', 408)],
    ['429', problem('unexpected', 429)],
    ['500', problem('unexpected', 500)],
    ['503', problem('database-away', 503)],
    ['507', problem('disk-full', 507)],
  ])('what may succeed later waits and says so (%s)', async (_, error) => {
    const [storage, there] = [memory(), server()]
    there.fail(() => error)
    const outbox = createOutbox(storage, there.carrier)
    const parcels = [punch(), rename(), punch()]
    for (const parcel of parcels) outbox.record(parcel)
    await vi.advanceTimersByTimeAsync(60_000)
    expect(outbox.getState()).toMatchObject({ waiting: parcels, refused: [], trouble: error.message })
    expect(storage.entries.size).toBe(3)
    there.fail(null)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(there.taken()).toEqual(parcels.map(idOf))
    expect(outbox.getState()).toMatchObject({ waiting: [], trouble: null })
  })

  it('a word against the whole request is tried in smaller parts, until the one at fault stands alone', async () => {
    const there = server()
    const outbox = createOutbox(memory(), there.carrier)
    const parcels = Array.from({ length: 50 }, () => punch())
    const bad = idOf(parcels[20]!)
    there.fail((ids) => (ids.includes(bad) ? problem('invalid-request', 422) : null))
    for (const parcel of parcels) outbox.record(parcel)
    await vi.advanceTimersByTimeAsync(60_000)
    expect(outbox.getState().refused.map(({ parcel }) => idOf(parcel))).toEqual([bad])
    expect(new Set(there.taken())).toEqual(new Set(parcels.map(idOf).filter((id) => id !== bad)))
  })

  it('too large at once goes in smaller parts, and one that is too large by itself is kept with the reason', async () => {
    const there = server()
    const outbox = createOutbox(memory(), there.carrier)
    const parcels = Array.from({ length: 40 }, () => punch())
    const huge = idOf(parcels[0]!)
    there.fail((ids) => (ids.length > 8 || ids.includes(huge) ? problem('too-large', 413) : null))
    for (const parcel of parcels) outbox.record(parcel)
    await vi.advanceTimersByTimeAsync(60_000)
    expect(outbox.getState()).toMatchObject({ waiting: [], refused: [{ reason: 'too-large.' }] })
    expect(new Set(there.taken()).size).toBe(39)
  })

  it('the trouble of one project does not hold up another', async () => {
    const there = server()
    const outbox = createOutbox(memory(), there.carrier)
    const stuck = punch()
    const free: Parcel = { ...punch(), projectId: v7() as ProjectId }
    there.fail((ids) => (ids.includes(idOf(stuck)) ? problem('not-found', 404) : null))
    outbox.record(stuck)
    outbox.record(free)
    await vi.advanceTimersByTimeAsync(5000)
    expect(there.taken()).toEqual([idOf(free)])
    expect(outbox.getState().waiting).toEqual([stuck])
  })

  it('goes out in the order it was made: a change before the records that stand on it', async () => {
    const there = server()
    const outbox = createOutbox(memory(), there.carrier)
    there.fail(() => new TypeError('away'))
    const parcels = [punch(), punch(), rename(), punch()]
    for (const parcel of parcels) outbox.record(parcel)
    there.fail(null)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(there.loads).toEqual([
      [idOf(parcels[0]!), idOf(parcels[1]!)],
      [idOf(parcels[2]!)],
      [idOf(parcels[3]!)],
    ])
  })

  it('sends again when the answer was lost on the way', async () => {
    const there = server()
    const outbox = createOutbox(memory(), there.carrier)
    there.lose(true)
    const parcel = rename()
    outbox.record(parcel)
    await vi.advanceTimersByTimeAsync(100)
    there.lose(false)
    await vi.advanceTimersByTimeAsync(10_000)
    expect(there.taken()).toEqual([idOf(parcel), idOf(parcel)])
    expect(outbox.getState().waiting).toEqual([])
  })

  it('a new tab finds what an old one left, also what an earlier release left, and passes over what is none', () => {
    const [storage, there] = [memory(), server()]
    there.fail(() => new TypeError('away'))
    const [mine, change] = [punch(), rename()]
    const old = createOutbox(storage, there.carrier)
    old.record(mine)
    old.record(change)
    const before = { ...mine.event, id: v7(), by: undefined, at: '2026-11-24T19:00:00.000Z' }
    storage.setItem(`seriatim.outbox.${before.id}`, JSON.stringify({ projectId: project, event: before }))
    storage.setItem('seriatim.outbox.x', '{"projectId":1}')
    storage.setItem('seriatim.outbox.y', 'not json')
    const reopened = createOutbox(storage, there.carrier)
    expect(reopened.getState().waiting.map(idOf)).toEqual([before.id, idOf(mine), idOf(change)])
    expect(reopened.getState().waiting.slice(1)).toEqual([mine, change])
  })

  it('a full storage keeps nothing from being sent, and is told of until all is stored or sent', async () => {
    const [storage, there] = [memory(1), server()]
    there.fail(() => new TypeError('away'))
    const outbox = createOutbox(storage, there.carrier)
    const parcels = [punch(), punch(), punch()]
    for (const parcel of parcels) outbox.record(parcel)
    await vi.advanceTimersByTimeAsync(1)
    expect(outbox.getState()).toMatchObject({ waiting: parcels, unsaved: 2 })
    there.fail(null)
    await vi.advanceTimersByTimeAsync(20_000)
    expect(there.taken()).toEqual(parcels.map(idOf))
    expect(outbox.getState()).toMatchObject({ waiting: [], unsaved: 0 })
  })

  it('a full storage is no trouble while the second copy has room', async () => {
    const [there, spare] = [server(), spareCopy()]
    there.fail(() => new TypeError('away'))
    const outbox = createOutbox(memory(0), there.carrier, spare)
    const unsaved = vi.fn<(count: number) => void>()
    outbox.subscribe(() => unsaved(outbox.getState().unsaved))
    const parcels = [punch(), punch()]
    for (const parcel of parcels) outbox.record(parcel)
    await vi.advanceTimersByTimeAsync(1)
    expect(unsaved.mock.calls.flat().every((count) => count === 0)).toBe(true)
    expect([...spare.kept.values()]).toEqual(parcels)
  })

  it('a refused one is kept through a reload, and leaves only when somebody says so', async () => {
    const [storage, there] = [memory(), server()]
    const outbox = createOutbox(storage, there.carrier)
    const [one, two] = [punch(), punch()]
    for (const parcel of [one, two]) there.bad.set(idOf(parcel), 'No.')
    outbox.record(one)
    outbox.record(two)
    await vi.runAllTimersAsync()
    const reopened = createOutbox(storage, there.carrier)
    expect(reopened.getState().refused.map(({ parcel }) => parcel)).toEqual([one, two])
    there.bad.clear()
    reopened.letGo([idOf(one)], [one])
    reopened.letGo([idOf(two)])
    await vi.runAllTimersAsync()
    expect(there.taken().filter((id) => id === idOf(one))).toHaveLength(2)
    expect(reopened.getState()).toMatchObject({ waiting: [], refused: [] })
    expect(storage.entries.size).toBe(0)
  })

  it('what waits is let go when a person says so, and only then', async () => {
    const [storage, there] = [memory(), server()]
    there.fail(() => problem('not-found', 404))
    const outbox = createOutbox(storage, there.carrier)
    const [one, two] = [punch(), punch()]
    outbox.record(one)
    outbox.record(two)
    await vi.advanceTimersByTimeAsync(5000)
    outbox.letGo([idOf(one)])
    expect(outbox.getState().waiting).toEqual([two])
    expect([...storage.entries.keys()]).toEqual([`seriatim.outbox.${idOf(two)}`])
  })

  it('hears what another tab records, and what it delivers', () => {
    const there = server()
    there.fail(() => new TypeError('away'))
    const shared = memory()
    const [mine, theirs] = [createOutbox(shared, there.carrier), createOutbox(shared, there.carrier)]
    const [news, delivered] = [vi.fn(), vi.fn()]
    theirs.listen({ onNews: news, onDelivered: delivered, onRefused: vi.fn() })
    const parcel = rename()
    mine.record(parcel)
    const key = `seriatim.outbox.${idOf(parcel)}`
    theirs.heard(key, shared.getItem(key))
    expect(theirs.getState().waiting).toEqual([parcel])
    expect(news).toHaveBeenCalledWith(parcel)
    theirs.heard(key, null)
    expect(theirs.getState().waiting).toEqual([])
    expect(delivered).toHaveBeenCalledWith([parcel], null satisfies StoredProject | null)
  })

  it('takes up what the storage lost with a killed browser, in the order it was made, and delivers it once', async () => {
    const [away, there, spare] = [server(), server(), spareCopy()]
    away.fail(() => new TypeError('away'))
    const before = createOutbox(memory(), away.carrier, spare)
    const parcels = [punch(), punch(), rename()]
    for (const parcel of parcels.toReversed()) before.record(parcel)

    const storage = memory()
    const after = createOutbox(storage, there.carrier, spare)
    const news = vi.fn()
    after.listen({ onDelivered: vi.fn(), onRefused: vi.fn(), onNews: news })
    expect(after.getState().waiting).toEqual([])
    expect(await after.restore()).toBe(number)
    expect(news.mock.calls.flat()).toHaveLength(3)
    expect(after.getState().waiting).toEqual(parcels)
    expect(storage.entries.size).toBe(3)
    await vi.runOnlyPendingTimersAsync()
    expect(there.taken()).toEqual(parcels.map(idOf))
    expect(spare.kept.size).toBe(0)
    expect(storage.entries.size).toBe(0)
    await after.restore()
    expect(there.taken()).toHaveLength(3)
  })

  it('keeps the second copy of what was refused until a person lets it go, and sends it no second time', async () => {
    const [storage, there, spare] = [memory(), server(), spareCopy()]
    const parcel = punch()
    there.bad.set(idOf(parcel), 'No such stage.')
    const outbox = createOutbox(storage, there.carrier, spare)
    outbox.record(parcel)
    await vi.runAllTimersAsync()
    expect([...spare.kept.keys()]).toEqual([idOf(parcel)])
    const again = createOutbox(storage, there.carrier, spare)
    await again.restore()
    await vi.runAllTimersAsync()
    expect(there.taken()).toEqual([idOf(parcel)])
    expect(again.getState().refused.map((each) => each.reason)).toEqual(['No such stage.'])
    again.letGo([idOf(parcel)])
    expect(spare.kept.size).toBe(0)
  })
})
