import { createProgressLog, type ProgressEvent, type ProgressLog } from '@seriatim/core/progress'
import type { DeviceId, ProjectId } from '@seriatim/core/units'
import type { LogSource } from '../progress/progress-store.ts'

/** Stands for something the worker has already, by its number. */
interface Held {
  readonly held: number
}

/** Large things that many calls share; all else goes along with each call. */
const shared = new Set(['project', 'shelf', 'progress', 'readings', 'known', 'hand', 'recipes'])
const nested = new Set(['sources'])

/** The worker's side: what it keeps between calls. */
export interface Keeper {
  readonly hold: (key: number, value: unknown) => void
  /** Of a log only the events after those the worker has; with another `epoch` the log begins anew. */
  readonly learn: (
    key: number,
    part: {
      readonly projectId: ProjectId
      readonly epoch: number
      readonly events: readonly ProgressEvent[]
      readonly device: DeviceId
    },
  ) => void
  readonly drop: (key: number) => void
}

/** The input with what the worker keeps put in the place of its numbers. */
export function createKeeper(): Keeper & { readonly unpack: <Input extends object>(input: Input) => Input } {
  const kept = new Map<number, unknown>()
  const logs = new Map<ProjectId, { readonly epoch: number; readonly log: ProgressLog }>()
  function unpack<Input extends object>(input: Input): Input {
    return Object.fromEntries(
      Object.entries(input).map(([name, value]: [string, unknown]) => {
        if (nested.has(name)) return [name, unpack(value as object)]
        return [name, isHeld(value) ? kept.get(value.held) : value]
      }),
    ) as Input
  }
  return {
    hold: (key, value) => void kept.set(key, value),
    learn: (key, { projectId, epoch, events, device }) => {
      const before = logs.get(projectId)
      const log = before?.epoch === epoch ? before.log : createProgressLog()
      logs.set(projectId, { epoch, log })
      log.add(events)
      kept.set(key, log.read(device))
    },
    drop: (key) => void kept.delete(key),
    unpack,
  }
}

function isHeld(value: unknown): value is Held {
  return typeof value === 'object' && value !== null && 'held' in value && typeof value.held === 'number'
}

const mostKept = 40

/** The page's side: sends each large thing once, and of a log that grows only what is new. */
export function createSender(
  keeper: Keeper,
  keyOf: (value: object) => number,
  sourceOf: (value: object) => LogSource | undefined,
) {
  const sent = new Set<number>()
  const learned = new Map<ProjectId, { readonly epoch: number; readonly count: number }>()

  function refer(value: object): Held {
    const key = keyOf(value)
    if (!sent.delete(key)) send(key, value)
    sent.add(key)
    const [oldest] = sent
    if (sent.size > mostKept && oldest !== undefined) {
      sent.delete(oldest)
      keeper.drop(oldest)
    }
    return { held: key }
  }

  function send(key: number, value: object): void {
    const source = sourceOf(value)
    const known = source && learned.get(source.projectId)
    const from = known && known.epoch === source.epoch ? known.count : 0
    // A state older than what the worker has read cannot be read back out of its log.
    if (!source || from > source.count) {
      keeper.hold(key, value)
      return
    }
    const { projectId, epoch, count, device } = source
    keeper.learn(key, { projectId, epoch, device, events: source.events.slice(from, count) })
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

export type Pack = ReturnType<typeof createSender>
