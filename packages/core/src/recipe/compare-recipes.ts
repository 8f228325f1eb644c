import type { StepId } from '../units/index.ts'
import type { Preferences, Recipe, Region, Step } from '../trade/index.ts'
import {
  factsOf,
  joinWords,
  mixText,
  shareRegion,
  stepText,
  extentText,
  type Shelf,
  type StepFacts,
} from './step-facts.ts'

/** What makes a recipe: all that a version keeps of it. */
export type RecipeState = Pick<Recipe, 'regions' | 'steps' | 'preferences'>

/** One thing in which two states of a recipe differ, in words. */
export interface RecipeDifference {
  readonly kind: 'added' | 'left out' | 'changed' | 'moved' | 'region' | 'way'
  /** The step in question; `null` for regions and ways. */
  readonly stepId: StepId | null
  readonly text: string
}

/** Layers, pots, and hands-on seconds of a model that takes everything. */
export interface RecipeFigures {
  readonly layers: number
  readonly pots: number
  readonly secondsPerModel: number
}

export function recipeFigures(recipe: RecipeState, shelf: Shelf): RecipeFigures {
  const facts = factsOf(recipe, shelf)
  return {
    layers: recipe.steps.length,
    pots: new Set(recipe.steps.flatMap((step) => step.mix.map((part) => part.materialId))).size,
    secondsPerModel: facts.reduce((sum, each) => sum + each.handsOnSecondsPerModel, 0),
  }
}

/** In what `after` differs from `before`; steps are known by their ids, regions by their names. */
export function compareRecipes(
  before: RecipeState,
  after: RecipeState,
  shelf: Shelf,
): readonly RecipeDifference[] {
  const [old, now] = [factsOf(before, shelf), factsOf(after, shelf)]
  const oldById = new Map(old.map((each) => [each.step.id, each]))
  const nowById = new Map(now.map((each) => [each.step.id, each]))
  return [
    ...old
      .filter((each) => !nowById.has(each.step.id))
      .map((each) => ({
        kind: 'left out' as const,
        stepId: each.step.id,
        text: `The ${stepText(each)}${onlyText(each.step)} is left out.`,
      })),
    ...now
      .filter((each) => !oldById.has(each.step.id))
      .map((each) => ({
        kind: 'added' as const,
        stepId: each.step.id,
        text: `The ${stepText(each)}${onlyText(each.step)} is new.`,
      })),
    ...now.flatMap((each): RecipeDifference[] => {
      const was = oldById.get(each.step.id)
      const text = was ? changeText(was, each, shelf) : ''
      return text === '' ? [] : [{ kind: 'changed', stepId: each.step.id, text }]
    }),
    ...movedLayers(old, nowById),
    ...regionDifferences(before.regions, after.regions),
    ...wayDifferences(before.preferences, after.preferences),
  ]
}

function changeText(was: StepFacts, now: StepFacts, shelf: Shelf): string {
  const parts = [
    changed(paintText(was.step, shelf), paintText(now.step, shelf)),
    changed(was.step.technique, now.step.technique),
    changed(coatsText(was.step), coatsText(now.step)),
    changed(placeText(was), placeText(now)),
    changed(`needed from ${was.step.standard}`, `needed from ${now.step.standard}`),
    changed(rolesText(was.step), rolesText(now.step)),
    // Another material brings its own drying.
    paintText(was.step, shelf) === paintText(now.step, shelf)
      ? changed(dryingText(was), dryingText(now))
      : '',
    was.step.note === now.step.note ? '' : `the note says “${now.step.note}”`,
  ].filter((part) => part !== '')
  return parts.length === 0 ? '' : `The ${stepText(was)}: ${joinWords(parts)}.`
}

