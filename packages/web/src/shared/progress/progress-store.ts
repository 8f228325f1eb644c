import { createLogPacker, unpackLog, type PackedLog } from '@seriatim/contract'
import { createProgressLog, type Progress, type ProgressEvent } from '@seriatim/core/progress'
import type { DeviceId, EventId, ProjectId } from '@seriatim/core/units'
import { deviceId } from '../device.ts'

/** The log of one project as this page knows it: read from the server on from where it ended, and recorded here. */
export interface ProgressStore {
  /** The number of the server's last event known here. */
  readonly last: () => number
  readonly takeFromServer: (log: PackedLog, last: number) => void
  /** Every event known here, this device's own among them, and the number of the server's last. */
  readonly known: () => { readonly log: PackedLog; readonly last: number }
  /** Forgets all the server said: it was another server's. What was recorded here stays. */
  readonly startAnew: (own: readonly ProgressEvent[]) => void
  readonly record: (events: readonly ProgressEvent[]) => void
  /** Events that the server refused: what they did is taken back. */
  readonly withdraw: (ids: readonly EventId[]) => void
  /** `undefined` until the server's log was read once. */
  readonly progress: () => Progress | undefined
  readonly subscribe: (watcher: () => void) => () => void
}

/** Where a progress came from: so many events of a log that only grows. */
export interface LogSource {
  readonly projectId: ProjectId
  readonly epoch: number
  readonly events: readonly ProgressEvent[]
  readonly count: number
  readonly device: DeviceId
}

const sources = new WeakMap<object, LogSource>()

/** Which events a state was read from, for who keeps a log of its own. */
export function sourceOf(progress: object): LogSource | undefined {
  return sources.get(progress)
}

function createProgressStore(projectId: ProjectId): ProgressStore {
  let log = createProgressLog()
  let events: ProgressEvent[] = []
  let last = 0
  let isRead = false
  let epoch = 1
  let packed = { packer: createLogPacker(), count: 0, epoch }
  let progress: Progress | undefined
  const watchers = new Set<() => void>()

  function changed(): void {
    progress = isRead ? log.read(deviceId) : undefined
    if (progress) sources.set(progress, { projectId, epoch, events, count: events.length, device: deviceId })
    for (const watcher of watchers) watcher()
  }

  function add(fresh: readonly ProgressEvent[]): boolean {
    for (const event of fresh) {
      if (!log.has(event.id)) events.push(event)
      else setRight(event)
    }
    return log.add(fresh)
  }

  /** The server's word on a moment takes the place of the device's. */
  function setRight(event: ProgressEvent): void {
    const place = events.findIndex((each) => each.id === event.id)
    if (events[place]?.at === event.at) return
    events = events.with(place, event)
    epoch += 1
  }

  return {
    last: () => last,
    takeFromServer: (given, upTo) => {
      last = Math.max(last, upTo)
      const isNew = add(unpackLog(given))
      if (!isNew && isRead) return
      isRead = true
      changed()
    },
    known: () => {
      if (packed.epoch !== epoch) packed = { packer: createLogPacker(), count: 0, epoch }
      packed.packer.add(events.slice(packed.count))
      packed.count = events.length
      return { log: packed.packer.log(), last }
    },
    startAnew: (own) => {
      log = createProgressLog(own)
      events = [...own]
      last = 0
      isRead = false
      epoch += 1
      changed()
    },
    record: (fresh) => {
      if (add(fresh.filter((event) => !log.has(event.id)))) changed()
    },
    withdraw: (ids) => {
      events = events.filter((event) => !ids.includes(event.id))
      log = createProgressLog(events)
      epoch += 1
      changed()
    },
    progress: () => progress,
    subscribe: (watcher) => {
      watchers.add(watcher)
      return () => watchers.delete(watcher)
    },
  }
}

const stores = new Map<ProjectId, ProgressStore>()

export function progressStore(id: ProjectId): ProgressStore {
  let store = stores.get(id)
  if (!store) stores.set(id, (store = createProgressStore(id)))
  return store
}
