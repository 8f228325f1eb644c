import { regionsMeet } from '../trade/index.ts'
import type { PlanCost, PlanSegment } from './instance.ts'
import type { ScheduleBuilder } from './schedule-builder.ts'
import type { SearchResult } from './search.ts'
import { buildSchedule, inFull, recorder, type TaskSequence } from './task-sequence.ts'

/**
 * Where somebody waits at the desk, a task of a batch in hand that was to come later is taken at once, as long as nothing
 * ends later for it and waits and set-ups do not grow by more than what is done meanwhile. Nobody sits idle beside what
 * could be done, even where the same wait would only come later. Waits are gone through once, in the order of time.
 * @param most so many changes are tried at most. @returns the same plan where there is nothing to fill.
 */
export function fillGaps(builder: ScheduleBuilder, found: SearchResult, most: number): SearchResult {
  let laid = lay(builder, found)
  let tried = 0
  let reached = Number.NEGATIVE_INFINITY
  let filled = found
  for (;;) {
    const gap = laid.gaps.find(({ from }) => from > reached)
    if (!gap || tried >= most) return filled
    const isFilled = tries(builder, laid, gap).some((sequence) => {
      let next = sequence
      for (let round = 0; round <= mostPutOff && tried < most; round++) {
        tried += 1
        const then = lay(builder, { ...found, sequence: next })
        if (fills(then, laid, gap)) {
          laid = then
          filled = { ...found, sequence: then.sequence, cost: then.cost }
          return true
        }
        const early = waitedForEarlier(then, laid)
        if (early.size === 0) return false
        next = putOff(builder, then.sequence, early)
      }
      return false
    })
    // A rest of the gap begins later, and comes next.
    if (!isFilled) reached = gap.from
  }
}

/** So often what would now be waited for a session earlier is put off again. */
const mostPutOff = 3

interface Laid {
  readonly cost: PlanCost
  /** In the order in which it is laid. */
  readonly sequence: TaskSequence
  readonly segments: readonly (PlanSegment & { readonly id: number })[]
  /** In the order of time. */
  readonly gaps: readonly Gap[]
  /** By task the session in which it is begun. */
  readonly sessions: ReadonlyMap<number, number>
}

/** A wait at the desk. */
interface Gap {
  readonly painter: number
  readonly from: number
  readonly to: number
  /** What is waited for. */
  readonly task: number
  readonly session: number
}

function lay(
  builder: ScheduleBuilder,
  { sequence, policy }: Pick<SearchResult, 'sequence' | 'policy'>,
): Laid {
  const { taskAt, tasks, people, opens } = builder.compiled
  const segments: (PlanSegment & { id: number })[] = []
  const sessions = new Map<number, number>()
  const laid = recorder(builder)
  const cost = buildSchedule(builder, sequence, policy, (segment) => {
    laid.record(segment)
    const id = (taskAt[segment.batch] ?? 0) + segment.task
    segments.push({ ...segment, id })
    if (segment.from === 0) sessions.set(id, segment.session)
  })
  const gaps = Array.from({ length: people }, (_, painter): Gap[] => {
    const own = segments.filter((segment) => segment.painter === painter).sort((a, b) => a.start - b.start)
    return own.flatMap((segment, index) => {
      const before = own[index - 1]
      const opensAt = Math.max(0, opens[painter]?.[segment.session] ?? 0)
      const from = before?.session === segment.session ? before.end : opensAt
      return segment.from === 0 && segment.start > from
        ? [{ painter, from, to: segment.start, task: segment.id, session: segment.session }]
        : []
    })
  })
  return {
    cost,
    sequence: inFull(tasks.length, laid.sequence),
    segments,
    gaps: gaps.flat().sort((a, b) => a.from - b.from),
    sessions,
  }
}

/** The tasks that would now be waited for, and were begun in a later session before. */
function waitedForEarlier(then: Laid, now: Laid): ReadonlySet<number> {
  const early = then.gaps.filter(({ task, session }) => session < (now.sessions.get(task) ?? session))
  return new Set(early.map(({ task }) => task))
}

function putOff(
  { compiled, choices }: ScheduleBuilder,
  sequence: TaskSequence,
  early: ReadonlySet<number>,
): TaskSequence {
  const count = compiled.tasks.length
  return sequence.map((entry) =>
    early.has(entry % count) && entry < count * choices ? entry + count * choices : entry,
  )
}

/** So many tasks of a batch, one after the other, are taken forward together at most. */
const longestRun = 3

/**
 * What could be taken before what is waited for: tasks of batches in hand that nothing holds back, the nearest first,
 * each by itself and with those of its batch that come after it.
 */
function tries(builder: ScheduleBuilder, { sequence, segments }: Laid, gap: Gap): readonly TaskSequence[] {
  const { batchOf, tasks, before } = builder.compiled
  const count = tasks.length
  const taskOf = (entry: number) => entry % count
  const at = sequence.findIndex((entry) => taskOf(entry) === gap.task)
  const done = new Set(sequence.slice(0, at).map(taskOf))
  const inHand = new Set([...done].map((task) => batchOf[task] ?? 0))
  const leads = (task: number) =>
    task > 0 && batchOf[task - 1] === batchOf[task] && tasks[task - 1]?.maxWait !== null
  const isReady = (task: number) =>
    inHand.has(batchOf[task] ?? 0) && before[task]?.every((each) => done.has(each)) === true && !leads(task)
  const isDry = (task: number) =>
    segments.every(
      (segment) =>
        segment.batch !== batchOf[task] ||
        segment.from > 0 ||
        segment.start >= gap.to ||
        !regionsMeet(tasks[segment.id]?.regions ?? 'whole', tasks[task]?.regions ?? 'whole') ||
        segment.start + segment.setUp + (tasks[segment.id]?.perModel ?? 0) + (tasks[segment.id]?.wait ?? 0) <
          gap.to,
    )
  return sequence.flatMap((entry, place) => {
    const task = taskOf(entry)
    if (place <= at || !isReady(task) || !isDry(task)) return []
    const later = [...sequence.keys()].filter(
      (each) => each > place && batchOf[taskOf(sequence[each] ?? 0)] === batchOf[task],
    )
    return Array.from({ length: longestRun }, (_, more) => [place, ...later.slice(0, more)])
      .filter((run, more) => run.length === more + 1)
      .map((run) => forward(sequence, run, at))
  })
}

function forward(sequence: TaskSequence, run: readonly number[], at: number): TaskSequence {
  const taken = new Set(run)
  return [
    ...sequence.slice(0, at),
    ...run.map((place) => sequence[place] ?? 0),
    ...sequence.filter((_, place) => place >= at && !taken.has(place)),
  ]
}

/** Whether more of a wait is worked in than waits and set-ups grow by. */
function fills(next: Laid, now: Laid, gap: Gap): boolean {
  const beside = ({ cost }: Laid) => cost.exposed + cost.setUpSeconds
  const waits = next.gaps.filter(
    ({ painter, from, to }) => painter === gap.painter && from < gap.to && to > gap.from,
  )
  const left = waits.reduce((sum, { from, to }) => sum + Math.min(to, gap.to) - Math.max(from, gap.from), 0)
  const gained = gap.to - gap.from - left - Math.max(0, beside(next) - beside(now))
  return (
    Number.isFinite(next.cost.finish) &&
    next.cost.finish <= now.cost.finish &&
    next.cost.late <= now.cost.late &&
    next.cost.pressed <= now.cost.pressed &&
    gained > 0
  )
}
