import { mixingPreset, setUpPresets } from '../presets/index.ts'
import {
  type Model,
  type Recipe,
  type Size,
  type Standard,
  standardReaches,
  type Step,
  takesStep,
  techniqueFacts,
} from '../trade/index.ts'
import { factsOf, shareRegion, type Shelf, type StepFacts } from '../recipe/index.ts'
import type { UnitId } from '../units/index.ts'
import { mainRegionOf } from './find-faults.ts'
import { orderRules, preferences, preferenceSeconds } from './order-rules.ts'
import type { SequenceProblem } from './sequence.ts'
import { ruleApplies } from './rule.ts'
import { workableTill } from './soft-work.ts'

/** A recipe with the models that are painted by it. */
export interface OrderedRecipe {
  readonly recipe: Recipe
  readonly units: readonly FollowingUnit[]
}

/** A unit painted by a recipe. */
export interface FollowingUnit {
  readonly unitId: UnitId
  readonly name: string
  readonly standard: Standard
  readonly size: Size
  readonly models: readonly Pick<Model, 'role' | 'variants'>[]
}

/** Whether a step is for a model of the unit: by its standard, and by role or variant. */
function isForModel(
  step: Pick<Step, 'standard' | 'roles'>,
  unit: Pick<FollowingUnit, 'standard'>,
  model: FollowingUnit['models'][number],
): boolean {
  return standardReaches(step.standard, unit.standard) && takesStep(step, model)
}

/** How many of a recipe's models take at least one of the steps. */
export function modelsTaking(
  steps: readonly Pick<Step, 'standard' | 'roles'>[],
  units: readonly FollowingUnit[],
): number {
  return units.reduce(
    (sum, unit) =>
      sum + unit.models.filter((model) => steps.some((step) => isForModel(step, unit, model))).length,
    0,
  )
}

/** What the painter wants most of the order. */
export type OrderWeight = 'fewest pots' | 'least clean-up' | 'soonest table-ready'

export const orderWeights: readonly OrderWeight[] = ['fewest pots', 'least clean-up', 'soonest table-ready']

/** What cannot be torn apart: a step of a recipe, wet-in-wet partners, or what is wiped while it is soft. */
export interface Piece {
  readonly source: OrderedRecipe
  readonly steps: readonly StepFacts[]
  /** Pieces with the same key need no new pot and no other tool. */
  readonly key: string
  /** How many take one of its steps. */
  readonly models: number
  /** Seconds of hands-on work, all models together. */
  readonly workSeconds: number
  readonly optional: boolean
}

export interface PieceProblem {
  readonly pieces: readonly Piece[]
  readonly sequence: SequenceProblem
}

const factors: Readonly<Record<OrderWeight, { pots: number; cleanUp: number; ready: number }>> = {
  'fewest pots': { pots: 3, cleanUp: 1, ready: 0 },
  'least clean-up': { pots: 1, cleanUp: 3, ready: 0 },
  'soonest table-ready': { pots: 1, cleanUp: 1, ready: 1 },
}

/** To open, shake, mix and close again, for steps taken together: common practice. */
export function openSeconds(steps: readonly StepFacts[]): number {
  const [first] = steps
  if (!first || first.step.mix.length === 0) return 0
  const open = setUpPresets[first.tool].open * 60
  if (first.tool === 'can' || first.tool === 'pen') return open
  const pots = new Set(steps.flatMap((each) => each.step.mix.map((part) => part.materialId)))
  const mixes = new Set(steps.filter(({ step }) => step.mix.length > 1).map(keyOf))
  return open * pots.size + mixingPreset.minutes * 60 * mixes.size
}

export function modelsOf({ units }: OrderedRecipe): readonly FollowingUnit['models'][number][] {
  return units.flatMap((unit) => unit.models)
}

/** The recipe without the steps that none of its units takes: what is kept for a better standard spoils nothing here. */
export function asTaken({ recipe, units }: OrderedRecipe): Recipe {
  if (units.length === 0) return recipe
  return { ...recipe, steps: recipe.steps.filter((step) => modelsTaking([step], units) > 0) }
}

/** The problem of the order, and what its numbers stand for. Input order changes nothing. */
export function piecesOf(
  sources: readonly OrderedRecipe[],
  shelf: Shelf,
  weight: OrderWeight,
  tableReady: Standard,
): PieceProblem {
  const sorted = [...sources].sort((a, b) => (a.recipe.id < b.recipe.id ? -1 : 1))
  const groups = sorted.map((source) => piecesOfRecipe(source, shelf, tableReady))
  const pieces = groups.flat()
  const keys = [...new Set(pieces.map((piece) => piece.key))]
  const tools = [...new Set(pieces.map(toolOf))]
  const { pots, cleanUp, ready } = factors[weight]
  const required = Math.max(1, pieces.filter((piece) => !piece.optional).length)

  const before: [number, number][] = []
  const regrets: [number, number, number][] = []
  let offset = 0
  for (const group of groups) {
    const links = linksWithin(group)
    for (const [a, b] of links.before) before.push([offset + a, offset + b])
    for (const [a, b, seconds] of links.regrets) regrets.push([offset + a, offset + b, seconds * cleanUp])
    offset += group.length
  }
  if (ready > 0) {
    pieces.forEach((piece, a) => {
      if (!piece.optional) return
      pieces.forEach((other, b) => {
        if (!other.optional) regrets.push([a, b, (ready * piece.workSeconds) / required])
      })
    })
  }
  const openOf = new Map(pieces.map((piece) => [piece.key, openSeconds(piece.steps) * pots]))
  return {
    pieces,
    sequence: {
      size: pieces.length,
      key: pieces.map((piece) => keys.indexOf(piece.key)),
      openSeconds: keys.map((key) => openOf.get(key) ?? 0),
      tool: pieces.map((piece) => tools.indexOf(toolOf(piece))),
      toolSeconds: tools.map((tool) => setUpPresets[tool].change * 60),
      before,
      regrets,
    },
  }
}

