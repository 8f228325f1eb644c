import type { Mix } from '../trade/index.ts'
import type { EventId, Instant, ModelId, PainterId, Seconds, StageId } from '../units/index.ts'
import type { Feel, InspectionVerdict, Outcome, ProgressEvent, RememberedUnit, Verdict } from './event.ts'

/** What the log says of one model at one stage; no mark means still to do. */
export type Mark =
  | { readonly kind: 'punched'; readonly at: Instant; readonly drySeconds: Seconds | null }
  /** Goes without it, for the reason that was given. */
  | { readonly kind: 'skipped'; readonly at: Instant; readonly drySeconds: Seconds; readonly note: string }
  /** Painted, but a slip waits for a dab; `at` is when it was painted, if it was. */
  | {
      readonly kind: 'touch-up'
      readonly at: Instant
      readonly drySeconds: Seconds | null
      readonly note: string
      /** `null`: all that the stage covers. */
      readonly region: string | null
    }

export interface Clock {
  readonly eventId: EventId
  /** Whose clock it is; `null` where nobody was named. */
  readonly painter: PainterId | null
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
  /** When those were marked, in order; several at once are one tap. */
  readonly taps: readonly Instant[]
  readonly correction: Correction | null
}

/** Several stages in one span of time. */
export interface Milestone {
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
  /** The colour that is wanted instead; `null` where none was named. */
  readonly mix: Mix | null
}

/** A slip or a missed part that was noted, mended since or not. */
export interface Slip {
  readonly eventId: EventId
  readonly at: Instant
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
  readonly note: string
  readonly region: string | null
}

/** A finger on a coat, the last on it: so long after it was put on. */
export interface Touch {
  readonly eventId: EventId
  readonly stageId: StageId
  readonly feels: Feel
  readonly elapsedSeconds: Seconds
}

/** Models that were looked at and stay as they are. */
export interface Inspection {
  readonly eventId: EventId
  readonly at: Instant
  readonly modelIds: readonly ModelId[]
  readonly verdict: InspectionVerdict
  readonly note: string
}

/** What a unit of before took, as somebody remembers it. */
export interface Remembered extends RememberedUnit {
  readonly eventId: EventId
  readonly at: Instant
}

/** What was really used on these models at a stage, where it was not what the recipe says. */
export interface Used {
  readonly eventId: EventId
  readonly at: Instant
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
  readonly mix: Mix
  readonly note: string
}

/** What a stage's paint did on models. */
export interface Went {
  readonly eventId: EventId
  readonly at: Instant
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
  readonly outcome: Outcome
}

/** The state of all models; a value that never changes: the next event makes another. */
export interface Progress {
  readonly marks: ReadonlyMap<ModelId, ReadonlyMap<StageId, Mark>>
  /** At most one a painter. */
  readonly running: readonly Clock[]
  readonly laps: readonly Lap[]
  readonly milestones: readonly Milestone[]
  readonly judgements: readonly Judgement[]
  /** By time; of two on one model the later one stands. */
  readonly used: readonly Used[]
  /** By time. */
  readonly went: readonly Went[]
  /** By time. */
  readonly slips: readonly Slip[]
  /** By time; the same list while nothing changed. */
  readonly touches: readonly Touch[]
  /** By time. */
  readonly inspections: readonly Inspection[]
  /** By time. */
  readonly remembered: readonly Remembered[]
  /** The moment of the last record; `null` before the first. */
  readonly latestAt: Instant | null
  /** The newest event that an undo would take back. */
  readonly lastUndoable: ProgressEvent | null
  /** The newest undo that taking back would bring work back: a redo. */
  readonly lastUndo: EventId | null
}

/** The painter's own clock. */
export function clockOf(progress: Pick<Progress, 'running'>, painter: PainterId | null): Clock | null {
  return progress.running.find((clock) => clock.painter === painter) ?? null
}
