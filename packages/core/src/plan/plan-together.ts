import { hereFrom, paintedBy } from '../calendar/due.ts'
import type { BatchTime } from '../estimating/batch-time.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import { atDesk, type Desk } from '../trade/desk.ts'
import type { Project } from '../trade/project.ts'
import type { StageId, UnitId } from '../units/ids.ts'
import type { PlanningInput } from './plan-line.ts'

/**
 * Several jobs at one desk, as one to plan: hours, people and stations are the desk's, whatever each job has; each keeps
 * its batches, its date, what it pinned, put first or holds to its row, and pots are shared by name.
 * @param jobs one at least, those put first before the others.
 */
export function planTogether(desk: Desk, jobs: readonly [PlanningInput, ...PlanningInput[]]): PlanningInput {
  const [first] = jobs
  const projects = jobs.map((input) => input.project)
  const merged = atDesk(first.project, desk)
  const project: Project = {
    ...merged,
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
      ...merged.planning,
      first: projects.flatMap((each) => each.planning.first),
      pins: projects.flatMap((each) => each.planning.pins),
      batches: projects.flatMap((each) => each.planning.batches),
      held: {
        all: projects.every((each) => each.planning.held.all),
        batches: projects.flatMap((each) => each.planning.held.batches),
        stages: projects.flatMap((each) =>
          each.planning.held.all ? each.line.map((stage) => stage.id) : each.planning.held.stages,
        ),
      },
    },
  }
  const times = new Map<StageId, ReadonlyMap<UnitId, BatchTime>>(
    jobs.flatMap((input) => [...(input.times ?? [])]),
  )
  const known = jobs.flatMap((input) => input.progress ?? [])
  const nothing = foldProgress([])
  return {
    ...first,
    project,
    times,
    room: Math.max(...jobs.map((input) => input.room ?? 0)),
    ...(first.shelf
      ? { shelf: new Map(jobs.toReversed().flatMap((input) => [...(input.shelf ?? [])])) }
      : {}),
    progress: {
      ...(first.progress ?? nothing),
      running: known.flatMap((progress) => progress.running).sort((a, b) => a.startedAt - b.startedAt),
      marks: new Map(known.flatMap((progress) => [...progress.marks])),
    },
    batches: jobs.flatMap((input) => splitIntoBatches(input.project, input.split ?? input.project)),
    jobByUnit: new Map(projects.flatMap((each, job) => each.units.map((unit) => [unit.id, job] as const))),
    hereByUnit: new Map(
      projects.flatMap((each) => each.units.map((unit) => [unit.id, hereFrom(each)] as const)),
    ),
    dueByUnit: new Map(
      projects.flatMap((each) => each.units.map((unit) => [unit.id, paintedBy(each)] as const)),
    ),
  }
}
