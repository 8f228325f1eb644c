import type { EventId, ModelId, StageId } from '../units/ids.ts'
import type { Instant } from '../units/instant.ts'
import type { Seconds } from '../units/seconds.ts'
import type { ProgressEvent, Verdict } from './event.ts'

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

/** What was said of a time afterwards; `workSeconds` of `null` leaves it out. */
export interface Correction {
  readonly eventId: EventId
  readonly workSeconds: Seconds | null
  readonly note: string
}

/** A clock that was stopped: real seconds over the models punched meanwhile. */
export interface Lap extends Clock {
  readonly stoppedAt: Instant
  readonly done: readonly ModelId[]
  readonly correction: Correction | null
}

/** Several stages in one span of time. */
interface Milestone {
  readonly eventId: EventId
  readonly at: Instant
  readonly workSeconds: Seconds
  /** What was not through before: by stage, the models. */
  readonly done: ReadonlyMap<StageId, readonly ModelId[]>
  readonly correction: Correction | null
}

/** The latest word on what a stage did for a model. */
export interface Judgement {
  readonly eventId: EventId
  readonly at: Instant
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
  readonly verdict: Verdict
  readonly note: string
}

export interface Progress {
  readonly marks: ReadonlyMap<ModelId, ReadonlyMap<StageId, Mark>>
  readonly running: Clock | null
  readonly laps: readonly Lap[]
  readonly milestones: readonly Milestone[]
  readonly judgements: readonly Judgement[]
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
  const corrections = correctionsIn(valid)
  const laps: Lap[] = []
  const milestones: Milestone[] = []
  const judgements: Judgement[] = []
  let running: Clock | null = null
  const stop = (clock: Clock, at: Instant) => {
    laps.push({
      ...clock,
      stoppedAt: at,
      done: doneOn(clock, at, valid),
      correction: corrections.get(clock.eventId) ?? null,
    })
  }
  for (const event of valid) {
    switch (event.kind) {
      case 'clock-started':
        if (running) stop(running, event.at)
        running = {
          eventId: event.id,
          stageId: event.stageId,
          modelIds: event.modelIds,
          startedAt: event.at,
        }
        break
      case 'clock-stopped':
        if (running?.eventId !== event.targetId) break
        stop(running, event.at)
        running = null
        break
      case 'milestone':
        milestones.push({
          eventId: event.id,
          at: event.at,
          workSeconds: event.workSeconds,
          done: reach(marks, event),
          correction: corrections.get(event.id) ?? null,
        })
        break
      case 'judged': {
        const { id, at, stageId, modelIds, verdict, note } = event
        judgements.push({ eventId: id, at, stageId, modelIds, verdict, note })
        break
      }
      case 'punched':
      case 'cleared':
      case 'touch-up':
        for (const modelId of event.modelIds) setMark(marks, modelId, event)
        break
      case 'lap-corrected':
      case 'undone':
        break
    }
  }
  return { marks, running, laps, milestones, judgements, ...undoTargets(events, taken) }
}

/** The latest correction of each lap or milestone. */
function correctionsIn(valid: readonly ProgressEvent[]): ReadonlyMap<EventId, Correction> {
  return new Map(
    valid.flatMap((event) =>
      event.kind === 'lap-corrected'
        ? [[event.targetId, { eventId: event.id, workSeconds: event.workSeconds, note: event.note }] as const]
        : [],
    ),
  )
}

type Marks = Map<ModelId, Map<StageId, Mark>>

function ofModelIn(marks: Marks, modelId: ModelId): Map<StageId, Mark> {
  const ofModel = marks.get(modelId) ?? new Map<StageId, Mark>()
  marks.set(modelId, ofModel)
  return ofModel
}

type Marking = Extract<ProgressEvent, { kind: 'punched' | 'cleared' | 'touch-up' }>

function setMark(marks: Marks, modelId: ModelId, event: Marking): void {
  const ofModel = ofModelIn(marks, modelId)
  if (event.kind === 'cleared') {
    ofModel.delete(event.stageId)
  } else if (event.kind === 'punched') {
    ofModel.set(event.stageId, { kind: 'punched', at: event.at })
  } else {
    const at = ofModel.get(event.stageId)?.at ?? event.at
    ofModel.set(event.stageId, { kind: 'touch-up', at, note: event.note })
  }
}

/** Punches what the milestone's models were not through; what they were keeps its own moment. */
function reach(
  marks: Marks,
  { stageIds, modelIds, at }: Extract<ProgressEvent, { kind: 'milestone' }>,
): ReadonlyMap<StageId, readonly ModelId[]> {
  const done = new Map<StageId, ModelId[]>()
  for (const stageId of stageIds) {
    for (const modelId of modelIds) {
      const ofModel = ofModelIn(marks, modelId)
      if (ofModel.has(stageId)) continue
      ofModel.set(stageId, { kind: 'punched', at })
      done.set(stageId, [...(done.get(stageId) ?? []), modelId])
    }
  }
  return done
}

function doneOn(clock: Clock, stoppedAt: Instant, valid: readonly ProgressEvent[]): readonly ModelId[] {
  const done = new Set<ModelId>()
  for (const event of valid) {
    if (event.kind !== 'punched' || event.stageId !== clock.stageId) continue
    if (event.at < clock.startedAt || event.at > stoppedAt) continue
    for (const modelId of event.modelIds) if (clock.modelIds.includes(modelId)) done.add(modelId)
  }
  return [...done]
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
