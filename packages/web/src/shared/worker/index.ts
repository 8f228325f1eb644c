export { useBatchSizeComparison, usePlan, type Comparison } from './use-plan.ts'
export { usePlanningInput } from './use-planning-input.ts'
