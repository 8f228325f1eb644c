export {
  type Afforded,
  affordStandards,
  type Goal,
  standardCosts,
  type StandardCosts,
  standardsOffered,
  standardWorth,
} from './afford.ts'
export type { BesideWorkOf } from './amounts-left.ts'
export {
  batchTime,
  type BatchTime,
  type BatchTimes,
  secondsAModel,
  sharedHandsOnSeconds,
} from './batch-time.ts'
export { broughtObservations } from './brought-rates.ts'
export { drawPaces } from './draw-paces.ts'
export {
  estimateLine,
  type LineEstimate,
  type StageEstimate,
  type TimeRange,
  totalOf,
} from './estimate-line.ts'
export { type Extra, extrasFor } from './extras.ts'
export { Figures, type FigureSources } from './figures.ts'
export { learnBores, type LearntBores } from './learn-bores.ts'
export { bareStageOf, projectForStandard } from './line-for-standard.ts'
export { askedAbout, cellOf, type ObservedTime } from './observe-times.ts'
export {
  applyPilotProposal,
  type PilotProposal,
  pilotProposals,
  pilotReport,
  type PilotReport,
  type PilotStage,
  pilotTotals,
} from './pilot.ts'
export { normalQuantile } from './quantiles.ts'
export { type DatedObservation, type RateRow, rateRows } from './rate-rows.ts'
export { overallPace, type PaceObservation, type Rates } from './rates.ts'
export { hasRunOn } from './read-lap.ts'
export { type Room, roomFor } from './room.ts'
export { type Surprise, surprises } from './surprises.ts'
export { spreadOf } from './three-point.ts'
export { type BesideWork, nothingBeside, type TouchUpTime, touchUpWork } from './touch-up.ts'
export { workLeft, type WorkLeft } from './work-left.ts'
export { type StageReport, type UnitReport, unitReport } from './unit-report.ts'
