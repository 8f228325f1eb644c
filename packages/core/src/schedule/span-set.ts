import type { Span } from './instance.ts'

/** Moments in closed spans, in order and apart from each other. */
export type SpanSet = readonly Span[]

/** These spans, those that meet made one. */
export function spans(list: readonly Span[]): SpanSet {
  const out: { start: number; end: number }[] = []
  for (const { start, end } of list.toSorted((a, b) => a.start - b.start)) {
    const last = out.at(-1)
    if (last && start <= last.end) last.end = Math.max(last.end, end)
    else out.push({ start, end })
  }
  return out
}

/** The first span that has not ended before `moment`. */
function firstFrom(set: SpanSet, moment: number): number {
  let low = 0
  let high = set.length
  while (low < high) {
    const middle = (low + high) >> 1
    if ((set[middle]?.end ?? 0) < moment) low = middle + 1
    else high = middle
  }
  return low
}

/** The earliest moment of the set from `from` on; Infinity when there is none. */
export function earliestIn(set: SpanSet, from: number): number {
  const span = set[firstFrom(set, from)]
  return span ? Math.max(from, span.start) : Number.POSITIVE_INFINITY
}

/** What of the set lies from `from` on, so many spans at most. */
export function within(set: SpanSet, from: number, most: number): SpanSet {
  const first = firstFrom(set, from)
  return set.slice(first, first + most).map((span) => ({ start: Math.max(from, span.start), end: span.end }))
}

/** The moments of `inside` that come `low` to `high` after one of the set. */
export function spread(set: SpanSet, low: number, high: number, inside: SpanSet): SpanSet {
  const reached = spans(set.map(({ start, end }) => ({ start: start + low, end: end + high })))
  const out: Span[] = []
  let at = 0
  for (const span of inside) {
    while ((reached[at]?.end ?? Number.POSITIVE_INFINITY) < span.start) at += 1
    for (let each = at; each < reached.length; each++) {
      const other = reached[each]
      if (!other || other.start > span.end) break
      out.push({ start: Math.max(span.start, other.start), end: Math.min(span.end, other.end) })
    }
  }
  return out
}
