import { unpackLog, type PackedLog } from '@seriatim/contract'
import {
  createProgressLog,
  type EventId,
  type Progress,
  type ProgressEvent,
  type ProjectId,
} from '@seriatim/core'
import { deviceId } from '../device.ts'

/** The log of one project as this page knows it: read from the server on from where it ended, and recorded here. */
export interface ProgressStore {
  /** The number of the server's last event known here. */
  readonly last: () => number
  readonly takeFromServer: (log: PackedLog, last: number) => void
  readonly record: (events: readonly ProgressEvent[]) => void
  /** Events that the server refused: what they did is taken back. */
  readonly withdraw: (ids: readonly EventId[]) => void
  /** `undefined` until the server's log was read once. */
  readonly progress: () => Progress | undefined
  readonly subscribe: (watcher: () => void) => () => void
}

function createProgressStore(): ProgressStore {
  let log = createProgressLog()
  let events: ProgressEvent[] = []
  let last = 0
  let isRead = false
  let progress: Progress | undefined
  const watchers = new Set<() => void>()

  function changed(): void {
    progress = isRead ? log.read(deviceId) : undefined
    for (const watcher of watchers) watcher()
  }

  function add(fresh: readonly ProgressEvent[]): boolean {
    for (const event of fresh) if (!log.has(event.id)) events.push(event)
    return log.add(fresh)
  }

  return {
    last: () => last,
    takeFromServer: (packed, upTo) => {
      last = Math.max(last, upTo)
      const isNew = add(unpackLog(packed))
      if (!isNew && isRead) return
      isRead = true
      changed()
    },
    record: (fresh) => {
      if (add(fresh.filter((event) => !log.has(event.id)))) changed()
    },
    withdraw: (ids) => {
      events = events.filter((event) => !ids.includes(event.id))
      log = createProgressLog(events)
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
  if (!store) stores.set(id, (store = createProgressStore()))
  return store
}
