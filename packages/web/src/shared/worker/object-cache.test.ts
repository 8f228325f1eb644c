import { createProgressLog, type Progress, type ProgressEvent } from '@seriatim/core/progress'
import {
  instant,
  type DeviceId,
  type EventId,
  type ModelId,
  type ProjectId,
  type StageId,
} from '@seriatim/core/units'
import { describe, expect, it, vi } from 'vitest'
import type { LogSource } from '../progress/progress-store.ts'
import { createObjectStore, createObjectSender } from './object-cache.ts'

const device = 'tablet' as DeviceId
const projectId = 'fen' as ProjectId
const punch = (number: number): ProgressEvent => ({
  id: `event-${String(number).padStart(4, '0')}` as EventId,
  at: instant(number * 1000),
  kind: 'punched',
  stageId: 'prime' as StageId,
  modelIds: [`m${String(number)}` as ModelId],
})

function pair() {
  const keeper = createObjectStore()
  const store = vi.fn(keeper.store)
  const append = vi.fn(keeper.append)
  const evict = vi.fn(keeper.evict)
  const keys = new Map<object, number>()
  const sources = new Map<object, LogSource>()
  const keyOf = (value: object) => {
    keys.set(value, keys.get(value) ?? keys.size + 1)
    return keys.get(value) ?? 0
  }
  const pack = createObjectSender({ store, append, evict }, keyOf, (value) => sources.get(value))
  const progressOf = (events: readonly ProgressEvent[], count: number, epoch = 1): Progress => {
    const progress = createProgressLog(events.slice(0, count)).read(device)
    sources.set(progress, { projectId, epoch, events, count, device })
    return progress
  }
  /** As if it had gone over to the worker. */
  const arrive = <Input extends object>(input: Input) => keeper.unpack(structuredClone(pack(input)))
  return { arrive, store, append, evict, progressOf }
}

describe('what a worker keeps', () => {
  it('is sent once, and the input arrives whole', () => {
    const { arrive, store } = pair()
    const project = { name: 'Fen', line: [1, 2, 3] }
    const shelf = new Map([['a', { name: 'moss' }]])
    for (let turn = 0; turn < 3; turn++) {
      const input = { project, now: turn, sources: { project, shelf, known: [turn] } }
      expect(arrive(input)).toEqual(input)
    }
    // The project and the shelf once each, what is known three times.
    expect(store).toHaveBeenCalledTimes(5)
  })

  it('of a log that grows only what is new is sent, and the state comes out the same', () => {
    const { arrive, append, store, progressOf } = pair()
    const events = Array.from({ length: 100 }, (_, index) => punch(index))
    for (const count of [90, 91, 91, 95, 100]) {
      const progress = progressOf(events, count)
      expect(arrive({ progress, now: count })).toEqual({ progress, now: count })
    }
    expect(append.mock.calls.map(([, part]) => part.events.length)).toEqual([90, 1, 0, 4, 5])
    expect(store).not.toHaveBeenCalled()
  })

  it('an older state, and a log that begins anew, arrive as they are', () => {
    const { arrive, progressOf, store } = pair()
    const events = Array.from({ length: 10 }, (_, index) => punch(index))
    arrive({ progress: progressOf(events, 10) })
    const older = progressOf(events, 4)
    expect(arrive({ progress: older })).toEqual({ progress: older })
    expect(store).toHaveBeenCalledTimes(1)
    const anew = progressOf(events.slice(3), 5, 2)
    expect(arrive({ progress: anew })).toEqual({ progress: anew })
  })

  it('does not grow without end', () => {
    const { arrive, evict } = pair()
    for (let turn = 0; turn < 100; turn++) {
      const project = { turn }
      expect(arrive({ project })).toEqual({ project })
    }
    expect(evict).toHaveBeenCalledTimes(60)
  })
})
