import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyFreeInstance } from '../testing/plan-arbitrary.ts'
import { rounds } from '../testing/rounds.ts'
import { everySequence } from './every-sequence.ts'
import { freeOrder } from './free-order.ts'
import type { PlanInstance } from './instance.ts'

const sequencesOf = (instance: PlanInstance, most: number) =>
  everySequence(instance, instance.batches.map(freeOrder), most)

/** All orders of the tasks of all batches, of which those are kept that nothing forbids. */
function countByForce({ batches }: PlanInstance): number {
  const all = batches.flatMap(({ tasks }, batch) => tasks.map((_, task) => ({ batch, task })))
  const count = (left: typeof all, done: typeof all): number => {
    if (left.length === 0) return 1
    return left
      .filter(({ batch, task }) => {
        const { comesAfter } = batches[batch]!
        const own = done.filter((each) => each.batch === batch).map((each) => each.task)
        const before = comesAfter ? comesAfter[task]! : task === 0 ? [] : [task - 1]
        return before.every((each) => own.includes(each))
      })
      .reduce(
        (sum, next) =>
          sum +
          count(
            left.filter((each) => each !== next),
            [...done, next],
          ),
        0,
      )
  }
  return count(all, [])
}

describe('everySequence', () => {
  const some = { batches: 2, stages: 3, models: 1, sessions: false }
  const withoutLimits = anyFreeInstance(some).map((instance): PlanInstance => ({
    ...instance,
    batches: instance.batches.map((batch) => ({
      ...batch,
      tasks: batch.tasks.map((task) => ({ ...task, maxWait: null })),
    })),
  }))

  it('has every one once, and no other', () => {
    fc.assert(
      fc.property(withoutLimits, (instance) => {
        const sequences = sequencesOf(instance, 1000)!
        expect(sequences).toHaveLength(countByForce(instance))
        expect(new Set(sequences.map((each) => JSON.stringify(each))).size).toBe(sequences.length)
      }),
      { numRuns: rounds(60) },
    )
  })

  it('gives up where there are more than asked for', () => {
    fc.assert(
      fc.property(withoutLimits, fc.nat(200), (instance, most) => {
        const count = countByForce(instance)
        expect(sequencesOf(instance, most)?.length ?? null).toBe(count <= most ? count : null)
      }),
      { numRuns: rounds(60) },
    )
  })
})
