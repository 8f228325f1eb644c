import { bareStageOf, type Figures, totalOf } from '../estimating/index.ts'
import { type Recipe, type RuleId, standardReaches, type Unit } from '../trade/index.ts'
import { mixText, type Shelf } from '../recipe/index.ts'
import { isBegun } from '../progress/index.ts'
import type { StepId } from '../units/index.ts'
import { findFaults, isLess, weigh } from './find-faults.ts'
import { otherChoices, type OtherChoice } from './other-choices.ts'
import { followersOf } from './line-of-order.ts'
import { applyMend, mendText } from './mend.ts'
import { asTaken } from './pieces.ts'
import { type Finding, isFault } from './rule.ts'

/** A question of judgement with what each answer takes, hands-on with set-ups, for all models that follow. */
export interface JudgementCall extends OtherChoice {
  /** That speaks for the other answer; the recipe's "I mean it" silences it. `null` where none does. */
  readonly rule: RuleId | null
  /** What is lost where the rule is right, all models together. */
  readonly atStakeSeconds: number
  readonly nowSeconds: number
  readonly insteadSeconds: number
}

export interface JudgementInput {
  /** Of the project that it is asked in. */
  readonly figures: Figures
  readonly recipe: Recipe
  readonly units: readonly Unit[]
  /** Gives UUIDs. */
  readonly newId: () => string
}

/**
 * What the recipe leaves to judgement, each with the minutes of both answers, the largest difference first. An answer
 * that would raise something new is not offered, but for one coat instead of two, which is looked at and mended.
 */
export function judgementCalls({ figures, recipe, units, newId }: JudgementInput): readonly JudgementCall[] {
  const { shelf } = figures
  const untouched = figures.untouched()
  const before = faultsOf(recipe, units, shelf)
  const nowSeconds = handsOnSecondsOf(untouched, recipe, units)
  const isBuilt = units.some((unit) => unit.models.some((model) => isBegun(figures.progress, model.id)))
  const byMinutes = otherChoices(recipe, units, shelf, newId)
    .filter((each) => each.kind === 'coats' || !isLess(before, faultsOf(each.recipe, each.units, shelf)))
    .map((each) => ({
      ...each,
      rule: null,
      atStakeSeconds: 0,
      nowSeconds,
      insteadSeconds: handsOnSecondsOf(untouched, each.recipe, each.units),
    }))
    .filter((each) => Math.abs(each.insteadSeconds - each.nowSeconds) >= worthAWord)
    // What is left off saves time, or there is no reason to, and is not glued on yet.
    .filter((each) => each.kind !== 'extra' || (each.insteadSeconds < each.nowSeconds && !isBuilt))
    .sort((a, b) => Math.abs(b.insteadSeconds - nowSeconds) - Math.abs(a.insteadSeconds - nowSeconds) || 0)
  const ofRules = softFaults(figures, recipe, units).map((fault): JudgementCall => {
    const mended = fault.mend ? applyMend(recipe, fault.mend, newId) : recipe
    const models = units.reduce((sum, unit) => sum + unit.models.length, 0)
    return {
      kind: 'rule',
      rule: fault.rule,
      stepIds: fault.stepIds,
      now: fault.reason,
      instead: fault.mend ? mendText(fault.mend) : '',
      recipe: mended,
      units,
      nowSeconds,
      insteadSeconds: fault.mend ? handsOnSecondsOf(untouched, mended, units) : nowSeconds,
      atStakeSeconds: fault.secondsAtStake * models,
    }
  })
  return [...ofRules, ...byMinutes]
}

/** So many matters of taste are asked at once. */
const mostRules = 2

/**
 * What soft rules have against the recipe, once each, the dearest first. What is on no line is taken in the order it is
 * written in; with a line that is judged there.
 */
function softFaults({ project, shelf }: Figures, recipe: Recipe, units: readonly Unit[]): readonly Finding[] {
  const { taken, models } = paintedBy(recipe, units)
  const isOnLine = project.line.some((stage) => stage.steps.some((step) => step.recipeId === recipe.id))
  const soft = findFaults(taken, shelf, {
    ...models,
    ...(isOnLine ? {} : { order: recipe.steps.map((step) => step.id) }),
  }).filter((fault) => !isFault(fault))
  return soft
    .filter((fault, place) => soft.findIndex((each) => each.rule === fault.rule) === place)
    .slice(0, mostRules)
}

/** Whether a recipe raises nothing new or graver without one of its steps, for these units. */
export function soundWithout(
  recipe: Recipe,
  units: readonly Unit[],
  shelf: Shelf,
): (stepId: StepId) => boolean {
  const before = faultsOf(recipe, units, shelf)
  return (stepId) => {
    const steps = recipe.steps.filter((step) => step.id !== stepId)
    return !isLess(before, faultsOf({ ...recipe, steps }, units, shelf))
  }
}

const worthAWord = 60

function faultsOf(recipe: Recipe, units: readonly Unit[], shelf: Shelf) {
  const { taken, models } = paintedBy(recipe, units)
  return weigh(findFaults(taken, shelf, models))
}

/** The recipe as these units take it, and their models where there are any. */
function paintedBy(recipe: Recipe, units: readonly Unit[]) {
  const following = followersOf({ unitIds: units.map((unit) => unit.id) }, { units })
  const models = units.flatMap((unit) => unit.models)
  return { taken: asTaken({ recipe, units: following }), models: models.length > 0 ? { models } : {} }
}

/** Hands-on with set-ups for these units by the recipe: batch by batch, each step by itself in the order of the recipe. */
export function handsOnSecondsOf(untouched: Figures, recipe: Recipe, units: readonly Unit[]): number {
  const { project, shelf } = untouched
  const followed = { ...recipe, unitIds: units.map((unit) => unit.id) }
  const line = followed.steps.map((step) => ({
    ...bareStageOf(followed, step, { units }),
    material: mixText(step.mix, shelf),
    notNeededBy: units.flatMap((unit) => (standardReaches(step.standard, unit.standard) ? [] : [unit.id])),
  }))
  const planning = { ...project.planning, batches: [] }
  const own = untouched.changed({
    project: { ...project, units, recipes: [followed], line, firstBatch: null, planning },
  })
  return totalOf(own.estimate.rates, own.amountsLeft()).likely
}
