import type { Regions } from '../line/regions.ts'

/** One stage of one batch, as the planner sees it. All times in whole seconds. */
export interface PlanTask {
  /** Index of the stage in the line; only names the task and orders the habit "every stage over everything". */
  readonly stage: number
  /** Tasks of one family need no set-up in between (the same pot is open). */
  readonly family: number
  readonly setUp: number
  /** Set-up when the colour still lies on the palette from earlier in the session; `setUp` where nothing stays. */
  readonly again: number
  readonly perModel: number
  /** Least drying after the hands leave a model. */
  readonly wait: number
  /** Region numbers the wait and the work touch; `'whole'` touches every region. */
  readonly regions: Regions<number>
  /** Positions in the batch of the models that still need the stage, in working order. */
  readonly models: readonly number[]
}

/** When a model's regions are dry again after work done before the plan begins. */
export interface Readiness {
  readonly model: number
  readonly regions: Regions<number>
  readonly readyAt: number
}

export interface PlanBatch {
  readonly models: number
  /** In line order: a batch is worked at one stage at a time, and never out of order. */
  readonly tasks: readonly PlanTask[]
  readonly drying: readonly Readiness[]
  /** Some of its work was done before the plan begins: it is in hand already. */
  readonly begun: boolean
}

/**
 * One painter, time 0 = the moment of planning. A job shop with one machine, minimum time lags per model
 * and region, and sequence-dependent set-ups.
 */
export interface PlanInstance {
  readonly batches: readonly PlanBatch[]
  readonly regionCount: number
  /** Half-open, in order, not overlapping; `null`: the desk is always open. */
  readonly sessions: readonly { readonly start: number; readonly end: number }[] | null
  /** Pots are closed at a session's end, so the first task of the next needs its set-up again. */
  readonly potsCloseBetweenSessions: boolean
  /** A stage may stop between two models at a session's end and go on in the next. */
  readonly maySplit: boolean
  /**
   * A batch may begin only while fewer than this many others are begun and not through their last task;
   * `null`: any number.
   */
  readonly inHandAtMost: number | null
  /** The pot that is open at time 0. */
  readonly openFamily: number | null
}

/** One unbroken stretch of hands-on work: a set-up, perhaps, then whole models back to back. */
export interface PlanSegment {
  readonly batch: number
  /** Index into the batch's tasks. */
  readonly task: number
  /** Positions in the task's `models`: from here … */
  readonly from: number
  readonly count: number
  readonly start: number
  readonly setUp: number
  readonly opensPot: boolean
  readonly end: number
  readonly session: number
}

/** What a plan costs; `finish` is Infinity when not every task found a place. */
export interface PlanCost {
  /** When the last model is dry. */
  readonly finish: number
  /** When the hands rest for good. */
  readonly handsDone: number
  /** The same counted at the desk alone: nights and days between sessions left out. */
  readonly deskSeconds: number
  readonly setUpSeconds: number
  readonly potOpenings: number
  /** Idle time at the desk, in a session, because everything is drying. */
  readonly exposed: number
  /** Sum over the batches of the moment each is dry: small means finished models early. */
  readonly flow: number
}

/** By finish, then set-up time, then waiting at the desk, then early batches. */
export function compareCosts(a: PlanCost, b: PlanCost): number {
  if (a.finish !== b.finish) return a.finish - b.finish
  return (
    a.setUpSeconds - b.setUpSeconds ||
    a.potOpenings - b.potOpenings ||
    a.exposed - b.exposed ||
    a.flow - b.flow
  )
}
