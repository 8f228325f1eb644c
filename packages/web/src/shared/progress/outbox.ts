import { eventSchema } from '@seriatim/contract'
import type { ProgressEvent, ProjectId } from '@seriatim/core'
import { z } from 'zod'
import { api, ask, mayPass } from '../api/index.ts'

/** One recorded event on its way to the server. */
interface Waiting {
  readonly projectId: ProjectId
  readonly event: ProgressEvent
}

export interface OutboxState {
  readonly waiting: readonly Waiting[]
  /** What the server took since this page was opened: an answer that was under way meanwhile may lack it. */
  readonly sent: readonly Waiting[]
  /** Why the last attempt came to nothing, in a sentence; another follows by itself. */
  readonly trouble: string | null
}

interface Listeners {
  /** The server has something new. */
  readonly onSent: () => void
  /** The server will never take these; they are kept in this browser's storage under `refused`. */
  readonly onRefused: (projectId: ProjectId, reason: string) => void
}

const prefix = 'seriatim.outbox.'
const atOnce = 500
const longestPause = 10_000

/**
 * Events are written to this browser's storage before anything else, one key each, and leave it only when
 * the server has acknowledged them: neither a closed tab nor a killed server loses a punch. Sending one
 * twice is harmless, so several tabs may share the storage.
 */
export function createOutbox(storage: Storage) {
  let state: OutboxState = { waiting: readStored(storage), sent: [], trouble: null }
  let sending = false
  let pause = 500
  let timer: ReturnType<typeof setTimeout> | undefined
  let listeners: Listeners = { onSent: () => undefined, onRefused: () => undefined }
  const watchers = new Set<() => void>()

  function change(next: Partial<OutboxState>): void {
    state = { ...state, ...next }
    for (const watcher of watchers) watcher()
  }

  function record(projectId: ProjectId, event: ProgressEvent): void {
    storage.setItem(
      prefix + event.id,
      JSON.stringify({ projectId, event: z.encode(eventSchema, plain(event)) }),
    )
    change({ waiting: [...state.waiting, { projectId, event }] })
    void flush()
  }

  async function flush(): Promise<void> {
    if (sending) return
    clearTimeout(timer)
    sending = true
    while (state.waiting.length > 0 && (await sendFirst())) pause = 500
    sending = false
    if (state.waiting.length === 0) return
    timer = setTimeout(() => void flush(), pause)
    pause = Math.min(longestPause, pause * 2)
  }

  /** Sends the first project's events; false when it has to be tried again later. */
  async function sendFirst(): Promise<boolean> {
    const projectId = state.waiting[0]?.projectId
    if (projectId === undefined) return false
    const batch = state.waiting.filter((each) => each.projectId === projectId).slice(0, atOnce)
    const events = batch.map((each) => each.event)
    try {
      const json = { events: events.map((event) => z.encode(eventSchema, plain(event))) }
      await ask(
        api.projects[':id'].events.$post({ param: { id: projectId }, json }),
        z.object({ recorded: z.number() }),
      )
    } catch (error) {
      if (mayPass(error)) {
        change({ trouble: messageOf(error) })
        return false
      }
      for (const event of events) {
        storage.setItem(`seriatim.refused.${event.id}`, storage.getItem(prefix + event.id) ?? '')
      }
      forget(batch)
      listeners.onRefused(projectId, messageOf(error))
      return true
    }
    change({ sent: [...state.sent, ...batch] })
    forget(batch)
    listeners.onSent()
    return true
  }

  function forget(batch: readonly Waiting[]): void {
    for (const { event } of batch) storage.removeItem(prefix + event.id)
    change({ waiting: state.waiting.filter((each) => !batch.includes(each)), trouble: null })
  }

  return {
    record,
    flush,
    listen: (next: Listeners) => {
      listeners = next
    },
    subscribe: (watcher: () => void) => {
      watchers.add(watcher)
      return () => watchers.delete(watcher)
    },
    getState: () => state,
  }
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error)
}

function plain(event: ProgressEvent): z.output<typeof eventSchema> {
  return 'modelIds' in event ? { ...event, modelIds: [...event.modelIds] } : event
}

const storedSchema = z.object({ projectId: z.string(), event: eventSchema })

function readJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

function readStored(storage: Storage): readonly Waiting[] {
  const waiting: Waiting[] = []
  const keys = Array.from({ length: storage.length }, (_, index) => storage.key(index) ?? '')
  // UUIDv7 ids sort by time.
  for (const key of keys.filter((each) => each.startsWith(prefix)).sort()) {
    const stored = storedSchema.safeParse(readJson(storage.getItem(key) ?? ''))
    if (stored.success)
      waiting.push({ projectId: stored.data.projectId as ProjectId, event: stored.data.event })
  }
  return waiting
}
