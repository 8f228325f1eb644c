import { handsSeconds, impossiblePair, type PlanInstance, type PlanTask, slotsOf } from '../schedule/index.ts'
import type { Batch, Parts } from '../trade/index.ts'
import { seconds } from '../units/index.ts'
import { techniqueOf } from './build-batches.ts'
import type { PlanProblem } from './plan-notes.ts'
import type { Unplaced } from './unplaced.ts'

/** What an instance was made of. */
interface Planned extends Pick<Parts, 'work' | 'desk'> {
  readonly batches: readonly Batch[]
}

/** Why nothing of it can be planned; `null` where something may. */
export function wholeProblem({ work, batches }: Planned, instance: PlanInstance): PlanProblem | null {
  if (batches.length === 0) return { kind: 'no-models' }
  if (work.line.length === 0) return { kind: 'no-stages' }
  if (instance.batches.every((batch) => batch.tasks.length === 0)) return { kind: 'all-done' }
  if (instance.painters.every((painter) => painter.sessions?.length === 0)) return { kind: 'no-sessions' }
  const circle = joinedInACircle(instance)
  return circle === null ? null : { kind: 'joined-in-a-circle', unitName: batches[circle]?.unitName ?? '' }
}

/** What finds no place whatever else is planned. */
export function taskProblems(
  { work, desk }: Planned,
  instance: PlanInstance,
  hasSprayWindows: boolean,
): readonly Unplaced[] {
  const nameOf = (task: PlanTask) => work.line[task.stage]?.name ?? ''
  const known = new Map<string, number>()
  const longestSlot = (painter: number, windows: number | null) => {
    const key = `${String(painter)} ${String(windows)}`
    const longest = known.get(key) ?? slotsOf(instance, painter, windows).longest
    known.set(key, longest)
    return longest
  }
  const problemOf = (task: PlanTask): PlanProblem | null => {
    if (task.painters?.length === 0) {
      const stage = work.line[task.stage]
      const technique = (stage && techniqueOf(work, stage)) ?? 'do this'
      return { kind: 'nobody-may', stageName: nameOf(task), technique }
    }
    if (instance.rack !== null && task.onRack && task.models.length > instance.rack)
      return { kind: 'batch-over-rack', models: task.models.length, places: instance.rack }
    const { needed, longest } = roomFor(task, instance, longestSlot)
    if (needed <= longest) return null
    const { sprayHours } = desk
    if (longest === 0 && sprayHours && task.windows === 0)
      return { kind: 'no-session-in-spray-hours', stageName: nameOf(task), ...sprayHours }
    if (task.windows !== null)
      return { kind: 'cannot-all-hold', what: hasSprayWindows && task.windows === 0 ? 'spray-hours' : 'pins' }
    return {
      kind: 'stage-never-fits',
      stageName: nameOf(task),
      neededSeconds: seconds(needed),
      sessionSeconds: seconds(longest),
    }
  }
  return instance.batches.flatMap(({ tasks }, batch) =>
    tasks.flatMap((own, task): readonly Unplaced[] => {
      const pair = impossiblePair(tasks.slice(task, task + 2), 1)
      const problem = problemOf(own) ?? (pair && neverKept(pair, nameOf))
      return problem ? [{ batch, task, problem }] : []
    }),
  )
}

function neverKept(
  { task, after }: NonNullable<ReturnType<typeof impossiblePair>>,
  nameOf: (task: PlanTask) => string,
): PlanProblem {
  return {
    kind: 'wait-never-kept',
    stageName: nameOf(task),
    nextName: nameOf(after),
    leastSeconds: seconds(Math.max(task.wait, after.family === task.family ? 0 : after.setUp)),
    withinSeconds: seconds(task.maxWait ?? 0),
  }
}

/** What a stage needs at least in one piece, and the longest piece of a session somebody has for it. */
function roomFor(
  task: PlanTask,
  instance: PlanInstance,
  longestSlot: (painter: number, windows: number | null) => number,
): { needed: number; longest: number } {
  let best = { needed: Number.POSITIVE_INFINITY, longest: 0 }
  instance.painters.forEach((painter, index) => {
    if (task.painters !== null && !task.painters.includes(index)) return
    const needed = task.setUp + handsSeconds(task, painter)
    const longest = longestSlot(index, task.windows)
    if (longest - needed > best.longest - best.needed) best = { needed, longest }
  })
  return best
}

/** A batch that waits for itself by what is joined; `null` when none does. */
function joinedInACircle(instance: PlanInstance): number | null {
  const state = new Map<number, 'open' | 'done'>()
  const visit = (batch: number): boolean => {
    if (state.get(batch) === 'done') return false
    if (state.get(batch) === 'open') return true
    state.set(batch, 'open')
    const joins = instance.batches[batch]?.tasks.flatMap((task) => task.joins) ?? []
    if (joins.some(visit)) return true
    state.set(batch, 'done')
    return false
  }
  const found = instance.batches.findIndex((_, batch) => visit(batch))
  return found < 0 ? null : found
}
