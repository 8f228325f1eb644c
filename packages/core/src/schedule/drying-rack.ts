import { type BuilderState, sumOf } from './builder-state.ts'

type Rack = Pick<BuilderState, 'rack' | 'sums'>

/** Models on the rack: added from a moment to another, and taken away again by adding less than none. */
export function addToRack({ rack, sums }: Rack, from: number, until: number, models: number): void {
  if (until <= from) return
  const first = breakAt(rack, sums, from)
  const end = breakAt(rack, sums, until)
  for (let at = first; at < end; at++) rack[at * 2 + 1] = (rack[at * 2 + 1] ?? 0) + models
  // Where nothing changes any more there is no break: what is taken away leaves nothing behind.
  join(rack, sums, end)
  join(rack, sums, first)
}

/** The first moment from `from` on at which `models` more find a place for `length`, with `places` in all. */
export function rackReady(
  { rack, sums }: Rack,
  places: number,
  from: number,
  length: number,
  models: number,
): number {
  const count = sums[sumOf.rackBreaks] ?? 0
  const most = places - models
  let start = from
  for (let at = Math.max(0, lastUpTo(rack, count, from)); at < count; at++) {
    if ((rack[at * 2] ?? 0) >= start + length) break
    const until = at + 1 < count ? (rack[at * 2 + 2] ?? 0) : Number.POSITIVE_INFINITY
    if ((rack[at * 2 + 1] ?? 0) > most && until > start && until !== Number.POSITIVE_INFINITY) start = until
  }
  return start
}

/** The last break that is not after a moment; −1 where there is none. */
function lastUpTo(rack: Float64Array, count: number, moment: number): number {
  let low = 0
  let high = count
  while (low < high) {
    const middle = (low + high) >> 1
    if ((rack[middle * 2] ?? 0) <= moment) low = middle + 1
    else high = middle
  }
  return low - 1
}

/** The place of the break at a moment, which is made where there is none. */
function breakAt(rack: Float64Array, sums: Float64Array, moment: number): number {
  const count = sums[sumOf.rackBreaks] ?? 0
  const before = lastUpTo(rack, count, moment)
  if (before >= 0 && rack[before * 2] === moment) return before
  const at = before + 1
  rack.copyWithin(at * 2 + 2, at * 2, count * 2)
  rack[at * 2] = moment
  rack[at * 2 + 1] = before < 0 ? 0 : (rack[before * 2 + 1] ?? 0)
  sums[sumOf.rackBreaks] = count + 1
  return at
}

function join(rack: Float64Array, sums: Float64Array, at: number): void {
  const before = at === 0 ? 0 : (rack[at * 2 - 1] ?? 0)
  if (rack[at * 2 + 1] !== before) return
  const count = sums[sumOf.rackBreaks] ?? 0
  rack.copyWithin(at * 2, at * 2 + 2, count * 2)
  sums[sumOf.rackBreaks] = count - 1
}
