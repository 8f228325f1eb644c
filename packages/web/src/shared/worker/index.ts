export type { Queue, QuoteWish } from './planner.worker.ts'
export { useExtras, useStandardCosts } from './use-hours.ts'
export {
  useCut,
  useFindings,
  useHalfPainted,
  useJudgementCalls,
  useLooks,
  useLearntBores,
  useLineFindings,
  usePilot,
  useUnitReport,
  usePlanChanges,
  useRunSheets,
  useSheetLooks,
  useUnderWay,
} from './use-looks.ts'
export { useEstimated, type Estimated } from './use-estimated.ts'
export {
  useFollowedLine,
  useLineOfOrder,
  useOrder,
  useOrderingInput,
  useSamenessOffers,
} from './use-line-order.ts'
export { useBatchSizeComparison, type Comparison } from './use-batch-size-comparison.ts'
export { useForecast, useOdds, type FinishShown, type Odds, type TriedOffer } from './use-odds.ts'
export { useDeskPlan, type DeskShown, type DeskWish, type JobShown, type JobToPlan } from './use-desk-plan.ts'
export { quickEffort, usePlan, usePlanBefore } from './use-plan.ts'
export { usePlanShown, type PlanShown } from './plan-shown.ts'
export { usePlanWithoutWish } from './use-plan-without-wish.ts'
export { usePlannedBatches } from './use-planned-batches.ts'
export { usePriceMovers, useQuoteTiers } from './use-quote.ts'
export { useWays } from './use-ways.ts'
export { useTeamworks, type TriedTeamwork } from './use-teamworks.ts'
