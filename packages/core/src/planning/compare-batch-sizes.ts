import { batchSizesText, largestBatchSize, splitIntoBatches } from '../project/batches.ts'
import type { Instant } from '../units/instant.ts'
import { planLine, type PlanningInput } from './plan-line.ts'

/** What one batch size would mean for the same work. */
export interface BatchSizeOutcome {
  readonly batchSize: number
  /** The sizes the batches get, `4 · 4 · 4`. */
  readonly split: string
  readonly batches: number
  readonly handsOnSeconds: number
  readonly exposedSeconds: number
  readonly hiddenSeconds: number
  readonly potOpenings: number
  readonly firstBatchAt: Instant
  readonly finishesAt: Instant
}

/** The sizes worth comparing: of sizes that split every unit alike, the smallest. */
export function distinctBatchSizes(project: PlanningInput['project']): readonly number[] {
  const seen = new Set<string>()
  return Array.from({ length: largestBatchSize(project) }, (_, index) => index + 1).filter((size) => {
    const split = batchSizesText(splitIntoBatches(project, size))
    if (seen.has(split)) return false
    seen.add(split)
    return true
  })
}

/** One size at a time, so that the caller can show progress and stop. `null` where there is no plan. */
export function tryBatchSize(
  input: Omit<PlanningInput, 'batchSize'>,
  batchSize: number,
): BatchSizeOutcome | null {
  const planned = planLine({ ...input, batchSize })
  if (!planned.ok) return null
  const plan = planned.value
  return {
    batchSize,
    split: batchSizesText(plan.batches),
    batches: plan.batches.length,
    handsOnSeconds: plan.handsOnSeconds,
    exposedSeconds: plan.exposedSeconds,
    hiddenSeconds: plan.hiddenSeconds,
    potOpenings: plan.potOpenings,
    firstBatchAt: plan.firstBatchAt,
    finishesAt: plan.finishesAt,
  }
}
