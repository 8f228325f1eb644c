import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyInstance } from '../testing/plan-arbitrary.ts'
import { createDesk, layRow } from './desk.ts'
import { withMostInHand } from './in-hand.ts'

const limits = { batches: 5, stages: 4, models: 2, sessions: false }

describe('withMostInHand', () => {
  it('keeps every task and makes any row one the desk can lay', () => {
    fc.assert(
      fc.property(
        anyInstance(limits),
        fc.array(fc.nat(), { minLength: 20, maxLength: 20 }),
        (instance, keys) => {
          const row = instance.batches
            .flatMap((batch, index) => batch.tasks.map(() => index))
            .map((batch, index) => ({ batch, key: keys[index] ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ batch }) => batch)
          const kept = withMostInHand(instance, row)
          expect(kept.toSorted()).toEqual(row.toSorted())
          expect(layRow(createDesk(instance), kept, 'fill').finish).toBeLessThan(Number.POSITIVE_INFINITY)
        },
      ),
    )
  })

  it('changes nothing about a row that keeps to the number already', () => {
    fc.assert(
      fc.property(anyInstance(limits), (instance) => {
        const row = instance.batches.flatMap((batch, index) => batch.tasks.map(() => index))
        const kept = withMostInHand(instance, row)
        expect(withMostInHand(instance, kept)).toEqual(kept)
      }),
    )
  })
})
