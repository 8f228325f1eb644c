import { seededRandom } from '../units/index.ts'
import { createScheduleBuilder, type ScheduleBuilder, type SplitPolicy } from './schedule-builder.ts'
import { everySequence, type PlainSequence } from './every-sequence.ts'
import { fillGaps } from './fill-gaps.ts'
import { freeOrder, type FreeOrder } from './free-order.ts'
import type { Aim } from '../trade/index.ts'
import type { PlanInstance } from './instance.ts'
import { buildSchedule, type TaskSequence } from './task-sequence.ts'
import {
  isWorthwhile,
  policies,
  portion,
  searchRow,
  spentBetween,
  type SearchResult,
  type SearchBudget,
} from './search.ts'
import {
  entryOfSegment,
  inFull,
  mutable,
  ownOrder,
  sequenceOf,
  settled,
  withOrders,
  type FoundSequence,
  type Mutable,
  type Sequence,
} from './sequence.ts'
import { orderOfAims, type PlanOrder } from './weigh-plan.ts'

/** A row, and the instance whose batches stand in the order in which it takes their tasks. */
export interface FoundPlan extends SearchResult {
  readonly instance: PlanInstance
}

/**
 * So much of the time goes to the batches as they are listed: no plan is later than the best of these. Few tasks are
 * searched in full as they are listed, so that what is free can only be better.
 */
const listedShare = 0.3
const searchedInFull = 200
/** The end of a walk only takes what is no worse by the painter's own order of aims: waits and pots that cost no time. */
const polished = 0.25
/** So many questions may be asked while sequences are built. */
const mostAsked = 16_000
/** Beyond so many tasks only the next few of each batch are asked for when a sequence is built. */
const manyTasks = 400
/** What filling the gaps of the best plan may take beside the search. */
const filled = 0.15
/** With so few tasks a walk is over soon, and another from the start finds more than a longer one; or all can be tried. */
const fewTasks = 30
const walksOfFew = 8
/** All are kept until they are laid: of more than so many a walk is taken, whatever there is to spend. */
const fewSequences = 10_000

/** What was planned before, by batch among each other and by task within each. */
export interface KeptOrder {
  readonly row: TaskSequence
  readonly orders: readonly (readonly number[])[]
}

/** What was planned before, laid again with nothing searched for. */
export function layKept(instance: PlanInstance, { row, orders }: KeptOrder, aims: readonly Aim[]): FoundPlan {
  const own = withOrders(instance, orders)
  const desk = createScheduleBuilder(own)
  const count = instance.batches.length
  const { compare } = orderOfAims(aims, count)
  const laid = policies.map((policy) => ({ row, policy, cost: buildSchedule(desk, count, row, policy) }))
  const found = laid.reduce((a, b) => (compare(b.cost, a.cost) < 0 ? b : a))
  return { ...found, instance: own }
}

/**
 * Searches rows and, where batches leave it open, the orders of their tasks as well: first the order of the lists, then
 * sequences built by taking what can be begun soonest, then small changes of the best, or every sequence where they are few.
 * Never worse than the best row that keeps to the lists.
 */
export function searchFreely(
  instance: PlanInstance,
  budget: SearchBudget,
  aims: readonly Aim[],
  keep: KeptOrder | null = null,
): FoundPlan {
  const frees = instance.batches.map(freeOrder)
  const asListed = instance.batches.map((batch) => batch.tasks.map((_, index) => index))
  const kept = keep?.orders ?? asListed
  const starting = withOrders(instance, kept)
  const isFree = frees.some((free) => free.isFree)
  const count = instance.batches.reduce((sum, batch) => sum + batch.tasks.length, 0)
  const first = isFree ? portion(budget, listedShare, count <= searchedInFull ? 1 : listedShare) : budget
  const listed = searchRow(starting, first, aims, keep?.row ?? null)
  if (!isFree || budget.evaluations === 0 || !Number.isFinite(listed.cost.finish))
    return { ...listed, instance: starting }
  const order = orderOfAims(aims, instance.batches.length)
  const work = mutable(instance, kept)
  const desk = createScheduleBuilder(work.instance)
  const asKept: FoundSequence = { ...listed, orders: kept }
  const starts: FoundSequence[] = [inFull(desk, work, asKept)]
  // Each asks every batch and painter for every task: as many as there is time for.
  const asked = count * instance.batches.length * instance.painters.length
  for (const { policy, rule } of builds.slice(0, Math.floor(mostAsked / asked)))
    starts.push(build(desk, work, frees, policy, rule))
  starts.sort((a, b) => order.compare(a.cost, b.cost))
  let best = starts.reduce((a, b) => (order.compare(b.cost, a.cost) < 0 ? b : a), asKept)
  const walked = Math.floor(budget.evaluations * (1 - listedShare))
  const isFew = count <= fewTasks
  const sequences =
    isFew && !hasChoice(instance)
      ? everySequence(instance, frees, Math.min(fewSequences, Math.floor(walked / policies.length)))
      : null
  const tried = sequences
    ? laidInTurn(desk, work, sequences, budget)
    : walks(desk, work, frees, order, starts, { ...budget, evaluations: walked }, isFew ? walksOfFew : 2)
  for (const found of tried) if (order.compare(found.cost, best.cost) < 0) best = found
  if (keep && !isWorthwhile(listed.cost, best.cost)) best = asKept
  best = fillGaps(desk, work, frees, best, Math.floor(budget.evaluations * filled))
  return { row: best.row, policy: best.policy, cost: best.cost, instance: withOrders(instance, best.orders) }
}

