import { seededRandom } from '../units/random.ts'
import { createDesk, type Desk, type SplitPolicy } from './desk.ts'
import { freeOrder, inOrder, type FreeOrder } from './free-order.ts'
import type { Aim, PlanInstance, PlanTask } from './instance.ts'
import { layRow, type Row } from './row.ts'
import { searchRow, type FoundRow, type SearchBudget } from './search.ts'
import { orderOfAims, type PlanOrder } from './weigh-plan.ts'

/** A row, and the instance whose batches stand in the order in which it takes their tasks. */
export interface FoundPlan extends FoundRow {
  readonly instance: PlanInstance
}

/** Tasks of all batches in the order in which they are laid. */
interface Sequence {
  /** As in a row: the batch, and who does it and how. */
  readonly entries: readonly number[]
  /** Which task of the batch's list. */
  readonly tasks: readonly number[]
}

interface FoundSequence extends FoundRow {
  readonly orders: readonly (readonly number[])[]
}

/** So much of the budget goes to the batches as they are listed: no plan is later than the best of these. */
const listedShare = 0.3
/** Beyond so many tasks only the next few of each batch are asked for when a sequence is built. */
const manyTasks = 400
/** With so few tasks a walk is over soon, and another from the start finds more than a longer one. */
const fewTasks = 30
const walksOfFew = 8

/**
 * Searches rows and, where batches leave it open, the orders of their tasks as well: first the order of the lists, then
 * sequences built by taking what can be begun soonest, then small changes of the best. Never worse than the best row
 * that keeps to the lists.
 */
export function searchFreely(
  instance: PlanInstance,
  budget: SearchBudget,
  aims: readonly Aim[],
  keep: { readonly row: Row; readonly orders: readonly (readonly number[])[] } | null = null,
): FoundPlan {
  const frees = instance.batches.map(freeOrder)
  const asListed = instance.batches.map((batch) => batch.tasks.map((_, index) => index))
  const kept = keep?.orders ?? asListed
  const starting = withOrders(instance, kept)
  const isFree = frees.some((free) => free.isFree)
  const share = isFree ? listedShare : 1
  const listed = searchRow(starting, { ...budget, ...portion(budget, share) }, aims, keep?.row ?? null)
  if (!isFree || budget.evaluations === 0 || !Number.isFinite(listed.cost.finish))
    return { ...listed, instance: starting }
  const order = orderOfAims(aims, instance.batches.length)
  const work = mutable(instance, kept)
  const desk = createDesk(work.instance)
  const starts: FoundSequence[] = [{ ...listed, orders: kept }]
  for (const policy of ['fill', 'whole'] as const)
    for (const rule of buildRules) starts.push(build(desk, work, frees, policy, rule))
  starts.sort((a, b) => order.compare(a.cost, b.cost))
  let best = starts[0] ?? { ...listed, orders: kept }
  const tasks = best.row.length
  const walks = Array.from({ length: tasks <= fewTasks ? walksOfFew : 2 }, (_, index) =>
    index % 2 === 0 ? best : (starts.find((each) => each.policy !== best.policy) ?? best),
  )
  walks.forEach((start, index) => {
    if (!Number.isFinite(start.cost.finish)) return
    const evaluations = Math.floor((budget.evaluations * (1 - listedShare)) / walks.length)
    const from = listedShare + ((1 - listedShare) * index) / walks.length
    const to = listedShare + ((1 - listedShare) * (index + 1)) / walks.length
    const found = walk(desk, work, frees, order, start, {
      ...budget,
      seed: budget.seed + 7 + index,
      evaluations,
      ...(budget.spent ? { spent: spentBetween(budget.spent, from, to) } : {}),
    })
    if (order.compare(found.cost, best.cost) < 0) best = found
  })
  // What was planned before is kept unless the new plan is really better; the chain search has judged that already.
  if (keep && order.compare(best.cost, listed.cost) >= 0) best = { ...listed, orders: kept }
  return { row: best.row, policy: best.policy, cost: best.cost, instance: withOrders(instance, best.orders) }
}

function portion(budget: SearchBudget, share: number): Pick<SearchBudget, 'evaluations' | 'spent'> {
  const { spent } = budget
  return {
    evaluations: Math.floor(budget.evaluations * share),
    ...(spent ? { spent: spentBetween(spent, 0, share) } : {}),
  }
}

function spentBetween(spent: () => number, from: number, to: number): () => number {
  return () => Math.max(0, (spent() - from) / (to - from))
}