const changed = (was: string, now: string): string => (was === now ? '' : `${now} instead of ${was}`)
const paintText = ({ mix }: Step, shelf: Shelf) => mixText(mix, shelf) || 'no material'
const coatsText = ({ coats }: Step) => (coats === 1 ? 'one coat' : `${String(coats)} coats`)
const rolesText = ({ roles }: Step) => (roles.length === 0 ? 'for all' : `only for ${joinWords(roles)}`)
const placeText = (facts: StepFacts) =>
  facts.whole && facts.step.except.length === 0
    ? 'all over'
    : facts.whole
      ? `all over but the ${joinWords(facts.step.except)}`
      : `on ${extentText(facts.step)}the ${joinWords(facts.regions.map((region) => region.name))}`
const onlyText = (step: Step) => (step.roles.length === 0 ? '' : `, ${rolesText(step)},`)
const dryingText = ({ drying }: StepFacts) =>
  `${String(Math.round(drying.min / 60))}–${String(Math.round(drying.max / 60))} min drying`

/** The first two, and how many more. */
function someOf(names: readonly string[]): string {
  return names.length <= 3
    ? joinWords(names)
    : `${names.slice(0, 2).join(', ')} and ${String(names.length - 2)} more`
}

/** Layers that lay over another and now lie under it. */
function movedLayers(
  old: readonly StepFacts[],
  nowById: ReadonlyMap<StepId, StepFacts>,
): readonly RecipeDifference[] {
  return old.flatMap((upper, index) => {
    const nowUpper = nowById.get(upper.step.id)
    if (!nowUpper) return []
    const passed = old.slice(0, index).filter((lower) => {
      const nowLower = nowById.get(lower.step.id)
      return nowLower !== undefined && nowLower.index > nowUpper.index && shareRegion(lower, upper)
    })
    if (passed.length === 0) return []
    return [
      {
        kind: 'moved' as const,
        stepId: upper.step.id,
        text: `The ${stepText(upper)} now comes before the ${someOf(passed.map(stepText))}.`,
      },
    ]
  })
}

function regionDifferences(before: readonly Region[], after: readonly Region[]): readonly RecipeDifference[] {
  const old = new Map(before.map((region) => [region.name, region]))
  const now = new Set(after.map((region) => region.name))
  const texts = [
    ...before.filter((region) => !now.has(region.name)).map(({ name }) => `The region ${name} is gone.`),
    ...after.flatMap((region) => {
      const was = old.get(region.name)
      if (!was) return [`The region ${region.name} is new.`]
      const parts = [
        changed(`${percent(was)} of the surface`, `${percent(region)} of the surface`),
        changed(`${String(was.parts)} parts`, `${String(region.parts)} parts`),
        changed(`depth ${String(was.depth)}`, `depth ${String(region.depth)}`),
        changed(apartText(was), apartText(region)),
      ].filter((part) => part !== '')
      return parts.length === 0 ? [] : [`The region ${region.name}: ${joinWords(parts)}.`]
    }),
  ]
  return texts.map((text) => ({ kind: 'region', stepId: null, text }))
}

const percent = ({ areaShare }: Region) => `${String(Math.round(areaShare * 1000) / 10)} %`
const apartText = ({ apart }: Region) => (apart === '' ? 'on the model' : `apart as the ${apart}`)

function wayDifferences(was: Preferences, now: Preferences): readonly RecipeDifference[] {
  const texts = [
    changed(`main colour ${was.mainColour}`, `main colour ${now.mainColour}`),
    changed(`base ${was.base}`, `base ${now.base}`),
    changed(lightText(was), lightText(now)),
    changed(careText(was), careText(now)),
  ].filter((text) => text !== '')
  return texts.map((text) => ({
    kind: 'way',
    stepId: null,
    text: `${text.slice(0, 1).toUpperCase()}${text.slice(1)}.`,
  }))
}

const lightText = ({ lightBeforeDark }: Preferences) =>
  lightBeforeDark ? 'translucents from light to dark' : 'translucents in any order'
const careText = ({ careful }: Preferences) => (careful ? 'careful throughout' : 'slop first')
