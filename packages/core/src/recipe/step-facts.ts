import { lightness, mixedColour } from '../colour/index.ts'
import {
  asOneSays,
  type Finish,
  isCarrierOnly,
  isOneOf,
  isPaint,
  isSprayed,
  isVarnish,
  landsOn,
  type Material,
  type Mix,
  type Model,
  type Recipe,
  type Region,
  regionsOfStep,
  type Step,
  type Technique,
  techniqueFacts,
  type Tool,
} from '../trade/index.ts'
import type { MaterialId } from '../units/index.ts'
import { behaviourOf } from './mix-behaviour.ts'
import { carePresets, extentPresets, productOf, stepFactors, usualDemand } from '../presets/index.ts'

export type Shelf = ReadonlyMap<MaterialId, Material>

/** What the rules ask about a step, worked out once. */
export interface StepFacts {
  readonly step: Step
  /** Position in the recipe, from the bottom up. */
  readonly index: number
  /** What the mix behaves as, see `behaviourOf`. */
  readonly material: Material | null
  /** How much of the ground one coat hides, 0 to 1. */
  readonly hiding: number
  /** Powder alone, with nothing that binds it. */
  readonly isLoosePowder: boolean
  readonly tool: Tool
  readonly regions: readonly Region[]
  /** The models that take it, by their place; `null` for all of them. */
  readonly takers: ReadonlySet<number> | null
  /** All over, if need be but for some regions. */
  readonly whole: boolean
  /** Lands on bases alone. */
  readonly onBase: boolean
  readonly sprayed: boolean
  /** Hides all that lies under it. */
  readonly covers: boolean
  /** Lays the main colour of a region: not a shade, not a highlight. */
  readonly colours: boolean
  /** Brings out or picks out what is there: highlight, detail, chips. */
  readonly refines: boolean
  readonly varnish: boolean
  /** Light from above alone: shadows stay as they are. */
  readonly fromAbove: boolean
  /** Shines on purpose: wet and glowing effects, gloss on something small that nothing follows. */
  readonly shines: boolean
  /** One of its regions is masked at some time. */
  readonly masked: boolean
  /** Share of the model it lands on; a whole model with its base is over 1. */
  readonly area: number
  readonly lightness: number
  /** Parts to pick out, of all its regions. */
  readonly parts: number
  /** Where it does not land. */
  readonly leftOut: readonly Region[]
  /** On a foot model of usual detail at tabletop, at the preset's pace. */
  readonly handsOnSecondsPerModel: number
  readonly drying: { readonly min: number; readonly max: number }
}

/** All but the time, which follows from how the steps lie on each other. */
type Untimed = Omit<StepFacts, 'handsOnSecondsPerModel'>

function lightnessOfMix(mix: Mix, main: Material | null, shelf: Shelf): number {
  const paints = mix.flatMap(({ materialId, parts }) => {
    const part = shelf.get(materialId)
    return part && !isCarrierOnly(part.kind) ? [{ colour: part.colour, parts }] : []
  })
  const colour = mixedColour(paints) ?? main?.colour
  return colour ? lightness(colour) : 0
}

type Person = Pick<Model, 'role' | 'variants'>

