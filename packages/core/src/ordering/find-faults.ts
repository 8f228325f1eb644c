import type { Model } from '../project/project.ts'
import { plainStep, type Recipe } from '../recipe/recipe.ts'
import type { RuleId } from '../recipe/rule-id.ts'
import { factsOf, shareRegion, stepText, type Shelf, type StepFacts } from '../recipe/step-facts.ts'
import type { StepId } from '../units/ids.ts'
import { orderRules } from './order-rules.ts'
import { ruleApplies, type Finding, type Severity } from './rule.ts'
import { stackRules } from './stack-rules.ts'

const gravest: readonly Severity[] = ['spoils', 'wastes', 'could be quicker']

interface FaultsAsked {
  /** In which the steps are really to be done; without it only the stacks speak: of two steps that share no region neither comes first. */
  readonly order?: readonly StepId[] | undefined
  /** The models painted by the recipe. */
  readonly models?: readonly Pick<Model, 'role' | 'variants'>[]
}

/** What is wrong with a recipe, the gravest first. */
export function findFaults(
  recipe: Recipe,
  shelf: Shelf,
  { order, models }: FaultsAsked = {},
): readonly Finding[] {
  const facts = factsOf(recipe, shelf, models)
  const byId = new Map(facts.map((each) => [each.step.id, each]))
  const inOrder = order ? order.flatMap((id) => byId.get(id) ?? []) : facts
  const isOrdered = order ? () => true : shareRegion
  const silenced = new Set<RuleId>(recipe.silenced.map((each) => each.rule))
  return [
    ...(order ? brokenStacks(facts, inOrder) : []),
    ...brokenOrderRules(inOrder, isOrdered),
    ...brokenStackRules(recipe, shelf, inOrder),
    ...neverJoined(recipe, facts, shelf),
    ...openedTwice(facts),
    ...tornGroups(inOrder, isOrdered),
  ]
    .filter((finding) => !silenced.has(finding.rule))
    .sort(byGravity)
}

/** The gravest first. */
export function byGravity(a: Finding, b: Finding): number {
  return (
    gravest.indexOf(a.severity) - gravest.indexOf(b.severity) ||
    b.secondsAtStake - a.secondsAtStake ||
    (a.rule < b.rule ? -1 : a.rule > b.rule ? 1 : 0)
  )
}

/** R01: a lower layer that goes on after its upper one. */
function brokenStacks(facts: readonly StepFacts[], inOrder: readonly StepFacts[]): readonly Finding[] {
  const place = new Map(inOrder.map((each, index) => [each.step.id, index]))
  const placeOf = (each: StepFacts) => place.get(each.step.id)
  return facts.flatMap((lower, index) =>
    facts.slice(index + 1).flatMap((upper): Finding[] => {
      const [low, up] = [placeOf(lower), placeOf(upper)]
      if (low === undefined || up === undefined || low < up || !shareRegion(lower, upper)) return []
      return [
        {
          rule: 'R01',
          severity: 'spoils',
          stepIds: [lower.step.id, upper.step.id],
          reason: `The ${stepText(lower)} lies under the ${stepText(upper)}; done after it, it covers it.`,
          secondsAtStake: upper.handsOnSecondsPerModel,
          mend: { kind: 'move', stepId: lower.step.id, before: upper.step.id },
        },
      ]
    }),
  )
}

function brokenOrderRules(
  inOrder: readonly StepFacts[],
  isOrdered: (a: StepFacts, b: StepFacts) => boolean,
): readonly Finding[] {
  return orderRules.flatMap((rule) => {
    const firsts = inOrder.map((each, place) => ({ each, place })).filter(({ each }) => rule.first(each))
    const thens = inOrder.map((each, place) => ({ each, place })).filter(({ each }) => rule.then(each))
    return firsts.flatMap(({ each: later, place }) =>
      thens.flatMap(({ each: earlier, place: before }): Finding[] => {
        // Both ways at once is no order at all.
        const isBroken =
          before < place &&
          isOrdered(earlier, later) &&
          ruleApplies(rule, later, earlier) &&
          !ruleApplies(rule, earlier, later)
        if (!isBroken) return []
        return [
          {
            rule: rule.id,
            severity: rule.severity,
            stepIds: [later.step.id, earlier.step.id],
            reason: `The ${stepText(later)} goes before the ${stepText(earlier)}: ${rule.why}.`,
            secondsAtStake: Math.round(rule.secondsAtStake(later, earlier)),
            mend: { kind: 'move', stepId: later.step.id, before: earlier.step.id },
          },
        ]
      }),
    )
  })
}

