import type { Teamwork } from '../trade/index.ts'
import { handsSeconds, type PlanInstance, type PlanTask } from '../schedule/index.ts'

/**
 * The instance with every task given to one painter where the team works by station (a stage is one painter's, on
 * every batch) or each a batch from start to end: the longest pieces first, each to whoever would be through with
 * it soonest. Tasks that a batch's painter may not do go to the others.
 */
export function shareOut(instance: PlanInstance, teamwork: Teamwork): PlanInstance {
  if (teamwork === 'free' || instance.painters.length < 2) return instance
  const keyOf = (batch: number, task: PlanTask) => (teamwork === 'by-batch' ? batch : task.stage)
  const pieces = new Map<number, PlanTask[]>()
  instance.batches.forEach((batch, index) => {
    for (const task of batch.tasks) {
      const key = keyOf(index, task)
      pieces.set(key, [...(pieces.get(key) ?? []), task])
    }
  })
  const load = instance.painters.map(() => 0)
  const hours = instance.painters.map((painter) => shareOfTime(painter.sessions))
  const ownerOf = new Map<number, number>()
  const work = (tasks: readonly PlanTask[], painter: number) =>
    tasks.reduce(
      (sum, task) =>
        sum +
        (mayDo(task, painter)
          ? task.setUp + handsSeconds(task, instance.painters[painter]) * task.models.length
          : 0),
      0,
    )
  const inOrder = [...pieces].sort(([a, some], [b, others]) => total(others) - total(some) || a - b)
  for (const [key, tasks] of inOrder) {
    const able = instance.painters.map((_, painter) => tasks.filter((task) => mayDo(task, painter)).length)
    // Who may do less than half of it is asked only where nobody may do more.
    const needed = Math.min(tasks.length / 2, Math.max(...able))
    let best = 0
    let bestEnd = Number.POSITIVE_INFINITY
    instance.painters.forEach((_, painter) => {
      const end = ((load[painter] ?? 0) + work(tasks, painter)) / (hours[painter] ?? 1)
      if ((able[painter] ?? 0) < needed || end >= bestEnd) return
      best = painter
      bestEnd = end
    })
    ownerOf.set(key, best)
    load[best] = (load[best] ?? 0) + work(tasks, best)
  }
  return {
    ...instance,
    batches: instance.batches.map((batch, index) => ({
      ...batch,
      tasks: batch.tasks.map((task) => {
        const owner = ownerOf.get(keyOf(index, task)) ?? 0
        return mayDo(task, owner) ? { ...task, painters: [owner] } : task
      }),
    })),
  }
}

function mayDo(task: PlanTask, painter: number): boolean {
  return task.painters === null || task.painters.includes(painter)
}

function total(tasks: readonly PlanTask[]): number {
  return tasks.reduce((sum, task) => sum + task.perModel * task.models.length, 0)
}

/** How much of the calendar a painter is at the desk, from the first to the last session known. */
function shareOfTime(sessions: PlanInstance['painters'][number]['sessions']): number {
  const [first] = sessions ?? []
  const last = sessions?.at(-1)
  if (!sessions || !first || !last) return 1
  const open = sessions.reduce((sum, session) => sum + session.end - session.start, 0)
  return Math.max(1e-6, open / Math.max(1, last.end))
}
