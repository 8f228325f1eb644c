import { isChain, type PlanBatch, type PlanTask } from './instance.ts'

/** The orders in which the tasks of a batch may be taken. An order is a list of places in the batch's own list. */
export interface FreeOrder {
  /** More than the one order of the list. */
  readonly isFree: boolean
  /** The order nearest to a wanted one that keeps what has to come before what. */
  readonly nearest: (wanted: readonly number[]) => number[]
  /** What may be taken once these are; in the order of the list. What has to follow soon comes right after its task. */
  readonly ready: (done: readonly number[]) => readonly number[]
}

export function freeOrder(batch: PlanBatch): FreeOrder {
  const { tasks, comesAfter } = batch
  const after = tasks.map((_, index) => comesAfter?.[index] ?? (index === 0 ? [] : [index - 1]))
  // What has to follow soon is one block with what it follows, and waits for all that its parts wait for.
  const head = tasks.map((_, index) => {
    let from = index
    while (from > 0 && (tasks[from - 1]?.maxWait ?? null) !== null) from -= 1
    return from
  })
  const before = tasks.map((_, index) =>
    head[index] === index
      ? [
          ...new Set(
            tasks.flatMap((__, other) =>
              head[other] === index ? (after[other] ?? []).filter((each) => head[each] !== index) : [],
            ),
          ),
        ]
      : [index - 1],
  )
  const follows = (index: number) => (tasks[index]?.maxWait ?? null) !== null && index + 1 < tasks.length

  function nearest(wanted: readonly number[]): number[] {
    const order: number[] = []
    const placed = new Uint8Array(tasks.length)
    const left = wanted.filter((index) => head[index] === index)
    while (left.length > 0) {
      const at = left.findIndex((index) => before[index]?.every((each) => placed[each] === 1))
      if (at < 0) break
      let index = left.splice(at, 1)[0] ?? 0
      for (;;) {
        order.push(index)
        placed[index] = 1
        if (!follows(index)) break
        index += 1
      }
    }
    return order
  }

  function ready(done: readonly number[]): readonly number[] {
    const last = done.at(-1)
    if (last !== undefined && follows(last)) return [last + 1]
    const placed = new Set(done)
    return tasks.flatMap((_, index) =>
      !placed.has(index) && head[index] === index && before[index]?.every((each) => placed.has(each))
        ? [index]
        : [],
    )
  }

  const isFree =
    !isChain(batch) &&
    tasks.some((_, index) => head[index] === index && index > 0 && !reaches(before, index, index - 1))
  return { isFree, nearest, ready }
}

/** Whether a task has to come after the one listed right before it, straight or over others. */
function reaches(before: readonly (readonly number[])[], from: number, to: number): boolean {
  const seen = new Set<number>()
  const visit = (index: number): boolean => {
    if (index === to) return true
    if (index < to || seen.has(index)) return false
    seen.add(index)
    return (before[index] ?? []).some(visit)
  }
  return (before[from] ?? []).some(visit)
}

/** The batch with its tasks in another order, and no freedom left. */
export function inOrder(batch: PlanBatch, order: readonly number[]): PlanBatch {
  const tasks = order.flatMap((index): PlanTask[] => {
    const task = batch.tasks[index]
    return task ? [task] : []
  })
  return { ...batch, tasks, comesAfter: null }
}
