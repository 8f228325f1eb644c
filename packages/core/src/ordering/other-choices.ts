import { colourDifference, lightness } from '../colour/index.ts'
import {
  asOneSays,
  type Finish,
  giveWhereSeen,
  type Material,
  plainStep,
  type Recipe,
  type Region,
  type Step,
  type Unit,
} from '../trade/index.ts'
import { factsOf, joinWords, shareRegion, type Shelf, type StepFacts } from '../recipe/index.ts'
import { techniquePresets } from '../presets/index.ts'
import type { StepId } from '../units/index.ts'
import { linings } from './lining-choice.ts'
import { thinFrom } from './thin-colours.ts'

/** Questions on which practitioners decide by the job in hand (common practice); never answered unasked. */
export type ChoiceKind =
  | 'flood'
  | 'mask'
  | 'coats'
  | 'depth'
  | 'highlight'
  | 'extra'
  | 'special'
  | 'lining'
  | 'rule'

/** The recipe as it would be with the other answer. */
export interface OtherChoice {
  readonly kind: ChoiceKind
  /** The steps it is about, the main one first. */
  readonly stepIds: readonly StepId[]
  readonly now: string
  readonly instead: string
  readonly recipe: Recipe
  /** Changed where single models are to take a colour. */
  readonly units: readonly Unit[]
}

interface Asked {
  readonly recipe: Recipe
  readonly facts: readonly StepFacts[]
  readonly units: readonly Unit[]
  readonly shelf: Shelf
  readonly newId: () => string
}

/** Every other answer that the recipe leaves open; whether it is sound and what it takes is asked elsewhere. */
export function otherChoices(
  recipe: Recipe,
  units: readonly Unit[],
  shelf: Shelf,
  newId: () => string,
): readonly OtherChoice[] {
  const models = units.flatMap((unit) => unit.models)
  const facts = factsOf(recipe, shelf, models.length > 0 ? models : undefined)
  const asked = { recipe, facts, units, shelf, newId }
  return [
    ...facts.flatMap((each) => [...floodOrGoRound(asked, each), ...coats(asked, each)]),
    ...masks(asked),
    ...washOrDarkUnder(asked),
    ...facts.flatMap((each) => [...metalEdges(asked, each), ...whereSeen(asked, each)]),
    ...extras(asked),
    ...linings(asked),
  ]
}

const largest = 0.15
const worthFlooding = 0.1

/** An opaque colour over all that later colours cover anyway, or within its borders. */
function floodOrGoRound({ recipe, facts, units }: Asked, base: StepFacts): readonly OtherChoice[] {
  const { step, index } = base
  if (!base.covers || !base.colours || !techniquePresets[step.technique].floods) return []
  const coveredLater = (region: Region) =>
    facts.slice(index + 1).some((each) => each.covers && !each.sprayed && each.regions.includes(region))
  const name = base.material?.name ?? 'colour'
  const choice = (on: Partial<Step>, now: string, instead: string): OtherChoice => ({
    kind: 'flood',
    stepIds: [step.id],
    now,
    instead,
    recipe: withStep(recipe, { ...step, ...on }),
    units,
  })
  const round = (regions: readonly Region[]) => `the ${name} on the ${namesOf(regions)} alone`
  const over = (except: readonly Region[]) =>
    `the ${name} over everything${except.length > 0 ? ` but the ${namesOf(except)}` : ''}, the others tidy up`
  if (base.whole) {
    const own = base.regions.filter(
      (region) => !coveredLater(region) && !['base', 'eye'].includes(region.finish),
    )
    if (own.length === 0 || own.length === base.regions.length) return []
    const except = recipe.regions.filter((region) => !base.regions.includes(region))
    return [choice({ on: own.map((region) => region.name), except: [] }, over(except), round(own))]
  }
  if (base.area < largest) return []
  const isTaken = (region: Region) =>
    facts.slice(0, index).some((each) => !each.whole && each.regions.includes(region))
  const more = recipe.regions.filter(
    (region) =>
      !base.regions.includes(region) && region.finish !== 'base' && coveredLater(region) && !isTaken(region),
  )
  if (areaOf(more) < worthFlooding) return []
  const except = recipe.regions.filter((region) => !base.regions.includes(region) && !more.includes(region))
  const flooded = { on: 'whole' as const, except: except.map((region) => region.name) }
  // Going to one region more is no flooding.
  if (asOneSays<Pick<Step, 'on' | 'except'>>(recipe, flooded).on !== 'whole') return []
  return [
    choice(
      flooded,
      round(base.regions),
      more.length < except.length
        ? `over the ${namesOf(more)} as well, which later colours cover`
        : over(except),
    ),
  ]
}

