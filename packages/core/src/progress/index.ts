export { batchHole, type BatchHole } from './batch-hole.ts'
export { type DryingEntry, dryingShelf } from './drying-shelf.ts'
export {
  type Feel,
  feels,
  type InspectionVerdict,
  inspectionVerdicts,
  namedBy,
  type ProgressEvent,
  type RecordedBy,
  type RememberedUnit,
  type StageWait,
  type Verdict,
  verdicts,
  type Outcome,
  outcomes,
} from './event.ts'
export { foldProgress, progressAt } from './fold-progress.ts'
export { stillTacky } from './hole-log.ts'
export {
  holeState,
  type HoleState,
  isBegun,
  isOpenHole,
  isSkipped,
  isThrough,
  isThroughHole,
  lastUsed,
  slipText,
} from './hole-state.ts'
export { type Lesson, type LessonElsewhere, lessonsAgain, lessonsOf, coatsTaken } from './lessons.ts'
export { longestPause } from './longest-pause.ts'
export {
  type Clock,
  clockOf,
  type Correction,
  type Inspection,
  type Judgement,
  type Lap,
  type Mark,
  type Progress,
  type Used,
  type Went,
} from './progress.ts'
export { createProgressLog, type ProgressLog } from './progress-log.ts'
export { neededForTable } from './table-ready.ts'
export { driedOut, toFollow, type ToFollow } from './to-follow.ts'
