import type { Aim } from '../trade/index.ts'
import { seededRandom } from '../units/index.ts'
import { beam } from './beam.ts'
import { dispatcher, perturbBias, randomBias, type RuleBias, ruleOf, rulesFor } from './dispatch.ts'
import { batchByBatch, stageByStage, stageByStageInGroups } from './habits.ts'
import { fillGaps } from './fill-gaps.ts'
import { improve, type Walk } from './improve.ts'
import { isChain, type PlanCost, type PlanInstance } from './instance.ts'
import type { SplitPolicy } from './place-finder.ts'
import { createScheduleBuilder, type ScheduleBuilder } from './schedule-builder.ts'
import type { EarlierPlaces } from './take-stretch.ts'
import { buildSchedule, inFull, recorder, type TaskSequence } from './task-sequence.ts'
import { orderOfAims, type PlanOrder } from './weigh-plan.ts'

export interface SearchBudget {
  readonly seed: number
  /** Sequences tried beyond the built ones: the same answer on every machine. */
  readonly evaluations: number
  /** The share of the time that is used up, asked now and then; from 1 on the search ends with the best so far. */
  readonly spent?: () => number
}

export interface SearchResult {
  readonly sequence: TaskSequence
  readonly policy: SplitPolicy
  readonly cost: PlanCost
}

/** What was planned before: the order of it, and where it had the tasks. */
export interface KeptPlan {
  readonly sequence: TaskSequence
  readonly places: EarlierPlaces
}

const policies: readonly SplitPolicy[] = ['fill', 'whole']
const dateFirst: readonly Aim[] = ['date']

/** So many seconds, or such a share, a new plan has to save for the one before it to be given up. */
const worthwhile = { seconds: 600, share: 0.01 }

/**
 * Searches the sequences of an instance by one method, whatever its shape: sequences built by habit and by rule, then walks by
 * small changes; several short ones from the best of them, the best of these gone on with, and the best of all polished. Both
 * hand habits are among those built, so the answer is never worse than either. With a plan to keep, what was planned before
 * something happened, it starts from that one and stays with it unless another is really better.
 * @param known a sequence that was found before, to be among those it starts from.
 */
export function searchPlan(
  instance: PlanInstance,
  budget: SearchBudget,
  aims: readonly Aim[] = dateFirst,
  keep: KeptPlan | null = null,
  known: TaskSequence | null = null,
): SearchResult {
  const builder = createScheduleBuilder(instance, undefined, keep?.places)
  const order = orderOfAims(aims, instance)
  const isBetter = (a: SearchResult, b: SearchResult) => order.compare(a.cost, b.cost) < 0
  const built = builtSequences(builder, keep?.sequence ?? null, budget)
  if (known) built.push(...policies.map((policy) => asLaid(builder, known, policy)))
  if (built.every((each) => !Number.isFinite(each.cost.finish))) built.push(...byChance(builder, budget))
  const starts = built.toSorted((a, b) => order.compare(a.cost, b.cost))
  const [first] = starts
  if (!first) return { sequence: [], policy: 'fill', cost: buildSchedule(builder, [], 'fill') }
  if (budget.evaluations === 0 || first.sequence.length < 2 || !Number.isFinite(first.cost.finish))
    return first
  if (!keep) return searchedAnew(builder, order, [first, ...starts.slice(1)], aims, budget)
  const kept = built.slice(0, policies.length).reduce((a, b) => (isBetter(b, a) ? b : a))
  const found = [
    repaired(builder, order, kept, part(budget, 0, repairShare)),
    searchedAnew(builder, order, [first, ...starts.slice(1)], aims, part(budget, repairShare, 1)),
  ].reduce((a, b) => (isBetter(b, a) ? b : a))
  return isWorthwhile(kept.cost, found.cost) ? found : kept
}

/** A plan that is kept is repaired first; what is left goes to whatever else may have become better. */
const repairShare = 0.5

