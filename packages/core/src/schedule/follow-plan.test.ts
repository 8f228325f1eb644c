import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bareBatch, barePlan, bareTask } from './bare-plan.ts'
import { anyFreeInstance } from '../testing/plan-arbitrary.ts'
import { createScheduleBuilder } from './schedule-builder.ts'
import { planFollower } from './follow-plan.ts'
import { followsSoon, sequenceFollower } from './follow-sequence.ts'
import type { PlanBatch, PlanInstance, PlanTask } from './instance.ts'
import { inTurn } from './task-sequence.ts'
import { rounds } from '../testing/rounds.ts'

/** An instance in which nothing has to follow soon, as futures have it. */
function alive(instance: PlanInstance) {
  const batches = instance.batches.map((batch): PlanBatch => ({
    ...batch,
    tasks: batch.tasks.map((one) => ({ ...one, maxWait: null })),
    comesAfter: null,
    firstBy: [],
  }))
  return { builder: createScheduleBuilder({ ...instance, batches }), follows: followsSoon(instance) }
}

function both(instance: PlanInstance, planned: number) {
  const one = alive(instance)
  const other = alive(instance)
  const sequence = inTurn(instance, [])
  const anew = planFollower(one.builder, one.follows, sequence, planned)('fill')
  const dry = Math.max(0, ...instance.batches.map((_, batch) => one.builder.dryAt(batch)))
  return {
    anew: anew.finish,
    dry,
    followed: sequenceFollower(other.builder, other.follows, sequence)('fill').finish,
  }
}

const hour = 3600
const evenings = [0, 24, 48].map((at) => ({ start: at * hour, end: (at + 2) * hour }))
const task = (stage: number, minutes: number, some: Partial<PlanTask> = {}) =>
  bareTask({ stage, family: stage, perModel: minutes * 60, regions: [stage], ...some })

describe('a plan followed by somebody who plans anew when it is late', () => {
  const long = [task(0, 30, { wait: 20 * hour }), task(1, 30, { regions: [0] })]

  it('begins what dries over night before the evening ends', () => {
    const coats = bareBatch([task(2, 50, { models: [0, 1] })], { models: 2 })
    const late = barePlan([coats, bareBatch(long)], {
      painters: [{ sessions: evenings, pace: 1 }],
      maySplit: true,
    })
    const nextEvening = 24 * hour + 80 * 60
    const dayAfter = 48.5 * hour
    expect(both(late, 25 * hour)).toEqual({ anew: nextEvening, dry: nextEvening, followed: dayAfter })
    // What ends as planned is left alone.
    expect(both(late, 49 * hour).anew).toBe(dayAfter)
  })

  it('is never later than whoever keeps to the sequence, and the builder holds what is told', () => {
    fc.assert(
      fc.property(
        anyFreeInstance({ batches: 3, stages: 4, models: 3, sessions: true, everything: true }),
        (instance) => {
          const { anew, dry, followed } = both(instance, 0)
          expect(anew).toBeLessThanOrEqual(followed)
          if (Number.isFinite(anew)) expect(dry).toBe(anew)
        },
      ),
      { numRuns: rounds(60), seed: 12 },
    )
  })
})
