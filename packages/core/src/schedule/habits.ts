import type { ScheduleBuilder } from './schedule-builder.ts'
import type { PlanInstance } from './instance.ts'
import { sequenceEntry, type TaskSequence } from './task-sequence.ts'

/**
 * Hand habit: finish a batch, then the next; begun batches first. Several painters each take a whole batch,
 * and the next one when they are through with it.
 */
export function batchByBatch(instance: PlanInstance, desk?: ScheduleBuilder): TaskSequence {
  const order = beginningOrder(instance)
  const people = instance.painters.length
  if (people === 1 || !desk) return order.flatMap((batch) => tasksOf(instance, batch).map(() => batch))
  const row: number[] = []
  const waiting = order.filter((batch) => tasksOf(instance, batch).length > 0)
  const inWork: (number | null)[] = instance.painters.map(() => null)
  desk.reset('fill')
  for (;;) {
    let best: { painter: number; start: number } | null = null
    for (let painter = 0; painter < people; painter++) {
      const batch = inWork[painter] ?? waiting.shift() ?? null
      inWork[painter] = batch
      if (batch === null) continue
      const start = desk.peek(batch, 1 + painter)?.start ?? Number.POSITIVE_INFINITY
      if (best === null || start < best.start) best = { painter, start }
    }
    if (best === null) return row
    const batch = inWork[best.painter] ?? 0
    row.push(sequenceEntry(instance, batch, 1 + best.painter))
    if (!desk.place(batch, 1 + best.painter)) return fill(instance, row)
    if (!desk.hasTask(batch)) inWork[best.painter] = null
  }
}

/** Hand habit: every stage over everything that may be in hand together, before the next stage. */
export function stageByStage(instance: PlanInstance): TaskSequence {
  return stageByStageInGroups(instance, instance.batches.length)
}

/**
 * Stage by stage over groups of at most `size` batches (fewer where fewer may be in hand), one group after the
 * other. What has to follow soon follows at once.
 */
export function stageByStageInGroups(instance: PlanInstance, size: number): TaskSequence {
  const begun = instance.batches.filter((batch) => batch.begun).length
  const most = Math.max(1, Math.min(size, instance.inHandAtMost ?? size))
  const first = Math.max(most, begun)
  const tasks = beginningOrder(instance).flatMap((batch, position) => {
    const group = position < first ? 0 : 1 + Math.floor((position - first) / most)
    let stage = 0
    let follows = false
    return tasksOf(instance, batch).map((task) => {
      stage = follows ? stage : task.stage
      follows = task.maxWait !== null
      return { batch, stage, group, position }
    })
  })
  tasks.sort((a, b) => a.group - b.group || a.stage - b.stage || a.position - b.position)
  return tasks.map((task) => task.batch)
}

function tasksOf(instance: PlanInstance, batch: number) {
  return instance.batches[batch]?.tasks ?? []
}

/** A row cut short, with what is missing at its end. */
function fill(instance: PlanInstance, row: readonly number[]): TaskSequence {
  const left = instance.batches.map((batch) => batch.tasks.length)
  for (const entry of row) {
    const batch = entry % left.length
    left[batch] = (left[batch] ?? 0) - 1
  }
  return [...row, ...left.flatMap((count, batch) => Array.from({ length: Math.max(0, count) }, () => batch))]
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
