import { isPreparation, type Preferences } from '../trade/index.ts'
import { meetOnAModel, shareRegion, type StepFacts } from '../recipe/index.ts'
import { darkBelow, groundsUnder } from './grounds.ts'
import type { Judged, OrderRule } from './rule.ts'
import { thinFrom } from './thin-colours.ts'

const redoFirst = (first: StepFacts) => first.handsOnSecondsPerModel
const redoThen = (_: StepFacts, then: StepFacts) => then.handsOnSecondsPerModel

/**
 * Chance of a slip over a border, by how much border there is, and what it costs to mend: an opaque one takes a dab
 * (a thin colour several), a translucent one the undercoat, its drying and the tint again. Common practice.
 */
const slipChance = 0.15
const usualArea = 0.1

function slipSeconds(slipped: StepFacts, by: StepFacts): number {
  const border = Math.sqrt(Math.min(slipped.area, by.area) / usualArea)
  const hand = by.sprayed ? 3 : by.step.technique === 'detail' || by.step.technique === 'pen' ? 0.5 : 1
  return slipChance * hand * Math.min(2, border) * mendSeconds(slipped)
}

function mendSeconds({ material, step }: StepFacts): number {
  if (kindOf(material) === 'translucent') return 120
  return 25 * step.coats * ((material?.opacity ?? 1) < thinFrom ? 2 : 1)
}

/** Hides what slipped under it. */
const hides = 0.8

/** CIE L* of what is called black, and of what a slip of it stands out on: from memory. */
const black = 25
const pale = 60

const kindOf = (material: StepFacts['material']) => material?.kind
const kind = (facts: StepFacts) => facts.material?.kind
const technique = (facts: StepFacts) => facts.step.technique
/** A wash or dry brush over everything; oil is wiped off again, and soils nothing. */
const wholeUnifier = (facts: StepFacts) =>
  facts.whole && (technique(facts) === 'dry brush' || (technique(facts) === 'wash' && kind(facts) === 'wash'))
const isMetal = (facts: StepFacts) => kind(facts) === 'metallic'
const isMatt = (facts: StepFacts) => kind(facts) === 'matt varnish'
const isPlant = (facts: StepFacts) => kind(facts) === 'tuft' || kind(facts) === 'flock'
/** The edge of a base: as its region or its note has it. */
const isRim = ({ onBase, regions, step }: StepFacts) =>
  onBase && (/\brim\b/i.test(step.note) || regions.every(({ name }) => /\brim\b/i.test(name)))
/** Leaves something on what lies beside it. */
const soils = (facts: StepFacts) =>
  facts.covers || facts.refines || ['wash', 'dry brush', 'dip', 'spread'].includes(technique(facts))
const prepares = (facts: StepFacts) => isPreparation(technique(facts))
const primes = (facts: StepFacts) => kind(facts) === 'primer'
/** What may lie under the primer, set and dry: common practice. */
const isUnderPrimer = (facts: StepFacts) =>
  ['texture paste', 'glue', 'grit', 'mask'].some((each) => each === kind(facts)) ||
  technique(facts) === 'join'

/** A coat over the whole model that hides or tints all that is there. */
const wholeCover = (facts: StepFacts) => facts.whole && (facts.covers || technique(facts) === 'dip')

/** Small parts one by one: so much surface a part at most. */
const fiddlyArea = 0.04
const isFiddly = (facts: StepFacts) => facts.area / Math.max(1, facts.parts) < fiddlyArea

const later = ({ inOrder }: Judged, facts: StepFacts) =>
  inOrder.slice(inOrder.indexOf(facts) + 1).filter((each) => shareRegion(each, facts))
const earlier = ({ inOrder }: Judged, facts: StepFacts) =>
  inOrder.slice(0, inOrder.indexOf(facts)).filter((each) => shareRegion(each, facts))
