export { bareBatch, barePlan, bareTask } from './bare-plan.ts'
export { earliestFinish, lowerBound } from './bounds.ts'
export { planFollower } from './follow-plan.ts'
export { followsSoon } from './follow-sequence.ts'
export { evenGroup, followingGroups, groupSize, impossiblePair } from './following-groups.ts'
export { batchByBatch, oneAfterTheOther, stageByStage } from './habits.ts'
export {
  type EveningPrices,
  type FirstBy,
  handsRange,
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
export { choicesOf, createScheduleBuilder } from './schedule-builder.ts'
export {
  isMuch,
  type KeptPlan as EarlierPlan,
  layKept,
  type SearchBudget,
  searchPlan,
  type SearchResult,
} from './search.ts'
export {
  buildSchedule,
  firstTasks,
  inFull,
  inTurn,
  sequenceEntry,
  type TaskSequence,
  withNothingPutOff,
} from './task-sequence.ts'
export { type TaskPlace, withoutTasks } from './without-tasks.ts'
export { openTime, slotsOf, slotsOfSpans } from './time-slots.ts'
export { orderOfAims, type PlanWorth } from './weigh-plan.ts'
