import { type LocalDate, minutes, type PainterId, type Seconds } from '../units/index.ts'
import type { Technique } from './technique.ts'

/** What a painter may want most, after the date. */
export const aims = ['date', 'pots', 'waiting', 'first', 'variety'] as const
export type Aim = (typeof aims)[number]

/** Sessions at the same hours on the same weekdays. */
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

/** When there is painting, week by week. */
export interface Evenings {
  /** ISO 8601 weekdays, Monday 1 … Sunday 7; at least one. */
  readonly weekdays: readonly number[]
  /** Wall-clock time, `HH:MM`. */
  readonly startsAt: string
  readonly lengthSeconds: Seconds
  /** On other days at other hours. */
  readonly also: readonly SessionRule[]
  /** IANA name. */
  readonly timeZone: string
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

/** One session by itself. */
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

/** How long the same is borne before a change is wanted. */
export interface Bores {
  /** At one stage. */
  readonly stageSeconds: Seconds
  /** At one unit. */
  readonly unitSeconds: Seconds
}

/** Half an hour and an hour and a half: from memory, to be edited. */
export const usualBores: Bores = { stageSeconds: minutes(30), unitSeconds: minutes(90) }

/** How much paint changes, trips to the spray place and scraps of work are minded against time. */
export const fusses = ['little', 'usual', 'much'] as const
export type Fuss = (typeof fusses)[number]

/** When, by whom and at which stations work is done, whatever the job. */
export interface Desk {
  readonly evenings: Evenings
  readonly painters: readonly Painter[]
  readonly teamwork: Teamwork
  /** What its painters want most of a plan, after the date: the most wanted first; what is not named comes after. */
  readonly aims: readonly Aim[]
  /** At most so many batches, of whichever job, are begun and unfinished at a time; `null`: any number. */
  readonly batchesInHand: number | null
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
  readonly fuss: Fuss
}
