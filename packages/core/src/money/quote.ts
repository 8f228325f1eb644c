import {
  type Figures,
  type LineEstimate,
  normalQuantile,
  projectForStandard,
  standardsOffered,
  type TimeRange,
  totalOf,
} from '../estimating/index.ts'
import { materialsNeeded } from '../mixing/index.ts'
import { followedRecipes } from '../ordering/index.ts'
import { surfacePresets } from '../presets/index.ts'
import { isBegun, isThrough } from '../progress/index.ts'
import {
  countModels,
  formOf,
  type Job,
  type Project,
  type Recipe,
  type Standard,
  standardReaches,
  standards,
  type Step,
  takesStage,
  type Technique,
} from '../trade/index.ts'
import type { Instant, LocalDate, ModelId, PainterId, Seconds, StageId, UnitId } from '../units/index.ts'
import { minor, sumOf, type Minor } from './money.ts'
import { usualPotMl, type PriceList } from './price-list.ts'

export const priceParts = [
  'painting',
  'preparation',
  'materials',
  'basing',
  'packing',
  'contingency',
  'margin',
] as const

/** What a price is made of. Each is rounded to a whole minor unit by itself, and the price is their sum. */
export type PriceParts = Readonly<Record<(typeof priceParts)[number], Minor>>

/** What it costs to have all of it painted to one standard. */
export interface QuoteTier {
  readonly standard: Standard
  /** At the desk: likely, and in four cases of five between these. */
  readonly hours: TimeRange
  /** The hours that are charged: they hold as often as the price list wants. */
  readonly chargedSeconds: number
  /** What an hour of whoever paints it costs. */
  readonly hour: Minor
  readonly parts: PriceParts
  readonly price: Minor
}

export interface QuoteInput {
  /** Of the project that is quoted: its laps tell how long things take. */
  readonly figures: Figures
  readonly prices: PriceList
  /** Only what is left by that is quoted; else all of the project is, what is done too. */
  readonly onlyLeft?: boolean
  /** Seconds of the job by painter, as a plan shares them; without it everybody counts the same. */
  readonly workOf?: ReadonlyMap<PainterId, number>
}

/** What stands in the way of a price, or is to be looked at before it is said. */
export type QuoteDoubt =
  | { readonly kind: 'no-models' }
  /** Their hours are in no price. */
  | { readonly kind: 'unit-without-stages'; readonly unitIds: readonly UnitId[] }
  | { readonly kind: 'hour-for-nothing' }
  | { readonly kind: 'margin-below-nothing' }
  | { readonly kind: 'finer-is-cheaper'; readonly standard: Standard; readonly than: Standard }

/** The standards that some unit tells apart and all reach, each with its price; the plainest first. */
export function quoteTiers(asked: QuoteInput): readonly QuoteTier[] {
  const input = quotable(asked)
  const { project } = input.figures
  const offers = project.units
    .filter((unit) => unit.models.length > 0)
    .map((unit) => standardsOffered(unit.id, project))
  return standards
    .filter(
      (standard) =>
        offers.some((own) => own.includes(standard)) &&
        offers.every((own) => own.some((each) => standardReaches(each, standard))),
    )
    .map((standard) => tierOf(projectForStandard(project, standard), standard, input))
    .filter((tier) => tier.hours.likely > 0)
}

/** Where all of it is quoted, its laps count as if they were another job's: they teach, and nothing is done. */
function quotable({ figures, ...input }: QuoteInput): QuoteInput {
  return { ...input, figures: input.onlyLeft === true ? figures : figures.untouched() }
}

/** @param adapted with the stages of the standard, and no others. @param input as `quotable` has it. */
function tierOf(adapted: Project, standard: Standard, input: QuoteInput): QuoteTier {
  const { figures, prices, onlyLeft = false } = input
  const own = figures.changed({ project: adapted })
  const { estimate, progress } = own
  const hours = totalOf(estimate.rates, own.amountsLeft())
  const chargedSeconds = heldSeconds(hours, prices.confidence)
  const hour = hourOf(input)
  // Whoever has a coat on it was cleaned and put together; a base is finished last (common practice).
  const isRaw = (model: ModelId) => !isBegun(progress, model)
  const isUnfinished = unfinishedModels(estimate)
  const parts = {
    painting: minor((chargedSeconds * hour) / 3600),
    preparation: minor((footModels(adapted, isRaw) * prices.preparationSeconds * hour) / 3600),
    materials: materialCost(adapted, standard, input),
    basing: minor(footModels(adapted, (id) => !onlyLeft || isUnfinished(id)) * prices.basing),
    packing: minor(countModels(adapted) * prices.packing + prices.box),
  }
  const cost = sumOf(Object.values(parts))
  const contingency = minor(cost * prices.contingency)
  const margin = minor((cost + contingency) * prices.margin)
  const all = { ...parts, contingency, margin }
  return { standard, hours, chargedSeconds, hour, parts: all, price: sumOf(Object.values(all)) }
}