/** `models` are those painted by the recipe; unless they are named, one of each role and variant it speaks of. */
export function factsOf(
  recipe: Pick<Recipe, 'regions' | 'steps' | 'preferences'>,
  shelf: Shelf,
  models: readonly Person[] = oneOfEach(recipe),
): readonly StepFacts[] {
  const regionByName = new Map(recipe.regions.map((region) => [region.name, region]))
  const masked = new Set(
    recipe.steps.filter((step) => step.technique === 'mask').flatMap((step) => regionsOfStep(recipe, step)),
  )
  const all = recipe.steps.map((written, index): Untimed => {
    const step = asOneSays(recipe, written)
    const regions = regionsOfStep(recipe, step).flatMap((name) => regionByName.get(name) ?? [])
    const { material, hiding: hidingPower } = behaviourOf(step.mix, shelf)
    const technique = techniqueFacts[step.technique]
    const kind = material?.kind
    const opaque = kind !== undefined && hiding.has(kind)
    const { area, parts } = takenOf(step, amountOf(regions))
    const isAll = step.extent === 'all of it'
    const whole = step.on === 'whole'
    const leftOut = recipe.regions.filter(({ name }) => !landsOn(step, name))
    const range = step.dryingSeconds ?? dryingOf(material, step.technique)
    const fromAbove =
      step.technique === 'spray from above' ||
      (isSprayed(step.technique) && (step.spray?.from ?? 'all round') !== 'all round')
    return {
      step,
      index,
      material,
      hiding: hidingPower,
      isLoosePowder:
        kind === 'pigment' && step.mix.every(({ materialId }) => shelf.get(materialId)?.kind === 'pigment'),
      tool: technique.tool,
      regions,
      takers: step.roles.length === 0 ? null : takersOf(step.roles, models),
      whole,
      onBase: regions.length > 0 && regions.every((region) => region.finish === ('base' satisfies Finish)),
      sprayed: isSprayed(step.technique),
      covers: technique.covers && opaque && !fromAbove && isAll,
      colours:
        kind !== undefined &&
        isPaint(kind) &&
        kind !== 'primer' &&
        kind !== 'wash' &&
        kind !== 'oil' &&
        kind !== 'dip' &&
        colouring.has(step.technique) &&
        extentPresets[step.extent] >= main,
      refines: refining.has(step.technique),
      varnish: kind !== undefined && isVarnish(kind),
      fromAbove,
      shines: kind === 'effect',
      masked: regions.some((region) => masked.has(region.name)),
      area,
      lightness: lightnessOfMix(step.mix, material, shelf),
      parts,
      leftOut,
      drying: range,
    }
  })
  const care = recipe.preferences.careful ? carePresets.carefulThroughout : 1
  return all.map((each, index): StepFacts => {
    const { technique, coats, count } = each.step
    const tight = takenOf(each.step, amountOf(tightRegions(each, all, (other) => other.index)))
    // Of a material only that oil runs by itself; second coats are no matter of one model.
    const material = each.material?.kind === 'oil' ? each.material : null
    const work = { technique, area: each.area, parts: each.parts, tight, coats, count, material }
    const minutes = productOf(stepFactors(work, usualDemand, care))
    const timed = { ...each, handsOnSecondsPerModel: Math.round(minutes * 60) }
    if (isLocalGloss(each, all.slice(index + 1))) return { ...timed, shines: true }
    return isGlossOverDip(each, all.slice(0, index)) ? { ...timed, drying: glossOverDip } : timed
  })
}

/** How much there is of some regions: share of the surface, and parts to pick out. */
export function amountOf(regions: readonly Region[]): { readonly area: number; readonly parts: number } {
  return {
    area: regions.reduce((sum, region) => sum + region.areaShare, 0),
    parts: regions.reduce((sum, region) => sum + region.parts, 0),
  }
}

/** What a step takes of it: the surface; every part is still gone to. */
export function takenOf<Amount extends { readonly area: number }>({ extent }: Step, amount: Amount): Amount {
  return extent === 'all of it' ? amount : { ...amount, area: amount.area * extentPresets[extent] }
}

/** Less of a region than this is no colour of it. */
const main = 0.5

/**
 * Where a step has borders to keep: all of it, or of what goes all over the regions that touch something left out which has a
 * colour of its own and which nothing covers afterwards.
 * @param at when a step is done.
 */
export function tightRegions<Each extends Untimed>(
  step: Each,
  all: readonly Each[],
  at: (each: Each) => number,
): readonly Region[] {
  if (!step.whole) return step.regions
  const kept = step.leftOut.filter((left) => {
    const on = all.filter((each) => each.regions.includes(left))
    const isPainted = on.some((each) => !each.whole && (each.colours || each.refines))
    return isPainted && !on.some((each) => each.covers && at(each) > at(step))
  })
  return step.regions.filter((region) =>
    kept.some((left) => left.neighbours.includes(region.name) || region.neighbours.includes(left.name)),
  )
}

/** Gloss on a dip that has hardened takes two days before it bears a matt coat (common practice). */
const glossOverDip = { min: 44 * 3600, max: 52 * 3600 }

function isGlossOverDip(each: Untimed, below: readonly Untimed[]): boolean {
  if (each.material?.kind !== 'gloss varnish' || each.step.dryingSeconds !== null) return false
  return below.some((other) => other.material?.kind === 'dip' && shareRegion(each, other))
}

