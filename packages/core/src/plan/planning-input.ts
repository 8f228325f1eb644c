import type { BatchTimes } from '../estimating/index.ts'
import type { Progress } from '../progress/index.ts'
import type { Shelf } from '../recipe/index.ts'
import type { Batch, BatchSplit, Parts, Teamwork } from '../trade/index.ts'
import type { Instant, UnitId } from '../units/index.ts'
import type { BatchBefore } from './batch-ways.ts'
import type { NoSprayTime } from './desk-hours.ts'
import type { AsFound, BatchesWished, PlannedTask } from './line-plan.ts'

/** What of an earlier plan the next one begins with. */
export interface PlanBefore {
  /** The batches its stretches speak of; without them the batches are as they are wished. */
  readonly batches?: readonly BatchBefore[] | undefined
  readonly stretches: readonly PlannedTask[]
  /** What was wished of its batches: where something else is now, they are not divided as they were. */
  readonly wished?: BatchesWished | undefined
  readonly asFound?: AsFound | null
}

export interface PlanningInput extends Parts {
  readonly progress?: Progress
  readonly now: Instant
  /** Estimated times; without them what is written on the stages. */
  readonly times?: BatchTimes
  /** With it a batch takes its stages in any sound order; without it every batch keeps to the line's row. */
  readonly shelf?: Shelf
  /** Batches of just these sizes; without it the search divides what is wished where that makes a better plan. */
  readonly split?: BatchSplit
  /** What may go together at most; the units as they are wished without it. */
  readonly batches?: readonly Batch[]
  /** By when units are to be dry that have dates of their own; otherwise the one wished. */
  readonly dueByUnit?: ReadonlyMap<UnitId, Instant | null>
  /** From when on the models of each unit are here; at once without it. */
  readonly hereByUnit?: ReadonlyMap<UnitId, Instant | null>
  /** The job of each unit by number, where several are planned together: a job is late when its last batch is. */
  readonly jobByUnit?: ReadonlyMap<UnitId, number>
  /** Defaults to the desk's. */
  readonly teamwork?: Teamwork
  /** When the air is known not to be fit for cans. */
  readonly noSpray?: readonly NoSprayTime[]
  /** Share of each session that is left free for what is to be expected; 0 by default. */
  readonly room?: number
  /** With sessions to spare, for futures that take longer. */
  readonly spare?: boolean
  /**
   * The plan before something happened: what can be kept of it is kept. With what it promised it is followed as it is, and
   * nothing searched for, while it keeps to that.
   */
  readonly before?: PlanBefore
  readonly seed?: number
  /** How many model-stages the search may lay out; more finds better plans. */
  readonly effort?: number
  /** Asked now and then; from when it is true on, the search ends with the best so far. */
  readonly isCalledOff?: () => boolean
}
