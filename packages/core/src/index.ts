export { lastRecordedAt, unitsForClient, type UnitForClient } from './sheet/client-view.ts'
export { withCapital } from './units/capital.ts'
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
} from './units/ids.ts'
export { addSeconds, instant, type Instant } from './units/instant.ts'
export { addDays, daysBetween, isoWeekday, parseLocalDate, type LocalDate } from './units/local-date.ts'
export { seededRandom, type RandomUnit } from './units/random.ts'
export { failure, success, type Result } from './units/result.ts'
export { minutes, seconds, type Seconds } from './units/seconds.ts'

export { colourDifference, coatOver, parseHex, type Hex } from './colour/colour.ts'

export {
  batchesMeant,
  batchIdOf,
  batchSizesText,
  batchLetter,
  batchName,
  keepBatches,
  keepTogether,
  largestBatchSize,
  meansBatch,
  splitIntoBatches,
  type Batch,
  type BatchSplit,
} from './trade/batches.ts'
export { cautionText, type Caution } from './trade/cautions.ts'
export {
  formOf,
  isCarrierOnly,
  materialForms,
  materialKinds,
  sheenOf,
  sheens,
  type Carrier,
  type Material,
  type MaterialForm,
  type MaterialKind,
  type Sheen,
} from './trade/material.ts'
export {
  aims,
  type Aim,
  usualBores,
  type Bores,
  teamworks,
  type Painter,
  type SessionMark,
  type SessionRule,
  type SingleSession,
  type Teamwork,
  type TimeOff,
  type Evenings,
  type Desk,
} from './trade/desk.ts'
export {
  countModels,
  details,
  type Detail,
  isOneOf,
  stagesOf,
  takesStage,
  type Model,
  type Unit,
} from './trade/job.ts'
export { plainPlanning, type Planning, type Project, deskOf, dateOf, partsOf } from './trade/project.ts'
export { usualHandOver, type HandOver, type KeptBatch, type Pin } from './trade/wishes.ts'
export {
  landsOn,
  regionsOfStep,
  finishes,
  plainStep,
  standards,
  stackOf,
  standardReaches,
  tableReadyStandard,
  type Finish,
  type Mix,
  type Preferences,
  type Recipe,
  type RecipeVersion,
  type Region,
  type Standard,
  type Step,
  type SubAssembly,
  type StepRef,
} from './trade/recipe.ts'
export { regionsMeet, type Regions } from './trade/regions.ts'
export { ruleIds, type RuleId } from './trade/rule-id.ts'
export { sizes, type Size } from './trade/size.ts'
export { spreadStep, spreadVariants } from './trade/spread-variants.ts'
export { saysPot, withOwnNames } from './trade/stage-names.ts'
export { dryingWait, potOf, touchedRegions, type Stage, type Touch, type TypedTime } from './trade/stage.ts'
export { techniques, type Technique } from './trade/technique.ts'

export { lineTemplates, type LineTemplate, type StageTemplate } from './presets/line-templates.ts'
export { mishapPresets, sizePresets } from './presets/presets.ts'
export { productOf } from './presets/step-factors.ts'

export { kindPresets, materialOfKind, starterShelf } from './presets/starter-shelf.ts'

export { adaptRecipe, type AdaptedRecipe } from './recipe/adapt-recipe.ts'
export { bodyPlans, type BodyPlan } from './recipe/body-plans.ts'
export {
  compareRecipes,
  recipeFigures,
  type RecipeDifference,
  type RecipeState,
} from './recipe/compare-recipes.ts'
export { modeTimes, type ModeTime, type Takers } from './recipe/modes.ts'
export { colourOfMix, predictColours } from './recipe/predict-colours.ts'
export { recipeDoubts, scaledShares, type RecipeDoubt } from './recipe/recipe-doubts.ts'
export { recipeFromSchool } from './recipe/recipe-from-school.ts'
export { fitToShelf, materialsOf, namedMaterials, withMaterials } from './recipe/recipe-materials.ts'
export { recipeSchools, type RecipeSchool } from './recipe/schools.ts'
export { factsOf, joinWords, stepText, type Shelf, type StepFacts } from './recipe/step-facts.ts'
export { backToVersion, isSameState, keepVersion } from './recipe/versions.ts'

export { calendarEntries, type CalendarEntry } from './calendar/calendar-entries.ts'
export { handedOverAt, paintedBy } from './calendar/due.ts'
export { momentOf, painterSessions } from './calendar/painter-sessions.ts'
export { endOfDay, expandSessions, localDateAt, wallClock, type Session } from './calendar/sessions.ts'

