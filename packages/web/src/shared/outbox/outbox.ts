import type { StoredProject } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { isTooLarge, mayPass } from '../api/index.ts'
import type { Carrier, Delivered } from './deliver.ts'
import { createParcelStore, refusedPrefix, waitingPrefix } from './parcel-store.ts'
import { idOf, numberOf, readParcel, readRefused, type Parcel, type Refused } from './parcel.ts'
import { noDurableCopy, type DurableCopy } from './durable-copy.ts'

export interface OutboxState {
  /** In the order they were made. */
  readonly waiting: readonly Parcel[]
  /** What the server will not take as it is: kept until a person decides. */
  readonly refused: readonly Refused[]
  /** Why the last attempt came to nothing, in a sentence; another follows by itself. */
  readonly trouble: string | null
  /** So many could not be put into this browser's storage, neither way, and are lost if the page is closed before they are sent. */
  readonly unsaved: number
}

export interface OutboxListeners {
  /** These reached the server; `project` is how it stands since, where it was changed. */
  readonly onDelivered: (parcels: readonly Parcel[], project: StoredProject | null) => void
  readonly onRefused: (refused: readonly Refused[]) => void
  /** Something new waits that this page did not record just now: from another tab, sent again, or found in the spare copy. */
  readonly onNews: (parcel: Parcel) => void
}

const eventsAtOnce = 200
const modelsAtOnce = 10_000
const shortestPause = 500
const longestPause = 10_000

/**
 * What is recorded or changed here is written to this browser's storage before anything else, and leaves it only when
 * the server has said what became of it: taken, or refused with a reason, and then it is kept beside the others that
 * were. Everything else (no answer, a server in trouble, somebody else's answer) is a reason to wait and try again.
 * Sending twice is harmless, so several tabs may share the storage.
 * @param spare where it stands once more, until it is delivered or a person lets it go
 */
