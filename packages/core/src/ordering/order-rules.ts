import type { Preferences } from '../recipe/recipe.ts'
import type { StepFacts } from '../recipe/step-facts.ts'
import type { OrderRule } from './rule.ts'

const redoFirst = (first: StepFacts) => first.handsOnSecondsPerModel
const redoThen = (_: StepFacts, then: StepFacts) => then.handsOnSecondsPerModel

/**
 * Chance of a slip over a border, and what it costs to mend: an opaque one takes a dab, a translucent one the
 * undercoat, its drying and the tint again. Common practice.
 */
const slipChance = 0.15
const slipSeconds = (slipped: StepFacts) => slipChance * (slipped.material?.kind === 'translucent' ? 120 : 25)

const kind = (facts: StepFacts) => facts.material?.kind
const wholeUnifier = (facts: StepFacts) =>
  facts.whole &&
  (facts.step.technique === 'dry brush' || (facts.step.technique === 'wash' && kind(facts) !== 'dip'))
const isMetal = (facts: StepFacts) => kind(facts) === 'metallic'
const isEffect = (facts: StepFacts) => kind(facts) === 'effect'
const isMatt = (facts: StepFacts) => kind(facts) === 'matt varnish'
const isPlant = (facts: StepFacts) => kind(facts) === 'tuft' || kind(facts) === 'flock'
const prepares = (facts: StepFacts) => facts.step.technique === 'prepare'
const primes = (facts: StepFacts) => kind(facts) === 'primer'

/** A coat over the whole model that hides or tints all that is there. */
const wholeCover = (facts: StepFacts) =>
  facts.whole && !primes(facts) && (facts.covers || facts.step.technique === 'dip')

/** The rules that say which of two steps comes first. Reasons: common practice. */
export const orderRules: readonly OrderRule[] = [
  {
    id: 'R02',
    severity: 'could be quicker',
    where: 'touching',
    first: (facts) => kind(facts) === 'translucent' && facts.colours && !facts.whole,
    then: (facts) => kind(facts) === 'translucent' && facts.colours && !facts.whole,
    only: (first, then) => first.lightness > then.lightness + 3,
    why: 'a dark translucent paint hides the slips of a light one, a light one hides none',
    secondsAtStake: (_, then) => slipSeconds(then),
  },
  {
    id: 'R04',
    severity: 'spoils',
    where: 'same model',
    first: wholeCover,
    then: (facts) => !facts.whole && (facts.colours || facts.refines || facts.step.technique === 'wash'),
    only: (first, then) => (first.step.technique === 'dip' ? then.refines && !then.colours : !then.onBase),
    why: 'a coat over the whole model covers careful work that is there already',
    secondsAtStake: redoThen,
  },
  {
    id: 'R04b',
    severity: 'wastes',
    where: 'same region',
    first: (facts) => facts.colours && !facts.whole && !isMetal(facts) && facts.area >= 0.15 && !facts.onBase,
    then: wholeUnifier,
    why: 'a wash or dry brush over everything pulls the colours together only once they are there',
    secondsAtStake: redoThen,
  },
  {
    id: 'R04b',
    severity: 'wastes',
    where: 'same region',
    first: wholeUnifier,
    then: (facts) => (isMetal(facts) && !facts.refines) || facts.step.technique === 'edge',
    why: 'a wash or dry brush over everything soils metal and dulls highlights that are there already',
    secondsAtStake: redoThen,
  },
  {
    id: 'R06',
    severity: 'spoils',
    where: 'same region',
    first: prepares,
    then: (facts) => !prepares(facts),
    why: 'release agent, mould lines and loose joints have to be dealt with before anything is put on',
    secondsAtStake: redoThen,
  },
  {
    id: 'R06',
    severity: 'spoils',
    where: 'same region',
    first: primes,
    then: (facts) => !prepares(facts) && !primes(facts),
    why: 'paint holds on primer, not on plastic',
    secondsAtStake: redoThen,
  },
  {
    id: 'R10',
    severity: 'spoils',
    where: 'same region',
    first: isMatt,
    then: isEffect,
    why: 'matt varnish kills the shine of wet and glowing effects',
    secondsAtStake: redoThen,
  },
  {
    id: 'R11',
    severity: 'wastes',
    where: 'same region',
    first: isMatt,
    then: (facts) => isMetal(facts) && (facts.step.technique === 'edge' || facts.step.technique === 'chip'),
    why: 'matt varnish dulls the last bright metal',
    secondsAtStake: redoThen,
  },
  {
    id: 'R12',
    severity: 'wastes',
    where: 'same region',
    first: (facts) => facts.varnish && facts.sprayed,
    then: (facts) => kind(facts) === 'pigment' && facts.step.mix.length === 1,
    why: 'the spray blows loose pigment off; fix it first, or put it on after',
    secondsAtStake: redoThen,
  },
  {
    id: 'R13',
    severity: 'could be quicker',
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
      facts.step.technique === 'dip' ||
      (facts.whole && facts.step.technique === 'wash' && kind(facts) === 'wash'),
    then: (facts) =>
      facts.step.technique === 'detail' ||
      facts.step.technique === 'pen' ||
      (isMetal(facts) && facts.colours),
    only: (_, then) => !then.onBase,
    why: 'a dip or all-over wash stains fine work that then has to be done again',
    secondsAtStake: redoThen,
  },
  {
    id: 'R21',
    severity: 'spoils',
    where: 'same region',
    first: (facts) => facts.step.technique === 'peel',
    then: (facts) => facts.varnish,
    why: 'a mask under varnish tears it when it is peeled',
    secondsAtStake: redoFirst,
  },
  {
    id: 'R21',
    severity: 'spoils',
    where: 'touching',
    first: (facts) => facts.step.technique === 'mask',
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
    why: 'spray drifts onto finished neighbours that are not masked',
    secondsAtStake: redoThen,
  },
  {
    id: 'R22',
    severity: 'could be quicker',
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
    first: (facts) => facts.colours && !facts.whole,
    then: (facts) => facts.colours && !facts.whole,
    only: (first, then) => deepest(first) > deepest(then) && !sharesAny(first, then),
    why: 'what lies deep cannot be reached cleanly past what is finished in front of it',
    secondsAtStake: (first) => Math.round(first.handsOnSecondsPerModel * 0.2),
  },
  {
    id: 'R23',
    severity: 'wastes',
    where: 'same region',
    first: (facts) => !facts.whole && facts.regions.some((region) => region.apart !== ''),
    then: (facts) => facts.step.technique === 'join',
    only: (first) => first.colours || first.refines || first.material?.kind === 'wash',
    why: 'what is joined can no longer be turned and reached from all sides',
    secondsAtStake: (first) => Math.round(first.handsOnSecondsPerModel * 0.3),
  },
]

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
