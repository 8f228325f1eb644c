import { type Model, type Recipe, type RuleId, ruleIds } from '../trade/index.ts'
import { factsOf, shareRegion, type Shelf, type StepFacts, stepText } from '../recipe/index.ts'
import type { StepId } from '../units/index.ts'
import { applyMend, mendOrder } from './mend.ts'
import { orderRules } from './order-rules.ts'
import { recipeRules, type JudgedRecipe } from './recipe-rules.ts'
import { ruleApplies, type Finding, type Mend, type Severity } from './rule.ts'
import type { Fault } from './stack-rule.ts'
import { stackRules } from './stack-rules.ts'

const gravest: readonly Severity[] = ['spoils', 'wastes', 'your call']

interface FaultsAsked {
  /** In which the steps are really to be done; without it only the stacks speak: of two steps that share no region neither comes first. */
  readonly order?: readonly StepId[] | undefined
  /** The models painted by the recipe. */
  readonly models?: readonly Pick<Model, 'role' | 'variants'>[] | undefined
}

/** A finding before it is settled which of its mends is offered. */
export interface Found extends Omit<Finding, 'mend'> {
  readonly mends: readonly Mend[]
}

/**
 * What is wrong with a recipe, the gravest first; of what comes from one slip, what names its cause first. A mend is
 * offered only if it leaves less to find and nothing graver, so that mending ends.
 */
export function findFaults(recipe: Recipe, shelf: Shelf, asked: FaultsAsked = {}): readonly Finding[] {
  const found = faultsOf(recipe, shelf, asked)
  const before = weigh(found)
  return found.map(({ mends, ...finding }) => ({
    ...finding,
    mend: mends.find((mend) => isLess(weigh(faultsAfter(recipe, shelf, asked, mend)), before)) ?? null,
  }))
}

/** How many of each severity, the gravest first. */
type Weight = readonly number[]

export function weigh(found: readonly Pick<Finding, 'severity'>[]): Weight {
  return gravest.map((severity) => found.filter((each) => each.severity === severity).length)
}

/** Fewer of the gravest that differ. */
export function isLess(a: Weight, b: Weight): boolean {
  const place = a.findIndex((count, index) => count !== b[index])
  return place >= 0 && (a[place] ?? 0) < (b[place] ?? 0)
}

function faultsAfter(recipe: Recipe, shelf: Shelf, asked: FaultsAsked, mend: Mend): readonly Found[] {
  const mended = mendedRecipe(recipe, asked.order, mend)
  return faultsOf(mended.recipe, shelf, { ...asked, order: mended.order })
}

/** With an order, a move changes that; everything else changes the recipe, and the order along with it. */
export function mendedRecipe(
  recipe: Recipe,
  order: readonly StepId[] | undefined,
  mend: Mend,
  newId: () => string = () => 'a new step',
): { readonly recipe: Recipe; readonly order: readonly StepId[] | undefined } {
  if (order && mend.kind === 'move') return { recipe, order: mendOrder(order, mend) }
  const mended = applyMend(recipe, mend, newId)
  return { recipe: mended, order: order && orderAfter(order, recipe, mended, mend) }
}

function orderAfter(order: readonly StepId[], before: Recipe, after: Recipe, mend: Mend): readonly StepId[] {
  const known = new Set(before.steps.map((step) => step.id))
  const left = new Set(after.steps.map((step) => step.id))
  const kept = order.filter((id) => left.has(id))
  const fresh = after.steps.filter((step) => !known.has(step.id)).map((step) => step.id)
  const place = mend.kind === 'insert' && mend.before !== null ? kept.indexOf(mend.before) : kept.length
  return place < 0 ? [...kept, ...fresh] : kept.toSpliced(place, 0, ...fresh)
}

