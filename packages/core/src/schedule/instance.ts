import type { Regions } from '../trade/index.ts'

/** One way to carry out a task. All times in whole seconds. */
export interface PlanWay {
  /** Tasks of one family need no set-up in between (the same pot is open). */
  readonly family: number
  readonly setUp: number
  /** Set-up when the colour still lies on the palette from earlier in the session; `setUp` where nothing stays. */
  readonly again: number
  /** At a pace of 1; a painter's own is this times the pace, to the second. */
  readonly perModel: number
  /** Least drying after the hands leave a model. */
  readonly wait: number
  /** Held by the hands, not by set-up or drying; `null` where the desk will do. */
  readonly station: number | null
  /** Hands and set-up have to lie in one of these; `null`: any time in a session. */
  readonly windows: number | null
  /** Who may do it; `null`: everybody. */
  readonly painters: readonly number[] | null
  /** Its models lie on the drying rack from the first touch until they are dry. */
  readonly onRack: boolean
}

/** One stage of one batch, as the planner sees it; one painter does all of it. */
export interface PlanTask extends PlanWay {
  /** Index of the stage in the line; only names the task and orders the habit "every stage over everything". */
  readonly stage: number
  /** Region numbers the wait and the work touch; `'whole'` touches every region. */
  readonly regions: Regions<number>
  /** Positions in the batch of the models that still need the stage, in working order. */
  readonly models: readonly number[]
  /** The next task of the batch has to begin on each model at most so long after this leaves it; `null`: any time. */
  readonly maxWait: number | null
  /** Other ways to do the same. */
  readonly others: readonly PlanWay[]
  /** Batches that have to be through and dry before: what is joined here. */
  readonly joins: readonly number[]
  /** A dab where the stage slipped, or the ground under a tint first; `null`: the stage itself. */
  readonly touchUp: TouchUpPart | null
}

export const touchUpParts = ['undercoat', 'colour'] as const
export type TouchUpPart = (typeof touchUpParts)[number]

/** When a model's regions are dry again after work done before the plan begins. */
export interface Readiness {
  readonly model: number
  readonly regions: Regions<number>
  readonly readyAt: number
}

export interface FirstBy {
  readonly model: number
  /** Seconds from time 0. */
  readonly by: number
}

export interface PlanBatch {
  readonly models: number
  /** In the order in which a batch is worked, one stage at a time. */
  readonly tasks: readonly PlanTask[]
  /**
   * By task the tasks that have to be begun before it, all of them earlier in the list; any other order will do. Without
   * it the batch keeps to the order of its list.
   */
  readonly comesAfter?: readonly (readonly number[])[] | null
  readonly drying: readonly Readiness[]
  /**
   * Models on which the batch's first task has to begin at the latest by then: what it follows was put on before the plan
   * begins, and is to be followed soon. In a free order everything else of the batch comes after that task.
   */
  readonly firstBy?: readonly FirstBy[]
  /** Some of its work was done before the plan begins: it is in hand already. */
  readonly begun: boolean
  /** What is one kind of work to the painter: a change of it breaks a long run. */
  readonly kind: number
  /** When it should be dry; `null`: no date. */
  readonly due: number | null
  /** Batches of one job, by its number, are late together: as late as the last of them. Without it each by itself. */
  readonly job?: number
  /** 0 as the others; above it, finished before anything else counts, the higher the sooner. */
  readonly priority: number
}

/** Whether a batch keeps to the order of its list. */
export function isChain({ comesAfter }: Pick<PlanBatch, 'comesAfter'>): boolean {
  return (comesAfter ?? null) === null
}

/** Half-open, in seconds from the moment of planning. */
export interface Span {
  readonly start: number
  readonly end: number
}

export interface PlanPainter {
  /** In order, not overlapping; `null`: always at the desk. */
  readonly sessions: readonly Span[] | null
  /** 1 as estimated, 2 takes twice as long. */
  readonly pace: number
}

/** What people dislike in an evening, in seconds that they would rather work (common practice). */
export interface EveningPrices {
  readonly paintChange: number
  /** Going to where cans are used; as long as nothing else is done in between it is one trip. */
  readonly sprayTrip: number
  /** Cleaning the airbrush after a run with it. */
  readonly airbrush: number
  /** A stretch with one pot shorter than `short`, the more the shorter it is. */
  readonly shortStretch: number
  readonly short: number
  /** A pot opened for one model. */
  readonly potForOne: number
  readonly unitChange: number
}