/** Small steps from the plan that was kept. */
function repaired(
  builder: ScheduleBuilder,
  order: PlanOrder,
  kept: SearchResult,
  budget: SearchBudget,
): SearchResult {
  if (!Number.isFinite(kept.cost.finish)) return kept
  const walked = improve(builder, order, kept, budget, { warmth: 0.05, polish: 0.3 })
  return fillGaps(builder, walked, Math.floor(budget.evaluations * filled))
}

/** @param starts sequences that were built, the best first. */
function searchedAnew(
  builder: ScheduleBuilder,
  order: PlanOrder,
  starts: readonly [SearchResult, ...SearchResult[]],
  aims: readonly Aim[],
  budget: SearchBudget,
): SearchResult {
  const [first] = starts
  const tasks = first.sequence.length
  const isBetter = (a: SearchResult, b: SearchResult) => order.compare(a.cost, b.cost) < 0
  const inOrder = builder.compiled.instance.batches.every(isChain)
  const byLevels = aims[0] === 'date' && tasks <= beamTasks
  const opening = tasks > longTasks ? biasedShare : byLevels ? beamShare[inOrder ? 'inOrder' : 'free'] : 0
  const opened = part(budget, 0, opening)
  const more: SearchResult[] = []
  if (tasks > longTasks) more.push(...biased(builder, order, first, opened))
  else if (opening > 0) {
    const whole = (sequence: TaskSequence) => asLaid(builder, sequence, 'whole')
    // What is known already need not be built again: the better it is, the less is left to see.
    const walked = improve(builder, order, first, part(opened, 0, 0.15), { warmth: 0.5, polish: 0.2 })
    const known = isBetter(walked, first) ? walked : first
    more.push(beam(builder, known, isBetter, whole, part(opened, 0.15, 1)))
  }
  const [best = first, ...others] = [...more, ...starts]
  const found = walks(builder, order, [best, ...others], part(budget, opening, 1))
  return fillGaps(builder, found, Math.floor(budget.evaluations * filled))
}

/** Of few tasks most sequences are seen level by level. */
const beamTasks = 40
const beamShare = { inOrder: 0.85, free: 0.4 }

/** Of more tasks small changes do not reach far; those of the rule by which a sequence is built do. */
const longTasks = 70
const biasedShare = 0.5
/** A rule asks every batch after every task: it takes as long as so many sequences. */
const ruleTakes = 4
/** Of each batch so many of the next tasks are asked for by a rule. */
const ruleWidth = 3
/** So many rules begin anew before the best is changed, and such a share of those after. */
const firstAnew = 12
const thenAnew = 0.2

/**
 * Sequences built by rules that lean one way or another, the best of them changed a little again and again.
 * @returns those better than the best so far, the best first.
 */
function biased(
  builder: ScheduleBuilder,
  order: PlanOrder,
  best: SearchResult,
  { seed, evaluations, spent }: SearchBudget,
): readonly SearchResult[] {
  const random = seededRandom(seed)
  const dispatch = dispatcher(builder)
  const batches = builder.compiled.instance.batches.length
  const found: SearchResult[] = []
  let current: { readonly bias: RuleBias; readonly built: SearchResult } | null = null
  const most = Math.floor(evaluations / ruleTakes)
  for (let step = 0; step < most && (spent?.() ?? 0) < 1; step++) {
    const from = step < firstAnew || random() < thenAnew ? null : current
    const bias: RuleBias = from ? perturbBias(from.bias, random) : randomBias(random, batches)
    const policy: SplitPolicy = from?.built.policy ?? (random() < 0.7 ? 'fill' : 'whole')
    const sequence = dispatch(policy, ruleOf(bias), { whoIsFree: true, width: ruleWidth })
    const built: SearchResult = { sequence, policy, cost: builder.cost() }
    if (current !== null && order.compare(built.cost, current.built.cost) > 0) continue
    current = { bias, built }
    if (order.compare(built.cost, (found[0] ?? best).cost) < 0) found.unshift(built)
  }
  return found
}