/** All that is wrong, with the mends that might help. */
export function faultsOf(recipe: Recipe, shelf: Shelf, { order, models }: FaultsAsked): readonly Found[] {
  const facts = factsOf(recipe, shelf, models)
  const byId = new Map(facts.map((each) => [each.step.id, each]))
  const inOrder = order ? order.flatMap((id) => byId.get(id) ?? []) : facts
  const judged: JudgedRecipe = {
    recipe,
    shelf,
    inOrder,
    isOrdered: order ? () => true : shareRegion,
    preferences: recipe.preferences,
    main: mainRegionOf(recipe),
  }
  const silenced = new Set<RuleId>(recipe.silenced.map((each) => each.rule))
  const found = [
    ...(order ? brokenStacks(facts, inOrder) : []),
    ...brokenOrderRules(judged),
    ...brokenStackRules(judged),
    ...recipeRules.flatMap((rule) => rule.check(judged).map((fault) => foundBy(rule, fault))),
  ].filter((finding) => !silenced.has(finding.rule))
  return byCause(onceAPair(found))
}

function foundBy(
  { id, severity }: { readonly id: RuleId; readonly severity: Severity },
  fault: Fault,
): Found {
  return {
    rule: id,
    severity: fault.severity ?? severity,
    stepIds: fault.layers.map((layer) => layer.step.id),
    reason: fault.reason,
    secondsAtStake: Math.round(fault.secondsAtStake),
    mends: fault.mends.filter((mend) => mend !== null),
  }
}

export function mainRegionOf({ regions }: Pick<Recipe, 'regions'>): string {
  const main = regions.filter((region) => region.finish !== 'base' && region.finish !== 'metal')
  return main.reduce((a, b) => (b.areaShare > a.areaShare ? b : a), main[0] ?? { name: '', areaShare: 0 })
    .name
}

/** The gravest first. */
export function byGravity(
  a: Pick<Finding, 'severity' | 'secondsAtStake' | 'rule'>,
  b: Pick<Finding, 'severity' | 'secondsAtStake' | 'rule'>,
): number {
  return (
    gravest.indexOf(a.severity) - gravest.indexOf(b.severity) ||
    b.secondsAtStake - a.secondsAtStake ||
    (a.rule < b.rule ? -1 : a.rule > b.rule ? 1 : 0)
  )
}

/** From what names the cause to what only says that something is covered. */
const causes: readonly RuleId[] = [
  ...ruleIds.filter((id) => !['R17', 'R18', 'R16', 'R04b', 'R04', 'R01', 'R02', 'R23', 'R26'].includes(id)),
  ...(['R18', 'R16', 'R04b', 'R17', 'R26', 'R23', 'R02', 'R04', 'R01'] as const),
]

/** The gravest first; of those that share a step and weigh the same, the one that names the cause. */
function byCause(found: readonly Found[]): readonly Found[] {
  const sorted = [...found].sort(byGravity)
  const rows: Found[][] = []
  for (const each of sorted) {
    const own = rows.find((row) =>
      row.some(
        (other) =>
          other.severity === each.severity && other.stepIds.some((step) => each.stepIds.includes(step)),
      ),
    )
    if (own) own.push(each)
    else rows.push([each])
  }
  return rows.flatMap((row) => row.sort((a, b) => causes.indexOf(a.rule) - causes.indexOf(b.rule)))
}

/** Two steps that break several rules at once are named once: with the gravest, and of those with the cause. */
function onceAPair(found: readonly Found[]): readonly Found[] {
  const sorted = [...found].sort(
    (a, b) =>
      gravest.indexOf(a.severity) - gravest.indexOf(b.severity) ||
      causes.indexOf(a.rule) - causes.indexOf(b.rule),
  )
  const pairs = new Set<string>()
  return sorted.filter(({ stepIds }) => {
    const pair = [...stepIds].sort().join()
    const isNew = stepIds.length < 2 || !pairs.has(pair)
    pairs.add(pair)
    return isNew
  })
}

/** R01: a lower layer that goes on after its upper one. */
function brokenStacks(facts: readonly StepFacts[], inOrder: readonly StepFacts[]): readonly Found[] {
  const place = new Map(inOrder.map((each, index) => [each.step.id, index]))
  const placeOf = (each: StepFacts) => place.get(each.step.id)
  return facts.flatMap((lower, index) =>
    facts.slice(index + 1).flatMap((upper): Found[] => {
      const [low, up] = [placeOf(lower), placeOf(upper)]
      if (low === undefined || up === undefined || low < up || !shareRegion(lower, upper)) return []
      return [
        {
          rule: 'R01',
          severity: 'spoils',
          stepIds: [lower.step.id, upper.step.id],
          reason: `The ${stepText(lower)} lies under the ${stepText(upper)}; done after it, it covers it.`,
          secondsAtStake: upper.handsOnSecondsPerModel,
          mends: [{ kind: 'move', stepId: lower.step.id, before: upper.step.id }],
        },
      ]
    }),
  )
}

