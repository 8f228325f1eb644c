import { colourDifference } from '../colour/index.ts'
import {
  factsOf,
  joinWords,
  predictColours,
  type StepFacts,
  stepText,
  touchEachOther,
} from '../recipe/index.ts'
import type { Recipe } from '../trade/index.ts'
import type { MaterialId, RecipeId, StepId } from '../units/index.ts'
import { orderLine, type LineOrder, type OrderingInput } from './order-line.ts'
import { modelsOf, modelsTaking, type OrderedRecipe } from './pieces.ts'

/** A pot or a stage less, and what it saves. Never applied unasked. */
export interface SamenessOffer {
  readonly recipeId: RecipeId
  readonly stepId: StepId
  /** To paint the step with; `null` to leave the step out, so that what lies under it is the finish. */
  readonly materialId: MaterialId | null
  readonly reason: string
  /** On the whole line and all its models, by ordering it again. */
  readonly secondsSaved: number
}

/** Larger regions are what people look at; leave their colour alone. */
const smallArea = 0.1
/** A region as small as this may do without a colour of its own. */
const tinyArea = 0.06
/** CIEDE2000 beyond which the eye calls it another colour family; from memory. */
const alike = 22
const mostTried = 12

type Try = Omit<SamenessOffer, 'secondsSaved'>

/** Where one pot could serve for two or a layer be spared, dearest saving first; each is computed by ordering the line again. */
export function offersOfSameness(input: OrderingInput, order: LineOrder): readonly SamenessOffer[] {
  const sources = input.recipes.map((source) => ({
    source,
    facts: factsOf(source.recipe, input.shelf, modelsOf(source)),
  }))
  const all = sources.flatMap(({ facts }) => facts)
  const users = new Map<MaterialId, number>()
  for (const { step } of all) {
    for (const { materialId } of step.mix) users.set(materialId, (users.get(materialId) ?? 0) + 1)
  }
  const hasOwnPot = ({ material }: StepFacts) => material !== null && users.get(material.id) === 1
  const tries = sources.flatMap(({ source, facts }): Try[] => {
    const small = facts.filter((each) => isSmallColour(each) && hasOwnPot(each))
    return [
      ...small.flatMap(underOne(source, facts)),
      ...small.flatMap(recoloured(source, all)),
      ...facts.filter((each) => each.area <= tinyArea).flatMap(leftBare(source, facts, input)),
    ]
  })
  return onePerStep(tries)
    .slice(0, mostTried)
    .flatMap((offer) => {
      const secondsSaved = savedBy(offer, input, order)
      return secondsSaved > 0 ? [{ ...offer, secondsSaved }] : []
    })
    .sort((a, b) => b.secondsSaved - a.secondsSaved || (a.stepId < b.stepId ? -1 : 1))
}

/** The recipe with the offer taken up. */
export function applyOffer(recipe: Recipe, { recipeId, stepId, materialId }: SamenessOffer | Try): Recipe {
  if (recipe.id !== recipeId) return recipe
  if (materialId !== null) {
    const steps = recipe.steps.map((step) =>
      step.id === stepId ? { ...step, mix: [{ materialId, parts: 1 }] } : step,
    )
    return { ...recipe, steps }
  }
  const gone = recipe.steps.find((step) => step.id === stepId)
  const regions = recipe.regions.map((region) =>
    gone && gone.on !== 'whole' && gone.on.includes(region.name) ? { ...region, bare: true } : region,
  )
  return { ...recipe, regions, steps: recipe.steps.filter((step) => step !== gone) }
}

function onePerStep(tries: readonly Try[]): readonly Try[] {
  return tries.filter((each, index) => tries.findIndex((other) => other.stepId === each.stepId) === index)
}

function savedBy(offer: Try, input: OrderingInput, order: LineOrder): number {
  const recipes = input.recipes.map((source) => ({ ...source, recipe: applyOffer(source.recipe, offer) }))
  const again = orderLine({ ...input, recipes })
  const work = (line: LineOrder) => line.stages.reduce((sum, stage) => sum + stage.handsOnSeconds, 0)
  if (again.cost >= order.cost) return 0
  return Math.round(order.setUpSeconds + work(order) - again.setUpSeconds - work(again))
}

