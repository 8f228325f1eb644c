import { regionsMeet } from '../trade/index.ts'
import { choicesOf, type ScheduleBuilder } from './schedule-builder.ts'
import type { FreeOrder } from './free-order.ts'
import type { PlanCost, PlanInstance, PlanSegment, PlanTask } from './instance.ts'
import { buildSchedule } from './task-sequence.ts'
import {
  inFull,
  ownOrder,
  sequenceOf,
  settled,
  type FoundSequence,
  type Mutable,
  type Sequence,
} from './sequence.ts'

/**
 * Where somebody waits at the desk, a task of a batch in hand that was to come later is taken at once, as long as nothing
 * ends later for it and waits and set-ups do not grow by more than what is done meanwhile. Nobody sits idle beside what
 * could be done, even where the same wait would only come later. Waits are gone through once, in the order of time.
 * @param most so many changes are tried at most. @returns the same plan where there is nothing to fill.
 */
export function fillGaps(
  desk: ScheduleBuilder,
  work: Mutable,
  frees: readonly FreeOrder[],
  found: FoundSequence,
  most: number,
): FoundSequence {
  const count = work.instance.batches.length
  const whole = inFull(desk, work, found)
  let best = whole
  let laid = lay(desk, work, best)
  let tried = 0
  let reached = Number.NEGATIVE_INFINITY
  for (;;) {
    const gap = laid.gaps.find(({ from }) => from > reached)
    if (!gap || tried >= most) break
    const isDry = dryWithin(gap, laid, work)
    const filled = tries(sequenceOf(best, count), best, frees, gap.place, count, isDry).some(
      ({ sequence, orders }) => {
        let next: FoundSequence = { ...best, row: sequence.entries, orders }
        for (let round = 0; round <= mostPutOff && tried < most; round++) {
          tried += 1
          const then = lay(desk, work, next)
          if (fills(then, laid, gap)) {
            best = { ...next, cost: then.cost }
            laid = then
            return true
          }
          const early = waitedForEarlier(then, laid)
          if (early.length === 0) return false
          next = { ...next, row: putOff(work.instance, next.row, early) }
        }
        return false
      },
    )
    // A rest of the gap begins later, and comes next.
    if (!filled) reached = gap.from
  }
  return best === whole ? found : best
}

/** So often what would now be waited for a session earlier is put off again. */
const mostPutOff = 3

interface Laid {
  readonly cost: PlanCost
  /** In the order of time. */
  readonly gaps: readonly Gap[]
  readonly laid: readonly { readonly segment: PlanSegment; readonly task: PlanTask }[]
  /** By batch and task of its own list, the session in which it is begun. */
  readonly sessions: ReadonlyMap<string, number>
}

/** A wait at the desk. */
interface Gap {
  readonly painter: number
  readonly from: number
  readonly to: number
  /** Where in the row that stands which is waited for. */
  readonly place: number
  /** What is waited for, as in `sessions`. */
  readonly key: string
  readonly session: number
}

function lay(desk: ScheduleBuilder, work: Mutable, { row, policy, orders }: FoundSequence): Laid {
  const { batches, painters } = work.instance
  orders.forEach((order, batch) => work.set(batch, order))
  const laid: { segment: PlanSegment; task: PlanTask }[] = []
  const sessions = new Map<string, number>()
  const keyOf = ({ batch, task }: PlanSegment) => `${String(batch)} ${String(orders[batch]?.[task])}`
  const cost = buildSchedule(desk, batches.length, row, policy, (segment) => {
    const task = batches[segment.batch]?.tasks[segment.task]
    if (task) laid.push({ segment, task })
    if (segment.from === 0) sessions.set(keyOf(segment), segment.session)
  })
  const places = placesOf(row, batches.length)
  const gaps = painters.flatMap(({ sessions: hours }, painter) => {
    const own = laid
      .flatMap(({ segment }) => (segment.painter === painter ? [segment] : []))
      .sort((a, b) => a.start - b.start)
    return own.flatMap((segment, index) => {
      const before = own[index - 1]
      const from =
        before?.session === segment.session ? before.end : (hours?.[segment.session]?.start ?? segment.start)
      const place = places[segment.batch]?.[segment.task]
      return segment.from === 0 && segment.start > from && place !== undefined
        ? [{ painter, from, to: segment.start, place, key: keyOf(segment), session: segment.session }]
        : []
    })
  })
  return { cost, gaps: gaps.sort((a, b) => a.from - b.from), laid, sessions }
}

