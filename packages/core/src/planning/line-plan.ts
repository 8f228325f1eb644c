import type { Session } from '../calendar/sessions.ts'
import type { DryingEntry } from '../progress/drying-shelf.ts'
import type { Batch } from '../project/batches.ts'
import type { BatchId, ModelId, StageId } from '../units/ids.ts'
import type { Instant } from '../units/instant.ts'
import type { Seconds } from '../units/seconds.ts'

/** One unbroken stretch of hands-on work: a batch at a stage, or part of it where a session ends between. */
export interface Stretch {
  readonly batchId: BatchId
  readonly stageId: StageId
  readonly modelIds: readonly ModelId[]
  readonly startsAt: Instant
  readonly setUpSeconds: Seconds
  readonly opensPot: boolean
  readonly endsAt: Instant
  /** When the last of these models is dry. */
  readonly dryAt: Instant
  /** Index into the plan's sessions. */
  readonly session: number
}

/** What there is to do when, for one painter, and how good the answer is. */
export interface LinePlan {
  readonly batches: readonly Batch[]
  readonly sessions: readonly Session[]
  /** What is still wet when the plan begins, from work done before. */
  readonly drying: readonly DryingEntry[]
  readonly stretches: readonly Stretch[]
  readonly finishesAt: Instant
  readonly firstBatchAt: Instant
  /** Hands-on work with its set-ups. */
  readonly handsOnSeconds: Seconds
  readonly setUpSeconds: Seconds
  readonly potOpenings: number
  /** Waiting at the desk, in a session, with nothing else to do. */
  readonly exposedSeconds: Seconds
  /** Waits that a later stage of the same batch had to keep, less what is exposed. */
  readonly hiddenSeconds: Seconds
  /** No plan can finish before this moment. */
  readonly earliestFinishAt: Instant
  /** How much longer the plan takes than the bound, as a share of the bound's span; 0 is proved best. */
  readonly gap: number
  /** When the same work would be done by hand habit, with any number of batches in hand. */
  readonly habits: { readonly batchByBatch: Instant; readonly stageByStage: Instant }
}

/** Why there is no plan. */
export type PlanProblem =
  | { readonly kind: 'no-models' }
  | { readonly kind: 'no-stages' }
  | { readonly kind: 'all-done' }
  | {
      readonly kind: 'stage-never-fits'
      readonly stageName: string
      readonly neededSeconds: Seconds
      readonly sessionSeconds: Seconds
    }
  | { readonly kind: 'too-far-away' }

/** The problem in a sentence, with the way out. */
export function planProblemText(problem: PlanProblem): string {
  switch (problem.kind) {
    case 'no-models':
      return 'There are no models yet. Put a unit on the roster first.'
    case 'no-stages':
      return 'The line has no stages yet. Write the line, or start from a school.'
    case 'all-done':
      return 'Every model is through every stage. Nothing is left to plan.'
    case 'stage-never-fits':
      return `“${problem.stageName}” needs ${String(Math.ceil(problem.neededSeconds / 60))} min for its set-up and one model, but an evening has ${String(Math.floor(problem.sessionSeconds / 60))} min. Make the evenings longer or split the stage.`
    case 'too-far-away':
      return 'This would take more than 2,000 evenings. Check the minutes a model, the counts and the hours an evening.'
  }
}