/** One coat or two: two cover for sure, one is looked at and done again where it must be. */
function coats(
  { recipe, units }: Asked,
  { step, covers, colours, material }: StepFacts,
): readonly OtherChoice[] {
  if (!covers || !colours || !material) return []
  const { coats: count } = step
  const wanted = count > 1 ? count - 1 : material.opacity < thinFrom ? 2 : null
  if (wanted === null) return []
  const text = (some: number) => `${String(some)} ${some === 1 ? 'coat' : 'coats'} of ${material.name}`
  return [
    {
      kind: 'coats',
      stepIds: [step.id],
      now: text(count),
      instead: text(wanted),
      recipe: withStep(recipe, { ...step, coats: wanted }),
      units,
    },
  ]
}

/** A mask on what is painted already, or paint it after what is sprayed beside it. */
function masks(asked: Asked): readonly OtherChoice[] {
  const { recipe, facts, units } = asked
  return facts.flatMap((mask): OtherChoice[] => {
    if (mask.step.technique !== 'mask') return []
    const peel = facts.find(
      (each) => each.index > mask.index && each.step.technique === 'peel' && shareRegion(mask, each),
    )
    const sprayed = facts.findLast(
      (each) => each.index > mask.index && (!peel || each.index < peel.index) && each.sprayed,
    )
    if (!peel || !sprayed) return []
    const names = mask.regions.map((region) => region.name)
    const isOwn = (each: StepFacts) =>
      each.index < mask.index && !each.whole && each.regions.every((region) => names.includes(region.name))
    const own = facts.filter((each) => isOwn(each) && each.material !== null)
    if (own.length === 0) return []
    const gone = new Set([...own, mask, peel].map((each) => each.step.id))
    const left = recipe.steps.filter((step) => !gone.has(step.id))
    const place = left.findIndex((step) => step.id === sprayed.step.id) + 1
    return [
      {
        kind: 'mask',
        stepIds: [mask.step.id, peel.step.id],
        now: `mask the ${joinWords(names)} before spraying`,
        instead: `spray first, and paint the ${joinWords(names)} afterwards`,
        recipe: { ...recipe, steps: left.toSpliced(place, 0, ...own.map((each) => each.step)) },
        units,
      },
    ]
  })
}

const [leastDarker, mostDarker] = [12, 40]
const mostDepths = 3

/** The recesses of a region by a wash over its colour, or by a dark colour left showing under it. */
function washOrDarkUnder(asked: Asked): readonly OtherChoice[] {
  const { recipe, facts } = asked
  const regions = recipe.regions
    .filter((region) => region.finish !== 'base' && region.finish !== 'metal' && region.finish !== 'eye')
    .toSorted((a, b) => b.areaShare - a.areaShare)
    .slice(0, mostDepths)
  return regions.flatMap((region): readonly OtherChoice[] => {
    const stack = facts.filter((each) => !each.whole && each.regions.includes(region))
    const base = stack.find((each) => each.covers && each.colours && each.step.technique === 'base coat')
    if (!base) return []
    const wash = stack.find((each) => each.index > base.index && each.material?.kind === 'wash')
    return wash ? darkUnder(asked, region, base, wash) : washOver(asked, region, base, stack)
  })
}