/** The batches of the instance, each with its tasks in the given order. */
function withOrders(instance: PlanInstance, orders: readonly (readonly number[])[]): PlanInstance {
  return { ...instance, batches: instance.batches.map((batch, index) => inOrder(batch, orders[index] ?? [])) }
}

/** An instance whose batches are put in another order in place, so that one desk lays them all. */
interface Mutable {
  readonly instance: PlanInstance
  readonly set: (batch: number, order: readonly number[]) => void
}

function mutable(instance: PlanInstance, orders: readonly (readonly number[])[]): Mutable {
  const lists = instance.batches.map((batch): PlanTask[] => [...batch.tasks])
  const set = (batch: number, order: readonly number[]) => {
    const list = lists[batch]
    const own = instance.batches[batch]?.tasks
    if (list && own) order.forEach((index, place) => (list[place] = own[index] ?? list[place] ?? own[0]!))
  }
  orders.forEach((order, batch) => set(batch, order))
  const batches = instance.batches.map((batch, index) => ({
    ...batch,
    tasks: lists[index] ?? [],
    comesAfter: null,
  }))
  return { instance: { ...instance, batches }, set }
}

/** How soon a task can be begun, and what it costs to begin it; the lowest is taken. */
type BuildRule = (waited: number, setUp: number) => number

const buildRules: readonly BuildRule[] = [
  (waited, setUp) => waited + setUp,
  (waited, setUp) => waited * 4 + setUp,
  (waited) => waited,
]

/** A sequence built by taking, again and again, what the rule likes best of all that may be begun. */
function build(
  desk: Desk,
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
  desk.reset(policy)
  const bring = (batch: number, task: number) => {
    const own = done[batch] ?? []
    const rest = batches[batch]?.tasks
      .map((_, index) => index)
      .filter((index) => index !== task && !own.includes(index))
    work.set(batch, [...own, task, ...(rest ?? [])])
  }
  for (let laid = 0; laid < count; laid++) {
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
    done[best.batch]?.push(best.task)
    entries.push(best.batch + batches.length * best.choice)
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
  return { row: entries, policy, orders, cost: layRow(desk, batches.length, entries, policy) }
}

/** Walks by small changes of the sequence, worse ones too while it is hot; gives back the best it met. */
function walk(
  desk: Desk,
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
  let best: FoundSequence = start
  const hottest = Math.max(1, start.cost.deskSeconds / Math.max(1, sequence.entries.length) / 3)
  let spent = 0
  for (let step = 0; step < budget.evaluations; step++) {
    if (step % 64 === 0 && budget.spent) {
      spent = budget.spent()
      if (spent >= 1) break
    }
    const temperature = hottest * 0.01 ** Math.max(spent, step / budget.evaluations)
    const tried = changed(sequence, count, choices, random)
    if (!tried) continue
    const touched = tried.touched.filter((batch) => frees[batch]?.isFree)
    const before = touched.map((batch) => orders[batch] ?? [])
    const after = touched.map((batch) => frees[batch]?.nearest(ownOrder(tried, batch, count)) ?? [])
    touched.forEach((batch, index) => work.set(batch, after[index] ?? []))
    const cost = layRow(desk, count, tried.entries, start.policy)
    const next = order.height(cost)
    const isTaken =
      Number.isFinite(cost.finish) && (next <= current || random() < Math.exp((current - next) / temperature))
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
    if (order.compare(cost, best.cost) < 0)
      best = { row: sequence.entries, policy: start.policy, cost, orders }
  }
  return best
}

function sequenceOf({ row, orders }: FoundSequence, batches: number): Sequence {
  return settled({ entries: row, tasks: [] }, orders, batches)
}

/** The tasks that the mentions of the batches stand for, as the orders have them. */
function settled({ entries }: Sequence, orders: readonly (readonly number[])[], batches: number): Sequence {
  const next = new Int32Array(batches)
  const tasks = entries.map((entry) => {
    const batch = entry % batches
    const at = next[batch] ?? 0
    next[batch] = at + 1
    return orders[batch]?.[at] ?? 0
  })
  return { entries, tasks }
}

function ownOrder({ entries, tasks }: Sequence, batch: number, batches: number): number[] {
  const own: number[] = []
  entries.forEach((entry, index) => {
    if (entry % batches === batch) own.push(tasks[index] ?? 0)
  })
  return own
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
