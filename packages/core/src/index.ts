export { endOfDay, expandSessions, localDateAt, wallClock, type Session } from './calendar/sessions.ts'
export { batchSeconds, batchTime, sharedHandsOnSeconds, type BatchTime } from './estimating/batch-time.ts'
export { cautionText, type Caution } from './line/cautions.ts'
export { regionsMeet, type Regions } from './line/regions.ts'
export { schools, type School, type StageTemplate } from './line/schools.ts'
export { dryingWait, potOf, touchedRegions, type Stage, type Touch } from './line/stage.ts'
export { distinctBatchSizes, tryBatchSize, type BatchSizeOutcome } from './planning/compare-batch-sizes.ts'
export { planProblemText, type LinePlan, type PlanProblem, type Stretch } from './planning/line-plan.ts'
export { planLine, type PlanningInput } from './planning/plan-line.ts'
export { runSheets, type Drying, type RunSheet, type RunSheetEntry } from './planning/run-sheet.ts'
export { batchHole, type BatchHole } from './progress/batch-hole.ts'
export { dryingShelf, type DryingEntry } from './progress/drying-shelf.ts'
export type { ProgressEvent } from './progress/event.ts'
export { foldProgress, type Clock, type Lap, type Mark, type Progress } from './progress/fold-progress.ts'
export { holeState, isThrough, type HoleState } from './progress/hole-state.ts'
export { workLeft, type WorkLeft } from './progress/work-left.ts'
export { batchSizesText, largestBatchSize, splitIntoBatches, type Batch } from './project/batches.ts'
export {
  countModels,
  stagesOf,
  type Evenings,
  type Model,
  type Project,
  type Unit,
} from './project/project.ts'
export type { BatchId, EventId, ModelId, ProjectId, StageId, UnitId } from './units/ids.ts'
export { addSeconds, instant, type Instant } from './units/instant.ts'
export { addDays, daysBetween, isoWeekday, parseLocalDate, type LocalDate } from './units/local-date.ts'
export { seededRandom, type RandomUnit } from './units/random.ts'
export { failure, success, type Result } from './units/result.ts'
export { minutes, seconds, type Seconds } from './units/seconds.ts'
