export {
  type Batch,
  batchesMeant,
  batchIdOf,
  batchLetter,
  batchName,
  batchSizesText,
  type BatchSplit,
  cutBatches,
  markOf,
  partsOfSquads,
  holderOf,
  keepBatches,
  keepTogether,
  largestBatchSize,
  meansBatch,
  splitIntoBatches,
  type ToSplit,
} from './batches.ts'
export { type Caution, cautionText } from './cautions.ts'
export type { Commission } from './commission.ts'
export {
  type Aim,
  aims,
  type Bores,
  type Desk,
  type Evenings,
  type Fuss,
  fusses,
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
  type Job,
  type Model,
  stagesOf,
  takesStage,
  takesStep,
  type Unit,
  type Work,
} from './job.ts'
export {
  type Carrier,
  formOf,
  isCarrierOnly,
  isPaint,
  isVarnish,
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
  type Parts,
  partsOf,
  plainPainter,
  plainPlanning,
  type Planning,
  type Project,
  wishesOf,
} from './project.ts'
export {
  type Finish,
  finishes,
  asOneSays,
  landsOn,
  type Mix,
  type Extent,
  extents,
  plainPreferences,
  plainStep,
  type Preferences,
  type Recipe,
  type RecipeVersion,
  type Region,
  regionsOfStep,
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
export { joinUnits, splitUnit } from './split-unit.ts'
export { giveWhereSeen, spreadStep, spreadVariants } from './spread-variants.ts'
export {
  dryingWait,
  potOf,
  type Stage,
  stagesByStep,
  type Touch,
  touchedRegions,
  type TypedTime,
} from './stage.ts'
export { saysPot, withOwnNames } from './stage-names.ts'
export {
  isPreparation,
  isSprayed,
  type Technique,
  techniqueFacts,
  techniques,
  type Tool,
} from './technique.ts'
export { type HandOver, type Holder, type KeptBatch, type Pin, usualHandOver, type Wishes } from './wishes.ts'
