import { choicesOf, type Choice, type ScheduleBuilder, type SplitPolicy } from './schedule-builder.ts'
import type { PlanCost, PlanInstance, PlanSegment } from './instance.ts'

/**
 * A plan as an order of tasks: the k-th mention of a batch is its k-th task. An entry is the batch's index, plus
 * the number of batches times the choice of who does it and how.
 */
export type TaskSequence = readonly number[]

export const sequenceEntry = (instance: PlanInstance, batch: number, choice: Choice): number =>
  batch + instance.batches.length * choice

/** The same row with everything begun as soon as it can be. */
export function withNothingPutOff(instance: PlanInstance, row: TaskSequence): TaskSequence {
  const most = instance.batches.length * choicesOf(instance)
  return row.map((entry) => entry % most)
}

/**
 * Times for a row. A task whose batch may not go on yet waits until it may, and everything else keeps its order;
 * what has to follow soon is pulled forward.
 */
export function buildSchedule(
  desk: ScheduleBuilder,
  batches: number,
  row: TaskSequence,
  policy: SplitPolicy,
  record?: (segment: PlanSegment) => void,
): PlanCost {
  desk.reset(policy, record)
  let owed: number[] | null = null
  for (const entry of row) {
    const batch = entry % batches
    if (!desk.hasTask(batch)) continue
    if (!desk.mayGoOn(batch)) {
      owed = owed ?? []
      owed.push(entry)
      continue
    }
    if (!desk.place(batch, (entry - batch) / batches)) break
    if (owed !== null && owed.length > 0) owed = settle(desk, batches, owed)
  }
  return desk.cost()
}

/** Lays what may go on by now, what waited longest first; gives back what still has to wait. */
function settle(desk: ScheduleBuilder, batches: number, owed: readonly number[]): number[] {
  let left = [...owed]
  for (;;) {
    const first = left.find((entry) => desk.mayGoOn(entry % batches))
    if (first === undefined) return left
    const batch = first % batches
    const mentions = left.filter((entry) => entry % batches === batch)
    left = left.filter((entry) => entry % batches !== batch)
    for (const entry of mentions) {
      if (!desk.hasTask(batch)) continue
      if (!desk.mayGoOn(batch)) left.push(entry)
      else if (!desk.place(batch, (entry - batch) / batches)) return []
    }
  }
}
