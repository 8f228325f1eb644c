import type { PlanCost, PlanInstance } from './instance.ts'
import type { SplitPolicy } from './place-finder.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import { inFull, type TaskSequence } from './task-sequence.ts'

/** Seconds a painter would rather wait than open another pot for. */
const patience = 300
/** So many of the next tasks are looked at by somebody who would have to wait. */
const lookedAt = 10

/** Lays a sequence as somebody keeps to it who has eyes. */
export type SequenceFollower = (policy: SplitPolicy) => PlanCost

/**
 * A sequence, followed by a rule instead of to the letter: who would have to wait for what comes next takes the first of the
 * tasks after it that can be begun, as far as the batch allows that order. What has to follow soon comes right after its
 * task, late if need be: coming late is worse paint, but no reason never to finish.
 * @param builder of an instance in which nothing has to follow soon. @param follows by task: 1 where the next of its batch's
 * list has to follow soon.
 */
export function sequenceFollower(
  builder: ScheduleBuilder,
  follows: Uint8Array,
  sequence: TaskSequence,
): SequenceFollower {
  const count = builder.compiled.tasks.length
  const entries = inFull(count, sequence)
  const taskOf = Int32Array.from(entries, (entry) => entry % count)
  const choiceOf = Int32Array.from(entries, (entry) => Math.floor(entry / count))
  const entryOf = new Int32Array(count)
  taskOf.forEach((task, at) => (entryOf[task] = at))

  /** What is done next; −1 when nothing may be. */
  function next(first: number): number {
    let best = -1
    let bestStart = 0
    let painter = 0
    let looked = 0
    for (let at = first; at < count && looked < lookedAt; at++) {
      const task = taskOf[at] ?? 0
      if (!builder.mayBegin(task)) continue
      const isHeld = task > 0 && follows[task - 1] === 1 && !builder.isLaid(task - 1)
      if (isHeld) continue
      const place = builder.peek(task, choiceOf[at])
      if (best < 0) {
        best = at
        if (!place) return best
        bestStart = place.start
        painter = place.painter
      } else if (place?.painter === painter && place.start < bestStart - patience) {
        best = at
        bestStart = place.start
      }
      if (bestStart <= builder.free(painter) + patience) return best
      looked += 1
    }
    return best
  }

  return (policy) => {
    builder.reset(policy)
    let first = 0
    let owed = -1
    for (;;) {
      while (first < count && builder.isLaid(taskOf[first] ?? 0)) first += 1
      if (first >= count) break
      const at = owed >= 0 ? owed : next(first)
      const task = taskOf[at]
      if (task === undefined || !builder.place(task, choiceOf[at])) break
      owed = follows[task] === 1 ? (entryOf[task + 1] ?? -1) : -1
    }
    return builder.cost()
  }
}

/** By task: 1 where the next of its batch has to follow soon. */
export function followsSoon({ batches }: Pick<PlanInstance, 'batches'>): Uint8Array {
  return Uint8Array.from(
    batches.flatMap(({ tasks }) =>
      tasks.map((task, index) => (task.maxWait !== null && index + 1 < tasks.length ? 1 : 0)),
    ),
  )
}
