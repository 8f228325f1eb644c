import { hueOf } from '../colour/index.ts'
import { plainStep, type Recipe, type RuleId } from '../trade/index.ts'
import {
  amountOf,
  joinWords,
  meetOnAModel,
  shareRegion,
  type Shelf,
  type StepFacts,
  stepText,
  takenOf,
} from '../recipe/index.ts'
import { productOf, stepFactors, usualDemand } from '../presets/index.ts'
import { isMaskedAt } from './order-rules.ts'
import { workableTill } from './soft-work.ts'
import type { Judged, Mend, Severity } from './rule.ts'
import { cheapest, type Fault } from './stack-rule.ts'
import { thinFrom } from './thin-colours.ts'

/** A recipe as it is looked at: its steps in order, and whether of two steps the one comes first at all. */
export interface JudgedRecipe extends Judged {
  readonly recipe: Recipe
  readonly shelf: Shelf
  /** Without an order, only steps that share a region have one. */
  readonly isOrdered: (a: StepFacts, b: StepFacts) => boolean
}

/** What is seen only with all steps of a recipe in view. */
interface RecipeRule {
  readonly id: RuleId
  readonly severity: Severity
  readonly check: (judged: JudgedRecipe) => readonly Fault[]
}

const kind = (facts: StepFacts) => facts.material?.kind
const technique = (facts: StepFacts) => facts.step.technique

/** Goes over what is there and changes its colour: a wash, a dry brush, a tint. */
const isTint = (facts: StepFacts) =>
  facts.whole &&
  (technique(facts) === 'dry brush' ||
    kind(facts) === 'wash' ||
    kind(facts) === 'translucent' ||
    kind(facts) === 'ink' ||
    kind(facts) === 'dip')

const isGround = (facts: StepFacts) => ['texture paste', 'grit', 'flock', 'tuft'].includes(kind(facts) ?? '')
const isFineWork = (facts: StepFacts) =>
  ['edge', 'detail', 'chip', 'decal'].includes(technique(facts)) ||
  facts.shines ||
  technique(facts) === 'layer'

/** Going round costs care at every border: common practice. */
const goingRound = 1.15

export const recipeRules: readonly RecipeRule[] = [
  {
    id: 'R04',
    severity: 'spoils',
    check: (judged) =>
      judged.inOrder.flatMap((tint, place): Fault[] => {
        if (!isTint(tint)) return []
        const before = judged.inOrder.slice(0, place)
        const after = judged.inOrder.slice(place + 1)
        const spoiled = tint.regions.filter((region) => {
          const on = (each: StepFacts) => each.regions.includes(region) && judged.isOrdered(each, tint)
          const own = before.filter(on)
          const isMasked = isMaskedAt(judged, tint, { ...tint, regions: [region] })
          if (isMasked || own.length === 0) return false
          if (region.finish === 'base')
            return isFinishedBase(own) && !after.some((each) => on(each) && isMore(each))
          const isFlood = kind(tint) === 'translucent' || kind(tint) === 'ink'
          if (!isFlood || technique(tint) === 'dry brush') return false
          return (
            own.some((each) => isFineWork(each) && !each.whole) &&
            !after.some((each) => on(each) && (each.colours || each.refines))
          )
        })
        if (spoiled.length === 0) return []
        const names = spoiled.map((region) => region.name)
        const soiled = before.filter(
          (each) => !each.whole && each.regions.some((region) => spoiled.includes(region)),
        )
        return [
          {
            layers: [tint, ...soiled.slice(-1)],
            reason: `The ${stepText(tint)} lands on the finished ${joinWords(names)} as well: mask it, or leave it out.`,
            secondsAtStake: soiled.reduce((sum, each) => sum + each.handsOnSecondsPerModel, 0),
            mends: [
              {
                kind: 'change',
                stepId: tint.step.id,
                change: { on: 'whole', except: [...tint.step.except, ...names] },
              },
            ],
          },
        ]
      }),
  },
  {
    id: 'R21',
    severity: 'spoils',
    check: ({ inOrder, isOrdered }) =>
      inOrder.flatMap((mask, place): Fault[] => {
        if (technique(mask) !== 'mask') return []
        const after = inOrder.slice(place + 1).filter((each) => shareRegion(mask, each))
        const peel = after.findIndex((each) => technique(each) === 'peel')
        const seal = after.findIndex((each) => each.varnish)
        if (peel >= 0 && (seal < 0 || peel < seal)) return []
        const [sealed, late] = [after[seal], after[peel]]
        if (late && sealed && !isOrdered(late, sealed)) return []
        const peeled = {
          ...plainStep,
          on: mask.step.on,
          except: mask.step.except,
          technique: 'peel',
          mix: [],
        } as const
        return [
          {
            layers: sealed ? [late ?? mask, sealed] : [mask],
            reason: sealed
              ? `The ${stepText(mask)} is still on under the ${stepText(sealed)}: peeled through varnish it tears.`
              : `The ${stepText(mask)} is never peeled off.`,
            secondsAtStake: mask.handsOnSecondsPerModel,
            mends: [
              late && sealed ? { kind: 'move', stepId: late.step.id, before: sealed.step.id } : null,
              late
                ? null
                : {
                    kind: 'insert',
                    before: sealed?.step.id ?? null,
                    step: { ...peeled, roles: mask.step.roles, standard: mask.step.standard },
                  },
            ],
          },
        ]
      }),
  },
  {
    id: 'R04b',
    severity: 'wastes',
    check: (judged) => hiddenWork(judged, (facts) => facts.whole),
  },
  {
    id: 'R16',
    severity: 'wastes',
    check: (judged) => hiddenWork(judged, (facts) => !facts.whole),
  },
  { id: 'R23', severity: 'wastes', check: neverJoined },
  { id: 'R18', severity: 'wastes', check: openedTwice },
  { id: 'R25', severity: 'spoils', check: tornGroups },
  { id: 'R27', severity: 'spoils', check: driedGlue },
]

