import {
  type Job,
  type Material,
  type MaterialKind,
  type Model,
  type Recipe,
  type Region,
  type Stage,
  type Standard,
  standardReaches,
  standards,
  takesStage,
  takesStep,
  type Technique,
  techniqueFacts,
  type Tool,
  type Unit,
} from '../trade/index.ts'
import type { ModelId, StageId, StepId, UnitId } from '../units/index.ts'
import {
  dryingOf,
  factsOf,
  type Shelf,
  type StepFacts,
  stepText,
  takenOf,
  tightRegions,
} from '../recipe/index.ts'
import {
  carePresets,
  detailPresets,
  type Factor,
  handlingPresets,
  isBySmallParts,
  learningPreset,
  onPalette,
  productOf,
  secondCoatChance,
  sizePresets,
  stepFactors,
  techniquePresets,
} from '../presets/index.ts'
import type { Learning } from './learning.ts'
import { regionAmounts } from './own-sizes.ts'

/** A part of the work of a stage, with the factors whose product are its minutes on one model. */
interface WorkPart {
  readonly text: string
  readonly factors: readonly Factor[]
  readonly seconds: number
  /** Share of the unit's takers of the stage that take this part. */
  readonly share: number
}

/** What a stage asks of the hand on the models of one unit, before anything is known of whose hand it is. */
export interface StageWork {
  readonly stageId: StageId
  readonly unitId: UnitId
  /** What most of it is; `null` where minutes were written by hand. */
  readonly technique: Technique | null
  /** Most of it is going from one small part to the next. */
  readonly small: boolean
  readonly tool: Tool
  readonly takers: readonly ModelId[]
  readonly parts: readonly WorkPart[]
  /** Taking up and putting down a model. */
  readonly handlingSeconds: number
  /** The first model's, handling in it. */
  readonly secondsPerModel: number
  /** Variance of the seconds of a model by second coats that may be needed. */
  readonly secondCoats: number
  readonly setUpSeconds: number
  readonly learning: Learning
  /** What it mostly lays; `null` where nobody said. */
  readonly kind: MaterialKind | null
  /** Other ways the recipe allows; none where the stage does several steps. */
  readonly otherWays: readonly OtherWay[]
}

/** Another way to do a stage, as its recipe allows. */
interface OtherWay {
  readonly technique: Technique
  readonly setUpSeconds: number
  /** The first model's, handling in it. */
  readonly secondsPerModel: number
  readonly drySeconds: number
}

const noLearning: Learning = { rate: 1, flatFrom: 1 }

/** The work of every stage for every unit that takes it, in line order. */
export function stageWorks(
  project: Pick<Job, 'units' | 'recipes' | 'line'>,
  shelf: Shelf,
): readonly StageWork[] {
  const known = new Map<Recipe, RecipeOnLine>()
  const perUnit = project.units.map((unit) => {
    const recipe = project.recipes.find((each) => each.unitIds.includes(unit.id))
    if (!recipe) return { unit, recipe: null }
    const onLine = known.get(recipe) ?? recipeOnLine(recipe, project.line, shelf)
    known.set(recipe, onLine)
    return { unit, recipe: recipeWorkOf(recipe, onLine, unit) }
  })
  return project.line.flatMap((stage) =>
    perUnit.flatMap(({ unit, recipe }): StageWork[] => {
      if (stage.notNeededBy.includes(unit.id)) return []
      const takers = unit.models.filter((model) => takesStage(stage, unit.id, model))
      if (takers.length === 0) return []
      const own = recipe ? stage.steps.flatMap((step) => recipe.partOf(step.stepId, takers) ?? []) : []
      return [own.length > 0 ? byRecipe(stage, unit, takers, own) : byHand(stage, unit, takers)]
    }),
  )
}

interface RecipePart extends WorkPart {
  readonly technique: Technique
  readonly chance: number
  readonly coats: number
  readonly kind: MaterialKind | null
  readonly small: boolean
  readonly otherWays: readonly OtherWay[]
}