/** Whether the metal is made bright again after all that tints it. */
const isBrightenedAfter = (judged: Judged, by: StepFacts, metal: StepFacts) =>
  later(judged, by).some((each) => isMetal(each) && shareRegion(each, metal))
/** A dark coat lies under it, or it has two: a wash is not what it waits for. */
const isMetalDone = (judged: Judged, metal: StepFacts) => {
  const own = earlier(judged, metal)
  return (
    metal.step.coats > 1 || own.some(isMetal) || (groundsUnder([...own, metal]).at(-1)?.lit ?? 0) < darkBelow
  )
}
/** Fine work on top of a colour; the first colour of a region is no fine work, whatever the brush. */
const isFineWork = (judged: Judged, facts: StepFacts) =>
  earlier(judged, facts).some(
    (each) => (each.colours || technique(each) === 'detail' || isMetal(each)) && !each.whole,
  )
/** A bright edge, chip or dry brush of metal, or any metal that lies on metal. */
function isMetalHighlight(facts: StepFacts, below: readonly StepFacts[]): boolean {
  if (!isMetal(facts)) return false
  if (['edge', 'chip', 'dry brush'].includes(technique(facts))) return true
  return technique(facts) !== 'base coat' && below.some((each) => isMetal(each) && shareRegion(each, facts))
}

