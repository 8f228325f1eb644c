import { paintedBy } from '../calendar/due.ts'
import type { BatchTime } from '../estimating/batch-time.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import type { Project } from '../trade/project.ts'
import type { StageId, UnitId } from '../units/ids.ts'
import type { PlanningInput } from './plan-line.ts'

/**
 * Several projects at one desk, as one to plan: the painters, hours and wishes are the first one's, with what the
 * others have pinned or put first after its own; each keeps its batches and its date, and pots are shared by name.
 */
export function planTogether(first: PlanningInput, beside: readonly PlanningInput[]): PlanningInput {
  const inputs = [first, ...beside]
  const projects = inputs.map((input) => input.project)
  const { planning } = first.project
  const project: Project = {
    ...first.project,
    units: projects.flatMap((each) => each.units),
    recipes: projects.flatMap((each) => each.recipes),
    line: projects.flatMap((each) => {
      const others = projects.filter((other) => other !== each).flatMap((other) => other.units)
      return each.line.map((stage) => ({
        ...stage,
        notNeededBy: [...stage.notNeededBy, ...others.map((unit) => unit.id)],
      }))
    }),
    planning: {
      ...planning,
      first: projects.flatMap((each) => each.planning.first),
      pins: projects.flatMap((each) => each.planning.pins),
    },
  }
  const times = new Map<StageId, ReadonlyMap<UnitId, BatchTime>>(
    inputs.flatMap((input) => [...(input.times ?? [])]),
  )
  const known = inputs.flatMap((input) => input.progress ?? [])
  const nothing = foldProgress([])
  return {
    ...first,
    project,
    times,
    room: Math.max(...inputs.map((input) => input.room ?? 0)),
    ...(first.shelf
      ? { shelf: new Map(inputs.toReversed().flatMap((input) => [...(input.shelf ?? [])])) }
      : {}),
    progress: {
      ...(first.progress ?? nothing),
      running: known.flatMap((progress) => progress.running).sort((a, b) => a.startedAt - b.startedAt),
      marks: new Map(known.flatMap((progress) => [...progress.marks])),
    },
    batches: inputs.flatMap((input) => splitIntoBatches(input.project, input.split ?? input.project)),
    dueByUnit: new Map(
      projects.flatMap((each) => each.units.map((unit) => [unit.id, paintedBy(each)] as const)),
    ),
  }
}
