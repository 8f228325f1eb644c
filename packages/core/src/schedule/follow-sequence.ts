import type { ScheduleBuilder, SplitPolicy } from './schedule-builder.ts'
import type { PlanBatch, PlanCost, PlanTask } from './instance.ts'
import type { TaskSequence } from './task-sequence.ts'

/** Seconds a painter would rather wait than open another pot for. */
const patience = 300
/** So many of the next tasks are looked at by somebody who would have to wait. */
const lookedAt = 10

/** What of a plan's row whoever follows it has to keep to, by batch and task as planned. */
export interface RowFreedom {
  /** What has to be begun before. */
  readonly before: readonly (readonly (readonly number[])[])[]
  /** Whether the batch's next task has to follow soon. */
  readonly follows: readonly (readonly boolean[])[]
}

/** @param listed the planned batches, the same tasks in the order of the line, with what comes after what. */
export function freedomOf(planned: readonly PlanBatch[], listed: readonly PlanBatch[]): RowFreedom {
  return {
    before: planned.map((batch, at) => predecessors(batch, listed[at])),
    follows: planned.map((batch) => batch.tasks.map((task) => task.maxWait !== null)),
  }
}

/** Lays a row as somebody keeps to it who has eyes. */
export type RowFollower = (policy: SplitPolicy) => PlanCost

/**
 * A row, followed by a rule instead of to the letter: who would have to wait for what comes next takes the first of the
 * tasks after it that can be begun, as far as the batch allows that order. What has to follow soon comes right after its
 * task, late if need be: coming late is worse paint, but no reason never to finish.
 * The lists of tasks are put in another order while a row is laid.
 * @param taskLists by batch the tasks that the desk lays. @param freedom see `freedomOf`.
 */
export function rowFollower(
  desk: ScheduleBuilder,
  taskLists: readonly PlanTask[][],
  { follows, before }: RowFreedom,
  row: TaskSequence,
): RowFollower {
  const own = taskLists.map((tasks) => [...tasks])
  const entries = entriesInFull(row, own)
  const batchOf = entries.map((entry) => entry.batch)
  const entryAt = own.map((tasks) => new Int32Array(tasks.length))
  entries.forEach(({ batch, task }, at) => {
    const places = entryAt[batch]
    if (places) places[task] = at
  })
  const through = own.map((tasks) => new Uint8Array(tasks.length))
  const laid = new Uint8Array(entries.length)
  const begun = new Int32Array(taskLists.length)

  function mayBegin(at: number): boolean {
    const batch = batchOf[at] ?? 0
    const task = entries[at]?.task ?? 0
    const done = through[batch]
    for (const earlier of before[batch]?.[task] ?? []) if (done?.[earlier] !== 1) return false
    bring(batch, task)
    return desk.mayGoOn(batch)
  }

  /** Puts a task where the desk takes the batch's next one from. */
  function bring(batch: number, task: number): void {
    const list = taskLists[batch]
    const wanted = own[batch]?.[task]
    const at = begun[batch] ?? 0
    if (!list || !wanted || list[at] === wanted) return
    const from = list.indexOf(wanted)
    for (let place = from; place > at; place--) {
      const moved = list[place - 1]
      if (moved) list[place] = moved
    }
    list[at] = wanted
  }

  /** What is done next; −1 when nothing may be. */
  function next(first: number): number {
    let best = -1
    let bestStart = 0
    let painter = 0
    let looked = 0
    for (let at = first; at < entries.length && looked < lookedAt; at++) {
      if (laid[at] === 1 || !mayBegin(at)) continue
      const place = desk.peek(batchOf[at] ?? 0, entries[at]?.choice)
      if (best < 0) {
        best = at
        if (!place) return best
        bestStart = place.start
        painter = place.painter
      } else if (place?.painter === painter && place.start < bestStart - patience) {
        best = at
        bestStart = place.start
      }
      if (bestStart <= desk.free(painter) + patience) return best
      looked += 1
    }
    return best
  }

  return (policy) => {
    desk.reset(policy)
    for (const done of through) done.fill(0)
    laid.fill(0)
    begun.fill(0)
    taskLists.forEach((list, batch) => own[batch]?.forEach((task, place) => (list[place] = task)))
    let first = 0
    let owed = -1
    for (;;) {
      while (laid[first] === 1) first += 1
      if (first >= entries.length) break
      const at = owed >= 0 ? owed : next(first)
      const entry = entries[at]
      if (!entry) break
      const { batch, task, choice } = entry
      bring(batch, task)
      if (!desk.place(batch, choice)) break
      laid[at] = 1
      const done = through[batch]
      if (done) done[task] = 1
      begun[batch] = (begun[batch] ?? 0) + 1
      owed = follows[batch]?.[task] === true ? (entryAt[batch]?.[task + 1] ?? -1) : -1
    }
    return desk.cost()
  }
}

interface Entry {
  readonly batch: number
  readonly task: number
  readonly choice: number
}

/** The row with every task in it: what has to follow soon may have been left to the desk. */
function entriesInFull(row: TaskSequence, tasks: readonly (readonly PlanTask[])[]): readonly Entry[] {
  const count = tasks.length
  const mentioned = new Int32Array(count)
  const entries = row.flatMap((entry): Entry[] => {
    const batch = entry % count
    const task = mentioned[batch] ?? 0
    if (task >= (tasks[batch]?.length ?? 0)) return []
    mentioned[batch] = task + 1
    return [{ batch, task, choice: (entry - batch) / count }]
  })
  tasks.forEach((own, batch) => {
    for (let task = mentioned[batch] ?? 0; task < own.length; task++) entries.push({ batch, task, choice: 0 })
  })
  return entries
}

/**
 * By task of the batch as planned, what has to be begun before it.
 * @param listed the same batch, the same tasks in the order of the line, with what comes after what.
 */
function predecessors(planned: PlanBatch, listed: PlanBatch | undefined): readonly (readonly number[])[] {
  const { comesAfter } = listed ?? planned
  const placeOf = new Map(planned.tasks.map((task, place) => [task, place]))
  return planned.tasks.map((task, place) => {
    const at = listed?.tasks.indexOf(task) ?? -1
    const after = at < 0 ? null : comesAfter?.[at]
    // A chain, and what follows soon: right after the task before it.
    if (!after) return place === 0 ? [] : [place - 1]
    const soon = (planned.tasks[place - 1]?.maxWait ?? null) !== null ? [place - 1] : []
    return [...after.flatMap((other) => placeOf.get(listed?.tasks[other] ?? task) ?? []), ...soon]
  })
}