export function createOutbox(storage: Storage, carrier: Carrier, spare: DurableCopy = noDurableCopy) {
  const store = createParcelStore(storage)
  // For which there was no room in the storage, and none in the spare copy.
  const unstored = new Set<string>()
  const unspared = new Set<string>()
  const unsaved = () => [...unstored].filter((id) => unspared.has(id)).length
  const watchers = new Set<() => void>()
  let state: OutboxState = { waiting: store.waiting(), refused: store.refused(), trouble: null, unsaved: 0 }
  let listeners: OutboxListeners = {
    onDelivered: () => undefined,
    onRefused: () => undefined,
    onNews: () => undefined,
  }
  let sending = false
  let pause = shortestPause
  let most = eventsAtOnce
  let timer: ReturnType<typeof setTimeout> | undefined

  function change(next: Partial<OutboxState>): void {
    state = { ...state, ...next, unsaved: unsaved() }
    for (const watcher of watchers) watcher()
  }

  function keep(parcel: Parcel): void {
    const id = idOf(parcel)
    if (store.keep(parcel)) unstored.delete(id)
    else unstored.add(id)
    void spare.keep(parcel).then((isSpared) => {
      if (isSpared) unspared.delete(id)
      else unspared.add(id)
      if (unsaved() !== state.unsaved) change({})
    })
  }

  function dropSpare(ids: readonly string[]): void {
    for (const id of ids) {
      unstored.delete(id)
      unspared.delete(id)
    }
    void spare.forget(ids)
  }

  function record(parcel: Parcel): void {
    keep(parcel)
    change({ waiting: [...state.waiting, parcel] })
    // It is kept: what was tapped is painted before it is sent, and what is recorded in one go goes together.
    clearTimeout(timer)
    timer = setTimeout(() => void flush(), 0)
  }

  async function flush(): Promise<void> {
    if (sending) return
    clearTimeout(timer)
    sending = true
    const held = new Set<ProjectId>()
    let trouble: string | null = null
    for (let load = nextLoad(held); load.length > 0; load = nextLoad(held)) {
      const failure = await send(load)
      if (failure === null) {
        pause = shortestPause
        most = Math.min(eventsAtOnce, most * 2)
        continue
      }
      // One of them is at fault, or they are too many: fewer at a time find out which.
      if (isLasting(failure) && load.length > 1) {
        most = Math.max(1, Math.floor(load.length / 2))
        continue
      }
      trouble = messageOf(failure)
      for (const { projectId } of load) held.add(projectId)
    }
    sending = false
    if (trouble !== state.trouble) change({ trouble })
    if (state.waiting.length === 0) return
    timer = setTimeout(() => void flush(), pause)
    pause = Math.min(longestPause, pause * 2)
  }

  /** The oldest parcels that may go together: one change, or a run of one project's records. */
  function nextLoad(held: ReadonlySet<ProjectId>): readonly Parcel[] {
    const first = state.waiting.find((parcel) => !held.has(parcel.projectId))
    if (!first || first.kind === 'change') return first ? [first] : []
    const load: Parcel[] = []
    let models = 0
    for (const parcel of state.waiting) {
      if (parcel.projectId !== first.projectId) continue
      if (parcel.kind === 'change' || load.length >= most) break
      models += 'modelIds' in parcel.event ? parcel.event.modelIds.length : 0
      if (load.length > 0 && models > modelsAtOnce) break
      load.push(parcel)
    }
    return load
  }

  /** @returns what went wrong with the request, when it has to be tried again; else the parcels have left. */
  async function send(load: readonly Parcel[]): Promise<unknown> {
    const [first] = load
    if (!first) return null
    let answer: Delivered
    try {
      answer =
        first.kind === 'change'
          ? await carrier.change(first)
          : await carrier.events(
              first.projectId,
              load.flatMap((parcel) => (parcel.kind === 'event' ? [parcel.event] : [])),
            )
    } catch (error) {
      if (!isLasting(error) || load.length > 1) return error
      answer = { project: null, refused: load.map((parcel) => ({ parcel, reason: messageOf(error) })) }
    }
    settle(load, answer)
    return null
  }

  function settle(load: readonly Parcel[], { refused, project }: Delivered): void {
    const bad = refused.filter((each) => each !== null)
    // A parcel is in one of both places at every moment.
    for (const each of bad) if (!store.keepRefused(each)) unstored.add(idOf(each.parcel))
    listeners.onDelivered(
      load.filter((_, index) => refused[index] === null || load[index]?.kind === 'change'),
      project,
    )
    for (const parcel of load) store.forget(idOf(parcel))
    const gone = new Set(load.map(idOf))
    const badIds = new Set(bad.map((each) => idOf(each.parcel)))
    const taken = [...gone].filter((id) => !badIds.has(id))
    dropSpare(taken)
    for (const parcel of state.waiting) if (unstored.has(idOf(parcel))) keep(parcel)
    change({
      waiting: state.waiting.filter((parcel) => !gone.has(idOf(parcel))),
      refused: [...state.refused.filter((each) => !badIds.has(idOf(each.parcel))), ...bad],
      trouble: null,
    })
    if (bad.length > 0) listeners.onRefused(bad)
  }

  /** Takes entries off for good, refused or waiting, since a person said so; `again` sends others in their place. */
  function letGo(ids: readonly string[], again: readonly Parcel[] = []): void {
    for (const parcel of again) {
      keep(parcel)
      listeners.onNews(parcel)
    }
    for (const id of ids) {
      store.forgetRefused(id)
      store.forget(id)
    }
    dropSpare(ids)
    const left = state.waiting.filter((parcel) => !ids.includes(idOf(parcel)))
    change({
      refused: state.refused.filter((each) => !ids.includes(idOf(each.parcel))),
      waiting: [...left, ...again].sort((a, b) => numberOf(a) - numberOf(b)),
    })
    void flush()
  }

  /** What another tab wrote to the storage that is shared, or took out of it. */
  function heard(key: string | null, text: string | null): void {
    if (key?.startsWith(waitingPrefix)) {
      const id = key.slice(waitingPrefix.length)
      const known = state.waiting.find((parcel) => idOf(parcel) === id)
      if (text === null && known) {
        change({ waiting: state.waiting.filter((parcel) => parcel !== known) })
        listeners.onDelivered([known], null)
      }
      const parcel = text === null || known ? null : readParcel(text)
      if (!parcel) return
      change({ waiting: [...state.waiting, parcel] })
      listeners.onNews(parcel)
    } else if (key?.startsWith(refusedPrefix)) {
      const id = key.slice(refusedPrefix.length)
      const others = state.refused.filter((each) => idOf(each.parcel) !== id)
      const fresh = text === null ? null : readRefused(text)
      change({ refused: fresh ? [...others, fresh] : others })
    }
  }

  /**
   * Takes up what stands in the spare copy alone: this browser was ended before its storage was on the disk.
   * @returns the highest running number given out before, as far as is known
   */
  async function restore(): Promise<number> {
    const { parcels, lastNumber } = await spare.read()
    const known = new Set([...state.waiting, ...state.refused.map((each) => each.parcel)].map(idOf))
    const lost = parcels.filter((parcel) => !known.has(idOf(parcel)))
    if (lost.length === 0) return lastNumber
    for (const parcel of lost) keep(parcel)
    change({ waiting: [...state.waiting, ...lost].sort((a, b) => numberOf(a) - numberOf(b)) })
    for (const parcel of lost) listeners.onNews(parcel)
    void flush()
    return lastNumber
  }

  return {
    record,
    flush,
    restore,
    letGo,
    heard,
    listen: (next: OutboxListeners) => {
      listeners = next
    },
    subscribe: (watcher: () => void) => {
      watchers.add(watcher)
      return () => watchers.delete(watcher)
    },
    getState: () => state,
  }
}

/** A clear word against the request itself, or against so much of it. */
function isLasting(error: unknown): boolean {
  return !mayPass(error) || isTooLarge(error)
}

function messageOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error)
}
