import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { unit } from '../testing/builders.ts'
import { batchSizesText, largestBatchSize, splitIntoBatches } from './batches.ts'

describe('splitIntoBatches', () => {
  it('makes as few batches as it takes, as equal as can be', () => {
    expect(batchSizesText(splitIntoBatches({ units: [unit('a', 12)] }, 5))).toBe('4 · 4 · 4')
    expect(batchSizesText(splitIntoBatches({ units: [unit('a', 12)] }, 12))).toBe('12')
    expect(batchSizesText(splitIntoBatches({ units: [unit('a', 7), unit('b', 0), unit('c', 1)] }, 3))).toBe(
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
          const batches = splitIntoBatches({ units }, size)
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
    expect(() => splitIntoBatches({ units: [] }, size)).toThrow(RangeError)
  })

  it('knows the largest size that changes anything', () => {
    expect(largestBatchSize({ units: [unit('a', 3), unit('b', 9)] })).toBe(9)
    expect(largestBatchSize({ units: [] })).toBe(1)
  })
})
