import type { EventId, Instant, ModelId, StageId } from '../units/index.ts'
import type { ProgressEvent } from './event.ts'
import type { Timed } from './clock-log.ts'
import type { Correction, Lap } from './progress.ts'
import { insertSorted } from './sorted-events.ts'

type Punched = Extract<ProgressEvent, { kind: 'punched' }>

/** The laps of all clocks: stretches of time with the models punched meanwhile. */
export interface LapLog {
  readonly addPunch: (event: Punched) => void
  /** A hole of the stage was marked otherwise at that time. */
  readonly markChanged: (event: { readonly stageId: StageId; readonly at: Instant }) => void
  /** All laps are to be read anew. */
  readonly upset: () => void
  /** Takes over what a clock says; the first `kept` stretches are as they were. */
  readonly take: (clock: object, said: { readonly timed: readonly Timed[]; readonly kept: number }) => void
  /** The laps in the order they were stopped; the same list while nothing changed. */
  readonly read: (correctionOf: (lap: EventId) => Correction | null) => readonly Lap[]
}

/** @param wasSlip whether the punch mends a slip of the model: a dab says nothing of the stage. */
export function createLapLog(
  isTaken: (id: EventId) => boolean,
  wasSlip: (modelId: ModelId, punch: Punched) => boolean,
): LapLog {
  const punches = new Map<StageId, Punched[]>()
  const byClock = new Map<object, Timed[]>()
  /** When the last lap over a stage was stopped: a punch after that belongs to none yet. */
  const lastStop = new Map<StageId, number>()
  let laps: Lap[] = []
  let added: Timed[] = []
  let isStale = false

  function changedAt({ stageId, at }: { readonly stageId: StageId; readonly at: Instant }): void {
    if (at <= (lastStop.get(stageId) ?? Number.NEGATIVE_INFINITY)) isStale = true
  }

  function doneOn(timed: Timed): Pick<Lap, 'done' | 'taps'> {
    const events = punches.get(timed.stageId) ?? []
    const wanted = new Set(timed.modelIds)
    const done = new Set<ModelId>()
    const taps: Instant[] = []
    for (let index = firstFrom(events, timed.startedAt); index < events.length; index++) {
      const event = events[index]
      if (!event || event.at > timed.stoppedAt) break
      if (isTaken(event.id)) continue
      const known = done.size
      for (const modelId of event.modelIds)
        if (wanted.has(modelId) && !wasSlip(modelId, event)) done.add(modelId)
      if (done.size > known) taps.push(event.at)
    }
    return { done: [...done], taps }
  }

  function take(clock: object, { timed, kept }: Parameters<LapLog['take']>[1]): void {
    const known = byClock.get(clock) ?? []
    if (known.length > kept) isStale = true
    const fresh = timed.slice(kept)
    if (fresh.length === 0 && known.length === timed.length) return
    for (const each of fresh)
      lastStop.set(each.stageId, Math.max(lastStop.get(each.stageId) ?? 0, each.stoppedAt))
    known.length = Math.min(known.length, kept)
    known.push(...fresh)
    byClock.set(clock, known)
    added.push(...fresh)
  }

  function read(correctionOf: (lap: EventId) => Correction | null): readonly Lap[] {
    if (!isStale && added.length === 0) return laps
    const asLap = (timed: Timed): Lap => ({
      ...timed,
      ...doneOn(timed),
      correction: correctionOf(timed.eventId),
    })
    const fresh = isStale ? [...byClock.values()].flat() : added
    const next = [...(isStale ? [] : laps), ...fresh.map(asLap)]
    const isInOrder = next.every((lap, index) => index === 0 || compareLaps(next[index - 1] ?? lap, lap) <= 0)
    laps = isInOrder ? next : next.sort(compareLaps)
    added = []
    isStale = false
    return laps
  }

  return {
    addPunch: (event) => {
      const known = punches.get(event.stageId)
      if (known) insertSorted(known, event)
      else punches.set(event.stageId, [event])
      changedAt(event)
    },
    markChanged: changedAt,
    upset: () => {
      isStale = true
    },
    take,
    read,
  }
}

function compareLaps(a: Lap, b: Lap): number {
  return a.stoppedAt - b.stoppedAt || a.startedAt - b.startedAt || (a.eventId < b.eventId ? -1 : 1)
}

/** Index of the first event at `from` or later. */
function firstFrom(events: readonly Punched[], from: number): number {
  let low = 0
  let high = events.length
  while (low < high) {
    const middle = (low + high) >> 1
    if ((events[middle]?.at ?? 0) < from) low = middle + 1
    else high = middle
  }
  return low
}
