import type { EventId, ModelId, StageId } from '../units/ids.ts'
import type { Instant } from '../units/instant.ts'
import type { ProgressEvent } from './event.ts'

/** What the log says of one model at one stage; no mark means still to do. */
export type Mark =
  | { readonly kind: 'punched'; readonly at: Instant }
  /** Painted, but a slip waits for a dab; `at` is when it was painted, if it was. */
  | { readonly kind: 'touch-up'; readonly at: Instant; readonly note: string }

export interface Clock {
  readonly eventId: EventId
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
  readonly startedAt: Instant
}

/** A clock that was stopped: real seconds over the models punched meanwhile. */
export interface Lap extends Clock {
  readonly stoppedAt: Instant
  readonly modelsDone: number
}

export interface Progress {
  readonly marks: ReadonlyMap<ModelId, ReadonlyMap<StageId, Mark>>
  readonly running: Clock | null
  readonly laps: readonly Lap[]
  /** The newest event that an undo would take back. */
  readonly lastUndoable: ProgressEvent | null
  /** The newest undo that taking back would bring work back: a redo. */
  readonly lastUndo: EventId | null
}

/**
 * The one place where the log becomes state, for server and web alike. Events may come in any order and
 * more than once: they are taken by moment, then id. Events that name unknown models or stages are
 * harmless: whoever reads the marks asks only for those it knows.
 */
export function foldProgress(log: readonly ProgressEvent[]): Progress {
  const events = inOrder(log)
  const taken = takenBack(events)
  const valid = events.filter((event) => event.kind !== 'undone' && !taken.has(event.id))
  const marks = new Map<ModelId, Map<StageId, Mark>>()
  const laps: Lap[] = []
  let running: Clock | null = null
  for (const event of valid) {
    if (event.kind === 'clock-started') {
      if (running) laps.push(lapOf(running, event.at, valid))
      running = {
        eventId: event.id,
        stageId: event.stageId,
        modelIds: event.modelIds,
        startedAt: event.at,
      }
    } else if (event.kind === 'clock-stopped') {
      if (running?.eventId !== event.targetId) continue
      laps.push(lapOf(running, event.at, valid))
      running = null
    } else if (event.kind !== 'undone') {
      for (const modelId of event.modelIds) setMark(marks, modelId, event)
    }
  }
  return { marks, running, laps, ...undoTargets(events, taken) }
}

type Marking = Extract<ProgressEvent, { kind: 'punched' | 'cleared' | 'touch-up' }>

function setMark(marks: Map<ModelId, Map<StageId, Mark>>, modelId: ModelId, event: Marking): void {
  const ofModel = marks.get(modelId) ?? new Map<StageId, Mark>()
  marks.set(modelId, ofModel)
  if (event.kind === 'cleared') {
    ofModel.delete(event.stageId)
  } else if (event.kind === 'punched') {
    ofModel.set(event.stageId, { kind: 'punched', at: event.at })
  } else {
    const at = ofModel.get(event.stageId)?.at ?? event.at
    ofModel.set(event.stageId, { kind: 'touch-up', at, note: event.note })
  }
}

function lapOf(clock: Clock, stoppedAt: Instant, valid: readonly ProgressEvent[]): Lap {
  const done = new Set<ModelId>()
  for (const event of valid) {
    if (event.kind !== 'punched' || event.stageId !== clock.stageId) continue
    if (event.at < clock.startedAt || event.at > stoppedAt) continue
    for (const modelId of event.modelIds) if (clock.modelIds.includes(modelId)) done.add(modelId)
  }
  return { ...clock, stoppedAt, modelsDone: done.size }
}

function inOrder(log: readonly ProgressEvent[]): readonly ProgressEvent[] {
  const byId = new Map(log.map((event) => [event.id, event]))
  return [...byId.values()].sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
}

/**
 * An event is taken back when a later undo that itself still stands aims at it. An undo that aims at a
 * later event is void, so there is no circle to resolve.
 */
function takenBack(events: readonly ProgressEvent[]): ReadonlySet<EventId> {
  const taken = new Set<EventId>()
  const positionOf = new Map(events.map((event, index) => [event.id, index]))
  for (let index = events.length - 1; index >= 0; index--) {
    const event = events[index]
    if (event?.kind !== 'undone' || taken.has(event.id)) continue
    if ((positionOf.get(event.targetId) ?? index) < index) taken.add(event.targetId)
  }
  return taken
}

function undoTargets(
  events: readonly ProgressEvent[],
  taken: ReadonlySet<EventId>,
): Pick<Progress, 'lastUndoable' | 'lastUndo'> {
  const standing = events.filter((event) => !taken.has(event.id))
  const newest = standing.at(-1)
  return {
    lastUndoable: standing.findLast((event) => event.kind !== 'undone') ?? null,
    lastUndo: newest?.kind === 'undone' ? newest.id : null,
  }
}
