import type { Session } from '../calendar/index.ts'
import type { DryingEntry } from '../progress/index.ts'
import type { Batch, BatchSplit, Technique } from '../trade/index.ts'
import type { BatchId, Instant, ModelId, PainterId, Seconds, StageId } from '../units/index.ts'
import type { TouchUpPart } from '../schedule/index.ts'
import type { PlanNote } from './plan-notes.ts'

/** One unbroken stretch of hands-on work: a batch at a stage, or part of it where a session ends between. */
export interface Stretch {
  readonly batchId: BatchId
  readonly stageId: StageId
  /** A dab where the stage slipped, or the ground under a tint first; `null`: the stage itself. */
  readonly touchUp: TouchUpPart | null
  /** In another way than the line has it, since that is quicker for this batch; `null`: as the line has it. */
  readonly by: Technique | null
  /** Index into the plan's painters. */
  readonly painter: number
  readonly modelIds: readonly ModelId[]
  readonly startsAt: Instant
  readonly setUpSeconds: Seconds
  readonly opensPot: boolean
  readonly endsAt: Instant
  /** When the last of these models is dry. */
  readonly dryAt: Instant
  /** Index into the plan's sessions. */
  readonly session: number
  /** Not begun in the session before on purpose: there it would have been waited for. */
  readonly putOff: boolean
}

/** What of a stretch says in which row the work is done: that much of a plan is kept to. */
export interface PlannedTask extends Pick<Stretch, 'batchId' | 'stageId' | 'touchUp' | 'painter' | 'putOff'> {
  /** Plans that were kept before ways were know none. */
  readonly by?: Technique | null | undefined
  /** Where it was to begin; what is kept of a plan without it is its order alone. */
  readonly startsAt?: Instant | undefined
}

export interface PlanSession extends Session {
  /** Index into the plan's painters. */
  readonly painter: number
}

export interface PainterLoad {
  readonly id: PainterId
  readonly name: string
  readonly handsOnSeconds: Seconds
  /** When this painter's hands rest for good; `null` for one who has nothing to do. */
  readonly doneAt: Instant | null
}

/** What a plan promised when it was searched for. */
export interface AsFound extends Pick<LaidPlan, 'finishesAt' | 'exposedSeconds'> {
  /** What is late of it, together; plans that were kept before were of nothing late. */
  readonly lateSeconds?: Seconds | undefined
  /** What was wished of its batches; plans that were kept before do not know. */
  readonly wished?: BatchesWished | undefined
}

/** What is wished of who goes together. */
export interface BatchesWished extends BatchSplit {
  readonly kept: readonly BatchId[]
}

/** Who does what when. */
export interface LaidPlan {
  /** Of this plan, or of the one before it where that still holds and nothing was searched for. */
  readonly asFound: AsFound
  readonly batches: readonly Batch[]
  readonly painters: readonly PainterLoad[]
  /** By start. */
  readonly sessions: readonly PlanSession[]
  /** What is still wet when the plan begins, from work done before. */
  readonly drying: readonly DryingEntry[]
  /** By start. */
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
  /** Work at one stage, or at one unit, beyond what the painter bears without a change. */
  readonly samenessSeconds: Seconds
  /** Share of each session that is left free for what is to be expected. */
  readonly room: number
  readonly notes: readonly PlanNote[]
}

/** The same, and how good the answer is. */
export interface LinePlan extends LaidPlan {
  /** No plan can finish before this moment. */
  readonly earliestFinishAt: Instant
  /** How much longer the plan takes than the bound, as a share of the bound's span; 0 is proved best. */
  readonly gap: number
  /** When the same work would be done by hand habit, with any number of batches in hand. */
  readonly habits: { readonly batchByBatch: Instant; readonly stageByStage: Instant }
}
