import { localDateAt } from '../calendar/index.ts'
import { largestBatchSize, type Project } from '../trade/index.ts'
import { daysBetween } from '../units/index.ts'
import type { LaidPlan } from './line-plan.ts'

/** What is wished of how many go together, and of how many batches are in hand at once. */
export type BatchWish = Pick<Project, 'batchSize' | 'firstBatch' | 'batchesInHand'>

/** So many at most go together where nobody says anything else: more of the same is borne by few (common practice). */
export const usualBatchSize = 20

/** No wish at all: the plan decides. */
export function noBatchWish(project: Pick<Project, 'units'>): BatchWish {
  const batchSize = Math.max(usualBatchSize, largestBatchSize(project))
  return { batchSize, firstBatch: null, batchesInHand: null }
}

/** Whether anything is wished that the plan might decide otherwise. */
export function hasBatchWish(project: Pick<Project, 'units'> & BatchWish): boolean {
  const { batchSize, firstBatch, batchesInHand } = project
  return batchSize < largestBatchSize(project) || firstBatch !== null || batchesInHand !== null
}

/** What a wish costs; less than nothing where it saves. */
export interface WishPrice {
  readonly days: number
  readonly handsOnSeconds: number
  readonly potOpenings: number
}

/** Less hands-on time than this is no price worth a word. */
const worthSaying = 20 * 60

/**
 * What the wish about the batches costs, from the plan with it and one without.
 * @returns `null` where it costs nothing that matters.
 */
export function priceOfWish(plan: LaidPlan, without: LaidPlan, timeZone: string): WishPrice | null {
  const day = ({ finishesAt }: LaidPlan) => localDateAt(finishesAt, timeZone)
  const days = daysBetween(day(without), day(plan))
  const saved = plan.handsOnSeconds - without.handsOnSeconds
  const isDear = days > 0 || (days === 0 && saved > worthSaying)
  return isDear ? { days, handsOnSeconds: saved, potOpenings: plan.potOpenings - without.potOpenings } : null
}
