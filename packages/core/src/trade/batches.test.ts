import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { unit } from '../testing/builders.ts'
import type { Unit } from './project.ts'
import type { BatchId } from '../units/ids.ts'
import {
  batchesMeant,
  batchName,
  batchSizesText,
  largestBatchSize,
  splitIntoBatches,
  type Batch,
} from './batches.ts'

const even = (
  project: { readonly units: readonly Unit[] },
  batchSize: number,
  firstBatch: number | null = null,
) => splitIntoBatches(project, { batchSize, firstBatch })

describe('splitIntoBatches', () => {
  it('takes the pilot first by itself, then a smaller first batch, and keeps the roster order', () => {
    const pikes = unit('a', 12)
    const withPilot = { ...pikes, pilot: [pikes.models[4]!.id] }
    const batches = even({ units: [withPilot] }, 5, 3)
    expect(batches.map((batch) => [batch.models.length, batch.pilot])).toEqual([
      [1, true],
      [3, false],
      [4, false],
      [4, false],
    ])
    expect(batches[1]!.models.map((model) => model.name)).toEqual(['a 1', 'a 2', 'a 3'])
    expect(batchSizesText(even({ units: [unit('b', 3)] }, 5, 3))).toBe('3')
    expect(batchSizesText(even({ units: [unit('b', 9)] }, 2, 6))).toBe('2 · 1 · 2 · 2 · 2')
  })

  it('makes as few batches as it takes, as equal as can be', () => {
    expect(batchSizesText(even({ units: [unit('a', 12)] }, 5))).toBe('4 · 4 · 4')
    expect(batchSizesText(even({ units: [unit('a', 12)] }, 12))).toBe('12')
    expect(batchSizesText(even({ units: [unit('a', 7), unit('b', 0), unit('c', 1)] }, 3))).toBe(
      '2 · 2 · 3 · 1',
    )
  })

  it('takes every model once, in order, and never more than the size', () => {
    fc.assert(
      fc.property(
        fc.array(fc.nat({ max: 40 }), { maxLength: 5 }),
        fc.integer({ min: 1, max: 50 }),
        (counts, size) => {
          const units = counts.map((count, index) => unit(`u${String(index)}`, count))
          const batches = even({ units }, size)
          expect(batches.flatMap((batch) => batch.models)).toEqual(units.flatMap((each) => each.models))
          for (const each of units) {
            const sizes = batches
              .filter((batch) => batch.unitId === each.id)
              .map((batch) => batch.models.length)
            expect(sizes).toHaveLength(Math.ceil(each.models.length / size))
            if (sizes.length > 0) expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1)
            for (const count of sizes) expect(count).toBeLessThanOrEqual(size)
          }
        },
      ),
    )
  })

  it.each([0, -1, 1.5, Number.NaN])('refuses a size of %d', (size) => {
    expect(() => even({ units: [] }, size)).toThrow(RangeError)
  })

  it('knows the largest size that changes anything', () => {
    expect(largestBatchSize({ units: [unit('a', 3), unit('b', 9)] })).toBe(9)
    expect(largestBatchSize({ units: [] })).toBe(1)
  })
})

describe('a batch goes by its models', () => {
  const split = (batchSize: number, units: readonly Unit[] = [unit('a', 12)]) =>
    splitIntoBatches({ units }, { batchSize, firstBatch: null })
  const meant = (id: BatchId, batches: readonly Batch[]) => batchesMeant(id, batches).map((batch) => batch.id)

  it('so that after another split a name means the same models, or nothing', () => {
    const [first, second] = split(4)
    expect(second!.id).toBe('a-5..a-8')
    expect(meant(second!.id, split(4))).toEqual(['a-5..a-8'])
    expect(meant(second!.id, split(2))).toEqual(['a-5..a-6', 'a-7..a-8'])
    expect(meant(second!.id, split(12))).toEqual(['a-1..a-12'])
    expect(meant(second!.id, split(3))).toEqual([])
    expect(meant(first!.id, split(3))).toEqual(['a-1..a-3'])
  })

  it('also when its first model has left, and not when all of them have', () => {
    const pikes = unit('a', 12)
    const [, second] = split(4, [pikes])
    const without = (count: number) => [{ ...pikes, models: pikes.models.toSpliced(4, count) }]
    expect(meant(second!.id, split(12, without(1)))).toEqual(['a-1..a-12'])
    expect(meant(second!.id, split(4, without(4)))).toEqual([])
  })
})

describe('batchName', () => {
  it('counts batches by letters, as no model is, and names a batch alone as its unit', () => {
    const name = (number: number, of = 60) => batchName({ unitName: 'Reed-pikes', number, of })
    expect([1, 2, 26, 27, 52, 53].map((number) => name(number))).toEqual(
      ['A', 'B', 'Z', 'AA', 'AZ', 'BA'].map((letter) => `Reed-pikes ${letter}`),
    )
    expect(name(1, 1)).toBe('Reed-pikes')
  })
})
