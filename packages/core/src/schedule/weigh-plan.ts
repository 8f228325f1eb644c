import { type Aim, aims } from '../trade/index.ts'
import type { PlanCost, PlanInstance } from './instance.ts'

/** One figure of a plan for each aim, in seconds. */
const terms: Readonly<Record<Aim, (cost: PlanCost, batches: number) => number>> = {
  date: (cost) => cost.deskSeconds + (cost.finish - cost.handsDone),
  // A pot not opened is worth its minutes and the bother.
  pots: (cost) => cost.setUpSeconds + cost.potOpenings * 60,
  waiting: (cost) => cost.exposed,
  first: (cost, batches) => cost.flow / Math.max(1, batches) / 10,
  variety: (cost) => cost.sameness,
}

/** How much more an aim counts than the next. */
const step = 4

/** Compares plans of one instance as the painter orders the aims; negative where the first is better. */
export interface PlanOrder {
  readonly compare: (a: PlanCost, b: PlanCost) => number
  /** A smooth figure to search by; small is good. */
  readonly height: (cost: PlanCost) => number
  /** The same to compare plans of one work whose batches differ: the first figure that does decides. */
  readonly worth: (cost: PlanCost) => PlanWorth
  /** No plan with so many seconds at the desk has a smaller height. */
  readonly heightFloor: (deskSeconds: number) => number
}

export interface PlanWorth {
  readonly late: number
  readonly pressed: number
  /** Where the date comes first, when the last session begins; else 0. */
  readonly lastOpens: number
  /** What else counts, in seconds as the painter weighs them. */
  readonly seconds: number
}

type OfOrder = Pick<PlanInstance, 'batches' | 'prices'>

/**
 * Lateness first, then batches with a priority. With the date as first aim an earlier finish always wins, and what
 * comes after decides between equals; else each aim counts four times the next. Where an evening has prices, plans that end in
 * the same session end alike, and what people dislike counts as the time it is worth.
 */
export function orderOfAims(order: readonly Aim[], { batches: all, prices }: OfOrder): PlanOrder {
  const batches = all.length
  const full = [...order, ...aims.filter((aim) => !order.includes(aim))]
  const weights = full.map((aim, index) => ({ term: terms[aim], weight: step ** -index }))
  const weighed = (cost: PlanCost) =>
    weights.reduce((sum, { term, weight }) => sum + weight * term(cost, batches), 0)
  const finishFirst = full[0] === 'date'
  // Of plans that end alike: who minds waiting next wants the time beside the work small, whatever it goes into.
  const mindsWaiting = full[1] === 'waiting'
  const besideWork = ({ setUpSeconds, exposed }: PlanCost) =>
    mindsWaiting ? setUpSeconds + exposed : setUpSeconds
  const weightOf = (aim: Aim) => step ** -full.indexOf(aim)
  // With the date first the others only guide.
  const scale = finishFirst ? 0.02 : 1
  const beside = finishFirst ? (mindsWaiting ? 0.3 : 0.05) : 0
  const byDate = finishFirst ? 1 : weightOf('date')
  const byPot = scale * weightOf('pots')
  const bySetUp = byPot + beside
  const byWaiting = scale * weightOf('waiting') + (mindsWaiting ? beside : 0)
  const byFlow = (scale * weightOf('first')) / Math.max(1, batches) / 10
  const byVariety = scale * weightOf('variety')
  const soonest = prices
    ? (a: PlanCost, b: PlanCost) => a.lastOpens - b.lastOpens
    : (a: PlanCost, b: PlanCost) => a.finish + a.moved - b.finish - b.moved || besideWork(a) - besideWork(b)
  return {
    compare: (a, b) => {
      if (!Number.isFinite(a.finish) || !Number.isFinite(b.finish)) return compareNumbers(a.finish, b.finish)
      return (
        a.late - b.late ||
        a.pressed - b.pressed ||
        (finishFirst ? soonest(a, b) : 0) ||
        weighed(a) + a.moved + a.bother - weighed(b) - b.moved - b.bother ||
        a.finish - b.finish ||
        a.flow - b.flow
      )
    },
    // Time at the desk, not on the calendar: there a few seconds saved show at once, while the finish only
    // moves when they add up to an evening.
    height: (cost) =>
      byDate * (cost.deskSeconds + cost.finish - cost.handsDone) +
      (cost.late + cost.pressed) / 8 +
      cost.moved +
      cost.bother +
      bySetUp * cost.setUpSeconds +
      byPot * 60 * cost.potOpenings +
      byWaiting * cost.exposed +
      byFlow * cost.flow +
      byVariety * cost.sameness,
    worth: (cost) => ({
      late: cost.late,
      pressed: cost.pressed,
      lastOpens: finishFirst ? cost.lastOpens : 0,
      seconds: weighed(cost) + cost.bother,
    }),
    heightFloor: (deskSeconds) => byDate * deskSeconds,
  }
}

function compareNumbers(a: number, b: number): number {
  return a === b ? 0 : a < b ? -1 : 1
}
