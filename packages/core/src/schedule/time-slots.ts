import type { PlanInstance, Span } from './instance.ts'

/** Stretches of a painter's sessions in which a task may lie, in order; by index. */
export interface TimeSlots {
  readonly count: number
  readonly start: Float64Array
  readonly end: Float64Array
  readonly session: Int32Array
  readonly longest: number
}

const always: readonly Span[] = [{ start: 0, end: Number.POSITIVE_INFINITY }]

function sessionsOf(instance: PlanInstance, painter: number): readonly Span[] {
  return instance.painters[painter]?.sessions ?? always
}

/** Where a painter may do what keeps to these windows: the parts of the sessions that lie in one. */
export function slotsOf(instance: PlanInstance, painter: number, windows: number | null): TimeSlots {
  const open = windows === null ? null : (instance.windows[windows] ?? [])
  const start: number[] = []
  const end: number[] = []
  const inSession: number[] = []
  let first = 0
  sessionsOf(instance, painter).forEach((span, session) => {
    if (!open) {
      start.push(span.start)
      end.push(span.end)
      inSession.push(session)
      return
    }
    while (first < open.length && (open[first]?.end ?? 0) <= span.start) first += 1
    for (let at = first; at < open.length; at++) {
      const window = open[at]
      if (!window || window.start >= span.end) break
      start.push(Math.max(span.start, window.start))
      end.push(Math.min(span.end, window.end))
      inSession.push(session)
    }
  })
  return slots(start, end, inSession)
}

/** Stretches of time as slots, each a session of its own. */
export function slotsOfSpans(some: readonly Span[]): TimeSlots {
  return slots(
    some.map((each) => each.start),
    some.map((each) => each.end),
    [...some.keys()],
  )
}

function slots(start: readonly number[], end: readonly number[], session: readonly number[]): TimeSlots {
  return {
    count: start.length,
    start: Float64Array.from(start),
    end: Float64Array.from(end),
    session: Int32Array.from(session),
    longest: start.reduce((most, from, at) => Math.max(most, (end[at] ?? 0) - from), 0),
  }
}

/** The first slot that has not ended at `moment`. */
export function firstSlotAfter({ end, count }: TimeSlots, moment: number): number {
  let low = 0
  let high = count
  while (low < high) {
    const middle = (low + high) >> 1
    if ((end[middle] ?? 0) <= moment) low = middle + 1
    else high = middle
  }
  return low
}

/** Time at the desk, as slots have it. */
export interface OpenTime {
  /** Seconds at the desk before a moment. */
  readonly until: (moment: number) => number
  /** By slot: seconds at the desk before it begins. */
  readonly before: Float64Array
  /** The first moment by which so many seconds have been at the desk; the end of the last slot when there are fewer. */
  readonly when: (seconds: number) => number
}

export function openTime(slots: TimeSlots): OpenTime {
  const before = new Float64Array(slots.count + 1)
  for (let at = 0; at < slots.count; at++) {
    before[at + 1] = (before[at] ?? 0) + (slots.end[at] ?? 0) - (slots.start[at] ?? 0)
  }
  return {
    before,
    until: (moment) => {
      const at = firstSlotAfter(slots, moment)
      return (before[at] ?? 0) + (at < slots.count ? Math.max(0, moment - (slots.start[at] ?? 0)) : 0)
    },
    when: (seconds) => {
      let low = 0
      let high = slots.count
      while (low < high) {
        const middle = (low + high) >> 1
        if ((before[middle + 1] ?? 0) < seconds) low = middle + 1
        else high = middle
      }
      if (low >= slots.count) return slots.end[slots.count - 1] ?? 0
      return (slots.start[low] ?? 0) + seconds - (before[low] ?? 0)
    },
  }
}