function brokenStackRules(recipe: Recipe, shelf: Shelf, inOrder: readonly StepFacts[]): readonly Finding[] {
  const found = new Map<string, Finding>()
  const stacks = recipe.regions.flatMap((region) => {
    const all = inOrder.filter((each) => each.regions.some(({ name }) => name === region.name))
    return stacksOfModels(all).map((layers) => ({ region, layers }))
  })
  for (const { region, layers } of stacks) {
    for (const rule of stackRules) {
      for (const fault of rule.check({ region: region.name, layers, shelf: shelf.values() })) {
        const stepIds = fault.layers.map((layer) => layer.step.id)
        // A coat over several regions is reported once.
        const key = [rule.id, ...stepIds].join()
        if (found.has(key)) continue
        found.set(key, {
          rule: rule.id,
          severity: rule.severity,
          stepIds,
          reason: fault.reason,
          secondsAtStake: Math.round(fault.secondsAtStake),
          mend: fault.mend,
        })
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

/** R23: painted apart, but no step joins it. */
function neverJoined(recipe: Recipe, facts: readonly StepFacts[], shelf: Shelf): readonly Finding[] {
  const apart = [...new Set(recipe.regions.map((region) => region.apart))].filter((name) => name !== '')
  const joined = facts
    .filter((each) => each.step.technique === 'join')
    .flatMap((each) => each.regions.map((region) => region.apart))
  const glue = [...shelf.values()].find((material) => material.kind === 'glue' && material.carrier === 'dry')
  const varnish = facts.at(-1)?.varnish ? facts.at(-1) : undefined
  return apart
    .filter((name) => !joined.includes(name))
    .map((name) => ({
      rule: 'R23',
      severity: 'wastes',
      stepIds: [],
      reason: `The ${name} is painted apart, and no layer joins it to the model.`,
      secondsAtStake: 60,
      mend: {
        kind: 'insert',
        before: varnish?.step.id ?? null,
        step: {
          ...plainStep,
          on: 'whole',
          technique: 'join',
          mix: glue ? [{ materialId: glue.id, parts: 1 }] : [],
        },
      },
    }))
}

/** R18: the same wash written down twice, where nothing keeps the two apart. */
function openedTwice(facts: readonly StepFacts[]): readonly Finding[] {
  return facts.flatMap((first, index) =>
    facts.slice(index + 1).flatMap((second): Finding[] => {
      const same =
        first.material?.kind === 'wash' &&
        first.material.id === second.material?.id &&
        first.step.technique === second.step.technique &&
        first.step.roles.join() === second.step.roles.join()
      if (!same || shareRegion(first, second) || reaches(facts, first, second)) return []
      return [
        {
          rule: 'R18',
          severity: 'wastes',
          stepIds: [first.step.id, second.step.id],
          reason: `The ${first.material.name} is opened twice, though the ${stepText(second)} could go with the ${stepText(first)}.`,
          secondsAtStake: Math.round(second.handsOnSecondsPerModel * 0.1) + 20,
          mend: { kind: 'join', stepIds: [first.step.id, second.step.id] },
        },
      ]
    }),
  )
}

/** Whether stacks force `to` above `from`. */
function reaches(facts: readonly StepFacts[], from: StepFacts, to: StepFacts): boolean {
  const above = new Set<StepFacts>([from])
  for (const each of facts.slice(from.index + 1, to.index + 1)) {
    if ([...above].some((lower) => shareRegion(lower, each))) above.add(each)
  }
  return above.has(to)
}

/** R25: something comes between wet-in-wet partners. */
function tornGroups(
  inOrder: readonly StepFacts[],
  isOrdered: (a: StepFacts, b: StepFacts) => boolean,
): readonly Finding[] {
  const names = new Set(inOrder.flatMap((each) => each.step.wetGroup ?? []))
  return [...names].flatMap((name): Finding[] => {
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
        rule: 'R25',
        severity: 'spoils',
        stepIds: [partner.step.id, intruder.step.id],
        reason: `The ${stepText(intruder)} comes between wet-in-wet partners: once the first is dry they no longer blend.`,
        secondsAtStake: partner.handsOnSecondsPerModel,
        mend: { kind: 'move', stepId: partner.step.id, before: intruder.step.id },
      },
    ]
  })
}
