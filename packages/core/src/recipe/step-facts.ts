import { lightness } from '../colour/colour.ts'
import { isPaint, isVarnish, type Material } from '../materials/material.ts'
import { isOneOf, type Model } from '../project/project.ts'
import type { MaterialId } from '../units/ids.ts'
import { regionsOfStep, type Finish, type Mix, type Recipe, type Region, type Step } from './recipe.ts'
import { carePresets } from '../estimating/presets.ts'
import { productOf, stepFactors, usualDemand } from '../estimating/step-factors.ts'
import { isSprayed, techniqueFacts, type Tool } from './technique.ts'

export type Shelf = ReadonlyMap<MaterialId, Material>

/** What the rules ask about a step, worked out once. */
export interface StepFacts {
  readonly step: Step
  /** Position in the recipe, from the bottom up. */
  readonly index: number
  /** The largest part of the mix; `null` for work without material, and for a material that is not on the shelf. */
  readonly material: Material | null
  readonly tool: Tool
  readonly regions: readonly Region[]
  /** The models that take it, by their place; `null` for all of them. */
  readonly takers: ReadonlySet<number> | null
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
  /** One of its regions is masked at some time. */
  readonly masked: boolean
  /** Share of the model it lands on; a whole model with its base is over 1. */
  readonly area: number
  readonly lightness: number
  /** Parts to pick out, of all its regions. */
  readonly parts: number
  /** On a foot model of usual detail at tabletop, at the preset's pace. */
  readonly handsOnSecondsPerModel: number
  readonly drying: { readonly min: number; readonly max: number }
}

function mainMaterial(mix: Mix, shelf: Shelf): Material | null {
  const main = mix.reduce<Mix[number] | null>(
    (most, part) => (most && most.parts >= part.parts ? most : part),
    null,
  )
  return main ? (shelf.get(main.materialId) ?? null) : null
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
  return recipe.steps.map((step, index) => {
    const regions = regionsOfStep(recipe, step).flatMap((name) => regionByName.get(name) ?? [])
    const material = mainMaterial(step.mix, shelf)
    const technique = techniqueFacts[step.technique]
    const kind = material?.kind
    const opaque = kind !== undefined && hiding.has(kind)
    const area = regions.reduce((sum, region) => sum + region.areaShare, 0)
    const parts = regions.reduce((sum, region) => sum + region.parts, 0)
    const whole = step.on === 'whole'
    const work = { technique: step.technique, area, parts, whole, coats: step.coats, material: null }
    const care = recipe.preferences.careful ? carePresets.carefulThroughout : 1
    const range = step.dryingSeconds ?? dryingOf(material)
    return {
      step,
      index,
      material,
      tool: technique.tool,
      regions,
      takers: step.roles.length === 0 ? null : takersOf(step.roles, models),
      whole,
      onBase: regions.length > 0 && regions.every((region) => region.finish === ('base' satisfies Finish)),
      sprayed: isSprayed(step.technique),
      covers: technique.covers && opaque,
      colours:
        kind !== undefined &&
        isPaint(kind) &&
        kind !== 'primer' &&
        kind !== 'wash' &&
        kind !== 'oil' &&
        kind !== 'dip' &&
        colouring.has(step.technique),
      refines: refining.has(step.technique),
      varnish: kind !== undefined && isVarnish(kind),
      masked: regions.some((region) => masked.has(region.name)),
      area,
      lightness: material ? lightness(material.colour) : 0,
      parts,
      handsOnSecondsPerModel: Math.round(productOf(stepFactors(work, usualDemand, care)) * 60),
      drying: range,
    }
  })
}

function oneOfEach(recipe: Pick<Recipe, 'steps'>): readonly Person[] {
  return [...new Set(recipe.steps.flatMap((step) => step.roles))].map((role) => ({ role, variants: [] }))
}

function takersOf(roles: readonly string[], models: readonly Person[]): ReadonlySet<number> {
  return new Set(models.flatMap((model, index) => (isOneOf(model, roles) ? [index] : [])))
}

/** Whether some model takes both. */
export function meetOnAModel({ takers }: StepFacts, other: StepFacts): boolean {
  if (takers === null || other.takers === null) return true
  for (const taker of takers) if (other.takers.has(taker)) return true
  return false
}

const hiding: ReadonlySet<string> = new Set(['primer', 'opaque', 'metallic', 'texture paste'])
const colouring: ReadonlySet<string> = new Set(['airbrush', 'base coat', 'blend', 'stipple', 'pen', 'spray'])
const refining: ReadonlySet<string> = new Set(['edge', 'layer', 'detail', 'chip', 'glaze', 'pen'])

function dryingOf(material: Material | null): { min: number; max: number } {
  return { min: material?.dryingMinSeconds ?? 0, max: material?.dryingMaxSeconds ?? 0 }
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

export function shareRegion(a: StepFacts, b: StepFacts): boolean {
  if (!meetOnAModel(a, b)) return false
  return a.regions.some((region) => b.regions.some((other) => other.name === region.name))
}

/** `the moss translucent on the coat`, for sentences. */
export function stepText(facts: StepFacts): string {
  const what = facts.material?.name ?? facts.step.technique
  if (facts.whole) return `${what} all over`
  return `${what} on the ${joinWords(facts.regions.map((region) => region.name))}`
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
