import { anneal } from './anneal.ts'
import { beam, leastBeam } from './beam.ts'
import { seededRandom } from '../units/index.ts'
import { createScheduleBuilder, type ScheduleBuilder, type SplitPolicy } from './schedule-builder.ts'
import { randomBias, dispatch, kindsOf, perturbBias, ruleOf, rulesFor, type RuleBias } from './dispatch.ts'
import { batchByBatch, stageByStage, stageByStageInGroups } from './habits.ts'
import type { Aim } from '../trade/index.ts'
import type { PlanCost, PlanInstance } from './instance.ts'
import { buildSchedule, type TaskSequence } from './task-sequence.ts'
import { shopOf, solveShop } from './shop.ts'
import { orderOfAims, type PlanOrder } from './weigh-plan.ts'

export interface SearchBudget {
  readonly seed: number
  /** Rows tried beyond the built ones: the same answer on every machine. */
  readonly evaluations: number
  /** The share of the time that is used up, asked now and then; from 1 on the search ends with the best so far. */
  readonly spent?: () => number
}

/** The same with less to spend. */
export function portion(budget: SearchBudget, time: number, evaluations: number): SearchBudget {
  const { spent } = budget
  return {
    seed: budget.seed,
    evaluations: Math.floor(budget.evaluations * evaluations),
    ...(spent ? { spent: spentBetween(spent, 0, time) } : {}),
  }
}

/** What is used up of a part of the time. */
export function spentBetween(spent: () => number, from: number, to: number): () => number {
  return () => Math.max(0, (spent() - from) / (to - from))
}

export interface SearchResult {
  readonly row: TaskSequence
  readonly policy: SplitPolicy
  readonly cost: PlanCost
}

export const policies: readonly SplitPolicy[] = ['fill', 'whole']
const dateFirst: readonly Aim[] = ['date']

/** So many seconds, or such a share, a new plan has to save for the one before it to be given up. */
const worthwhile = { seconds: 600, share: 0.01 }

/** Of so many tasks only the first rules build a row: each asks every batch and painter for every task. */
const manyTasks = 2000
const rulesForMany = 2

/** So many rows by chance are tried where none of those built can be laid. */
const chancesForAny = 400

/** So much of the search of a long row goes to the rules by which rows are built. */
const leanedShare = 0.85
/** So many begin anew before the best is changed, and such a share of those after. */
const firstLeanings = 12
const startsAnew = 0.2

/** Beyond this many tasks a beam sees too little ahead. */
const beamTasks = 70
const beamBatches = 8

/**
 * Rows built by habit and by rule, then searched on by the method that suits the shape: a pure shop by tabu search
 * or iterated greedy, a small instance by a beam over states, and everything by annealing. Both hand habits are
 * among the rows built, so the answer is never worse than either. With a row to keep, what the plan was before
 * something happened, it starts from that one and stays close to it.
 */
export function searchRow(
  instance: PlanInstance,
  budget: SearchBudget,
  aims: readonly Aim[] = dateFirst,
  keep: TaskSequence | null = null,
): SearchResult {
  const desk = createScheduleBuilder(instance)
  const order = orderOfAims(aims, instance.batches.length)
  const better = (a: SearchResult, b: SearchResult) => (order.compare(b.cost, a.cost) < 0 ? b : a)
  const built = builtRows(desk, instance, keep, budget).sort((a, b) => order.compare(a.cost, b.cost))
  if (built[0] && !Number.isFinite(built[0].cost.finish)) built.unshift(...anyRow(desk, instance, budget))
  let best = built[0] ?? emptyRow(desk)
  const batches = instance.batches.length
  const tasks = best.row.length
  if (budget.evaluations === 0 || (new Set(best.row).size < 2 && instance.painters.length === 1)) return best
  const shop = shopOf(instance)
  if (shop) {
    const row = solveShop(instance, shop, budget)
    return better(best, { row, policy: 'fill', cost: buildSchedule(desk, batches, row, 'fill') })
  }
  const small =
    !keep &&
    tasks <= beamTasks &&
    batches <= beamBatches &&
    instance.rack === null &&
    budget.evaluations >= leastBeam(tasks)
  const long = !keep && tasks > beamTasks
  if (long) {
    built.unshift(...leaned(desk, instance, order, best, portion(budget, leanedShare, leanedShare)))
    best = built[0] ?? best
  }
  const starts = policies.flatMap((policy) => built.find((found) => found.policy === policy) ?? [])
  const from = long ? leanedShare : 0
  const share = small ? 0.05 : 1 - from
  starts.forEach((start, index) => {
    if (!Number.isFinite(start.cost.finish)) return
    const evaluations = Math.floor((budget.evaluations * share) / starts.length)
    const seed = budget.seed + index
    const times = [
      from + (index / starts.length) * share,
      from + ((index + 1) / starts.length) * share,
    ] as const
    best = better(best, anneal(desk, instance, order, start, { ...budget, seed, evaluations }, times))
  })
  if (small) best = better(best, beam(desk, instance, order, best, budget))
  return keep ? keptUnlessWorse(built, keep, best) : best
}

