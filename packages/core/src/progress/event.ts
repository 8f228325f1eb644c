import type { EventId, ModelId, StageId } from '../units/ids.ts'
import type { Instant } from '../units/instant.ts'

interface Recorded {
  readonly id: EventId
  readonly at: Instant
}

interface OverModels extends Recorded {
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
}

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
  /** Takes the target back, as if it had never been; aimed at an undo, it brings the work back. */
  | (Recorded & { readonly kind: 'undone'; readonly targetId: EventId })