function isSmallColour(facts: StepFacts): boolean {
  return facts.colours && !facts.whole && facts.area <= smallArea && facts.step.mix.length === 1
}

/** The material of the same kind, used elsewhere on the line with the same tool, that looks most like it. */
function recoloured({ recipe }: OrderedRecipe, all: readonly StepFacts[]) {
  return (facts: StepFacts): readonly Try[] => {
    const mine = facts.material
    if (!mine) return []
    const [closest] = all
      .flatMap((each) =>
        each.material && each.tool === facts.tool && each.step.mix.length === 1 ? [each.material] : [],
      )
      .filter((other) => other.kind === mine.kind && other.id !== mine.id)
      .map((other) => ({ other, difference: colourDifference(other.colour, mine.colour) }))
      .filter(({ difference }) => difference <= alike)
      .sort((a, b) => a.difference - b.difference || (a.other.id < b.other.id ? -1 : 1))
    if (!closest) return []
    return [
      {
        recipeId: recipe.id,
        stepId: facts.step.id,
        materialId: closest.other.id,
        reason: `The ${stepText(facts)} could be the ${closest.other.name}, which is open anyway.`,
      },
    ]
  }
}

/** The neighbour's colour as an under-colour, where a later layer gives the region its own look. */
function underOne({ recipe }: OrderedRecipe, facts: readonly StepFacts[]) {
  return (small: StepFacts): readonly Try[] => {
    const names = small.regions.map((region) => region.name)
    const isCovered = facts.some(
      (each) =>
        each.index > small.index &&
        (each.step.technique === 'layer' || each.covers) &&
        names.every((name) => each.regions.some((region) => region.name === name)),
    )
    const neighbour = facts.find(
      (each) =>
        each !== small &&
        each.colours &&
        !each.whole &&
        each.tool === small.tool &&
        each.step.mix.length === 1 &&
        each.material?.kind === small.material?.kind &&
        each.material?.id !== small.material?.id &&
        each.area >= small.area &&
        touchEachOther(each, small),
    )
    if (!isCovered || !neighbour?.material) return []
    return [
      {
        recipeId: recipe.id,
        stepId: small.step.id,
        materialId: neighbour.material.id,
        reason: `One under-colour could lie under the ${joinWords([...neighbour.regions.map((region) => region.name), ...names])}: the ${neighbour.material.name}, whose border with the ${joinWords(names)} then needs no care.`,
      },
    ]
  }
}

/** A tiny region that looks nearly so without its colour, or that a wash finishes anyway. */
function leftBare({ recipe, units }: OrderedRecipe, facts: readonly StepFacts[], input: OrderingInput) {
  const seen = predictColours(recipe, facts, input.shelf)
  return (layer: StepFacts): readonly Try[] => {
    const [region, ...others] = layer.regions
    const isOnlyColour = !facts.some(
      (each) =>
        each !== layer &&
        !each.whole &&
        each.regions.some(({ name }) => name === region?.name) &&
        each.colours,
    )
    if (!region || others.length > 0 || !layer.colours || layer.whole || layer.onBase || !isOnlyColour)
      return []
    if (layer.material?.kind === 'metallic' || modelsTaking([layer.step], units) === 0) return []
    const ground = facts.findLast((each) => each.index < layer.index && each.whole)
    const [under, over] = [
      ground && seen.get(ground.step.id)?.get(region.name),
      seen.get(layer.step.id)?.get(region.name),
    ]
    if (!ground || !under || !over || colourDifference(under, over) > alike) return []
    return [
      {
        recipeId: recipe.id,
        stepId: layer.step.id,
        materialId: null,
        reason: `The ${region.name} could do without the ${layer.material?.name ?? layer.step.technique}: the ${ground.material?.name ?? 'coat'} under it looks much the same.`,
      },
    ]
  }
}