/** Paint on what was strewn or spread there, or what grows on it. */
function isFinishedBase(own: readonly StepFacts[]): boolean {
  const ground = own.findIndex(isGround)
  if (ground < 0) return false
  if (own.some((each) => kind(each) === 'tuft' || kind(each) === 'flock')) return true
  return own.slice(ground + 1).some((each) => each.onBase && isMore(each))
}

/** Another layer of colour. */
function isMore(facts: StepFacts): boolean {
  return (
    facts.material !== null &&
    (facts.colours || facts.refines || ['wash', 'dry brush'].includes(technique(facts)))
  )
}

/** Less than this share of the model, eyes and the like, is nothing to lay a ground over everything for. */
const speck = 0.02

/**
 * A shade, highlight or ground that a later opaque coat hides: all of it, or so much that going round would be quicker
 * than flooding. What shows somewhere prepares, and is no waste.
 */
function hiddenWork(
  { inOrder, isOrdered, recipe }: JudgedRecipe,
  isMeant: (facts: StepFacts) => boolean,
): readonly Fault[] {
  return inOrder.flatMap((layer, place): Fault[] => {
    const shades = kind(layer) === 'wash' || layer.refines || technique(layer) === 'dry brush'
    if (!shades || !isMeant(layer) || layer.step.wetGroup !== null) return []
    const above = inOrder.slice(place + 1).filter((each) => hidesAll(each) && isOrdered(layer, each))
    const coverOf = (region: StepFacts['regions'][number]) =>
      above.find((each) => each.regions.includes(region) && meetOnAModel(each, layer))
    const meant = layer.whole ? layer.regions.filter((region) => region.finish !== 'base') : layer.regions
    const hidden = meant.filter(coverOf)
    const [first] = hidden
    const cover = first && coverOf(first)
    if (!cover) return []
    const left = meant.filter((region) => !hidden.includes(region))
    const shown = left.reduce((sum, region) => sum + region.areaShare, 0)
    if (left.length === 0 || (layer.whole && shown < speck)) {
      return [
        {
          layers: [layer, cover],
          severity: isUnderTone(layer, cover) ? 'your call' : 'wastes',
          reason: layer.whole
            ? `The ${stepText(layer)} is hidden everywhere by the colours over it: it pulls them together only once they are there.`
            : `The ${stepText(cover)} hides the ${stepText(layer)} completely.`,
          secondsAtStake: layer.handsOnSecondsPerModel,
          mends: [
            layer.whole ? moveAboveColours(layer, above) : null,
            { kind: 'remove', stepId: layer.step.id },
          ],
        },
      ]
    }
    if (layer.whole) return []
    const saved = layer.handsOnSecondsPerModel - goingRound * secondsOn(recipe, layer, left)
    if (saved <= 0) return []
    return [
      {
        layers: [layer, cover],
        reason: `The ${stepText(cover)} hides the ${stepText(layer)} on the ${joinWords(hidden.map(({ name }) => name))}; going round is quicker.`,
        secondsAtStake: saved,
        mends: [{ kind: 'change', stepId: layer.step.id, change: { on: left.map(({ name }) => name) } }],
      },
    ]
  })
}

/** One coat of a thin colour lets what is under it through. */
function hidesAll(facts: StepFacts): boolean {
  return facts.covers && !facts.refines && (facts.hiding >= thinFrom || facts.step.coats > 1)
}

/** A light, strong colour under a darker one: many want its warmth to come through at the edges (common practice). */
function isUnderTone(layer: StepFacts, cover: StepFacts): boolean {
  return (
    layer.lightness > cover.lightness + 15 &&
    (layer.material ? hueOf(layer.material.colour).chroma > 35 : false)
  )
}

function moveAboveColours(layer: StepFacts, above: readonly StepFacts[]): Mend | null {
  const last = above.at(-1)
  return last ? { kind: 'move', stepId: last.step.id, before: layer.step.id } : null
}