/** The rules that say which of two steps comes first. Reasons: common practice. */
export const orderRules: readonly OrderRule[] = [
  {
    id: 'R02',
    severity: 'your call',
    where: 'touching',
    first: (facts) => kind(facts) === 'translucent' && facts.colours && !facts.whole,
    then: (facts) => kind(facts) === 'translucent' && facts.colours && !facts.whole,
    only: (first, then) =>
      first.lightness > then.lightness + 8 &&
      !sharesAny(first, then) &&
      !first.masked &&
      !then.masked &&
      !arePartners(first, then),
    isOn: ({ lightBeforeDark }) => lightBeforeDark,
    why: 'a dark translucent paint hides the slips of a light one, a light one hides none',
    secondsAtStake: (first, then) => slipSeconds(then, first),
  },
  {
    id: 'R04',
    severity: 'spoils',
    where: 'same region',
    first: wholeCover,
    then: (facts) => !facts.whole && (facts.colours || facts.refines || technique(facts) === 'wash'),
    only: (first, then) => {
      if (technique(first) === 'dip') return ['edge', 'chip'].includes(technique(then))
      return !then.onBase
    },
    isFinding: (first, then, judged) =>
      !isMaskedAt(judged, first, then) && (!primes(first) || earlier(judged, then).some(primes)),
    why: 'a coat over the whole model covers careful work that is there already',
    secondsAtStake: redoThen,
  },
  {
    id: 'R04b',
    severity: 'wastes',
    where: 'same region',
    first: wholeUnifier,
    then: (facts) => (isMetal(facts) && !facts.refines) || technique(facts) === 'edge',
    isFinding: (first, then, judged) => {
      if (isMaskedAt(judged, first, then) || isBrightenedAfter(judged, first, then)) return false
      const wantsTheWash = technique(first) === 'wash' && isMetal(then) && !isMetalDone(judged, then)
      return !wantsTheWash && !isRepainted(judged, first, then)
    },
    why: 'a wash or dry brush over everything soils metal and dulls highlights that are there already',
    secondsAtStake: redoThen,
  },
  {
    id: 'R06',
    severity: 'spoils',
    where: 'same region',
    first: prepares,
    then: (facts) => !prepares(facts) && !isUnderPrimer(facts),
    why: 'release agent, mould lines and loose joints have to be dealt with before anything is put on',
    secondsAtStake: redoThen,
  },
  {
    id: 'R10',
    severity: 'spoils',
    where: 'same region',
    first: isMatt,
    then: (facts) => facts.shines,
    isFinding: (first, then, judged) => !isMaskedAt(judged, first, then),
    why: 'matt varnish kills the shine of wet and glowing effects',
    secondsAtStake: redoThen,
  },
  {
    id: 'R11',
    severity: 'your call',
    where: 'same region',
    first: isMatt,
    then: (facts) => isMetal(facts),
    only: (_, then) => technique(then) !== 'base coat' && technique(then) !== 'pen',
    isFinding: (first, then, judged) =>
      isMetalHighlight(then, earlier(judged, then)) &&
      !isMaskedAt(judged, first, then) &&
      !isBrightenedAfter(judged, first, then),
    why: 'matt varnish dulls the last bright metal',
    secondsAtStake: redoThen,
  },
  {
    id: 'R12',
    severity: 'wastes',
    where: 'same region',
    first: (facts) => facts.varnish && facts.sprayed,
    then: (facts) => facts.isLoosePowder,
    isFinding: (first, then, judged) => {
      const place = judged.inOrder.indexOf(first)
      return !later(judged, then).some(
        (each) =>
          judged.inOrder.indexOf(each) < place && (kind(each) === 'thinner' || kind(each) === 'medium'),
      )
    },
    why: 'the spray blows loose pigment off; fix it first, or put it on after',
    secondsAtStake: redoThen,
  },
  {
    id: 'R13',
    severity: 'your call',
    where: 'same region',
    first: (facts) => facts.varnish,
    then: isPlant,
    why: 'varnish dulls and frosts tufts and grass',
    secondsAtStake: redoThen,
  },
  {
    id: 'R17',
    severity: 'wastes',
    where: 'same region',
    first: (facts) =>
      technique(facts) === 'dip' || (facts.whole && technique(facts) === 'wash' && kind(facts) === 'wash'),
    then: (facts) => technique(facts) === 'detail' || technique(facts) === 'pen' || isMetal(facts),
    only: (_, then) => !then.onBase && (isMetal(then) ? isFiddly(then) && !isMetalHighlight(then, []) : true),
    isFinding: (first, then, judged) => {
      if (isBrightenedAfter(judged, first, then) || isMaskedAt(judged, first, then)) return false
      if (isRepainted(judged, first, then)) return false
      if (!isMetal(then)) return isFineWork(judged, then)
      return technique(first) === 'dip' || isMetalDone(judged, then)
    },
    why: 'a dip or all-over wash stains fine work that then has to be done again',
    secondsAtStake: redoThen,
  },
  {
    id: 'R21',
    severity: 'spoils',
    where: 'touching',
    first: (facts) => technique(facts) === 'mask',
    then: (facts) => facts.sprayed && facts.colours && !facts.whole,
    only: (first, then) => !sharesAny(first, then),
    why: 'the mask has to be on before the spray reaches its neighbour',
    secondsAtStake: redoFirst,
  },
  {
    id: 'R21',
    severity: 'spoils',
    where: 'touching',
    first: (facts) => facts.sprayed && facts.colours && !facts.whole,
    then: (facts) => facts.colours && !facts.sprayed && !facts.whole && !facts.masked,
    only: (first, then) => !sharesAny(first, then),
    isFinding: (first, then, judged) => !isRepainted(judged, first, then),
    why: 'spray drifts onto finished neighbours that are not masked',
    secondsAtStake: redoThen,
  },
  {
    id: 'R22',
    severity: 'your call',
    where: 'same region',
    first: (facts) => kind(facts) === 'gloss varnish' && facts.whole,
    then: isMatt,
    only: (first, then) => then.whole && first.whole,
    why: 'gloss is tough and matt looks right: the tough one goes below',
    secondsAtStake: redoThen,
  },
  {
    id: 'R23',
    severity: 'wastes',
    where: 'touching',
    first: (facts) => !facts.whole && (facts.colours || technique(facts) === 'detail'),
    then: (facts) => !facts.whole && facts.colours,
    only: (first, then) =>
      deepest(first) > deepest(then) &&
      !sharesAny(first, then) &&
      !first.masked &&
      !then.masked &&
      !arePartners(first, then),
    // Neighbours by a step of depth are a matter of taste; what is finished in front, or small and far in front, is not.
    isFinding: (first, then, { preferences, main }) => {
      if (preferences.mainColour === 'first' && onMain(then, main)) return false
      return first.colours && deepest(first) - deepest(then) > 1 && then.area <= first.area
    },
    why: 'what lies deep cannot be reached cleanly past what is finished in front of it',
    secondsAtStake: (first) => Math.round(first.handsOnSecondsPerModel * 0.2),
  },
  {
    id: 'R23',
    severity: 'wastes',
    where: 'same model',
    first: (facts) => !facts.whole && (facts.colours || technique(facts) === 'detail') && !facts.shines,
    then: (facts) => facts.shines && !facts.whole && !facts.onBase,
    only: (first, drip) => !sharesAny(first, drip) && hangsBefore(drip, first),
    why: 'what lies behind a drip or a gem cannot be reached without touching it',
    secondsAtStake: redoThen,
  },
  {
    id: 'R23',
    severity: 'wastes',
    where: 'same model',
    first: (facts) => !facts.whole && (facts.colours || facts.refines || kind(facts) === 'wash'),
    then: (facts) => technique(facts) === 'join',
    only: (first, join) =>
      first.regions.some((region) => region.apart !== '' && join.regions.includes(region)) ||
      isBlockedBy(join, first),
    why: 'what is joined can no longer be turned and reached from all sides',
    secondsAtStake: (first) => Math.round(first.handsOnSecondsPerModel * 0.3),
  },
  {
    id: 'R26',
    severity: 'wastes',
    where: 'touching',
    first: (facts) => kind(facts) === 'opaque' && facts.colours && !facts.whole && !facts.sprayed,
    then: (facts) => kind(facts) === 'opaque' && facts.colours && !facts.whole && !facts.sprayed,
    only: (first, then) =>
      (first.material?.opacity ?? 1) < thinFrom &&
      (then.material?.opacity ?? 0) >= hides &&
      first.lightness > then.lightness + 15 &&
      first.area >= then.area / 2 &&
      !sharesAny(first, then) &&
      !first.masked &&
      !then.masked &&
      !arePartners(first, then),
    isFinding: (_, then, { preferences, main }) =>
      !(preferences.mainColour === 'first' && onMain(then, main)) && !then.onBase,
    why: 'a slip of the thin colour is hidden by the strong one, a slip of the strong one shines through the thin',
    secondsAtStake: (first, then) => slipSeconds(first, then),
  },
  {
    id: 'R26',
    severity: 'your call',
    where: 'touching',
    first: (facts) =>
      facts.colours && !isMetal(facts) && !facts.whole && !facts.sprayed && facts.lightness > pale,
    then: (facts) =>
      kind(facts) === 'opaque' && facts.colours && !facts.whole && !facts.sprayed && facts.lightness < black,
    only: (first, then) =>
      (first.material?.opacity ?? 1) >= thinFrom && !sharesAny(first, then) && !first.masked && !then.masked,
    isOn: ({ lightBeforeDark }) => lightBeforeDark,
    isFinding: (_, then, { preferences, main }) =>
      !(preferences.mainColour === 'first' && onMain(then, main)) && !then.onBase,
    why: 'black hides the slips of its light neighbour in one dab; a slip of black on it takes several',
    secondsAtStake: (first, then) => slipSeconds(first, then),
  },
  {
    id: 'R28',
    severity: 'wastes',
    where: 'same region',
    first: (facts) => !isRim(facts) && (facts.onBase || facts.whole) && soils(facts),
    then: isRim,
    why: 'whatever else is done to the base soils its rim, which then has to be painted again',
    secondsAtStake: redoThen,
  },
]