/** What there is to spend between two shares of it. */
function part({ seed, evaluations, spent }: SearchBudget, from: number, to: number): SearchBudget {
  return {
    seed,
    evaluations: Math.floor(evaluations * (to - from)),
    ...(spent ? { spent: () => Math.max(0, (spent() - from) / (to - from)) } : {}),
  }
}

/** What was planned before, laid again with nothing searched for. */
export function layKept(instance: PlanInstance, keep: TaskSequence, aims: readonly Aim[]): SearchResult {
  const builder = createScheduleBuilder(instance)
  const { compare } = orderOfAims(aims, instance)
  const laid = policies.map((policy) => asLaid(builder, keep, policy))
  return laid.reduce((a, b) => (compare(b.cost, a.cost) < 0 ? b : a))
}

/** What filling the gaps of the best plan may take beside the search. */
const filled = 0.15

/** How many walks are taken first, and with how many of them it goes on: few tasks are soon walked through. */
function walksFor(tasks: number): { readonly first: number; readonly then: number } {
  if (tasks <= 60) return { first: 8, then: 3 }
  return tasks <= 200 ? { first: 4, then: 2 } : { first: 2, then: 1 }
}

const shares = { first: 0.5, then: 0.35, last: 0.15 }
/** Every other of the first walks is led by what some batches would like; so much at most. */
const strongest = 1

function walks(
  builder: ScheduleBuilder,
  order: PlanOrder,
  sorted: readonly [SearchResult, ...SearchResult[]],
  budget: SearchBudget,
): SearchResult {
  const [best] = sorted
  if ((budget.spent?.() ?? 0) >= 1) return best
  const { instance, tasks } = builder.compiled
  const byOrder = (all: readonly SearchResult[]) => all.toSorted((a, b) => order.compare(a.cost, b.cost))
  const starts = startsAmong(sorted, instance.maySplit)
  const random = seededRandom(budget.seed)
  const count = walksFor(tasks.length)
  let from = 0
  let walked = 0
  const walk = (start: SearchResult, share: number, how: Walk): SearchResult => {
    const own = part(budget, from, from + share)
    from += share
    walked += 1
    return improve(builder, order, start, { ...own, seed: budget.seed * 1000 + walked }, how)
  }
  /** Each of the first walks begins from another place, or is led elsewhere, or leaves open who does what. */
  const firstOf = (index: number): SearchResult => {
    const start = starts[index % starts.length] ?? best
    const isLed = index % 2 === 1
    const strength = strongest * random()
    const guide = Float64Array.from(instance.batches, () => strength * random() ** 2)
    const how = { warmth: 1, polish: 0.1, ...(isLed ? { guide } : {}) }
    return walk(index % 4 < 2 ? freed(start) : start, shares.first / count.first, how)
  }
  const freed = (start: SearchResult): SearchResult => {
    const sequence = start.sequence.map((entry) => entry % tasks.length)
    return { ...start, sequence, cost: buildSchedule(builder, sequence, start.policy) }
  }
  const first = Array.from({ length: starts.length === 0 ? 0 : count.first }, (_, index) => firstOf(index))
  const then = byOrder(first)
    .slice(0, count.then)
    .map((each) => walk(each, shares.then / count.then, { warmth: 0.3, polish: 0.1 }))
  const last = byOrder([...then, ...first])
    .slice(0, 1)
    .map((each) => walk(each, shares.last, { warmth: 0.1, polish: 0.5 }))
  return byOrder([best, ...last, ...then, ...first])[0] ?? best
}

/** So many of the sequences that were built are walked from. */
const mostStarts = 4