/** Whether anybody else could do a task, or do it otherwise. */
function hasChoice({ painters, batches }: PlanInstance): boolean {
  return painters.length > 1 || batches.some(({ tasks }) => tasks.some((task) => task.others.length > 0))
}

/** From the best start, and in turn from the best of the other policy, each walk with its share of what there is to spend. */
function* walks(
  desk: ScheduleBuilder,
  work: Mutable,
  frees: readonly FreeOrder[],
  order: PlanOrder,
  starts: readonly FoundSequence[],
  budget: SearchBudget,
  count: number,
): Generator<FoundSequence> {
  const [start] = starts
  const other = starts.find((each) => each.policy !== start?.policy) ?? start
  for (let index = 0; index < count; index++) {
    const from = index % 2 === 0 ? start : other
    if (!from || !Number.isFinite(from.cost.finish)) continue
    const shareOf = (walk: number) => listedShare + ((1 - listedShare) * walk) / count
    const { spent } = budget
    yield walk(desk, work, frees, order, from, {
      seed: budget.seed + 7 + index,
      evaluations: Math.floor(budget.evaluations / count),
      ...(spent ? { spent: spentBetween(spent, shareOf(index), shareOf(index + 1)) } : {}),
    })
  }
}

/** Each sequence by each policy, until the search is called off. */
function* laidInTurn(
  desk: ScheduleBuilder,
  work: Mutable,
  sequences: readonly PlainSequence[],
  { spent }: SearchBudget,
): Generator<FoundSequence> {
  for (const [index, { row, orders }] of sequences.entries()) {
    if (index % 64 === 0 && (spent?.() ?? 0) >= 1) return
    orders.forEach((order, batch) => work.set(batch, order))
    for (const policy of policies)
      yield { row, orders, policy, cost: buildSchedule(desk, orders.length, row, policy) }
  }
}

/** How soon a task can be begun, and what it costs to begin it; the lowest is taken. */
type BuildRule = (waited: number, setUp: number) => number

const buildRules: readonly BuildRule[] = [
  (waited, setUp) => waited + setUp,
  (waited, setUp) => waited * 4 + setUp,
  (waited) => waited,
]

const builds = buildRules.flatMap((rule) => (['fill', 'whole'] as const).map((policy) => ({ policy, rule })))

/** A sequence built by taking, again and again, what the rule likes best of all that may be begun. */
function build(
  desk: ScheduleBuilder,
  work: Mutable,
  frees: readonly FreeOrder[],
  policy: SplitPolicy,
  rule: BuildRule,
): FoundSequence {
  const { batches, painters } = work.instance
  const people = painters.length
  const done = batches.map((): number[] => [])
  const count = batches.reduce((sum, batch) => sum + batch.tasks.length, 0)
  const most = count > manyTasks ? 3 : Number.POSITIVE_INFINITY
  const entries: number[] = []
  // What has to follow soon may be laid before what was asked for: what is done is what was laid.
  desk.reset(policy, (segment) => {
    if (segment.from > 0) return
    entries.push(entryOfSegment(work.instance, segment))
    done[segment.batch]?.push(work.orderOf(segment.batch)[segment.task] ?? 0)
  })
  const bring = (batch: number, task: number) => {
    const own = done[batch] ?? []
    const rest = work.orderOf(batch).filter((index) => index !== task && !own.includes(index))
    work.set(batch, frees[batch]?.nearest([...own, task, ...rest]) ?? own)
  }
  while (entries.length < count) {
    let free = Number.POSITIVE_INFINITY
    for (let painter = 0; painter < people; painter++) free = Math.min(free, desk.free(painter))
    let best = { batch: -1, task: -1, choice: 0, score: Number.POSITIVE_INFINITY }
    batches.forEach((batch, index) => {
      const own = done[index] ?? []
      if (own.length === batch.tasks.length || !desk.mayGoOn(index)) return
      frees[index]?.ready(own).forEach((task, rank) => {
        if (rank >= most) return
        bring(index, task)
        const place = desk.peek(index)
        if (!place || place.tooLate) return
        const score = rule(place.start - free, place.setUp) + rank * 1e-3
        if (score < best.score)
          best = { batch: index, task, choice: 1 + place.way * people + place.painter, score }
      })
    })
    if (best.batch < 0) break
    bring(best.batch, best.task)
    if (!desk.place(best.batch, best.choice)) break
  }
  // What could not be laid any more comes in the order of the lists.
  const orders = batches.map((batch, index) => {
    const own = done[index] ?? []
    const left = batch.tasks.map((_, task) => task).filter((task) => !own.includes(task))
    for (const _ of left) entries.push(index)
    return frees[index]?.nearest([...own, ...left]) ?? own
  })
  orders.forEach((order, batch) => work.set(batch, order))
  return { row: entries, policy, orders, cost: buildSchedule(desk, batches.length, entries, policy) }
}

