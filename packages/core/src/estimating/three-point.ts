import { failure, type Result, success } from '../units/index.ts'

/** What somebody expects at best, likely, and at worst, in one unit of their own. */
export interface ThreePoints {
  readonly best: number
  readonly likely: number
  readonly worst: number
}

export interface Spread {
  readonly mean: number
  readonly standardDeviation: number
}

/**
 * PERT: mean (best + 4 · likely + worst) / 6, standard deviation (worst − best) / 6 (Malcolm, Roseboom, Clark &
 * Fazar 1959). Points out of order, negative or not numbers are refused with a sentence.
 */
export function spreadOf({ best, likely, worst }: ThreePoints): Result<Spread, string> {
  if (![best, likely, worst].every((each) => Number.isFinite(each) && each >= 0)) {
    return failure('Give three times, none below zero.')
  }
  if (best > likely || likely > worst)
    return failure('The best time comes first, then the likely, then the worst.')
  return success({ mean: (best + 4 * likely + worst) / 6, standardDeviation: (worst - best) / 6 })
}
