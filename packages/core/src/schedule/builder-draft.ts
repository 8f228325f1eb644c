import type { PlanTask } from './instance.ts'

/** Where a batch's next task would begin, and with whom. */
export interface Place {
  readonly task: PlanTask
  readonly way: number
  readonly painter: number
  readonly start: number
  readonly setUp: number
  /** Models that fit into the session. */
  readonly count: number
  readonly end: number
  readonly session: number
  /** Rather here than after a wait in the session before. */
  readonly putOff: boolean
  /** The hands come too late for what has to follow soon. */
  readonly tooLate: boolean
}

/** A place under consideration: one object is written over and over. */
export type Draft = { -readonly [Key in keyof Place]: Place[Key] }

export function emptyDraft(task: PlanTask): Draft {
  return {
    task,
    way: 0,
    painter: 0,
    start: 0,
    setUp: 0,
    count: 0,
    end: 0,
    session: 0,
    putOff: false,
    tooLate: false,
  }
}

export function copyDraft(from: Draft, to: Draft): void {
  to.task = from.task
  to.way = from.way
  to.painter = from.painter
  to.start = from.start
  to.setUp = from.setUp
  to.count = from.count
  to.end = from.end
  to.session = from.session
  to.putOff = from.putOff
  to.tooLate = from.tooLate
}

/** The earlier end; of two, the smaller set-up, then the later start. */
export function isBetter(a: Draft, aEnd: number, b: Draft, bEnd: number): boolean {
  if (a.tooLate !== b.tooLate) return b.tooLate
  if (aEnd !== bEnd) return aEnd < bEnd
  return a.setUp !== b.setUp ? a.setUp < b.setUp : a.start > b.start
}

/** How many of the models wanted fit. */
export function fitting(room: number, hands: number, wanted: number): number {
  if (room < 0) return 0
  return hands > 0 ? Math.min(wanted, Math.floor(room / hands)) : wanted
}
