import type { Technique } from './technique.ts'
import type { BatchId, ModelId, PainterId, StageId, UnitId } from '../units/ids.ts'
import type { LocalDate } from '../units/local-date.ts'
import { minutes, type Seconds } from '../units/seconds.ts'

/** What a painter may want most, after the date. */
export const aims = ['date', 'pots', 'waiting', 'first', 'variety'] as const
export type Aim = (typeof aims)[number]

/** Sittings at the same hours on the same weekdays. */
export interface SessionRule {
  /** ISO 8601 weekdays, Monday 1 … Sunday 7; at least one. */
  readonly weekdays: readonly number[]
  /** Wall-clock time, `HH:MM`. */
  readonly startsAt: string
  readonly lengthSeconds: Seconds
  /** 1 every week, 2 every other … */
  readonly everyWeeks: number
  /** A day in one of the weeks that count; `null` where all do. */
  readonly countedFrom: LocalDate | null
}

/** Days without painting, both included. */
export interface TimeOff {
  readonly from: LocalDate
  readonly until: LocalDate
}

/** When a session begins, by the wall clock of the project's zone. */
export interface SessionMark {
  readonly on: LocalDate
  /** `HH:MM` */
  readonly at: string
}

/** One sitting by itself. */
export interface SingleSession extends SessionMark {
  readonly lengthSeconds: Seconds
}

export interface Painter {
  readonly id: PainterId
  readonly name: string
  /** 1 as estimated, 2 takes twice as long. */
  readonly pace: number
  /** What this painter is not asked to do. */
  readonly cannot: readonly Technique[]
  /** Empty: the project's own evenings. */
  readonly rules: readonly SessionRule[]
  readonly off: readonly TimeOff[]
  /** Sessions that fall out. */
  readonly dropped: readonly SessionMark[]
  readonly extra: readonly SingleSession[]
}

/** How several painters share the work. */
export const teamworks = ['free', 'by-batch', 'by-stage'] as const
export type Teamwork = (typeof teamworks)[number]

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

/** How long the same is borne before a change is wanted. */
export interface Bores {
  /** At one stage. */
  readonly stageSeconds: Seconds
  /** At one unit. */
  readonly unitSeconds: Seconds
}

/** Half an hour and an hour and a half: from memory, to be edited. */
export const usualBores: Bores = { stageSeconds: minutes(30), unitSeconds: minutes(90) }

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

/** What the plan is to keep to, and what it is to want most. */
export interface Planning {
  readonly painters: readonly Painter[]
  readonly teamwork: Teamwork
  /** The most wanted first; what is not named comes after. */
  readonly aims: readonly Aim[]
  /** Batches to be finished before all others, in this order. */
  readonly first: readonly BatchId[]
  readonly pins: readonly Pin[]
  /** Batches made by hand, or begun before the batch size was changed. */
  readonly batches: readonly KeptBatch[]
  /** How many can spray from a can at a time, and how many airbrushes there are. */
  readonly sprayPlaces: number
  readonly airbrushes: number
  /** Models that find a place to dry after a coat all over; `null`: all. */
  readonly rackPlaces: number | null
  /** The hours of daylight or fair weather in which cans are used; `null`: at any hour. */
  readonly sprayHours: { readonly from: string; readonly until: string } | null
  /** Share of sessions that fall out unforeseen, 0 to 1. */
  readonly skipShare: number
  readonly bores: Bores
  readonly held: Held
  /** `null`: any time of the due day, and nothing lies before. */
  readonly handOver: HandOver | null
}

/** One painter with the project's evenings and nothing special. */
export const plainPlanning: Planning = {
  painters: [
    {
      id: 'you' as PainterId,
      name: 'You',
      pace: 1,
      cannot: [],
      rules: [],
      off: [],
      dropped: [],
      extra: [],
    },
  ],
  teamwork: 'free',
  aims: ['date', 'waiting'],
  first: [],
  pins: [],
  batches: [],
  sprayPlaces: 1,
  airbrushes: 1,
  rackPlaces: null,
  sprayHours: null,
  skipShare: 0.1,
  bores: usualBores,
  held: { all: false, batches: [], stages: [] },
  handOver: null,
}