/** Something opaque goes over all of `under` after `cover`: what was soiled there is hidden. */
function isRepainted(judged: Judged, cover: StepFacts, under: StepFacts): boolean {
  const above = later(judged, cover).filter((each) => each.covers)
  return under.regions.every((region) => above.some((each) => each.regions.includes(region)))
}

/** The regions of `under` lie under a mask when `cover` goes on. */
export function isMaskedAt(
  { inOrder }: Pick<Judged, 'inOrder'>,
  cover: StepFacts,
  under: StepFacts,
): boolean {
  const before = inOrder.slice(0, inOrder.indexOf(cover))
  return under.regions
    .filter((region) => cover.regions.includes(region))
    .every((region) => {
      const last = before.findLast(
        (each) => (technique(each) === 'mask' || technique(each) === 'peel') && each.regions.includes(region),
      )
      return last !== undefined && technique(last) === 'mask'
    })
}

function arePartners(a: StepFacts, b: StepFacts): boolean {
  return a.step.wetGroup !== null && a.step.wetGroup === b.step.wetGroup
}

/** Small things next to it, or with one part between them, that lie as deep or deeper: eyes behind a drip from the hood. */
function hangsBefore(drip: StepFacts, behind: StepFacts): boolean {
  const isFine = technique(behind) === 'detail' || behind.area < smallBehind
  if (!isFine || !meetOnAModel(drip, behind)) return false
  const near = new Set(drip.regions.flatMap((region) => [region.name, ...region.neighbours]))
  return behind.regions.every(
    ({ name, neighbours, depth }) =>
      drip.regions.some((region) => depth >= region.depth) &&
      (near.has(name) || neighbours.some((each) => near.has(each))),
  )
}