/** The time that is enough in so many of all cases, where times are log-normal. */
function heldSeconds({ likely, high }: TimeRange, confidence: number): number {
  if (likely <= 0) return 0
  // The range spans four cases of five: nine of ten lie below its end.
  const reach = normalQuantile(confidence) / normalQuantile(0.9)
  return likely * (high / likely) ** reach
}

function hourOf({ figures: { project }, prices, workOf }: QuoteInput): Minor {
  const priceOf = (id: PainterId) =>
    prices.painters.find((each) => each.painterId === id)?.hour ?? prices.hour
  // A plan names who really paints it; without one everybody of the project counts the same.
  const shares =
    workOf && workOf.size > 0 ? [...workOf] : project.planning.painters.map(({ id }) => [id, 1] as const)
  const weighed = shares.map(([id, share]) => ({ price: priceOf(id), share }))
  const all = weighed.reduce((sum, { share }) => sum + share, 0)
  if (all === 0) return prices.hour
  return minor(weighed.reduce((sum, { price, share }) => sum + price * share, 0) / all)
}

/** As many models on foot as have the surface of all that are meant. */
function footModels({ units }: Pick<Job, 'units'>, isMeant: (id: ModelId) => boolean): number {
  return units.reduce(
    (sum, unit) => sum + unit.models.filter((model) => isMeant(model.id)).length * surfacePresets[unit.size],
    0,
  )
}

function unfinishedModels({ stages }: LineEstimate): (id: ModelId) => boolean {
  const left = new Set(stages.flatMap((stage) => stage.leftModels))
  return (id) => left.has(id)
}

/** By what the recipes use, not by what is bought. */
function materialCost(project: Project, standard: Standard, { figures, prices }: QuoteInput): Minor {
  const { shelf, progress } = figures
  const units = project.units.map((unit) => ({ ...unit, standard }))
  const stageOf = new Map(
    project.line.flatMap((stage) =>
      stage.steps.map((step) => [`${step.recipeId} ${step.stepId}`, stage] as const),
    ),
  )
  const recipes = followedRecipes({ ...project, units })
  const needs = materialsNeeded(recipes, shelf, (recipe, step, unit) => {
    const stage = stageOf.get(`${recipe.id} ${step.id}`)
    const models = units.find((each) => each.id === unit.unitId)?.models ?? []
    return stage ? models.filter((model) => !isThrough(progress, model.id, stage)) : models
  })
  const costs = needs.map(({ material, ml, pieces }) => {
    const isCan = formOf(material) === 'can'
    const holds = material.potMl > 0 ? material.potMl : usualPotMl[isCan ? 'can' : 'pot']
    return pieces * prices.piece + (ml / holds) * (isCan ? prices.can : prices.pot)
  })
  return minor(costs.reduce((sum, each) => sum + each, 0))
}

/** @param tiers of the same project and prices. */
export function quoteDoubts(
  { project, prices }: { readonly project: Project; readonly prices: PriceList },
  tiers: readonly QuoteTier[],
): readonly QuoteDoubt[] {
  const doubts: QuoteDoubt[] = []
  if (countModels(project) === 0) doubts.push({ kind: 'no-models' })
  const bare = project.units.filter(
    (unit) =>
      unit.models.length > 0 &&
      !project.line.some((stage) => unit.models.some((model) => takesStage(stage, unit.id, model))) &&
      !project.recipes.some((recipe) => recipe.unitIds.includes(unit.id)),
  )
  if (bare.length > 0) doubts.push({ kind: 'unit-without-stages', unitIds: bare.map((unit) => unit.id) })
  if (prices.hour === 0) doubts.push({ kind: 'hour-for-nothing' })
  if (prices.margin < 0) doubts.push({ kind: 'margin-below-nothing' })
  tiers.forEach((tier, index) => {
    const plainer = tiers[index - 1]
    if (plainer && tier.price < plainer.price)
      doubts.push({ kind: 'finer-is-cheaper', standard: tier.standard, than: plainer.standard })
  })
  return doubts
}

/** A stage that could be left out of a standard, and what that takes off the price. */
export interface PriceMover {
  readonly stageId: StageId
  readonly name: string
  readonly saves: Minor
  readonly savedSeconds: number
}

const worthAWord = 0.01
/** What makes a model finer; coats that hide the primer, and what protects them, nobody leaves out (common practice). */
const refining = new Set<Technique>([
  'layer',
  'blend',
  'wash',
  'pin wash',
  'dry brush',
  'edge',
  'detail',
  'glaze',
  'stipple',
  'chip',
  'decal',
])
const mostMovers = 6

