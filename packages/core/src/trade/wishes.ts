import {
  type BatchId,
  type LocalDate,
  minutes,
  type ModelId,
  type PainterId,
  type Seconds,
  type StageId,
  type UnitId,
} from '../units/index.ts'
import type { SessionMark } from './desk.ts'

/** A stage of a batch that is to be done in one session. */
export interface Pin extends SessionMark {
  readonly batchId: BatchId
  readonly stageId: StageId
}

/** Models of one unit that go down the line together, whatever the batch size says of the others. */
export interface KeptBatch {
  readonly id: BatchId
  readonly unitId: UnitId
  readonly modelIds: readonly ModelId[]
}

/** Whose hands a batch is in: one painter does all that is left of it, but for what that one is not asked to do. */
export interface Holder {
  /** The batch. */
  readonly id: BatchId
  readonly painterId: PainterId
}

/** What is held to the row of the line, though another order of the stages would do as well. */
interface Held {
  readonly all: boolean
  readonly batches: readonly BatchId[]
  readonly stages: readonly StageId[]
}

/** The hour of the due day at which the models are handed over, and what lies before it. */
export interface HandOver {
  /** `HH:MM` */
  readonly at: string
  /** From the last coat dry to the touch until it bears being packed. */
  readonly cureSeconds: Seconds
  readonly packingSeconds: Seconds
}

/** Cure before packing (common practice: overnight at the least, a day to be sure); packing from memory. */
export const usualHandOver: Omit<HandOver, 'at'> = {
  cureSeconds: minutes(24 * 60),
  packingSeconds: minutes(60),
}

/** What is wanted of a plan for one job. */
export interface Wishes {
  readonly dueOn: LocalDate | null
  /** `null`: any time of the due day, and nothing lies before. */
  readonly handOver: HandOver | null
  /** At most this many models of a unit go down the line together. */
  readonly batchSize: number
  /** The first batch of a unit is smaller, so that some are finished soon; `null`: it is as the others. */
  readonly firstBatch: number | null
  /** Batches made by hand, or begun before the batch size was changed. */
  readonly batches: readonly KeptBatch[]
  /** Batches to be finished before all others, in this order. */
  readonly first: readonly BatchId[]
  readonly pins: readonly Pin[]
  readonly held: Held
  /** Batches that stay in one pair of hands; all others go to whoever the plan takes. */
  readonly holders: readonly Holder[]
}