interface RecipeWork {
  readonly partOf: (stepId: StepId, takers: readonly Model[]) => RecipePart | null
}

/** A recipe's steps, and how careful each has to be on this line. */
interface RecipeOnLine {
  readonly facts: ReadonlyMap<StepId, StepFacts>
  readonly care: ReadonlyMap<StepId, number>
  /** Where it has borders to keep. */
  readonly tight: ReadonlyMap<StepId, readonly Region[]>
}

function recipeOnLine(recipe: Recipe, line: readonly Stage[], shelf: Shelf): RecipeOnLine {
  const facts = factsOf(recipe, shelf)
  const at = placesOnLine(recipe, line)
  return {
    facts: new Map(facts.map((each) => [each.step.id, each])),
    care: careAlong(recipe, facts, at),
    tight: new Map(facts.map((each) => [each.step.id, tightRegions(each, facts, at)])),
  }
}

type PlaceOnLine = (each: StepFacts) => number

/** By step its place on the line; −1 of one that is not on it. */
function placesOnLine(recipe: Recipe, line: readonly Stage[]): PlaceOnLine {
  const place = new Map<StepId, number>()
  line.forEach((stage, index) => {
    for (const step of stage.steps) if (step.recipeId === recipe.id) place.set(step.stepId, index)
  })
  return (each) => place.get(each.step.id) ?? -1
}

function recipeWorkOf(recipe: Recipe, { facts, care, tight }: RecipeOnLine, unit: Unit): RecipeWork {
  const standard = reachedStandard(recipe, unit.standard)
  const amountOf = regionAmounts(recipe, unit.size)
  return {
    partOf: (stepId, takers) => {
      const each = facts.get(stepId)
      if (!each || !standardReaches(each.step.standard, unit.standard)) return null
      const share = takers.filter((model) => takesStep(each.step, model)).length / takers.length
      if (share === 0) return null
      const { technique, coats, count } = each.step
      const material = each.material && { kind: each.material.kind, opacity: each.hiding }
      const work = {
        ...each,
        material,
        ...takenOf(each.step, amountOf(each.regions)),
        tight: takenOf(each.step, amountOf(tight.get(stepId) ?? each.regions)),
        technique,
        coats,
        count,
      }
      const demand = { ...unit, standard }
      const factors = stepFactors(work, demand, care.get(stepId) ?? 1)
      const otherWays = each.step.otherModes.map((mode): OtherWay => {
        const { min, max } = each.step.dryingSeconds ?? dryingOf(each.material, mode.technique)
        const byMode = stepFactors({ ...work, technique: mode.technique }, demand, care.get(stepId) ?? 1)
        return {
          technique: mode.technique,
          setUpSeconds: mode.setUpSeconds,
          secondsPerModel: handlingOf(unit) + productOf(byMode) * 60 * share,
          drySeconds: (min + max) / 2,
        }
      })
      return {
        text: stepText(each),
        factors,
        seconds: productOf(factors) * 60,
        share,
        technique,
        chance: chanceOf(material),
        coats,
        kind: each.material?.kind ?? null,
        small: isBySmallParts(work),
        otherWays,
      }
    },
  }
}

function chanceOf(material: Pick<Material, 'kind' | 'opacity'> | null): number {
  return material ? secondCoatChance(material).chance : 0
}

/** A recipe without finer layers does not take a unit beyond what its steps reach. */
function reachedStandard(recipe: Recipe, wanted: Standard): Standard {
  const finest = Math.max(0, ...recipe.steps.map((step) => standards.indexOf(step.standard)))
  return standards[Math.min(finest, standards.indexOf(wanted))] ?? wanted
}