/**
 * Time 0 = the moment of planning. Batches go through their tasks in order; painters work one task at a time in
 * their sessions, with set-ups that depend on the pot before; drying keeps lags per model and region. A job shop is
 * the case of one model a batch and one painter for each machine; a flow shop too.
 */
export interface PlanInstance {
  readonly batches: readonly PlanBatch[]
  readonly regionCount: number
  readonly painters: readonly PlanPainter[]
  /** How many tasks each station holds at a time. */
  readonly stations: readonly number[]
  /** Each in order, not overlapping. */
  readonly windows: readonly (readonly Span[])[]
  /** Places on the drying rack; `null`: as many as it takes. */
  readonly rack: number | null
  /** Pots are closed at a session's end, so the first task of the next needs its set-up again. */
  readonly potsCloseBetweenSessions: boolean
  /** A stage may stop between two models at a session's end and go on in the next. */
  readonly maySplit: boolean
  /**
   * A batch may begin only while fewer than this many others are begun and not through their last task;
   * `null`: any number. What another batch waits for to be joined may always begin.
   */
  readonly inHandAtMost: number | null
  /** Seconds at one stage, and at one kind of work, from which on more of the same is sameness. */
  readonly bores?: { readonly stage: number; readonly kind: number }
  /** The pot that is open at time 0, with the first painter. */
  readonly openFamily: number | null
  /** Without them an evening has no price but its time, and a plan that ends a second sooner is the better one. */
  readonly prices?: EveningPrices
}

/** One unbroken stretch of hands-on work: a set-up, perhaps, then whole models back to back. */
export interface PlanSegment {
  readonly batch: number
  /** Index into the batch's tasks. */
  readonly task: number
  /** 0 the task's own way, then its others. */
  readonly way: number
  readonly painter: number
  /** Positions in the task's `models`: from here … */
  readonly from: number
  readonly count: number
  readonly start: number
  readonly setUp: number
  readonly opensPot: boolean
  readonly end: number
  /** Index into the painter's sessions. */
  readonly session: number
  /** Not begun in the session before on purpose: there it would have been waited for. */
  readonly putOff: boolean
}

/** What a plan costs; `finish` is Infinity when not every task found a place. */
export interface PlanCost {
  /** Seconds the batches with a date are late, together; batches of one job as their last. */
  readonly late: number
  /** When batches with a priority are dry, times their priority; of a job once more when the last of them is. */
  readonly pressed: number
  /** When the last model is dry. */
  readonly finish: number
  /** When the hands rest for good. */
  readonly handsDone: number
  /** The longest any painter is at work counted at the desk alone: nights and days between sessions left out. */
  readonly deskSeconds: number
  /** Work and set-ups of everybody. */
  readonly handsOnSeconds: number
  readonly setUpSeconds: number
  readonly potOpenings: number
  /** Idle time at the desk, in a session, because everything is drying. */
  readonly exposed: number
  /** Sum over the batches of the moment each is dry: small means finished models early. */
  readonly flow: number
  /** Seconds of one stage beyond half an hour, or of one kind beyond an hour and a half, without a change. */
  readonly sameness: number
  /** When the session begins in which the hands rest for good. */
  readonly lastOpens: number
  /** What people dislike in its evenings, in seconds; see `EveningPrices`. */
  readonly bother: number
  /** What it is worth in seconds that tasks stay where an earlier plan had them, of those that do not. */
  readonly moved: number
}

/** Its own way, then its others. */
export const waysOf = (task: PlanTask): readonly PlanWay[] => [task, ...task.others]

export function wayOf(task: PlanTask, way: number): PlanWay {
  return way === 0 ? task : (task.others[way - 1] ?? task)
}

/** Drying after the task at the least, whatever the way. */
export function leastWait(task: PlanTask): number {
  return Math.min(...waysOf(task).map((way) => way.wait))
}

/** Seconds one model takes at the least and at the most, whoever does it and in whatever way. */
export function handsRange({ painters }: PlanInstance, task: PlanTask): readonly [number, number] {
  const each = waysOf(task).flatMap((way) =>
    [...(way.painters ?? painters.keys())].map((painter) => handsSeconds(way, painters[painter])),
  )
  return [Math.min(...each), Math.max(0, ...each)]
}

/** Seconds one model takes this painter. */
export function handsSeconds(way: PlanWay, painter: PlanPainter | undefined): number {
  return Math.round(way.perModel * (painter?.pace ?? 1))
}