/** So small that it is done by the tip of the brush: share of the model, from memory. */
const smallBehind = 0.03

/** On the model itself, right behind a part that is glued on. */
function isBlockedBy(join: StepFacts, facts: StepFacts): boolean {
  const glued = join.regions.filter((region) => region.apart !== '')
  return facts.regions.every(
    (region) =>
      region.apart === '' &&
      region.depth > 0 &&
      glued.some((other) => region.neighbours.includes(other.name) && region.depth >= other.depth),
  )
}

function deepest(facts: StepFacts): number {
  return Math.max(...facts.regions.map((region) => region.depth))
}

function sharesAny(a: StepFacts, b: StepFacts): boolean {
  return a.regions.some((region) => b.regions.includes(region))
}

/** A question on which schools differ, as a cost of putting the one before the other. */
interface Preference {
  readonly applies: (
    preferences: Preferences,
    first: StepFacts,
    then: StepFacts,
    mainRegion: string,
  ) => boolean
  readonly why: string
}

const lays = (facts: StepFacts) => facts.colours && !facts.whole && !facts.onBase
const onMain = (facts: StepFacts, main: string) => facts.regions.some((region) => region.name === main)

/** Not rules: switches. They move the order a little, and nothing is reported about them. */
export const preferences: readonly Preference[] = [
  {
    applies: ({ mainColour }, first, then, main) =>
      mainColour === 'first' && lays(first) && lays(then) && onMain(first, main) && !onMain(then, main),
    why: 'the biggest area first, while nothing beside it can be soiled',
  },
  {
    applies: ({ mainColour }, first, then, main) =>
      mainColour === 'last' && lays(first) && lays(then) && onMain(then, main) && !onMain(first, main),
    why: 'the majority colour last covers the slips of the others',
  },
  {
    applies: ({ base }, first, then) => base === 'first' && first.onBase && !then.onBase && !then.whole,
    why: 'the mess of the base is painted over',
  },
  {
    applies: ({ base }, first, then) => base === 'last' && then.onBase && !first.onBase && !first.whole,
    why: 'nothing on the feet is soiled twice',
  },
]

/** What breaking a preference costs, a model; small beside a pot. */
export const preferenceSeconds = 3
