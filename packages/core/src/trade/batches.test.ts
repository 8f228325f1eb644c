import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { unit } from '../testing/builders.ts'
import type { Model, Unit } from './job.ts'
import type { KeptBatch } from './wishes.ts'
import type { BatchId, ModelId } from '../units/ids.ts'
import {
  batchIdOf,
  batchesMeant,
  batchName,
  batchSizesText,
  keepBatches,
  keepTogether,
  largestBatchSize,
  markOf,
  partsOfSquads,
  splitIntoBatches,
  type Batch,
} from './batches.ts'

const even = (
  project: { readonly units: readonly Unit[] },
  batchSize: number,
  firstBatch: number | null = null,
) => splitIntoBatches({ ...project, planning: { batches: [] } }, { batchSize, firstBatch })

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
    splitIntoBatches({ units, planning: { batches: [] } }, { batchSize, firstBatch: null })
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

describe('what is kept together', () => {
  const pikes = unit('a', 12)
  const ids = (...numbers: readonly number[]) => numbers.map((number) => pikes.models[number - 1]!.id)
  const sizes = (batches: readonly Batch[]) =>
    batches.map((batch) => `${batch.kept ? '=' : ''}${String(batch.models.length)}`)
  const keep = (batchSize: number, batches: readonly KeptBatch[], units: readonly Unit[] = [pikes]) =>
    splitIntoBatches({ units, planning: { batches } }, { batchSize, firstBatch: null })

  it('stays so whatever the batch size says of the others, in roster order', () => {
    const own = { id: 'own' as BatchId, unitId: pikes.id, modelIds: ids(9, 3, 5) }
    const batches = keep(5, [own])
    expect(sizes(batches)).toEqual(['4', '=3', '5'])
    expect(batches[1]!.models.map((model) => model.name)).toEqual(['a 3', 'a 5', 'a 9'])
    expect(batches.map(batchName)).toEqual(['a A', 'a B', 'a C'])
    expect(sizes(keep(12, [own]))).toEqual(['9', '=3'])
  })

  it('is what was begun, under the name it had, when the batch size changes', () => {
    const all = keep(4, [])
    const begun = all[1]!
    const batches = keepBatches([], all, (batch) => batch === begun)
    expect(batches).toEqual([{ id: begun.id, unitId: pikes.id, modelIds: ids(5, 6, 7, 8) }])
    const after = keep(8, batches)
    expect(sizes(after)).toEqual(['8', '=4'])
    expect(batchesMeant(begun.id, after).map((batch) => batch.models)).toEqual([begun.models])
  })

  it('lets a pilot go by itself, and does not miss a model that has left', () => {
    const own = { id: 'own' as BatchId, unitId: pikes.id, modelIds: [...ids(1, 2, 3), 'gone' as ModelId] }
    expect(sizes(keep(12, [own], [{ ...pikes, pilot: ids(2) }]))).toEqual(['1', '=2', '9'])
    const all = { ...own, modelIds: ['gone' as ModelId] }
    expect(sizes(keep(12, [all]))).toEqual(['12'])
  })

  it('takes a model out of the batch that held it, and gives no batch the name of another', () => {
    const first = { id: batchIdOf(keep(4, [])[0]!.models), unitId: pikes.id, modelIds: ids(1, 2, 3, 4) }
    const two = keepTogether([first], { id: 'own' as BatchId, unitId: pikes.id, modelIds: ids(1, 4) })
    expect(two.map((each) => each.modelIds)).toEqual([ids(2, 3), ids(1, 4)])
    // The first and the last of them go by the size again, beside the batch that was called after them.
    const [kept] = two
    const batches = keep(2, [kept!])
    expect(new Set(batches.map((batch) => batch.id)).size).toBe(batches.length)
    expect(
      keepTogether(two, { id: 'all' as BatchId, unitId: pikes.id, modelIds: ids(1, 2, 3, 4) }),
    ).toHaveLength(1)
  })

  it('holds every model once, however it was kept', () => {
    const some = fc.array(fc.subarray(pikes.models.map((model) => model.id)), { maxLength: 4 })
    fc.assert(
      fc.property(
        some,
        fc.subarray(pikes.models.map((model) => model.id)),
        fc.integer({ min: 1, max: 13 }),
        (lists, pilot, size) => {
          const kept = lists.map((modelIds, index) => ({
            id: String(index) as BatchId,
            unitId: pikes.id,
            modelIds,
          }))
          const batches = keep(size, kept, [{ ...pikes, pilot }])
          const held = batches.flatMap((batch) => batch.models.map((model) => model.id))
          expect(held.toSorted()).toEqual(pikes.models.map((model) => model.id).toSorted())
          expect(new Set(batches.map((batch) => batch.id)).size).toBe(batches.length)
        },
      ),
    )
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

describe('partsOfSquads', () => {
  const squads = (...sizes: readonly number[]) =>
    sizes.flatMap((size, squad) =>
      Array.from({ length: size }, (_, index) => ({
        ...unit('a', 1).models[0]!,
        id: `${String(squad)}-${String(index)}` as ModelId,
        variants: sizes.length > 1 ? [markOf(String(squad))] : [],
      })),
    )
  const parts = (models: readonly Model[], most: number) =>
    partsOfSquads(models, most).map((part) => part.length)

  it('keeps squads whole where they fit, and halves only what does not', () => {
    expect(parts(squads(10, 10, 10), 30)).toEqual([30])
    expect(parts(squads(10, 10, 10), 20)).toEqual([20, 10])
    expect(parts(squads(10, 10, 10), 15)).toEqual([10, 10, 10])
    expect(parts(squads(10, 10, 10), 8)).toEqual([5, 5, 5, 5, 5, 5])
    expect(parts(squads(12, 4, 4), 8)).toEqual([6, 6, 8])
    expect(parts(squads(30), 20)).toEqual([15, 15])
  })

  it('loses nobody, keeps the order, and never tears a squad over a border that another shares', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 12 }), { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 1, max: 30 }),
        (sizes, most) => {
          const models = squads(...sizes)
          const found = partsOfSquads(models, most)
          expect(found.flat()).toEqual(models)
          expect(Math.max(...found.map((part) => part.length))).toBeLessThanOrEqual(most)
          if (sizes.length < 2) return
          for (const part of found) {
            const marks = new Set(part.map(({ variants }) => variants[0]))
            if (marks.size < 2) continue
            expect(models.filter(({ variants }) => marks.has(variants[0]))).toEqual(part)
          }
        },
      ),
    )
  })
})