function toolOf(piece: Piece) {
  return piece.steps[0]?.tool ?? 'none'
}

function piecesOfRecipe(source: OrderedRecipe, shelf: Shelf, tableReady: Standard): readonly Piece[] {
  const facts = factsOf(source.recipe, shelf, modelsOf(source))
  const pieces: Piece[] = []
  const done = new Set<StepFacts>()
  for (const each of facts) {
    if (done.has(each)) continue
    const group = softWith(facts, wetPartners(facts, each))
    for (const partner of group) done.add(partner)
    const taken = group.filter(({ step }) => modelsTaking([step], source.units) > 0)
    if (taken.length === 0) continue
    pieces.push({
      source,
      steps: taken,
      key: taken.map(keyOf).join('+'),
      models: modelsTaking(
        taken.map(({ step }) => step),
        source.units,
      ),
      workSeconds: taken.reduce(
        (sum, { step, handsOnSecondsPerModel }) =>
          sum + handsOnSecondsPerModel * modelsTaking([step], source.units),
        0,
      ),
      optional: taken.every(({ step }) => !standardReaches(step.standard, tableReady)),
    })
  }
  return pieces
}

/** The step and its wet-in-wet partners, unless another layer has to come between them. */
function wetPartners(facts: readonly StepFacts[], first: StepFacts): readonly StepFacts[] {
  const { wetGroup } = first.step
  if (wetGroup === null) return [first]
  const partners = facts.filter((each) => each.step.wetGroup === wetGroup)
  const last = partners.at(-1) ?? first
  const torn = facts
    .slice(first.index, last.index)
    .some((each) => each.step.wetGroup !== wetGroup && partners.some((partner) => shareRegion(partner, each)))
  return torn ? [first] : partners
}

/** What is worked while it is soft, with its wipe or what is strewn into it, unless another layer has to come between them. */
function softWith(facts: readonly StepFacts[], group: readonly StepFacts[]): readonly StepFacts[] {
  const [soft] = group
  if (group.length !== 1 || !soft) return group
  const next = facts.slice(soft.index + 1).find((each) => shareRegion(soft, each))
  return next && workableTill(soft, next) ? [soft, next] : group
}

function keyOf(facts: StepFacts): string {
  const { mix, technique } = facts.step
  const total = mix.reduce((sum, part) => sum + part.parts, 0) || 1
  const paint = mix
    .map((part) => `${part.materialId}:${(part.parts / total).toFixed(3)}`)
    .sort()
    .join('/')
  const how = facts.sprayed || techniqueFacts[technique].tool === 'hand' ? technique : ''
  return `${paint}|${facts.tool}|${how}`
}

/** Stacks and hard rules as "before", everything softer as what it costs to put `a` before `b`. */
function linksWithin(pieces: readonly Piece[]) {
  const size = pieces.length
  const reach = Array.from({ length: size }, () => new Uint8Array(size))
  const before: [number, number][] = []
  const link = (a: number, b: number): void => {
    before.push([a, b])
    if (reach[a]?.[b]) return
    for (let from = 0; from < size; from++) {
      if (from !== a && !reach[from]?.[a]) continue
      for (let to = 0; to < size; to++) {
        const row = reach[from]
        if (row && (to === b || reach[b]?.[to])) row[to] = 1
      }
    }
  }
  for (let b = 0; b < size; b++) {
    for (let a = 0; a < b; a++) if (overlap(pieces[a], pieces[b])) link(a, b)
  }
  const regrets: [number, number, number][] = []
  for (let a = 0; a < size; a++) {
    for (let b = 0; b < size; b++) {
      if (a === b || reach[a]?.[b] || reach[b]?.[a]) continue
      const wanted = wish(pieces[a], pieces[b])
      if (wanted === 'hard') link(a, b)
      else if (wanted > 0) regrets.push([b, a, wanted])
    }
  }
  // A wish that stacks and hard rules decide anyway costs nothing either way.
  return { before, regrets: regrets.filter(([a, b]) => !reach[a]?.[b] && !reach[b]?.[a]) }
}

function overlap(a: Piece | undefined, b: Piece | undefined): boolean {
  return a?.steps.some((each) => b?.steps.some((other) => shareRegion(each, other))) ?? false
}

/** How much it matters that `first` comes before `then`: seconds for all its models, or a hard rule. */
function wish(first: Piece | undefined, then: Piece | undefined): number | 'hard' {
  if (!first || !then) return 0
  const { recipe } = first.source
  const silenced = new Set(recipe.silenced.map((each) => each.rule))
  const main = mainRegionOf(recipe)
  let seconds = 0
  for (const a of first.steps) {
    for (const b of then.steps) {
      for (const rule of orderRules) {
        if (silenced.has(rule.id) || !ruleApplies(rule, a, b) || ruleApplies(rule, b, a)) continue
        if (rule.isOn && !rule.isOn(recipe.preferences)) continue
        if (rule.severity === 'spoils') return 'hard'
        seconds += rule.secondsAtStake(a, b) * Math.min(first.models, then.models)
      }
      for (const preference of preferences) {
        if (preference.applies(recipe.preferences, a, b, main)) seconds += preferenceSeconds * first.models
      }
    }
  }
  return seconds
}
