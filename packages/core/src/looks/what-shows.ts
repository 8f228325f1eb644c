import { colourDifference } from '../colour/index.ts'
import type { Figures } from '../estimating/index.ts'
import { handsOnSecondsOf, soundWithout } from '../ordering/index.ts'
import {
  factsOf,
  meetOnAModel,
  predictColours,
  reachOfTechnique,
  type StepFacts,
  stepText,
} from '../recipe/index.ts'
import { standardReaches, type Recipe, type Region, tableReadyStandard, type Unit } from '../trade/index.ts'
import type { StepId } from '../units/index.ts'

/** What a layer does for the look, beside what it takes. */
export interface Shown {
  readonly stepId: StepId
  readonly text: string
  /** Its share of all that is seen from a metre, 0 to 1. */
  readonly share: number
  /** Hands-on with set-ups, for all models that follow: saved when it is left out. */
  readonly seconds: number
  /** Nothing is spoiled without it, and there is a colour without it. */
  readonly optional: boolean
  readonly matters: boolean
}

/** What is looked at from a metre: faces, weapons, bases; not straps and what lies deep. Common practice, weights from memory. */
function weightOf({ finish, depth, areaShare }: Region): number {
  if (finish === 'eye') return 0.4
  if (finish === 'skin') return 1.6
  if (finish === 'metal' || finish === 'bone') return 1.3
  if (finish === 'base') return 0.8
  if (areaShare < 0.04) return 0.6
  return depth >= 2 ? 0.7 : 1
}

/**
 * What each layer shows from a metre for its minutes, the least for its minutes first. What is seen is area, contrast to
 * what lies under it (CIEDE2000 of the predicted colours) and place; what a later coat hides shows nothing.
 */
export function whatShows(figures: Figures, recipe: Recipe, units: readonly Unit[]): readonly Shown[] {
  const { shelf } = figures
  const untouched = figures.untouched()
  const whole = handsOnSecondsOf(untouched, recipe, units)
  const facts = factsOf(recipe, shelf).filter((each) =>
    units.some((unit) => standardReaches(each.step.standard, unit.standard)),
  )
  const colours = predictColours(recipe, facts, shelf)
  const seen = facts.filter(isColour).map((each) => ({ each, seen: seenOf(each, facts, colours) }))
  const isSound = soundWithout(recipe, units, shelf)
  const all = seen.reduce((sum, one) => sum + one.seen, 0) || 1
  return seen
    .map(({ each, seen: own }): Shown => {
      const without = { ...recipe, steps: recipe.steps.filter((step) => step.id !== each.step.id) }
      return {
        stepId: each.step.id,
        text: stepText(each),
        share: own / all,
        seconds: Math.max(0, whole - handsOnSecondsOf(untouched, without, units)),
        optional: (own === 0 || isOptional(each, facts)) && isSound(each.step.id),
        matters: each.step.matters,
      }
    })
    .sort((a, b) => worth(a) - worth(b))
}

const worth = ({ share, seconds }: Shown) => share / Math.max(30, seconds)

function isColour(facts: StepFacts): boolean {
  return facts.colours || facts.refines || ['wash', 'pin wash', 'dry brush'].includes(facts.step.technique)
}

function isOptional(each: StepFacts, facts: readonly StepFacts[]): boolean {
  if (!standardReaches(each.step.standard, tableReadyStandard)) return true
  const below = facts.filter(
    (other) => other.index < each.index && other.colours && meetOnAModel(other, each),
  )
  return !each.covers && each.regions.every((region) => below.some((other) => other.regions.includes(region)))
}

function seenOf(
  each: StepFacts,
  facts: readonly StepFacts[],
  colours: ReturnType<typeof predictColours>,
): number {
  const hidden = facts.filter((other) => other.index > each.index && other.covers && !other.refines)
  return each.regions.reduce((sum, region) => {
    if (hidden.some((other) => other.regions.includes(region))) return sum
    const below = facts.findLast((other) => other.index < each.index && other.regions.includes(region))
    const own = colours.get(each.step.id)?.get(region.name)
    const under = below && colours.get(below.step.id)?.get(region.name)
    if (!own || !under) return sum
    // An edge is little surface and much contrast: it is seen by its line.
    const reach = Math.sqrt(reachOfTechnique(each.step))
    return sum + region.areaShare * weightOf(region) * reach * colourDifference(own, under)
  }, 0)
}
