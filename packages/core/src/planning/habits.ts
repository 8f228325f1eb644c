import type { PlanInstance } from './instance.ts'

/** Hand habit: finish a batch, then the next; begun batches first. */
export function batchByBatch(instance: PlanInstance): number[] {
  return beginningOrder(instance).flatMap((batch) => instance.batches[batch]?.tasks.map(() => batch) ?? [])
}

/** Hand habit: every stage over everything that may be in hand together, before the next stage. */
export function stageByStage(instance: PlanInstance): number[] {
  return stageByStageInGroups(instance, instance.batches.length)
}

/** Stage by stage over groups of at most `size` batches (fewer where fewer may be in hand), one group after the other. */
export function stageByStageInGroups(instance: PlanInstance, size: number): number[] {
  const begun = instance.batches.filter((batch) => batch.begun).length
  const most = Math.max(1, Math.min(size, instance.inHandAtMost ?? size))
  const first = Math.max(most, begun)
  const tasks = beginningOrder(instance).flatMap((batch, position) => {
    const group = position < first ? 0 : 1 + Math.floor((position - first) / most)
    return (instance.batches[batch]?.tasks ?? []).map((task) => ({
      batch,
      stage: task.stage,
      group,
      position,
    }))
  })
  tasks.sort((a, b) => a.group - b.group || a.stage - b.stage || a.position - b.position)
  return tasks.map((task) => task.batch)
}

function beginningOrder(instance: PlanInstance): number[] {
  const order = instance.batches.map((_, index) => index)
  const begun = (index: number) => (instance.batches[index]?.begun ? 0 : 1)
  return order.sort((a, b) => begun(a) - begun(b) || a - b)
}