export { dewPoint, waitFactor, type Air } from './air/air.ts'
export { lineAsFelt } from './air/felt-waits.ts'
export { airNow, airPlaces, type AirPlace } from './air/line-in-air.ts'
export { lineNow } from './air/line-now.ts'
export { simulatedAir } from './air/simulated-air.ts'
export { airOfCans, sprayWindows, unfitForCans, type SprayWindow } from './air/spray-windows.ts'

export { batchHole, type BatchHole } from './progress/batch-hole.ts'
export { dryingAlarms } from './bench/drying-alarms.ts'
export { dryingShelf, type DryingEntry } from './progress/drying-shelf.ts'
export {
  verdicts,
  type ProgressEvent,
  type RecordedBy,
  type StageWait,
  feels,
  inspectionVerdicts,
  type Feel,
  type InspectionVerdict,
  type Verdict,
} from './progress/event.ts'
export { lessonsOf, type Lesson } from './progress/lessons.ts'
export { foldProgress } from './progress/fold-progress.ts'
export {
  holeState,
  isOpenHole,
  isThrough,
  isThroughHole,
  slipText,
  type HoleState,
} from './progress/hole-state.ts'
export { longestPause } from './progress/longest-pause.ts'
export { createProgressLog, type ProgressLog } from './progress/progress-log.ts'
export { clockOf, type Clock, type Lap, type Mark, type Progress } from './progress/progress.ts'

export {
  affordStandards,
  standardCosts,
  standardWorth,
  type Afforded,
  type Goal,
  type StandardCosts,
} from './estimating/afford.ts'
export { amountsLeft, besideByBatch, type BesideWorkOf } from './estimating/amounts-left.ts'
export { batchTime, secondsAModel, sharedHandsOnSeconds, type BatchTimes } from './estimating/batch-time.ts'
export {
  estimateLine,
  timesOf,
  totalOf,
  type EstimateInput,
  type LineEstimate,
  type StageEstimate,
  type TimeRange,
} from './estimating/estimate-line.ts'
export { projectForStandard } from './estimating/line-for-standard.ts'
export { extrasFor, type Extra } from './estimating/extras.ts'
export { learnBores, type LearntBores } from './estimating/learn-bores.ts'
export { askedAbout, type ObservedTime } from './estimating/observe-times.ts'
export {
  applyPilotProposal,
  pilotProposals,
  pilotReport,
  pilotTotals,
  type PilotProposal,
  type PilotReport,
  type PilotStage,
} from './estimating/pilot.ts'
export { rateRows, type DatedObservation, type RateRow } from './estimating/rate-rows.ts'
export { overallPace, type PaceObservation, type Rates } from './estimating/rates.ts'
export { roomFor, type Room } from './estimating/room.ts'
export { stageWorks } from './estimating/stage-work.ts'
export { spreadOf } from './estimating/three-point.ts'
export type { BesideWork } from './estimating/touch-up.ts'
export { surprises, type Surprise } from './estimating/surprises.ts'
export { workLeft, type WorkLeft } from './estimating/work-left.ts'

export { changeUnderWay } from './ordering/change-under-way.ts'
export { findFaults } from './ordering/find-faults.ts'
export { judgementCalls, type JudgementCall } from './ordering/judgement-calls.ts'
export { isSameLine, lineDifference } from './ordering/line-difference.ts'
export { lineJudge, mendProject, type LineFinding } from './ordering/line-findings.ts'
export { followedRecipes, followersOf, lineOfOrder, takersAmong } from './ordering/line-of-order.ts'
export { applyMend } from './ordering/mend.ts'
export { applyOffer, offersOfSameness, type SamenessOffer } from './ordering/offers.ts'
export {
  orderLine,
  type LineOrder,
  type NotMerged,
  type OrderedStage,
  type OrderingInput,
  type StopLine,
} from './ordering/order-line.ts'
export {
  asTaken,
  modelsTaking,
  orderWeights,
  type FollowingUnit,
  type OrderedRecipe,
  type OrderWeight,
} from './ordering/pieces.ts'
export { recipeAsDone, type RecipeAsDone } from './ordering/recipe-as-done.ts'
export type { Finding, Mend, Severity } from './ordering/rule.ts'

