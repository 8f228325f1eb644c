import { isChain, type PlanBatch, type PlanInstance } from './instance.ts'

/** A task by its batch and its place in it. */
export interface TaskPlace {
  readonly batch: number
  readonly task: number
}

/** The work without some tasks, nor what cannot be done without them, nor what they would have to follow soon. */
export function withoutTasks(
  instance: PlanInstance,
  isLeftOut: (batch: number, task: number) => boolean,
): PlanInstance {
  const gone = instance.batches.map(({ tasks }, batch) => tasks.map((_, task) => isLeftOut(batch, task)))
  for (let before = -1, now = countOf(gone); now !== before; before = now, now = countOf(gone)) {
    instance.batches.forEach((batch, index) => {
      const own = gone[index] ?? []
      batch.tasks.forEach((task, at) => {
        own[at] ||= dependsOn(batch, at).some((earlier) => own[earlier])
        own[at] ||= task.joins.some((joined) => gone[joined]?.includes(true))
      })
      for (let at = batch.tasks.length - 2; at >= 0; at--)
        if (batch.tasks[at]?.maxWait !== null) own[at] ||= own[at + 1] ?? false
    })
  }
  if (countOf(gone) === 0) return instance
  return { ...instance, batches: instance.batches.map((batch, index) => keptOf(batch, gone[index] ?? [])) }
}

const countOf = (gone: readonly (readonly boolean[])[]) =>
  gone.reduce((sum, own) => sum + own.filter(Boolean).length, 0)

function dependsOn(batch: PlanBatch, task: number): readonly number[] {
  return isChain(batch) ? [...batch.tasks.keys()].slice(0, task) : (batch.comesAfter?.[task] ?? [])
}

function keptOf(batch: PlanBatch, gone: readonly boolean[]): PlanBatch {
  const { firstBy, ...rest } = batch
  if (!gone.includes(true)) return batch
  const left = batch.tasks.flatMap((_, task) => (gone[task] === true ? [] : [task]))
  const placeOf = new Map(left.map((task, place) => [task, place]))
  const tasks = left.flatMap((task) => batch.tasks[task] ?? [])
  return {
    ...rest,
    // Nothing follows the last one.
    tasks: tasks.map((task, at) => (at === tasks.length - 1 ? { ...task, maxWait: null } : task)),
    ...(isChain(batch)
      ? {}
      : {
          comesAfter: left.map((task) =>
            (batch.comesAfter?.[task] ?? []).flatMap((earlier) => placeOf.get(earlier) ?? []),
          ),
        }),
    ...(firstBy && gone[0] !== true ? { firstBy } : {}),
  }
}
