import { createProgressLog, type ProgressEvent, type ProgressLog } from '@seriatim/core/progress'
import type { DeviceId, ProjectId } from '@seriatim/core/units'
import { LRUCache } from 'lru-cache'
import type { LogSource } from '../progress/progress-store.ts'

/** Stands for something the worker has already, by its number. */
interface Reference {
  readonly cached: number
}

/** Large things that many calls share; all else goes along with each call. */
const shared = new Set(['project', 'shelf', 'progress', 'readings', 'known', 'hand', 'recipes'])
const nested = new Set(['sources'])

/** The worker's side: what it keeps between calls. */
export interface ObjectStore {
  readonly store: (key: number, value: unknown) => void
  /** Of a log only the events after those the worker has; with another `epoch` the log begins anew. */
  readonly append: (
    key: number,
    part: {
      readonly projectId: ProjectId
      readonly epoch: number
      readonly events: readonly ProgressEvent[]
      readonly device: DeviceId
    },
  ) => void
  readonly evict: (key: number) => void
}

/** The input with what the worker keeps put in the place of its numbers. */
export function createObjectStore(): ObjectStore & {
  readonly unpack: <Input extends object>(input: Input) => Input
} {
  const kept = new Map<number, unknown>()
  const logs = new Map<ProjectId, { readonly epoch: number; readonly log: ProgressLog }>()
  function unpack<Input extends object>(input: Input): Input {
    return Object.fromEntries(
      Object.entries(input).map(([name, value]: [string, unknown]) => {
        if (nested.has(name)) return [name, unpack(value as object)]
        return [name, isReference(value) ? kept.get(value.cached) : value]
      }),
    ) as Input
  }
  return {
    store: (key, value) => void kept.set(key, value),
    append: (key, { projectId, epoch, events, device }) => {
      const before = logs.get(projectId)
      const log = before?.epoch === epoch ? before.log : createProgressLog()
      logs.set(projectId, { epoch, log })
      log.add(events)
      kept.set(key, log.read(device))
    },
    evict: (key) => void kept.delete(key),
    unpack,
  }
}

function isReference(value: unknown): value is Reference {
  return typeof value === 'object' && value !== null && 'cached' in value && typeof value.cached === 'number'
}

const mostKept = 40

/** The page's side: sends each large thing once, and of a log that grows only what is new. */
export function createObjectSender(
  keeper: ObjectStore,
  keyOf: (value: object) => number,
  sourceOf: (value: object) => LogSource | undefined,
) {
  const sent = new LRUCache<number, true>({
    max: mostKept,
    dispose: (_, key, why) => {
      if (why === 'evict') keeper.evict(key)
    },
  })
  const learned = new Map<ProjectId, { readonly epoch: number; readonly count: number }>()

  function refer(value: object): Reference {
    const key = keyOf(value)
    if (!sent.has(key)) send(key, value)
    sent.set(key, true)
    return { cached: key }
  }

  function send(key: number, value: object): void {
    const source = sourceOf(value)
    const known = source && learned.get(source.projectId)
    const from = known && known.epoch === source.epoch ? known.count : 0
    // A state older than what the worker has read cannot be read back out of its log.
    if (!source || from > source.count) {
      keeper.store(key, value)
      return
    }
    const { projectId, epoch, count, device } = source
    keeper.append(key, { projectId, epoch, device, events: source.events.slice(from, count) })
    learned.set(projectId, { epoch, count })
  }

  return function pack<Input extends object>(input: Input): Input {
    return Object.fromEntries(
      Object.entries(input).map(([name, value]: [string, unknown]) => {
        if (typeof value !== 'object' || value === null) return [name, value]
        if (nested.has(name)) return [name, pack(value)]
        return [name, shared.has(name) ? refer(value) : value]
      }),
    ) as Input
  }
}

export type Pack = ReturnType<typeof createObjectSender>
