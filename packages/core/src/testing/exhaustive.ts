import type { PlanInstance, PlanTask } from '../schedule/instance.ts'

/**
 * The best finish, and the least set-up time at that finish, over every order of tasks that is allowed:
 * written for tests, sharing no code with the planner. Only for instances without sessions.
 */
export function bestByForce(instance: PlanInstance): {
  readonly finish: number
  readonly setUpSeconds: number
} {
  const best = { finish: Number.POSITIVE_INFINITY, setUpSeconds: Number.POSITIVE_INFINITY }

  interface State {
    readonly clock: number
    readonly family: number | null
    readonly onPalette: readonly (number | null)[]
    readonly setUpSeconds: number
    /** By batch the tasks that are done. */
    readonly done: readonly (readonly number[])[]
    /** Everything that is or was wet: batch, model, regions, until. */
    readonly wet: readonly (readonly [number, number, PlanTask['regions'], number])[]
  }

  const visit = (state: State): void => {
    const open = instance.batches.flatMap((batch, index) =>
      (state.done[index] ?? []).length < batch.tasks.length ? [index] : [],
    )
    if (open.length === 0) {
      const finish = Math.max(0, ...state.wet.map((entry) => entry[3]))
      if (finish < best.finish || (finish === best.finish && state.setUpSeconds < best.setUpSeconds)) {
        best.finish = finish
        best.setUpSeconds = state.setUpSeconds
      }
      return
    }
    const started = (index: number) =>
      (state.done[index] ?? []).length > 0 || (instance.batches[index]?.begun ?? false)
    const inHand = open.filter(started).length
    for (const index of open) {
      if (!started(index) && instance.inHandAtMost !== null && inHand >= instance.inHandAtMost) continue
      for (const task of allowed(index, state.done[index] ?? [])) {
        const next = work(state, index, task)
        if (next) visit(next)
      }
    }
  }

  /** What may come next of a batch: the next of its list, or whatever has behind it all that it comes after. */
  const allowed = (index: number, done: readonly number[]): readonly number[] => {
    const { tasks, comesAfter } = instance.batches[index]!
    if (!comesAfter) return [done.length]
    return tasks
      .map((_, task) => task)
      .filter((task) => !done.includes(task) && comesAfter[task]!.every((each) => done.includes(each)))
  }

  /** `null` where the first task comes too late for what it has to follow. */
  const work = (state: State, index: number, place: number): State | null => {
    const task = instance.batches[index]!.tasks[place]!
    const fresh = state.onPalette.includes(task.family) ? task.again : task.setUp
    const setUp = state.family === task.family ? 0 : fresh
    let start = state.clock
    task.models.forEach((model, position) => {
      for (const [batch, wetModel, regions, until] of state.wet) {
        if (batch !== index || wetModel !== model || !overlap(regions, task.regions)) continue
        start = Math.max(start, until - setUp - position * task.perModel)
      }
    })
    const isFirst = (state.done[index] ?? []).length === 0
    for (const { model, by } of (isFirst && instance.batches[index]!.firstBy) || []) {
      const position = task.models.indexOf(model)
      if (position >= 0 && start + setUp + position * task.perModel > by) return null
    }
    const wetNow = task.models.map(
      (model, position) =>
        [index, model, task.regions, start + setUp + (position + 1) * task.perModel + task.wait] as const,
    )
    return {
      clock: start + setUp + task.models.length * task.perModel,
      family: task.family,
      onPalette: [...state.onPalette, task.family],
      setUpSeconds: state.setUpSeconds + setUp,
      done: state.done.map((done, position) => (position === index ? [...done, place] : done)),
      wet: [...state.wet, ...wetNow],
    }
  }

  const wet = instance.batches.flatMap((batch, index) =>
    batch.drying.map((each) => [index, each.model, each.regions, each.readyAt] as const),
  )
  visit({
    clock: 0,
    family: instance.openFamily,
    onPalette: [instance.openFamily],
    setUpSeconds: 0,
    done: instance.batches.map(() => []),
    wet,
  })
  return best
}

function overlap(a: PlanTask['regions'], b: PlanTask['regions']): boolean {
  if (a === 'whole' || b === 'whole') return true
  return new Set([...a, ...b]).size < a.length + b.length
}
