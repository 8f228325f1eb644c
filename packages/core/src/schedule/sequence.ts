import { choicesOf, type ScheduleBuilder } from './schedule-builder.ts'
import { inOrder } from './free-order.ts'
import type { PlanInstance, PlanSegment, PlanTask } from './instance.ts'
import { sequenceEntry, buildSchedule } from './task-sequence.ts'
import type { SearchResult } from './search.ts'

/** Tasks of all batches in the order in which they are laid. */
export interface Sequence {
  /** As in a row: the batch, and who does it and how. */
  readonly entries: readonly number[]
  /** Which task of the batch's list. */
  readonly tasks: readonly number[]
}

export interface FoundSequence extends SearchResult {
  readonly orders: readonly (readonly number[])[]
}

/** The batches of the instance, each with its tasks in the given order. */
export function withOrders(instance: PlanInstance, orders: readonly (readonly number[])[]): PlanInstance {
  return { ...instance, batches: instance.batches.map((batch, index) => inOrder(batch, orders[index] ?? [])) }
}

/** An instance whose batches are put in another order in place, so that one desk lays them all. */
export interface Mutable {
  readonly instance: PlanInstance
  readonly set: (batch: number, order: readonly number[]) => void
  readonly orderOf: (batch: number) => readonly number[]
}

export function mutable(instance: PlanInstance, orders: readonly (readonly number[])[]): Mutable {
  const lists = instance.batches.map((batch): PlanTask[] => [...batch.tasks])
  const current = [...orders]
  const set = (batch: number, order: readonly number[]) => {
    const list = lists[batch]
    const own = instance.batches[batch]?.tasks ?? []
    current[batch] = order
    order.forEach((index, place) => {
      const task = own[index]
      if (list && task) list[place] = task
    })
  }
  orders.forEach((order, batch) => set(batch, order))
  const batches = instance.batches.map((batch, index) => ({
    ...batch,
    tasks: lists[index] ?? [],
    comesAfter: null,
  }))
  return { instance: { ...instance, batches }, set, orderOf: (batch) => current[batch] ?? [] }
}

/** The same plan with every task mentioned: a row may leave out what has to follow soon, since it is pulled forward. */
export function inFull(desk: ScheduleBuilder, work: Mutable, found: FoundSequence): FoundSequence {
  const row: number[] = []
  const { batches } = work.instance
  found.orders.forEach((order, batch) => work.set(batch, order))
  buildSchedule(desk, batches.length, found.row, found.policy, (segment) => {
    if (segment.from === 0) row.push(entryOfSegment(work.instance, segment))
  })
  const mentioned = new Int32Array(batches.length)
  for (const entry of row) mentioned[entry % batches.length] = (mentioned[entry % batches.length] ?? 0) + 1
  batches.forEach((batch, index) => {
    for (let at = mentioned[index] ?? 0; at < batch.tasks.length; at++) row.push(index)
  })
  return { ...found, row, cost: buildSchedule(desk, batches.length, row, found.policy) }
}

export function entryOfSegment(instance: PlanInstance, { batch, way, painter, putOff }: PlanSegment): number {
  const who = 1 + way * instance.painters.length + painter
  return sequenceEntry(instance, batch, putOff ? who + choicesOf(instance) : who)
}

export function sequenceOf({ row, orders }: FoundSequence, batches: number): Sequence {
  return settled({ entries: row, tasks: [] }, orders, batches)
}

/** The tasks that the mentions of the batches stand for, as the orders have them. */
export function settled(
  { entries }: Sequence,
  orders: readonly (readonly number[])[],
  batches: number,
): Sequence {
  const next = new Int32Array(batches)
  const tasks = entries.map((entry) => {
    const batch = entry % batches
    const at = next[batch] ?? 0
    next[batch] = at + 1
    return orders[batch]?.[at] ?? 0
  })
  return { entries, tasks }
}

export function ownOrder({ entries, tasks }: Sequence, batch: number, batches: number): number[] {
  const own: number[] = []
  entries.forEach((entry, index) => {
    if (entry % batches === batch) own.push(tasks[index] ?? 0)
  })
  return own
}