function secondsOn(recipe: Recipe, layer: StepFacts, regions: StepFacts['regions']): number {
  const amount = takenOf(layer.step, amountOf(regions))
  const work = {
    ...amount,
    tight: amount,
    technique: layer.step.technique,
    coats: layer.step.coats,
    count: layer.step.count,
    material: null,
  }
  return productOf(stepFactors(work, usualDemand, recipe.preferences.careful ? goingRound : 1)) * 60
}

/** R23: painted apart, but no step joins it. */
function neverJoined({ recipe, inOrder, shelf }: JudgedRecipe): readonly Fault[] {
  const apart = [...new Set(recipe.regions.map((region) => region.apart))].filter((name) => name !== '')
  const joined = inOrder
    .filter((each) => technique(each) === 'join')
    .flatMap((each) => each.regions.map((region) => region.apart))
  const glue = cheapest([...shelf.values()], (each) => each.kind === 'glue' && each.carrier === 'dry')
  const last = inOrder.at(-1)
  const join = {
    ...plainStep,
    on: 'whole',
    technique: 'join',
    mix: glue ? [{ materialId: glue.id, parts: 1 }] : [],
  } as const
  return apart
    .filter((name) => !joined.includes(name))
    .map((name) => ({
      layers: [],
      reason: `The ${name} is painted apart, and no layer joins it to the model.`,
      secondsAtStake: 60,
      mends: [
        last?.varnish ? { kind: 'insert', before: last.step.id, step: join } : null,
        { kind: 'insert', before: null, step: join },
      ],
    }))
}

/** R18: the same wash written down twice, where nothing keeps the two apart. */
function openedTwice({ inOrder }: JudgedRecipe): readonly Fault[] {
  return inOrder.flatMap((first, index) =>
    inOrder.slice(index + 1).flatMap((second): Fault[] => {
      const same =
        kind(first) === 'wash' &&
        JSON.stringify(first.step.mix) === JSON.stringify(second.step.mix) &&
        technique(first) === technique(second) &&
        first.step.standard === second.step.standard &&
        first.step.roles.join() === second.step.roles.join()
      if (!same || shareRegion(first, second) || reaches(inOrder, first, second)) return []
      return [
        {
          layers: [first, second],
          reason: `The ${first.material?.name ?? 'wash'} is opened twice, though the ${stepText(second)} could go with the ${stepText(first)}.`,
          secondsAtStake: Math.round(second.handsOnSecondsPerModel * 0.1) + 20,
          mends: [{ kind: 'join', stepIds: [first.step.id, second.step.id] }],
        },
      ]
    }),
  )
}

/** Whether stacks force `to` above `from`. */
function reaches(facts: readonly StepFacts[], from: StepFacts, to: StepFacts): boolean {
  const above = new Set<StepFacts>([from])
  for (const each of facts.slice(facts.indexOf(from) + 1, facts.indexOf(to) + 1)) {
    if ([...above].some((lower) => shareRegion(lower, each))) above.add(each)
  }
  return above.has(to)
}

/** R25: something comes between wet-in-wet partners. */
function tornGroups({ inOrder, isOrdered }: JudgedRecipe): readonly Fault[] {
  const names = new Set(inOrder.flatMap((each) => each.step.wetGroup ?? []))
  return [...names].flatMap((name): Fault[] => {
    const places = inOrder.flatMap((each, index) => (each.step.wetGroup === name ? [index] : []))
    const [first, last] = [places[0] ?? 0, places.at(-1) ?? 0]
    const partner = inOrder[last]
    const between = inOrder
      .slice(first, last)
      .filter((each) => each.step.wetGroup !== name && partner && isOrdered(each, partner))
    const [intruder] = between
    if (!intruder || !partner) return []
    return [
      {
        layers: [partner, intruder],
        reason: `The ${stepText(intruder)} comes between wet-in-wet partners: once the first is dry they no longer blend.`,
        secondsAtStake: partner.handsOnSecondsPerModel,
        mends: [{ kind: 'move', stepId: partner.step.id, before: intruder.step.id }],
      },
    ]
  })
}

/** R27: other work between glue and what is strewn into it. */
function driedGlue({ inOrder, isOrdered }: JudgedRecipe): readonly Fault[] {
  return inOrder.flatMap((glue, place): Fault[] => {
    const after = inOrder.slice(place + 1)
    const strewn = after.find((each) => shareRegion(glue, each))
    const wait = strewn && workableTill(glue, strewn)
    if (kind(glue) !== 'glue' || !strewn || !wait) return []
    const intruder = after
      .slice(0, after.indexOf(strewn))
      .find((each) => kind(each) !== 'glue' && isOrdered(glue, each) && isOrdered(each, strewn))
    if (!intruder) return []
    return [
      {
        layers: [strewn, intruder],
        reason: `The ${stepText(intruder)} comes between the glue and the ${stepText(strewn)}: glue holds what is strewn into it for ${String(wait.max / 60)} min, and is put on again where it dried bare.`,
        secondsAtStake: glue.handsOnSecondsPerModel,
        mends: [{ kind: 'move', stepId: strewn.step.id, before: intruder.step.id }],
      },
    ]
  })
}
