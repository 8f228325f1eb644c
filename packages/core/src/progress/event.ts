import type { Mix, Size, Standard } from '../trade/index.ts'
import type { DeviceId, EventId, Instant, ModelId, PainterId, Seconds, StageId } from '../units/index.ts'

/** Where and by whom something was recorded; records of before devices were told apart have none. */
export interface RecordedBy {
  readonly device: DeviceId
  /** The device's own running number: it grows with everything the device records. */
  readonly number: number
  readonly painter: PainterId | null
}

interface Recorded {
  readonly id: EventId
  readonly at: Instant
  readonly by?: RecordedBy
}

interface OverModels extends Recorded {
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
}

/** What a stage's coat had to dry. */
export interface StageWait {
  readonly stageId: StageId
  readonly drySeconds: Seconds
}

/** Looked at on the table: worth its minutes, without effect, not enough yet, or good but for its colour. */
export const verdicts = ['worth it', 'did nothing', 'too little', 'another colour'] as const

export type Verdict = (typeof verdicts)[number]

/** What a finger says of a coat. */
export const feels = ['dry', 'tacky'] as const

export type Feel = (typeof feels)[number]

/** What a paint really did on the models, as it is seen at the desk. */
export const outcomes = ['covered', 'another coat', 'stained', 'pooled', 'lifted'] as const

export type Outcome = (typeof outcomes)[number]

/** Looked at when it is through: good, or with a fault that is left on purpose. */
export const inspectionVerdicts = ['passed', 'left'] as const

export type InspectionVerdict = (typeof inspectionVerdicts)[number]

/** A unit painted before there were records: what it took, as it is told. */
export interface RememberedUnit {
  readonly models: number
  /** As the schools have it. */
  readonly school: string
  readonly size: Size
  readonly standard: Standard
  /** `about three evenings of two hours`; see `readToldTime`. */
  readonly told: string
}

/** One entry of the append-only log. Nothing is ever changed or removed: undo is an event too. */
export type ProgressEvent =
  /** The models are through the stage; their drying starts at `at`. */
  | (OverModels & {
      readonly kind: 'punched'
      /** The wait the coat had when it was put on: a stage edited later does not change the past. */
      readonly drySeconds?: Seconds
      /** What a model's hole was worth in hands-on time. */
      readonly worthSeconds?: Seconds
    })
  /** Decided at the desk: these models go without it, and why. */
  | (OverModels & { readonly kind: 'skipped'; readonly note: string })
  /** What its paint did on these models. */
  | (OverModels & { readonly kind: 'went'; readonly outcome: Outcome })
  /** The stage is to do again for these models. */
  | (OverModels & { readonly kind: 'cleared' })
  /** The stage wants a touch-up on these models. */
  | (OverModels & {
      readonly kind: 'touch-up'
      readonly note: string
      /** Where on the model, as its recipe names the region; without it the whole stage is meant. */
      readonly region?: string
    })
  /** A finger on the coat: dry before its wait was over, or not dry yet. */
  | (OverModels & { readonly kind: 'felt'; readonly feels: Feel })
  /** A stage was begun on these models; a clock of the same painter still running is stopped by it. */
  | (OverModels & { readonly kind: 'clock-started' })
  | (Recorded & { readonly kind: 'clock-stopped'; readonly targetId: EventId })
  /** A clock time looked at after several stages: these models are through all of them, and it took so long. */
  | (Recorded & {
      readonly kind: 'milestone'
      readonly stageIds: readonly StageId[]
      readonly modelIds: readonly ModelId[]
      readonly workSeconds: Seconds
      /** The waits the coats had; a stage that is not named has the wait written on it. */
      readonly waits?: readonly StageWait[]
    })
  /** What the stage did for the look of these models. */
  | (OverModels & {
      readonly kind: 'judged'
      readonly verdict: Verdict
      readonly note: string
      /** The colour that is wanted instead. */
      readonly mix?: Mix
    })
  /** Another paint was used on these models than the recipe says; and why. */
  | (OverModels & { readonly kind: 'used'; readonly mix: Mix; readonly note: string })
  /** The models were looked at, and stay as they are; a fault that does not is a touch-up, or a stage cleared. */
  | (Recorded & {
      readonly kind: 'inspected'
      readonly modelIds: readonly ModelId[]
      readonly verdict: InspectionVerdict
      readonly note: string
    })
  /** The lap or milestone says nothing of a pace, or took another time than the clock says; and why. */
  | (Recorded & {
      readonly kind: 'lap-corrected'
      readonly targetId: EventId
      /** `null`: it is left out. */
      readonly workSeconds: Seconds | null
      readonly note: string
    })
  /** Says of the painter's pace what laps would. */
  | (Recorded & RememberedUnit & { readonly kind: 'remembered' })
  /** Takes the target back, as if it had never been; aimed at an undo, it brings the work back. */
  | (Recorded & { readonly kind: 'undone'; readonly targetId: EventId })

/** What an event names of its project, whatever its kind. */
export function namedBy(event: ProgressEvent): {
  readonly stageIds: readonly StageId[]
  readonly modelIds: readonly ModelId[]
  readonly targetId: EventId | null
} {
  return {
    stageIds: 'stageIds' in event ? event.stageIds : 'stageId' in event ? [event.stageId] : [],
    modelIds: 'modelIds' in event ? event.modelIds : [],
    targetId: 'targetId' in event ? event.targetId : null,
  }
}