function darkUnder(
  { recipe, units, shelf, newId }: Asked,
  region: Region,
  base: StepFacts,
  wash: StepFacts,
): readonly OtherChoice[] {
  const dark = base.material && darkerThan(base.material, shelf)
  if (!dark) return []
  const under = layerLike(base.step, region, dark, 'base coat', newId)
  const own: Step = { ...base.step, id: newId() as StepId, on: [region.name], technique: 'layer' }
  const steps = recipe.steps.flatMap((step): readonly Step[] => {
    if (step.id === base.step.id) return [...without(step, region), under, own]
    return step.id === wash.step.id ? without(step, region) : [step]
  })
  return [
    {
      kind: 'depth',
      stepIds: [wash.step.id, base.step.id],
      now: `${wash.material?.name ?? 'a wash'} over the ${region.name}`,
      instead: `${dark.name} under it, left showing in the recesses`,
      recipe: { ...recipe, steps },
      units,
    },
  ]
}

function washOver(
  { recipe, facts, units, shelf, newId }: Asked,
  region: Region,
  base: StepFacts,
  stack: readonly StepFacts[],
): readonly OtherChoice[] {
  const layer = stack.find(
    (each) => each.index > base.index && each.step.technique === 'layer' && each.lightness > base.lightness,
  )
  const wash =
    facts.find((each) => each.material?.kind === 'wash')?.material ??
    [...shelf.values()].find((each) => each.kind === 'wash')
  if (!layer || !wash) return []
  const own: Step = { ...layer.step, id: newId() as StepId, on: [region.name], technique: 'base coat' }
  const over = layerLike(layer.step, region, wash, 'wash', newId)
  const steps = recipe.steps.flatMap((step): readonly Step[] => {
    if (step.id === base.step.id) return without(step, region)
    return step.id === layer.step.id ? [...without(step, region), own, over] : [step]
  })
  return [
    {
      kind: 'depth',
      stepIds: [base.step.id, layer.step.id],
      now: `${base.material?.name ?? 'a dark colour'} under the ${region.name}, left showing`,
      instead: `${wash.name} over it`,
      recipe: { ...recipe, steps },
      units,
    },
  ]
}

/** A new layer on one region, for those who take another. */
function layerLike(
  { standard, roles }: Step,
  region: Region,
  material: Material,
  technique: Step['technique'],
  newId: () => string,
): Step {
  const mix = [{ materialId: material.id, parts: 1 }]
  return { ...plainStep, id: newId() as StepId, on: [region.name], mix, technique, standard, roles }
}

/** On plate the bright metal that is open anyway picks out the edges as well as a lighter paint. */
function metalEdges({ recipe, facts, units }: Asked, light: StepFacts): readonly OtherChoice[] {
  const { step, material } = light
  const lights = step.technique === 'layer' || step.technique === 'edge'
  if (!lights || light.whole || material?.kind !== 'opaque') return []
  if (!light.regions.every((region) => region.finish === 'plate')) return []
  const metal = facts
    .filter((each) => each.material?.kind === 'metallic')
    .reduce<StepFacts | null>((best, each) => (best && best.lightness >= each.lightness ? best : each), null)
  if (!metal) return []
  // Bright metal comes after what would dull it.
  const dulls = facts.findLast((each) => each.whole && each.varnish && each.index > light.index)
  const edges: Step = { ...step, mix: metal.step.mix, technique: 'edge' }
  const steps = dulls
    ? recipe.steps.toSpliced(dulls.index + 1, 0, edges).toSpliced(light.index, 1)
    : recipe.steps.with(light.index, edges)
  return [
    {
      kind: 'highlight',
      stepIds: [step.id],
      now: `${material.name} for the highlights of the ${namesOf(light.regions)}`,
      instead: `edges of ${metal.material?.name ?? 'metal'}, which is open anyway`,
      recipe: { ...recipe, steps },
      units,
    },
  ]
}

const smallColour = 0.08
const fewestModels = 6

