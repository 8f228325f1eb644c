export { plannedBatches } from './batch-ways.ts'
export {
  type BatchWish,
  hasBatchWish,
  noBatchWish,
  priceOfWish,
  usualBatchSize,
  type WishPrice,
} from './batch-wish.ts'
export { bearableBatch, type BearableBatch } from './bearable-batch.ts'
export { besideInPlan } from './beside-in-plan.ts'
export {
  distinctSplits,
  largestBearable,
  outcomeOf,
  smallestHiding,
  type SplitOutcome,
  trySplit,
  usualSplits,
} from './compare-batch-sizes.ts'
export { comparePlans, keepPlan, type KeptPlan, type PlanChange } from './compare-plans.ts'
export { tryWay, type WayOutcome } from './compare-ways.ts'
export type { Departure } from './departures.ts'
export { spanOf } from './desk-hours.ts'
export { type FairShare, fairShares } from './fair-shares.ts'
export type { LaidPlan, LinePlan, PainterLoad, PlannedTask, PlanSession, Stretch } from './line-plan.ts'
export { layAsBefore, layLine, planLine, type SolvedLine, solveLine } from './plan-line.ts'
export type { PlanBefore, PlanningInput } from './planning-input.ts'
export {
  type PlanNote,
  planNoteText,
  type PlanProblem,
  planProblemText,
  unplannedUnits,
} from './plan-notes.ts'
export { planTogether } from './plan-together.ts'
export { type Drying, type RunSheet, type RunSheetEntry, runSheets } from './run-sheet.ts'
export { planningOf, type PlanWish, toPlan } from './to-plan.ts'
export { whyThen, type WhyThen } from './why-then.ts'
export { workName } from './work-name.ts'