export { isCurrency, minor, minorDigits, sumOf, type Minor } from './money/money.ts'
export { confidences, usualPriceList, type PriceList } from './money/price-list.ts'
export {
  leftToFiner,
  outcomeOfQuote,
  priceMovers,
  priceParts,
  quoteDoubts,
  quoteTiers,
  workByPainter,
  type Outcome,
  type PriceMover,
  type PriceParts,
  type Quote,
  type QuoteDoubt,
  type QuotedTier,
  type QuoteInput,
  type QuoteTier,
} from './money/quote.ts'
export { type Commission } from './trade/commission.ts'
export { materialsNeeded, stepMillilitres, type MaterialNeed } from './mixing/materials-needed.ts'
export { dropsPerMl, millilitresFor, mixCard, type MixCard } from './mixing/mix-card.ts'
export { mixOfText, textOfMix } from './mixing/mix-of-text.ts'
export { nearestPaints, type NearPaint } from './mixing/nearest-paint.ts'
export { parseMix, printMix, type MixPart, type MixQuestion, type ParsedMix } from './mixing/parse-mix.ts'

export {
  applyCommand,
  carryOut,
  commandsBetween,
  sameJson,
  withoutDangling,
  type Command,
  type CommandVerdict,
  type Fields,
  type Listed,
  type Thing,
} from './changes/index.ts'

export { touchUpParts, type TouchUpPart } from './schedule/instance.ts'

export { bearableBatch, type BearableBatch } from './plan/bearable-batch.ts'
export { broughtObservations } from './estimating/brought-rates.ts'
export { besideInPlan } from './plan/beside-in-plan.ts'
export {
  distinctSplits,
  largestBearable,
  smallestHiding,
  trySplit,
  usualSplits,
  outcomeOf,
  type SplitOutcome,
} from './plan/compare-batch-sizes.ts'
export { comparePlans, keepPlan, type KeptPlan, type PlanChange } from './plan/compare-plans.ts'
export { tryWay, type WayInput, type WayOutcome } from './plan/compare-ways.ts'
export type { Departure } from './plan/departures.ts'
export type { LaidPlan, LinePlan, PainterLoad, PlannedTask, PlanSession, Stretch } from './plan/line-plan.ts'
export { toPlan, type ProjectToPlan } from './plan/to-plan.ts'
export { planLine, solveLine, type PlanningInput, type SolvedLine } from './plan/plan-line.ts'
export { planNoteText, planProblemText, type PlanNote, type PlanProblem } from './plan/plan-notes.ts'
export { planTogether } from './plan/plan-together.ts'
export { runSheets, type Drying, type RunSheet, type RunSheetEntry } from './plan/run-sheet.ts'
export { whyThen, type WhyThen } from './plan/why-then.ts'
export { workName } from './plan/work-name.ts'

export {
  planDesk,
  type DeskInput,
  type DeskJob,
  type DeskPlan,
  type JobAtDesk,
} from './forecasting/plan-desk.ts'
export { forecastFinish, type FinishForecast, type SpreadDriver } from './forecasting/forecast-finish.ts'
export { planNow, type ProjectNow } from './forecasting/plan-now.ts'
export { offersFor, takeOffer, tryOffer, type Offer, type OfferInput } from './forecasting/offers.ts'

export { deskTools } from './bench/desk-tool.ts'
export { setUpCard, type SetUpCard } from './bench/set-up-card.ts'
export { usualHidingPlaces } from './bench/where-it-hides.ts'
export { toFollow, type ToFollow } from './progress/to-follow.ts'
export { beyondTheStopLine, sittingNow, type FurtherStep, type Sitting } from './bench/sitting.ts'

export { laterOnPurpose, type LaterOnPurpose } from './sheet/later-on-purpose.ts'
export { lateModels } from './sheet/late-models.ts'
export { burnUp, type BurnUpDay } from './sheet/burn-up.ts'
export { groupSheet, passes, pointsOf, sheetFilters, sheetGroupings } from './sheet/group-sheet.ts'
export type { SheetFilter, SheetGroup, SheetGrouping } from './sheet/group-sheet.ts'
export { defectCauses, inspectionChecklist, type Checklist } from './sheet/inspection.ts'
export { lastSitting, type LastSitting } from './sheet/last-sitting.ts'
export { createStandings, type ModelStanding } from './sheet/model-standing.ts'
export { touchUpRound, type TouchUpItem, type TouchUpPot } from './sheet/touch-up-round.ts'
