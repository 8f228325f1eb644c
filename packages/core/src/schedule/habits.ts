import type { PlanInstance } from './instance.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import { inFull, sequenceEntry, type TaskSequence } from './task-sequence.ts'

/**
 * Hand habit: finish a batch, then the next; begun batches first. Several painters each take a whole batch,
 * and the next one when they are through with it.
 */
export function batchByBatch(builder: ScheduleBuilder): TaskSequence {
  const { instance, taskAt, tasks, people } = builder.compiled
  if (people === 1) return oneAfterTheOther(builder)
  const tasksOf = (batch: number) => range(taskAt[batch] ?? 0, taskAt[batch + 1] ?? 0)
  const order = beginningOrder(instance)
  const sequence: number[] = []
  const waiting = order.filter((batch) => tasksOf(batch).length > 0)
  const inWork: number[][] = instance.painters.map(() => [])
  builder.reset('fill')
  for (;;) {
    let best: { painter: number; task: number; start: number } | null = null
    for (const [painter, own] of inWork.entries()) {
      const following = own.length === 0 ? waiting.shift() : undefined
      if (following !== undefined) own.push(...tasksOf(following))
      const [task] = own
      if (task === undefined) continue
      const start = builder.peek(task, 1 + painter)?.start ?? Number.POSITIVE_INFINITY
      if (best === null || start < best.start) best = { painter, task, start }
    }
    if (best === null) return sequence
    sequence.push(sequenceEntry(tasks.length, best.task, 1 + best.painter))
    inWork[best.painter]?.shift()
    if (!builder.place(best.task, 1 + best.painter)) return inFull(tasks.length, sequence)
  }
}

/** Each batch in full before the next, every task by whoever is through with it first; begun batches first. */
export function oneAfterTheOther({ compiled }: ScheduleBuilder): TaskSequence {
  const { instance, taskAt } = compiled
  return beginningOrder(instance).flatMap((batch) => range(taskAt[batch] ?? 0, taskAt[batch + 1] ?? 0))
}

/** Hand habit: every stage over everything that may be in hand together, before the next stage. */
export function stageByStage(builder: ScheduleBuilder): TaskSequence {
  return stageByStageInGroups(builder, builder.compiled.instance.batches.length)
}

/**
 * Stage by stage over groups of at most `size` batches (fewer where fewer may be in hand), one group after the
 * other. What has to follow soon follows at once.
 */
export function stageByStageInGroups({ compiled }: ScheduleBuilder, size: number): TaskSequence {
  const { instance, taskAt } = compiled
  const begun = instance.batches.filter((batch) => batch.begun).length
  const most = Math.max(1, Math.min(size, instance.inHandAtMost ?? size))
  const first = Math.max(most, begun)
  const tasks = beginningOrder(instance).flatMap((batch, position) => {
    const group = position < first ? 0 : 1 + Math.floor((position - first) / most)
    let stage = 0
    let follows = false
    return (instance.batches[batch]?.tasks ?? []).map((own, index) => {
      stage = follows ? stage : own.stage
      follows = own.maxWait !== null
      return { task: (taskAt[batch] ?? 0) + index, stage, group, position }
    })
  })
  tasks.sort((a, b) => a.group - b.group || a.stage - b.stage || a.position - b.position || a.task - b.task)
  return tasks.map(({ task }) => task)
}

function range(from: number, to: number): readonly number[] {
  return Array.from({ length: to - from }, (_, index) => from + index)
}

function beginningOrder(instance: PlanInstance): number[] {
  const order = instance.batches.map((_, index) => index)
  const begun = (index: number) => (instance.batches[index]?.begun ? 0 : 1)
  const priority = (index: number) => instance.batches[index]?.priority ?? 0
  const due = (index: number) => instance.batches[index]?.due ?? Number.POSITIVE_INFINITY
  return order.sort(
    (a, b) =>
      begun(a) - begun(b) || priority(b) - priority(a) || (due(a) === due(b) ? 0 : due(a) - due(b)) || a - b,
  )
}
