import {
  batchByBatch,
  buildSchedule,
  createScheduleBuilder,
  oneAfterTheOther,
  type PlanInstance,
  type PlanTask,
  type TaskPlace,
  type TaskSequence,
  withoutTasks,
} from '../schedule/index.ts'
import type { PlanProblem } from './plan-notes.ts'

/** A task that finds no place, and what stands in its way. */
export interface Unplaced extends TaskPlace {
  readonly problem: PlanProblem
}

/** Whether both hand habits that take longest find room: then whatever is tried does. */
export function isRoomy(instance: PlanInstance): boolean {
  const all = { ...instance, inHandAtMost: null }
  return [[instance, 'whole'] as const, [all, 'fill'] as const].every(([each, policy]) => {
    const desk = createScheduleBuilder(each)
    return Number.isFinite(buildSchedule(desk, batchByBatch(desk), policy).finish)
  })
}

/** One batch after the other with whoever is best at it; `null` where not even that finds room. */
export function plainSequence(instance: PlanInstance): TaskSequence | null {
  const desk = createScheduleBuilder(instance)
  const sequence = oneAfterTheOther(desk)
  return Number.isFinite(buildSchedule(desk, sequence, 'fill').finish) ? sequence : null
}

const hasPlan = (instance: PlanInstance): boolean => isRoomy(instance) || plainSequence(instance) !== null

/**
 * As much of the work as finds a place beside the rest, and what does not: of a batch that does not fit it is left out from what
 * has to be followed soon, sprayed or racked on, else all of it.
 */
export function placeable(
  instance: PlanInstance,
  hasSprayWindows: boolean,
): { readonly instance: PlanInstance; readonly unplaced: readonly Unplaced[] } {
  const kept = new Set<number>()
  const cut = new Map<number, number>()
  const unplaced: Unplaced[] = []
  const only = (more: readonly number[], at = cut): PlanInstance =>
    withoutTasks(
      instance,
      (batch, task) => (!kept.has(batch) && !more.includes(batch)) || task === at.get(batch),
    )
  /** Takes up as many of these as find room beside what is kept: all of them, or the ones and then the others. */
  const add = (batches: readonly number[]): void => {
    if (hasPlan(only(batches))) {
      for (const batch of batches) kept.add(batch)
      return
    }
    const [batch] = batches
    if (batch === undefined) return
    if (batches.length === 1) addPart(batch)
    else {
      add(batches.slice(0, batches.length >> 1))
      add(batches.slice(batches.length >> 1))
    }
  }
  const addPart = (batch: number): void => {
    const problem = conflictOf(only([batch]), hasSprayWindows)
    const tasks = instance.batches[batch]?.tasks ?? []
    const bound = [...tasks.keys()].filter((task) => isBound(tasks[task])).toReversed()
    const from = bound.find((task) => hasPlan(only([batch], new Map([...cut, [batch, task]]))))
    unplaced.push({ batch, task: from ?? 0, problem })
    if (from === undefined) return
    cut.set(batch, from)
    kept.add(batch)
  }
  add([...instance.batches.keys()])
  return { instance: only([]), unplaced }
}

function isBound(task: PlanTask | undefined): boolean {
  return task !== undefined && (task.maxWait !== null || task.windows !== null || task.onRack)
}

/** What stands in the way, as far as it can be told by leaving one thing out at a time. */
export function conflictOf(instance: PlanInstance, hasSprayWindows: boolean): PlanProblem {
  const tasks = (change: (task: PlanTask) => PlanTask): PlanInstance => ({
    ...instance,
    batches: instance.batches.map((batch) => ({ ...batch, tasks: batch.tasks.map(change) })),
  })
  if (isRoomy(tasks((task) => ({ ...task, windows: hasSprayWindows && task.windows === 0 ? 0 : null }))))
    return { kind: 'cannot-all-hold', what: 'pins' }
  if (isRoomy(tasks((task) => ({ ...task, windows: null }))))
    return { kind: 'cannot-all-hold', what: 'spray-hours' }
  if (isRoomy(tasks((task) => ({ ...task, maxWait: null }))))
    return { kind: 'cannot-all-hold', what: 'following' }
  if (isRoomy({ ...instance, rack: null })) return { kind: 'cannot-all-hold', what: 'rack' }
  return { kind: 'too-far-away' }
}