/** Walks by small changes of the sequence, worse ones too while it is hot; gives back the best it met. */
function walk(
  desk: ScheduleBuilder,
  work: Mutable,
  frees: readonly FreeOrder[],
  order: PlanOrder,
  start: FoundSequence,
  budget: SearchBudget,
): FoundSequence {
  const random = seededRandom(budget.seed)
  const { batches, painters } = work.instance
  const count = batches.length
  const ways = Math.max(1, ...batches.flatMap((batch) => batch.tasks.map((task) => 1 + task.others.length)))
  const choices = ways * painters.length
  let sequence = sequenceOf(start, count)
  let orders = start.orders
  orders.forEach((each, batch) => work.set(batch, each))
  let current = order.height(start.cost)
  let currentCost = start.cost
  let best: FoundSequence = start
  let polishing = false
  const hottest = Math.max(1, start.cost.deskSeconds / Math.max(1, sequence.entries.length) / 3)
  let spent = 0
  for (let step = 0; step < budget.evaluations; step++) {
    if (step % 64 === 0 && budget.spent) {
      spent = budget.spent()
      if (spent >= 1) break
    }
    const progress = Math.max(spent, step / budget.evaluations)
    if (!polishing && progress > 1 - polished) {
      polishing = true
      orders = best.orders
      orders.forEach((each, batch) => work.set(batch, each))
      sequence = sequenceOf(best, count)
      currentCost = best.cost
    }
    const temperature = hottest * 0.01 ** (progress / (1 - polished))
    const tried = changed(sequence, count, choices, random)
    if (!tried) continue
    const touched = tried.touched.filter((batch) => frees[batch]?.isFree)
    const before = touched.map((batch) => orders[batch] ?? [])
    const after = touched.map((batch) => frees[batch]?.nearest(ownOrder(tried, batch, count)) ?? [])
    touched.forEach((batch, index) => work.set(batch, after[index] ?? []))
    const cost = buildSchedule(desk, count, tried.entries, start.policy)
    const next = order.height(cost)
    const isTaken =
      Number.isFinite(cost.finish) &&
      (polishing
        ? order.compare(cost, currentCost) <= 0
        : next <= current || random() < Math.exp((current - next) / temperature))
    if (!isTaken) {
      touched.forEach((batch, index) => work.set(batch, before[index] ?? []))
      continue
    }
    if (touched.length > 0) {
      const renewed = [...orders]
      touched.forEach((batch, index) => (renewed[batch] = after[index] ?? []))
      orders = renewed
    }
    sequence = settled(tried, orders, count)
    current = next
    currentCost = cost
    if (order.compare(cost, best.cost) < 0)
      best = { row: sequence.entries, policy: start.policy, cost, orders }
  }
  return best
}

interface Tried extends Sequence {
  readonly touched: readonly number[]
}

/** A short run of tasks taken to another place, mostly near by; or another painter or way for one of them. */
function changed(
  { entries, tasks }: Sequence,
  batches: number,
  choices: number,
  random: () => number,
): Tried | null {
  if (choices > 1 && random() < 0.25) {
    const at = Math.floor(random() * entries.length)
    const next = [...entries]
    next[at] = ((entries[at] ?? 0) % batches) + batches * Math.floor(random() * (choices + 1))
    return { entries: next, tasks, touched: [] }
  }
  const length = random() < 0.7 ? 1 : 1 + Math.floor(random() * 4)
  if (length >= entries.length) return null
  const places = entries.length - length + 1
  const from = Math.floor(random() * places)
  const reach = random() < 0.6 ? 6 : places
  const to = Math.min(places - 1, Math.max(0, from + Math.round((random() * 2 - 1) * reach)))
  if (from === to) return null
  const next = [...entries]
  const own = [...tasks]
  const moved = next.splice(from, length)
  next.splice(to, 0, ...moved)
  own.splice(to, 0, ...own.splice(from, length))
  return { entries: next, tasks: own, touched: [...new Set(moved.map((entry) => entry % batches))] }
}