/** The best that was built, by each policy where they differ. */
function startsAmong(sorted: readonly SearchResult[], maySplit: boolean): readonly SearchResult[] {
  const finite = sorted.filter(({ cost }) => Number.isFinite(cost.finish))
  const some = maySplit
    ? policies.flatMap((policy) => finite.filter((each) => each.policy === policy).slice(0, mostStarts / 2))
    : finite.filter((each) => each.policy === 'fill').slice(0, mostStarts)
  return some.toSorted((a, b) => sorted.indexOf(a) - sorted.indexOf(b))
}

function builtSequences(
  builder: ScheduleBuilder,
  keep: TaskSequence | null,
  { spent }: SearchBudget,
): SearchResult[] {
  const { instance, tasks } = builder.compiled
  const batches = instance.batches.length
  if (tasks.length === 0) return []
  const dispatch = dispatcher(builder)
  const groups = [2, 3, 4, 6, 8].filter((size) => size < batches)
  const habits = [() => batchByBatch(builder), () => stageByStage(builder)]
  const made = (make: () => TaskSequence, policy: SplitPolicy) => ({ make, policy })
  const makers = keep
    ? [
        ...[() => inFull(tasks.length, keep), ...habits].flatMap((make) =>
          policies.map((policy) => made(make, policy)),
        ),
        // What was planned may fit no more.
        ...rulesFor(instance, rulesAnew).map((rule) => made(() => dispatch('fill', rule), 'fill')),
      ]
    : policies.flatMap((policy) => [
        ...[...habits, ...groups.map((size) => () => stageByStageInGroups(builder, size))].map((make) =>
          made(make, policy),
        ),
        ...rulesFor(instance).map((rule) => made(() => dispatch(policy, rule), policy)),
      ])
  const built: SearchResult[] = []
  for (const { make, policy } of makers) {
    if (built.length >= (keep ? policies.length : 1) && (spent?.() ?? 0) >= 1) return built
    built.push(asLaid(builder, make(), policy))
  }
  return built
}

/** So many rules that always can tell anything apart are asked beside a plan that is kept. */
const rulesAnew = 2
/** So many sequences by chance are tried where none of those built can be laid. */
const mostByChance = 400

/** Where what has to follow soon defeats every rule, the first sequence by chance that can be laid; none when none is met. */
function byChance(builder: ScheduleBuilder, { seed, evaluations, spent }: SearchBudget): SearchResult[] {
  const random = seededRandom(seed)
  const tried = [...builder.compiled.tasks.keys()]
  for (let step = 0; step < Math.min(evaluations, mostByChance) && (spent?.() ?? 0) < 1; step++) {
    for (let at = tried.length - 1; at > 0; at--) {
      const other = Math.floor(random() * (at + 1))
      ;[tried[at], tried[other]] = [tried[other] ?? 0, tried[at] ?? 0]
    }
    for (const policy of policies) {
      const found = asLaid(builder, tried, policy)
      if (Number.isFinite(found.cost.finish)) return [found]
    }
  }
  return []
}

/** The same plan with its tasks in the order in which they come to be laid. */
function asLaid(builder: ScheduleBuilder, sequence: TaskSequence, policy: SplitPolicy): SearchResult {
  const laid = recorder(builder)
  const cost = buildSchedule(builder, sequence, policy, laid.record)
  return { sequence: inFull(builder.compiled.tasks.length, laid.sequence), policy, cost }
}

/** Whether a new plan is so much better that what was planned before is given up for it. */
function isWorthwhile(kept: PlanCost, best: PlanCost): boolean {
  return (
    kept.late > best.late ||
    kept.pressed > best.pressed ||
    isMuch(kept.deskSeconds - best.deskSeconds, best.deskSeconds) ||
    isMuch(kept.finish - best.finish, best.finish)
  )
}

/** Whether so many seconds are enough to give up a plan that takes `of`. */
export function isMuch(change: number, of: number): boolean {
  return change > Math.max(worthwhile.seconds, of * worthwhile.share)
}
