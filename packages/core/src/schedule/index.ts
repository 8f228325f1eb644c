export { earliestFinish, lowerBound } from './bounds.ts'
export { choicesOf, createScheduleBuilder } from './schedule-builder.ts'
export { openTime, slotsOf, slotsOfSpans } from './time-slots.ts'
export { planFollower } from './follow-plan.ts'
export { freedomOf } from './follow-sequence.ts'
export { evenGroup, followingGroups, groupSize, impossiblePair } from './following-groups.ts'
export { freeOrder } from './free-order.ts'
export { batchByBatch, stageByStage } from './habits.ts'
export {
  type FirstBy,
  handsSeconds,
  isChain,
  type PlanBatch,
  type PlanCost,
  type PlanInstance,
  type PlanPainter,
  type PlanSegment,
  type PlanTask,
  type Readiness,
  type Span,
  type TouchUpPart,
  touchUpParts,
  wayOf,
} from './instance.ts'
export { sequenceEntry, buildSchedule, type TaskSequence, withNothingPutOff } from './task-sequence.ts'
export { type SearchResult, isMuch } from './search.ts'
export { type KeptOrder, layKept, searchFreely } from './search-freely.ts'
