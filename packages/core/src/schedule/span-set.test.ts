import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { earliestIn, spans, spread, within, type SpanSet } from './span-set.ts'

const anySpans = fc
  .array(fc.record({ start: fc.integer({ min: 0, max: 40 }), length: fc.integer({ min: 0, max: 6 }) }))
  .map((list) => spans(list.map(({ start, length }) => ({ start, end: start + length }))))

const moments = Array.from({ length: 80 }, (_, moment) => moment)
const holds = (set: SpanSet, moment: number) => set.some(({ start, end }) => start <= moment && moment <= end)

describe('span sets', () => {
  it('lie in order and apart from each other', () => {
    fc.assert(
      fc.property(anySpans, (set) => {
        set.forEach((span, index) => {
          expect(span.end).toBeGreaterThanOrEqual(span.start)
          const next = set[index + 1]
          if (next) expect(next.start).toBeGreaterThan(span.end)
        })
      }),
    )
  })

  it('tell the earliest moment from another one on, moment by moment', () => {
    fc.assert(
      fc.property(anySpans, fc.integer({ min: 0, max: 60 }), (set, from) => {
        const first = moments.find((moment) => moment >= from && holds(set, moment))
        expect(earliestIn(set, from)).toBe(first ?? Number.POSITIVE_INFINITY)
      }),
    )
  })

  it('reach what comes so long after, moment by moment', () => {
    const gap = fc
      .tuple(fc.integer({ min: 0, max: 8 }), fc.integer({ min: 0, max: 8 }))
      .map(([low, more]) => [low, low + more] as const)
    fc.assert(
      fc.property(anySpans, anySpans, gap, (set, inside, [low, high]) => {
        const reached = spread(set, low, high, inside)
        for (const moment of moments.slice(0, 60)) {
          const wanted =
            holds(inside, moment) &&
            moments.some((from) => holds(set, from) && from + low <= moment && moment <= from + high)
          expect(holds(reached, moment)).toBe(wanted)
        }
      }),
    )
  })

  it('are cut where a moment lies', () => {
    const set = spans([
      { start: 0, end: 4 },
      { start: 10, end: 14 },
      { start: 20, end: 24 },
    ])
    expect(within(set, 12, 5)).toEqual([
      { start: 12, end: 14 },
      { start: 20, end: 24 },
    ])
    expect(within(set, 3, 1)).toEqual([{ start: 3, end: 4 }])
  })
})
