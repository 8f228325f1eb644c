export { withCapital } from './capital.ts'
export type {
  BatchId,
  ChangeId,
  ClientId,
  DeviceId,
  EventId,
  MaterialId,
  ModelId,
  PainterId,
  ProjectId,
  RecipeId,
  StageId,
  StepId,
  UnitId,
} from './ids.ts'
export { addSeconds, instant, type Instant } from './instant.ts'
export { addDays, daysBetween, isoWeekday, type LocalDate, parseLocalDate } from './local-date.ts'
export { madeAt } from './made-at.ts'
export { chiSquareFrom, normalFrom } from './normal.ts'
export { numberWords } from './number-words.ts'
export { type RandomUnit, seededRandom } from './random.ts'
export { failure, type Result, success } from './result.ts'
export { minutes, seconds, type Seconds } from './seconds.ts'
export { readToldTime, type ToldTime } from './told-time.ts'
