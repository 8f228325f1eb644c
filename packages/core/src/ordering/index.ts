export { changeUnderWay } from './change-under-way.ts'
export { findFaults, mainRegionOf } from './find-faults.ts'
export { asksForLine, followLine } from './follow-line.ts'
export {
  type AskedStage,
  type HalfPainted,
  halfPainted,
  type KeepReason,
  toPaintOver,
} from './half-painted.ts'
export { handsOnSecondsOf, type JudgementCall, judgementCalls, soundWithout } from './judgement-calls.ts'
export { isSameLine, lineDifference } from './line-difference.ts'
export { type LineFinding, lineJudge, mendProject } from './line-findings.ts'
export { followedRecipes, followersOf, lineOfOrder, takersAmong } from './line-of-order.ts'
export { applyMend, mendText } from './mend.ts'
export { applyOffer, offersOfSameness, type SamenessOffer } from './offers.ts'
export {
  type LineOrder,
  type NotMerged,
  type OrderedStage,
  type OrderingInput,
  orderLine,
  type StopLine,
} from './order-line.ts'
export { stageNameFor } from './stage-name.ts'
export { orderRules, preferences } from './order-rules.ts'
export {
  asTaken,
  type FollowingUnit,
  modelsTaking,
  type OrderedRecipe,
  type OrderWeight,
  orderWeights,
} from './pieces.ts'
export { recipeAsDone, type RecipeAsDone } from './recipe-as-done.ts'
export { type Finding, isFault, type Mend, ruleApplies, type Severity } from './rule.ts'