function brokenOrderRules(judged: JudgedRecipe): readonly Found[] {
  const { inOrder, preferences, isOrdered } = judged
  const placed = inOrder.map((each, place) => ({ each, place }))
  return orderRules.flatMap((rule) => {
    if (rule.isOn && !rule.isOn(preferences)) return []
    const firsts = placed.filter(({ each }) => rule.first(each))
    const thens = placed.filter(({ each }) => rule.then(each))
    return firsts.flatMap(({ each: later, place }) =>
      thens.flatMap(({ each: earlier, place: before }): Found[] => {
        // Both ways at once is no order at all.
        const isBroken =
          before < place &&
          isOrdered(earlier, later) &&
          ruleApplies(rule, later, earlier) &&
          !ruleApplies(rule, earlier, later) &&
          (rule.isFinding?.(later, earlier, judged) ?? true)
        if (!isBroken) return []
        return [
          {
            rule: rule.id,
            severity: rule.severity,
            stepIds: [later.step.id, earlier.step.id],
            reason: `The ${stepText(later)} goes before the ${stepText(earlier)}: ${rule.why}.`,
            secondsAtStake: Math.round(rule.secondsAtStake(later, earlier)),
            mends: movesBefore(inOrder, later, earlier),
          },
        ]
      }),
    )
  })
}

/** The one before the other, or the other after it: what lies between may speak against either. */
function movesBefore(inOrder: readonly StepFacts[], later: StepFacts, earlier: StepFacts): readonly Mend[] {
  const next = inOrder[inOrder.indexOf(later) + 1]
  const moves: readonly Mend[] = [
    { kind: 'move', stepId: later.step.id, before: earlier.step.id },
    { kind: 'move', stepId: earlier.step.id, before: next?.step.id ?? null },
  ]
  if (!later.whole) return moves
  const except = [...later.step.except, ...earlier.regions.map((region) => region.name)]
  return [...moves, { kind: 'change', stepId: later.step.id, change: { on: 'whole', except } }]
}

function brokenStackRules({ recipe, shelf, inOrder, main }: JudgedRecipe): readonly Found[] {
  const found = new Map<string, Found>()
  const materials = [...shelf.values()]
  const firstPaint = inOrder.find(
    (each) =>
      each.material !== null &&
      !['primer', 'texture paste', 'glue', 'grit', 'mask', 'medium'].includes(each.material.kind),
  )
  const stacks = recipe.regions.flatMap((region) => {
    const all = inOrder.filter((each) => each.regions.some(({ name }) => name === region.name))
    return stacksOfModels(all).map((layers) => ({ region, layers }))
  })
  for (const { region, layers } of stacks) {
    for (const rule of stackRules) {
      const isMain = region.name === main
      for (const fault of rule.check({ region: region.name, isMain, layers, shelf: materials, firstPaint })) {
        const each = foundBy(rule, fault)
        // A coat over several regions is reported once.
        const key = [rule.id, ...each.stepIds].join()
        if (!found.has(key)) found.set(key, each)
      }
    }
  }
  return [...found.values()]
}

/** The layers as single models get them: without those of other roles. */
function stacksOfModels(layers: readonly StepFacts[]): readonly (readonly StepFacts[])[] {
  const limited = layers.filter((each) => each.takers !== null)
  if (limited.length === 0) return [layers]
  const stacks = new Map<string, readonly StepFacts[]>()
  const all = layers.filter((each) => each.takers === null)
  stacks.set(all.map((each) => each.index).join(), all)
  for (const model of new Set(limited.flatMap((each) => [...(each.takers ?? [])]))) {
    const own = layers.filter((each) => each.takers === null || each.takers.has(model))
    stacks.set(own.map((each) => each.index).join(), own)
  }
  return [...stacks.values()]
}
