import { paintedBy } from '../calendar/index.ts'
import type { BatchTime } from '../estimating/index.ts'
import type { Progress } from '../progress/index.ts'
import { type Desk, splitIntoBatches, type Wishes, type Work } from '../trade/index.ts'
import type { Instant, StageId, UnitId } from '../units/index.ts'
import type { PlanningInput } from './planning-input.ts'

/**
 * Several jobs at one desk, as one to plan: hours, people and stations are the desk's, whatever each job has; each keeps
 * its batches, its date, what it pinned, put first or holds to its row, and pots are shared by name.
 * @param jobs one at least, those put first before the others.
 */
export function planTogether(desk: Desk, jobs: readonly [PlanningInput, ...PlanningInput[]]): PlanningInput {
  const [first] = jobs
  const times = new Map<StageId, ReadonlyMap<UnitId, BatchTime>>(
    jobs.flatMap((input) => [...(input.times ?? [])]),
  )
  return {
    ...first,
    work: oneWork(jobs.map((input) => input.work)),
    desk,
    wishes: oneWish(jobs),
    times,
    room: Math.max(...jobs.map((input) => input.room ?? 0)),
    ...(first.shelf
      ? { shelf: new Map(jobs.toReversed().flatMap((input) => [...(input.shelf ?? [])])) }
      : {}),
    progress: progressTogether(jobs.flatMap((input) => input.progress ?? [])),
    noSpray: first.noSpray ?? [],
    batches: jobs.flatMap(({ work, wishes, split }) =>
      splitIntoBatches({ units: work.units, planning: wishes }, split ?? wishes),
    ),
    jobByUnit: byUnit(jobs, (_, job) => job),
    hereByUnit: new Map(jobs.flatMap((input) => [...(input.hereByUnit ?? [])])),
    dueByUnit: byUnit<Instant | null>(jobs, ({ wishes }) => paintedBy(wishes, desk)),
  }
}

/** What was recorded of all of them; whose last word could be taken back is nobody's question here. */
function progressTogether(jobs: readonly Progress[]): Progress {
  const all = <Item>(of: (progress: Progress) => readonly Item[]) => jobs.flatMap(of)
  return {
    marks: new Map(jobs.flatMap((job) => [...job.marks])),
    running: all((job) => job.running).sort((a, b) => a.startedAt - b.startedAt),
    laps: all((job) => job.laps),
    milestones: all((job) => job.milestones),
    remembered: all((job) => job.remembered),
    went: all((job) => job.went),
    judgements: all((job) => job.judgements),
    used: all((job) => job.used),
    slips: all((job) => job.slips),
    touches: all((job) => job.touches),
    inspections: all((job) => job.inspections),
    latestAt: jobs.reduce<Instant | null>(
      (latest, { latestAt }) => (latestAt !== null && latestAt > (latest ?? 0) ? latestAt : latest),
      null,
    ),
    lastUndoable: null,
    lastUndo: null,
  }
}

/** The lines one after the other, each for its own units alone. */
function oneWork(works: readonly Work[]): Work {
  return {
    units: works.flatMap((each) => each.units),
    recipes: works.flatMap((each) => each.recipes),
    line: works.flatMap((each) => {
      const others = works.filter((other) => other !== each).flatMap((other) => other.units)
      return each.line.map((stage) => ({
        ...stage,
        notNeededBy: [...stage.notNeededBy, ...others.map((unit) => unit.id)],
      }))
    }),
  }
}

/** What is wanted of all of them; each batch knows its own date and size already. */
function oneWish(jobs: readonly PlanningInput[]): Wishes {
  const wishes = jobs.map((input) => input.wishes)
  return {
    dueOn: null,
    handOver: null,
    batchSize: Math.max(...wishes.map((each) => each.batchSize)),
    firstBatch: null,
    batches: wishes.flatMap((each) => each.batches),
    first: wishes.flatMap((each) => each.first),
    pins: wishes.flatMap((each) => each.pins),
    holders: wishes.flatMap((each) => each.holders),
    held: {
      all: wishes.every((each) => each.held.all),
      batches: wishes.flatMap((each) => each.held.batches),
      stages: jobs.flatMap(({ work, wishes: { held } }) =>
        held.all ? work.line.map((stage) => stage.id) : held.stages,
      ),
    },
  }
}

function byUnit<Value>(
  jobs: readonly PlanningInput[],
  valueOf: (input: PlanningInput, job: number) => Value,
): ReadonlyMap<UnitId, Value> {
  return new Map(
    jobs.flatMap((input, job) => input.work.units.map((unit) => [unit.id, valueOf(input, job)] as const)),
  )
}
