export { useLineOrder } from './use-line-order.ts'
export { useBatchSizeComparison, type Comparison } from './use-batch-size-comparison.ts'
export { usePlan } from './use-plan.ts'
export { usePlanningInput } from './use-planning-input.ts'