/** The refining stages that only this standard and finer ones ask for, those first whose leaving out moves its price most. */
export function priceMovers(asked: QuoteInput, standard: Standard): readonly PriceMover[] {
  const input = quotable(asked)
  const { project } = input.figures
  const whole = projectForStandard(project, standard)
  const { price, hours } = tierOf(whole, standard, input)
  const stepOf = new Map(
    project.recipes.flatMap((recipe) =>
      recipe.steps.map((step) => [`${recipe.id} ${step.id}`, step] as const),
    ),
  )
  return whole.line
    .filter((stage) => {
      const own = stage.steps.flatMap((step) => stepOf.get(`${step.recipeId} ${step.stepId}`) ?? [])
      return own.length > 0 && own.every((step) => step.standard === standard && refining.has(step.technique))
    })
    .map(({ id, name }): PriceMover => {
      const without = { ...whole, line: whole.line.filter((stage) => stage.id !== id) }
      const tier = tierOf(without, standard, input)
      return {
        stageId: id,
        name,
        saves: minor(price - tier.price),
        savedSeconds: hours.likely - tier.hours.likely,
      }
    })
    .filter(({ saves }) => saves > price * worthAWord)
    .sort((a, b) => b.saves - a.saves)
    .slice(0, mostMovers)
}

/** The project with what a stage is made of left to a finer standard: at those below it is not painted any more. */
export function leftToFiner<P extends Pick<Job, 'recipes' | 'line'>>(
  project: P,
  stageId: StageId,
  finer: Standard,
): P {
  const stage = project.line.find((each) => each.id === stageId)
  const meant = new Set(stage?.steps.map((step) => `${step.recipeId} ${step.stepId}`))
  const isMeant = (recipe: Recipe, step: Step) => meant.has(`${recipe.id} ${step.id}`)
  const recipes = project.recipes.map((recipe) =>
    recipe.steps.some((step) => isMeant(recipe, step))
      ? {
          ...recipe,
          steps: recipe.steps.map((step) => (isMeant(recipe, step) ? { ...step, standard: finer } : step)),
        }
      : recipe,
  )
  return { ...project, recipes }
}

/** A quote as it was said: figures of the day, kept whatever changes after. */
export interface Quote {
  readonly currency: string
  readonly confidence: number
  readonly models: number
  /** For what was left to be painted at this moment; `null`: for all of it. */
  readonly leftAt: Instant | null
  readonly tiers: readonly QuotedTier[]
}

export interface QuotedTier extends Pick<
  QuoteTier,
  'standard' | 'chargedSeconds' | 'hour' | 'parts' | 'price'
> {
  readonly lowSeconds: number
  readonly highSeconds: number
  /** The day that holds as often as the quote says, from the queue as it was; `null` where nothing could be planned. */
  readonly promisedOn: LocalDate | null
}

/** What a job brought, against what was quoted. */
export interface Outcome {
  readonly quotedSeconds: number
  readonly spentSeconds: number
  readonly price: Minor
  /** Hours as they were at the quote's price of an hour, and everything else as quoted but contingency and margin. */
  readonly cost: Minor
  readonly left: Minor
  /** Of the price; `null` where the price is nothing. */
  readonly margin: number | null
  /** What the hours of the next quote of this kind are to be multiplied with. */
  readonly nextTime: number | null
}

/** @param spentSeconds at the desk, as recorded. */
export function outcomeOfQuote(tier: QuotedTier, spentSeconds: number): Outcome {
  const { parts, price, hour, chargedSeconds } = tier
  const work = minor((spentSeconds * hour) / 3600)
  const cost = sumOf([work, parts.preparation, parts.materials, parts.basing, parts.packing])
  const left = minor(price - cost)
  return {
    quotedSeconds: chargedSeconds,
    spentSeconds,
    price,
    cost,
    left,
    margin: price === 0 ? null : left / price,
    nextTime: chargedSeconds > 0 && spentSeconds > 0 ? spentSeconds / chargedSeconds : null,
  }
}

/** Seconds by painter of some units, as a plan shares them out. */
export function workByPainter(
  stretches: readonly { readonly painter: number; readonly startsAt: number; readonly endsAt: number }[],
  painters: readonly { readonly id: PainterId }[],
): ReadonlyMap<PainterId, Seconds> {
  const shares = new Map<PainterId, Seconds>()
  for (const { painter, startsAt, endsAt } of stretches) {
    const id = painters[painter]?.id
    if (id) shares.set(id, ((shares.get(id) ?? 0) + (endsAt - startsAt) / 1000) as Seconds)
  }
  return shares
}