/** Where in the row that stands which would now be waited for, and was begun in a later session before. */
function waitedForEarlier(then: Laid, now: Laid): readonly number[] {
  return then.gaps.flatMap(({ key, session, place }) =>
    session < (now.sessions.get(key) ?? session) ? [place] : [],
  )
}

function putOff(
  instance: PlanInstance,
  row: readonly number[],
  places: readonly number[],
): readonly number[] {
  const by = instance.batches.length * choicesOf(instance)
  return row.map((entry, place) => (places.includes(place) && entry < by ? entry + by : entry))
}

/** Whether a task, by its place in the batch's own list, could be begun on its first model before a wait is over. */
function dryWithin({ to }: Gap, { laid }: Laid, work: Mutable) {
  const before = laid.filter(({ segment }) => segment.from === 0 && segment.start < to)
  return (batch: number, task: number) => {
    const wanted = work.instance.batches[batch]?.tasks[work.orderOf(batch).indexOf(task)]
    return before.every(
      ({ segment, task: below }) =>
        segment.batch !== batch ||
        !regionsMeet(below.regions, wanted?.regions ?? 'whole') ||
        segment.start + segment.setUp + below.perModel + below.wait < to,
    )
  }
}

/** By batch, where in the row each of its tasks is mentioned. */
function placesOf(row: readonly number[], batches: number): readonly number[][] {
  const places = Array.from({ length: batches }, (): number[] => [])
  row.forEach((entry, place) => places[entry % batches]?.push(place))
  return places
}

/** So many tasks of a batch, one after the other, are taken forward together at most. */
const longestRun = 3

/**
 * What could be taken before what stands at a place: tasks of batches in hand that nothing holds back, the nearest first,
 * each by itself and with those of its batch that come after it.
 */
function tries(
  { entries, tasks }: Sequence,
  { orders }: FoundSequence,
  frees: readonly FreeOrder[],
  at: number,
  count: number,
  isDry: (batch: number, task: number) => boolean,
): readonly { readonly sequence: Sequence; readonly orders: FoundSequence['orders'] }[] {
  const done = Array.from({ length: count }, (): number[] => [])
  for (let place = 0; place < at; place++) done[(entries[place] ?? 0) % count]?.push(tasks[place] ?? 0)
  const ready = done.map((own, batch) => new Set(own.length > 0 ? frees[batch]?.ready(own) : []))
  return entries.flatMap((entry, place) => {
    const batch = entry % count
    const task = tasks[place] ?? 0
    if (place <= at || !ready[batch]?.has(task) || !isDry(batch, task)) return []
    const later = entries.flatMap((each, index) => (index > place && each % count === batch ? [index] : []))
    return Array.from({ length: longestRun }, (_, more) => [place, ...later.slice(0, more)])
      .filter((run, more) => run.length === more + 1)
      .map((run) => {
        const moved = {
          entries: forward(entries, run, at),
          tasks: forward(tasks, run, at),
        }
        const renewed = [...orders]
        renewed[batch] = frees[batch]?.nearest(ownOrder(moved, batch, count)) ?? []
        return { sequence: settled(moved, renewed, count), orders: renewed }
      })
  })
}

function forward(row: readonly number[], run: readonly number[], at: number): readonly number[] {
  const taken = new Set(run)
  return [
    ...row.slice(0, at),
    ...run.map((place) => row[place] ?? 0),
    ...row.filter((_, place) => place >= at && !taken.has(place)),
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
