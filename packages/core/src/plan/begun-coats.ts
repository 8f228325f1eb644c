import type { FirstBy, PlanTask } from '../schedule/instance.ts'

/** What was put on before the plan begins and has to be followed soon. */
export interface BegunCoat {
  /** Index in the line of the stage that has to follow. */
  readonly stage: number
  /** By position in the batch, seconds until a model has to be taken up at the latest; less than none: it is overdue. */
  readonly byModel: ReadonlyMap<number, number>
}

/** A coat that is past its time is taken up as soon as somebody is there, within so many seconds. */
const atOnce = 300

/**
 * The tasks with those models by themselves that have to be taken up soon, and through all that follows soon after that.
 * @param tasks in the order of the line. @returns the tasks that come before all others, and the rest.
 */
export function begunFirst(
  tasks: readonly PlanTask[],
  coat: BegunCoat,
): { readonly first: readonly PlanTask[]; readonly rest: readonly PlanTask[] } {
  const from = tasks.findIndex((task) => task.stage === coat.stage && task.touchUp === null)
  if (from < 0) return { first: [], rest: tasks }
  let to = from
  while (to + 1 < tasks.length && tasks[to]?.maxWait !== null) to += 1
  const only = (wanted: boolean) => (task: PlanTask) => {
    const models = task.models.filter((model) => coat.byModel.has(model) === wanted)
    return models.length > 0 ? [{ ...task, models }] : []
  }
  const chain = tasks.slice(from, to + 1)
  return {
    first: chain.flatMap(only(true)),
    rest: [...tasks.slice(0, from), ...chain.flatMap(only(false)), ...tasks.slice(to + 1)],
  }
}

/** By when each model of the first task has to be begun. */
export function firstByOf(first: readonly PlanTask[], { byModel }: BegunCoat): readonly FirstBy[] {
  const [task] = first
  return (task?.models ?? []).map((model, place) => ({
    model,
    by: Math.max(byModel.get(model) ?? 0, atOnce + (task?.setUp ?? 0) + place * (task?.perModel ?? 0) * 2),
  }))
}
