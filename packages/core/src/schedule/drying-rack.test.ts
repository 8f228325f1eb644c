import fc from 'fast-check'
import { expect, it } from 'vitest'
import { rounds } from '../testing/rounds.ts'
import { sumOf } from './builder-state.ts'
import { addToRack, rackReady } from './drying-rack.ts'

interface Entry {
  readonly from: number
  readonly length: number
  readonly models: number
}

const entry: fc.Arbitrary<Entry> = fc.record({
  from: fc.integer({ min: 0, max: 40 }),
  length: fc.integer({ min: 0, max: 12 }),
  models: fc.integer({ min: 1, max: 3 }),
})

const empty = (entries: number) => ({ rack: new Float64Array(entries * 4), sums: new Float64Array(16) })

/** The same, minute by minute. */
function readyByTheMinute(entries: readonly Entry[], places: number, wanted: Entry): number {
  const used = (moment: number) =>
    entries
      .filter(({ from, length }) => from <= moment && from + length > moment)
      .reduce((sum, { models }) => sum + models, 0)
  for (let start = wanted.from; ; start++) {
    const minutes = Array.from({ length: wanted.length }, (_, minute) => start + minute)
    if (minutes.every((minute) => used(minute) + wanted.models <= places)) return start
  }
}

it('finds the first moment that a look at every minute finds', () => {
  fc.assert(
    fc.property(fc.array(entry, { maxLength: 12 }), entry, (entries, { length: less, ...rest }) => {
      const wanted = { ...rest, length: 1 + less }
      const state = empty(entries.length)
      for (const { from, length, models } of entries) addToRack(state, from, from + length, models)
      const { from, length, models } = wanted
      expect(rackReady(state, 4, from, length, models)).toBe(readyByTheMinute(entries, 4, wanted))
    }),
    { numRuns: rounds(500) },
  )
})

it('is as before once what was put on it is taken away', () => {
  fc.assert(
    fc.property(fc.array(entry, { maxLength: 12 }), entry, (entries, more) => {
      const state = empty(entries.length + 1)
      for (const { from, length, models } of entries) addToRack(state, from, from + length, models)
      const count = state.sums[sumOf.rackBreaks] ?? 0
      const before = state.rack.slice(0, count * 2)
      addToRack(state, more.from, more.from + more.length, more.models)
      addToRack(state, more.from, more.from + more.length, -more.models)
      expect(state.sums[sumOf.rackBreaks]).toBe(count)
      expect(state.rack.slice(0, count * 2)).toEqual(before)
    }),
    { numRuns: rounds(500) },
  )
})