/** What was planned before, unless the new one is really better: a small change makes a small difference. */
function keptUnlessWorse(
  built: readonly SearchResult[],
  keep: TaskSequence,
  best: SearchResult,
): SearchResult {
  const kept = built.find((found) => found.row === keep)
  if (!kept || !Number.isFinite(kept.cost.finish)) return best
  return isWorthwhile(kept.cost, best.cost) ? best : kept
}

/** Whether a new plan is so much better that what was planned before is given up for it. */
export function isWorthwhile(kept: PlanCost, best: PlanCost): boolean {
  return (
    kept.late > best.late ||
    kept.pressed > best.pressed ||
    saves(kept.deskSeconds, best.deskSeconds) ||
    saves(kept.finish, best.finish)
  )
}

function emptyRow(desk: ScheduleBuilder): SearchResult {
  return { row: [], policy: 'fill', cost: buildSchedule(desk, 0, [], 'fill') }
}

/** Where what has to follow soon defeats every rule, the first row by chance that can be laid; none when none is met. */
function anyRow(desk: ScheduleBuilder, instance: PlanInstance, budget: SearchBudget): SearchResult[] {
  const random = seededRandom(budget.seed)
  const batches = instance.batches.length
  const tried = instance.batches.flatMap((batch, index) => batch.tasks.map(() => index))
  for (let step = 0; step < Math.min(budget.evaluations, chancesForAny); step++) {
    if ((budget.spent?.() ?? 0) >= 1) break
    for (let at = tried.length - 1; at > 0; at--) {
      const other = Math.floor(random() * (at + 1))
      ;[tried[at], tried[other]] = [tried[other] ?? 0, tried[at] ?? 0]
    }
    for (const policy of policies) {
      const cost = buildSchedule(desk, batches, tried, policy)
      if (Number.isFinite(cost.finish)) return [{ row: [...tried], policy, cost }]
    }
  }
  return []
}

interface Leaned {
  readonly leaning: RuleBias
  readonly built: SearchResult
}

/**
 * Rows built by rules that lean one way or another, the best of them changed a little again and again: where a row is too long
 * to be bettered by small changes of its own, small changes of what it is built by still reach far.
 * @returns those better than the best so far, the best first.
 */
function leaned(
  desk: ScheduleBuilder,
  instance: PlanInstance,
  order: PlanOrder,
  best: SearchResult,
  { seed, evaluations, spent }: SearchBudget,
): readonly SearchResult[] {
  const random = seededRandom(seed)
  const batches = instance.batches.length
  const eachAlone = instance.batches.map(() => -1)
  // A rule asks every batch after every task: it takes as long as several rows.
  const most = Math.floor(evaluations / Math.max(1, batches / 14))
  const found: SearchResult[] = []
  let current: Leaned | null = null
  for (let step = 0; step < most && (spent?.() ?? 0) < 1; step++) {
    const from: Leaned | null = step < firstLeanings || random() < startsAnew ? null : current
    const leaning: RuleBias = from ? perturbBias(from.leaning, random) : randomBias(random, batches)
    const policy: SplitPolicy = from?.built.policy ?? (random() < 0.7 ? 'fill' : 'whole')
    const row = dispatch(desk, instance, policy, ruleOf(leaning), eachAlone, 'whoever is free')
    const built: SearchResult = { row, policy, cost: desk.cost() }
    if (current !== null && order.compare(built.cost, current.built.cost) > 0) continue
    current = { leaning, built }
    if (order.compare(built.cost, (found[0] ?? best).cost) < 0) found.unshift(built)
  }
  return found
}

/** As many as there is time for, the habits first; one at least. */
function builtRows(
  desk: ScheduleBuilder,
  instance: PlanInstance,
  keep: TaskSequence | null,
  { spent }: SearchBudget,
): SearchResult[] {
  const batches = instance.batches.length
  if (batches === 0) return []
  const kinds = kindsOf(instance.batches)
  const tasks = instance.batches.reduce((sum, batch) => sum + batch.tasks.length, 0)
  const rules = rulesFor(instance, tasks > manyTasks ? rulesForMany : undefined)
  const groups = [...new Set([2, 3, 4, 6, 8].filter((size) => size < batches))]
  const habits = [() => batchByBatch(instance, desk), () => stageByStage(instance)]
  const ruled = (policy: SplitPolicy) => [
    ...groups.map((size) => () => stageByStageInGroups(instance, size)),
    ...rules.map((rule) => () => dispatch(desk, instance, policy, rule, kinds)),
  ]
  const waysOf = (rows: (policy: SplitPolicy) => readonly (() => TaskSequence)[]) =>
    policies.flatMap((policy) => rows(policy).map((make) => ({ policy, make })))
  const ways = keep ? waysOf(() => [() => keep, ...habits]) : [...waysOf(() => habits), ...waysOf(ruled)]
  const built: SearchResult[] = []
  for (const { policy, make } of ways) {
    if (built.length > 0 && (spent?.() ?? 0) >= 1) break
    const row = make()
    built.push({ row, policy, cost: buildSchedule(desk, batches, row, policy) })
  }
  return built
}

function saves(kept: number, best: number): boolean {
  return isMuch(kept - best, best)
}

/** Whether so many seconds are enough to give up a plan that takes `of`. */
export function isMuch(change: number, of: number): boolean {
  return change > Math.max(worthwhile.seconds, of * worthwhile.share)
}