/** A colour with a pot of its own, on a small part, over another colour: on all of them, or where it is seen. */
function whereSeen({ recipe, facts, units }: Asked, special: StepFacts): readonly OtherChoice[] {
  const { step, material } = special
  const models = units.reduce((sum, unit) => sum + unit.models.length, 0)
  if (!material || special.whole || special.area > smallColour || step.roles.length > 0) return []
  if (models < fewestModels || !special.covers) return []
  const isShared = facts.some((each) => each !== special && each.material?.id === material.id)
  const lies = facts.some(
    (each) =>
      each.index < special.index &&
      each.colours &&
      special.regions.every((region) => each.regions.includes(region)),
  )
  if (isShared || !lies) return []
  const share = 1 / 3
  const variant = `${material.name} ${special.regions[0]?.name ?? ''}`.trim().slice(0, 80)
  const counts = units.map((unit) => Math.ceil(unit.models.length * share))
  return [
    {
      kind: 'special',
      stepIds: [step.id],
      now: `${material.name} on the ${namesOf(special.regions)} of all ${String(models)}`,
      instead: `of ${String(counts.reduce((sum, count) => sum + count, 0))}: first those that are looked at, then evenly`,
      recipe: withStep(recipe, { ...step, roles: [variant] }),
      units: units.map((unit, index) => giveWhereSeen(unit, variant, counts[index] ?? 0)),
    },
  ]
}

const smallExtra = 0.05
const sculpted: readonly Finish[] = ['leather', 'metal']

/** Something small that only costs brush time: leave it off the sculpt. */
function extras({ recipe, units }: Asked): readonly OtherChoice[] {
  // What is glued on is not left off any more.
  if (!recipe.steps.some((step) => step.technique === 'assemble')) return []
  return recipe.regions.flatMap((region): OtherChoice[] => {
    if (region.areaShare > smallExtra || !sculpted.includes(region.finish)) return []
    const own = recipe.steps.filter((step) => step.on !== 'whole' && step.on.includes(region.name))
    const [first] = own
    if (!first) return []
    const steps = recipe.steps.flatMap((step): readonly Step[] =>
      step.on === 'whole'
        ? [{ ...step, except: step.except.filter((name) => name !== region.name) }]
        : step.on.includes(region.name)
          ? without(step, region)
          : [step],
    )
    const regions = recipe.regions
      .filter((each) => each !== region)
      .map((each) => ({ ...each, neighbours: each.neighbours.filter((name) => name !== region.name) }))
    return [
      {
        kind: 'extra',
        stepIds: own.map((step) => step.id),
        now: `paint the ${region.name}`,
        instead: `leave the ${region.name} off the sculpt`,
        recipe: { ...recipe, regions, steps },
        units,
      },
    ]
  })
}

function without(step: Step, region: Region): readonly Step[] {
  if (step.on === 'whole') return [step]
  const on = step.on.filter((name) => name !== region.name)
  return on.length > 0 ? [{ ...step, on }] : []
}

function withStep(recipe: Recipe, step: Step): Recipe {
  return { ...recipe, steps: recipe.steps.map((each) => (each.id === step.id ? step : each)) }
}

/** The opaque paint that looks most like it of those that are clearly darker. */
function darkerThan(base: Material, shelf: Shelf): Material | null {
  const from = lightness(base.colour)
  return (
    [...shelf.values()]
      .filter(({ kind, colour }) => {
        const by = from - lightness(colour)
        return kind === 'opaque' && by >= leastDarker && by <= mostDarker
      })
      .map((each) => ({ each, difference: colourDifference(base.colour, each.colour) }))
      .reduce<{ each: Material; difference: number } | null>(
        (best, one) => (best && best.difference <= one.difference ? best : one),
        null,
      )?.each ?? null
  )
}

const areaOf = (regions: readonly Region[]) => regions.reduce((sum, region) => sum + region.areaShare, 0)
const namesOf = (regions: readonly Region[]) => joinWords(regions.map((region) => region.name))
