import type { EventId, ModelId, StageId } from '../units/ids.ts'
import type { Instant } from '../units/instant.ts'
import type { Seconds } from '../units/seconds.ts'

interface Recorded {
  readonly id: EventId
  readonly at: Instant
}

interface OverModels extends Recorded {
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
}

/** Looked at on the table: worth its minutes, without effect, or not enough yet. */
export const verdicts = ['worth it', 'did nothing', 'too little'] as const

export type Verdict = (typeof verdicts)[number]

/** One entry of the append-only log. Nothing is ever changed or removed: undo is an event too. */
export type ProgressEvent =
  /** The models are through the stage; their drying starts at `at`. */
  | (OverModels & { readonly kind: 'punched' })
  /** The stage is to do again for these models. */
  | (OverModels & { readonly kind: 'cleared' })
  /** The stage wants a touch-up on these models. */
  | (OverModels & { readonly kind: 'touch-up'; readonly note: string })
  /** A stage was begun on these models; a clock still running is stopped by it. */
  | (OverModels & { readonly kind: 'clock-started' })
  | (Recorded & { readonly kind: 'clock-stopped'; readonly targetId: EventId })
  /** A clock time looked at after several stages: these models are through all of them, and it took so long. */
  | (Recorded & {
      readonly kind: 'milestone'
      readonly stageIds: readonly StageId[]
      readonly modelIds: readonly ModelId[]
      readonly workSeconds: Seconds
    })
  /** What the stage did for the look of these models. */
  | (OverModels & { readonly kind: 'judged'; readonly verdict: Verdict; readonly note: string })
  /** The lap or milestone says nothing of a pace, or took another time than the clock says; and why. */
  | (Recorded & {
      readonly kind: 'lap-corrected'
      readonly targetId: EventId
      /** `null`: it is left out. */
      readonly workSeconds: Seconds | null
      readonly note: string
    })
  /** Takes the target back, as if it had never been; aimed at an undo, it brings the work back. */
  | (Recorded & { readonly kind: 'undone'; readonly targetId: EventId })
