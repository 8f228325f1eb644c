export {
  type Batch,
  batchesMeant,
  batchIdOf,
  batchLetter,
  batchName,
  batchSizesText,
  type BatchSplit,
  keepBatches,
  keepTogether,
  largestBatchSize,
  holderOf,
  meansBatch,
  splitIntoBatches,
} from './batches.ts'
export { type Caution, cautionText } from './cautions.ts'
export type { Commission } from './commission.ts'
export {
  type Aim,
  aims,
  type Bores,
  type Desk,
  type Evenings,
  type Painter,
  type SessionMark,
  type SessionRule,
  type SingleSession,
  type Teamwork,
  teamworks,
  type TimeOff,
  usualBores,
} from './desk.ts'
export {
  countModels,
  type Detail,
  details,
  isOneOf,
  type Model,
  stagesOf,
  takesStage,
  type Unit,
} from './job.ts'
export {
  type Carrier,
  formOf,
  isCarrierOnly,
  type Material,
  type MaterialForm,
  materialForms,
  type MaterialKind,
  materialKinds,
  type Sheen,
  sheenOf,
  sheens,
} from './material.ts'
export {
  dateOf,
  deskOf,
  partsOf,
  plainPainter,
  plainPlanning,
  type Planning,
  type Project,
} from './project.ts'
export {
  type Finish,
  finishes,
  landsOn,
  type Mix,
  plainStep,
  type Preferences,
  type Recipe,
  type RecipeVersion,
  type Region,
  regionsOfStep,
  stackOf,
  type Standard,
  standardReaches,
  standards,
  type Step,
  type StepRef,
  type SubAssembly,
  tableReadyStandard,
} from './recipe.ts'
export { type Regions, regionsMeet } from './regions.ts'
export { type RuleId, ruleIds } from './rule-id.ts'
export { type Size, sizes } from './size.ts'
export { spreadStep, spreadVariants } from './spread-variants.ts'
export { saysPot, withOwnNames } from './stage-names.ts'
export { dryingWait, potOf, type Stage, type Touch, touchedRegions, type TypedTime } from './stage.ts'
export { type Technique, techniques } from './technique.ts'
export { type HandOver, type KeptBatch, type Pin, usualHandOver } from './wishes.ts'