const smallGloss = 0.12

/** Gloss brushed on something small: the shine is meant, unless a decal or oil is to go on it. */
function isLocalGloss(each: Untimed, above: readonly Untimed[]): boolean {
  if (each.material?.kind !== 'gloss varnish' || each.whole || each.sprayed || each.area > smallGloss)
    return false
  return !above.some(
    (other) =>
      shareRegion(each, other) && ['decal', 'oil', 'wash'].some((kind) => other.material?.kind === kind),
  )
}

function oneOfEach(recipe: Pick<Recipe, 'steps'>): readonly Person[] {
  return [...new Set(recipe.steps.flatMap((step) => step.roles))].map((role) => ({ role, variants: [] }))
}

function takersOf(roles: readonly string[], models: readonly Person[]): ReadonlySet<number> {
  return new Set(models.flatMap((model, index) => (isOneOf(model, roles) ? [index] : [])))
}

/** Whether some model takes both. */
export function meetOnAModel(
  { takers }: Pick<StepFacts, 'takers'>,
  other: Pick<StepFacts, 'takers'>,
): boolean {
  if (takers === null || other.takers === null) return true
  for (const taker of takers) if (other.takers.has(taker)) return true
  return false
}

const hiding: ReadonlySet<string> = new Set(['primer', 'opaque', 'metallic', 'texture paste', 'grit'])
const colouring: ReadonlySet<string> = new Set(['airbrush', 'base coat', 'blend', 'stipple', 'pen', 'spray'])
const refining: ReadonlySet<string> = new Set(['edge', 'layer', 'detail', 'chip', 'glaze', 'pen'])

/** Thin coats dry faster than the pot says, whatever the paint: seconds, common practice. */
const thinCoats: Partial<Record<Technique, { readonly min: number; readonly max: number }>> = {
  'dry brush': { min: 60, max: 120 },
  airbrush: { min: 120, max: 300 },
  'pin wash': { min: 300, max: 600 },
}

/** Seconds before the next layer: as the material says, or as thin coats do. */
export function dryingOf(material: Material | null, technique: Technique): { min: number; max: number } {
  const own = { min: material?.dryingMinSeconds ?? 0, max: material?.dryingMaxSeconds ?? 0 }
  const thin = thinCoats[technique]
  const isThin = material && thin && isPaint(material.kind) && material.carrier === 'water'
  return isThin && thin.max < own.max ? { min: Math.min(thin.min, own.min), max: thin.max } : own
}

/** The same region, or regions that touch each other; what is painted apart touches nothing. */
export function touchEachOther(a: StepFacts, b: StepFacts): boolean {
  if (!meetOnAModel(a, b)) return false
  return a.regions.some((region) =>
    b.regions.some(
      (other) =>
        other.name === region.name ||
        (other.apart === region.apart && region.neighbours.includes(other.name)),
    ),
  )
}

export function shareRegion(a: Untimed, b: Untimed): boolean {
  if (!meetOnAModel(a, b)) return false
  return a.regions.some((region) => b.regions.some((other) => other.name === region.name))
}

/** `the moss translucent on the coat`, for sentences. */
export function stepText(facts: StepFacts): string {
  const what = facts.material?.name ?? facts.step.technique
  if (facts.whole) {
    const { except } = facts.step
    return `${what} all over${except.length > 0 ? ` but the ${joinWords(except)}` : ''}`
  }
  return `${what} on ${extentText(facts.step)}the ${joinWords(facts.regions.map((region) => region.name))}`
}

/** `half of `; nothing where it takes all. */
export function extentText({ extent }: Pick<Step, 'extent'>): string {
  if (extent === 'all of it') return ''
  return extent === 'dabs' ? 'spots of ' : `${extent} of `
}

/** `moss green`, `3 translucent medium : 1 moss green`; empty without material. */
export function mixText(mix: Mix, shelf: Shelf): string {
  const name = (part: Mix[number]) => shelf.get(part.materialId)?.name ?? 'unknown'
  const [only, ...others] = mix
  if (!only) return ''
  if (others.length === 0) return name(only)
  return mix.map((part) => `${String(part.parts)} ${name(part)}`).join(' : ')
}

export function joinWords(words: readonly string[]): string {
  if (words.length < 2) return words[0] ?? ''
  return `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`
}
