import type { Desk } from './desk.ts'
import type { FreeOrder } from './free-order.ts'
import type { PlanCost, PlanSegment } from './instance.ts'
import { layRow } from './row.ts'
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
 * ends later for it and it does not cost more in set-ups than it saves in waiting. Nobody sits idle beside what could be
 * done, even where the same wait would only come later.
 * @param most so many changes are tried at most. @returns the same plan where there is nothing to fill.
 */
export function fillGaps(
  desk: Desk,
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
  for (let gap = 0; gap < laid.gaps.length;) {
    const at = laid.gaps[gap] ?? 0
    const filled = tries(sequenceOf(best, count), best, frees, at, count).find(({ sequence, orders }) => {
      tried += 1
      if (tried > most) return false
      const next: FoundSequence = { ...best, row: sequence.entries, orders }
      const then = lay(desk, work, next)
      if (!isBetter(then, laid)) return false
      best = { ...next, cost: then.cost }
      laid = then
      return true
    })
    if (tried > most) break
    // What was filled may leave a rest of the gap, or open one before it.
    gap = filled ? 0 : gap + 1
  }
  return best === whole ? found : best
}

interface Laid {
  readonly cost: PlanCost
  /** When all tasks begin, together. */
  readonly starts: number
  /** The places in the row of what somebody waits for, in the order of time. */
  readonly gaps: readonly number[]
}

function lay(desk: Desk, work: Mutable, { row, policy, orders }: FoundSequence): Laid {
  const { batches, painters } = work.instance
  orders.forEach((order, batch) => work.set(batch, order))
  const segments: PlanSegment[] = []
  const cost = layRow(desk, batches.length, row, policy, (segment) => segments.push(segment))
  const places = placesOf(row, batches.length)
  const gaps = painters.flatMap(({ sessions }, painter) => {
    const own = segments.filter((each) => each.painter === painter).sort((a, b) => a.start - b.start)
    return own.flatMap((segment, index) => {
      const before = own[index - 1]
      const from =
        before?.session === segment.session
          ? before.end
          : (sessions?.[segment.session]?.start ?? segment.start)
      const place = places[segment.batch]?.[segment.task]
      return segment.from === 0 && segment.start > from && place !== undefined
        ? [{ place, start: segment.start }]
        : []
    })
  })
  return {
    cost,
    starts: segments.reduce((sum, each) => sum + each.start, 0),
    gaps: gaps.sort((a, b) => a.start - b.start).map((each) => each.place),
  }
}

/** By batch, where in the row each of its tasks is mentioned. */
function placesOf(row: readonly number[], batches: number): readonly number[][] {
  const places = Array.from({ length: batches }, (): number[] => [])
  row.forEach((entry, place) => places[entry % batches]?.push(place))
  return places
}

/** What could be taken before what stands at a place: tasks of batches in hand that nothing holds back, the nearest first. */
function tries(
  { entries, tasks }: Sequence,
  { orders }: FoundSequence,
  frees: readonly FreeOrder[],
  at: number,
  count: number,
): readonly { readonly sequence: Sequence; readonly orders: FoundSequence['orders'] }[] {
  const done = Array.from({ length: count }, (): number[] => [])
  for (let place = 0; place < at; place++) done[(entries[place] ?? 0) % count]?.push(tasks[place] ?? 0)
  const ready = done.map((own, batch) => new Set(own.length > 0 ? frees[batch]?.ready(own) : []))
  return entries.flatMap((entry, place) => {
    const batch = entry % count
    if (place <= at || !ready[batch]?.has(tasks[place] ?? 0)) return []
    const moved = {
      entries: [...entries.slice(0, at), entry, ...entries.slice(at, place), ...entries.slice(place + 1)],
      tasks: [...tasks.slice(0, at), tasks[place] ?? 0, ...tasks.slice(at, place), ...tasks.slice(place + 1)],
    }
    const renewed = [...orders]
    renewed[batch] = frees[batch]?.nearest(ownOrder(moved, batch, count)) ?? []
    return [{ sequence: settled(moved, renewed, count), orders: renewed }]
  })
}

function isBetter(next: Laid, now: Laid): boolean {
  const beside = (cost: PlanCost) => cost.exposed + cost.setUpSeconds
  const saved = beside(now.cost) - beside(next.cost)
  return (
    Number.isFinite(next.cost.finish) &&
    next.cost.finish <= now.cost.finish &&
    next.cost.late <= now.cost.late &&
    next.cost.pressed <= now.cost.pressed &&
    (saved > 0 || (saved === 0 && next.starts < now.starts))
  )
}