/** How careful each step has to be, by what its neighbours are when its turn comes on the line. */
function careAlong(
  recipe: Recipe,
  facts: readonly StepFacts[],
  at: PlaceOnLine,
): ReadonlyMap<StepId, number> {
  const finishes = facts.filter((each) => each.colours && !each.whole)
  return new Map(
    facts.map((each) => {
      if (!techniqueFacts[each.step.technique].brushed) return [each.step.id, 1]
      const own = new Set(each.regions.map((region) => region.name))
      const beside = [...new Set(each.regions.flatMap((region) => region.neighbours))].filter(
        (name) => !own.has(name),
      )
      const on = (name: string) =>
        finishes.filter((other) => other.regions.some((region) => region.name === name))
      const covered = beside.filter((name) =>
        on(name).some((other) => at(other) > at(each) && other.covers),
      ).length
      const finished = beside.filter(
        (name) => on(name).length > 0 && on(name).every((other) => at(other) < at(each)),
      ).length
      const share = (count: number) => count / Math.max(1, beside.length)
      const care =
        1 +
        (carePresets.finishedNeighbours - 1) * share(finished) -
        (1 - carePresets.coveredLater) * share(covered)
      return [each.step.id, recipe.preferences.careful ? Math.max(care, carePresets.carefulThroughout) : care]
    }),
  )
}

function byRecipe(
  stage: Stage,
  unit: Unit,
  takers: readonly Model[],
  parts: readonly RecipePart[],
): StageWork {
  const longest = parts.reduce((a, b) => (b.seconds * b.share > a.seconds * a.share ? b : a))
  const handlingSeconds = handlingOf(unit)
  return {
    ...common(stage, unit, takers),
    technique: longest.technique,
    small: longest.small,
    tool: techniqueFacts[longest.technique].tool,
    parts,
    handlingSeconds,
    secondsPerModel: parts.reduce((sum, part) => sum + part.seconds * part.share, handlingSeconds),
    secondCoats: parts.reduce((sum, { seconds, share, chance, coats }) => {
      const coat = (seconds * share) / (coats + chance)
      return sum + chance * (1 - chance) * coat ** 2
    }, 0),
    learning: learningPreset,
    kind: longest.kind,
    otherWays: parts.length === 1 ? longest.otherWays : [],
  }
}

/** Taking a model up and putting it down. */
function handlingOf({ perHolder }: Unit): number {
  return handlingPresets.hand + handlingPresets.holder / perHolder
}

/** Minutes written on a stage are meant for a foot model of usual detail, on average, with handling. */
function byHand(stage: Stage, unit: Unit, takers: readonly Model[]): StageWork {
  const scales = stage.technique ? techniquePresets[stage.technique].scales : 'area'
  const factors: readonly Factor[] = [
    { name: 'written on the stage', value: stage.handsOnSecondsPerModel / 60, source: 'typed' },
    {
      name: `size: ${unit.size}`,
      value: sizePresets[unit.size][scales],
      source: sizePresets[unit.size].source,
    },
    {
      name: `detail: ${unit.detail}`,
      value: detailPresets[unit.detail][scales],
      source: detailPresets[unit.detail].source,
    },
  ].filter((factor, index) => index === 0 || factor.value !== 1)
  const seconds = productOf(factors) * 60
  return {
    ...common(stage, unit, takers),
    technique: null,
    small: false,
    tool: stage.technique ? techniqueFacts[stage.technique].tool : 'none',
    parts: [{ text: stage.name, factors, seconds, share: 1 }],
    handlingSeconds: 0,
    secondsPerModel: seconds,
    secondCoats: 0,
    learning: noLearning,
    kind: null,
    otherWays: [],
  }
}

function common(stage: Stage, unit: Unit, takers: readonly Model[]) {
  return {
    stageId: stage.id,
    unitId: unit.id,
    takers: takers.map((model) => model.id),
    setUpSeconds: stage.setUpSeconds,
  }
}

/** A brushed colour stays on the palette for the session; cans, airbrush and glue are set up anew. */
export function againSeconds({ tool, setUpSeconds }: StageWork): number {
  return wetTools.includes(tool) ? Math.min(setUpSeconds, onPalette.minutes * 60) : setUpSeconds
}

const wetTools: readonly Tool[] = ['brush', 'dry brush', 'sponge']
