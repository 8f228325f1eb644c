import type { PlanCost, PlanInstance, PlanSegment } from './instance.ts'
import type { SplitPolicy } from './place-finder.ts'
import type { Choice, ScheduleBuilder } from './schedule-builder.ts'

/**
 * A plan as an order of tasks, numbered through all batches. An entry is the task, plus the number of tasks times the choice
 * of who does it and how.
 */
export type TaskSequence = readonly number[]

export const taskCount = ({ batches }: Pick<PlanInstance, 'batches'>): number =>
  batches.reduce((sum, batch) => sum + batch.tasks.length, 0)

/** By batch the number of its first task. */
export function firstTasks({ batches }: Pick<PlanInstance, 'batches'>): number[] {
  let tasks = 0
  return batches.map((batch) => {
    const first = tasks
    tasks += batch.tasks.length
    return first
  })
}

export const sequenceEntry = (tasks: number, task: number, choice: Choice): number => task + tasks * choice

/** The same sequence with everything begun as soon as it can be. */
export function withNothingPutOff(
  { compiled, choices }: ScheduleBuilder,
  sequence: TaskSequence,
): TaskSequence {
  const most = compiled.tasks.length * choices
  return sequence.map((entry) => entry % most)
}

/** Entries that may not begin yet, in the order in which they came. */
export type Owed = number[]

/**
 * Times for a sequence. A task that may not begin yet waits until it may, and everything else keeps its order; what has to
 * follow soon is pulled forward.
 */
export function buildSchedule(
  builder: ScheduleBuilder,
  sequence: TaskSequence,
  policy: SplitPolicy,
  record?: (segment: PlanSegment) => void,
): PlanCost {
  builder.reset(policy, record)
  const owed: Owed = []
  for (const entry of sequence) if (!layEntry(builder, entry, owed)) break
  return builder.cost()
}

/** Lays what a sequence has next, and whatever it was that had to wait for it; false when something found no place. */
export function layEntry(builder: ScheduleBuilder, entry: number, owed: Owed): boolean {
  const tasks = builder.compiled.tasks.length
  const task = entry % tasks
  if (builder.isLaid(task)) return true
  if (!builder.mayBegin(task)) {
    owed.push(entry)
    return true
  }
  if (!builder.lay(task, (entry - task) / tasks)) return false
  return owed.length === 0 || settle(builder, owed)
}

function settle(builder: ScheduleBuilder, owed: Owed): boolean {
  const tasks = builder.compiled.tasks.length
  for (let at = 0; at < owed.length;) {
    const entry = owed[at] ?? 0
    const task = entry % tasks
    if (builder.isLaid(task)) {
      owed.splice(at, 1)
    } else if (builder.mayBegin(task)) {
      owed.splice(at, 1)
      if (!builder.place(task, (entry - task) / tasks)) return false
      // What waited longest comes first.
      at = 0
    } else at += 1
  }
  return true
}

/** A sequence with what is missing at its end. */
export function inFull(tasks: number, sequence: TaskSequence): TaskSequence {
  const named = new Uint8Array(tasks)
  for (const entry of sequence) named[entry % tasks] = 1
  const missing = Array.from(named, (is, task) => (is === 1 ? -1 : task)).filter((task) => task >= 0)
  return [...sequence, ...missing]
}

/** Writes down what is laid, by whom and how, in the order in which it is: laying that gives the same plan. */
export function recorder({ compiled, choices }: ScheduleBuilder): {
  readonly sequence: number[]
  readonly record: (segment: PlanSegment) => void
} {
  const { tasks, taskAt, people } = compiled
  const sequence: number[] = []
  return {
    sequence,
    record: ({ batch, task, way, painter, from, putOff }) => {
      if (from > 0) return
      const who = 1 + way * people + painter
      sequence.push(sequenceEntry(tasks.length, (taskAt[batch] ?? 0) + task, putOff ? who + choices : who))
    },
  }
}

/** Tasks by the batches whose next they are, each batch in the order of its list; what is not named comes at the end. */
export function inTurn(instance: Pick<PlanInstance, 'batches'>, batches: readonly number[]): TaskSequence {
  const next = firstTasks(instance)
  const named = batches.map((batch) => {
    const task = next[batch] ?? 0
    next[batch] = task + 1
    return task
  })
  return inFull(taskCount(instance), named)
}
