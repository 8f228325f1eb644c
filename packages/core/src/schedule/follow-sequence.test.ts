import { describe, expect, it } from 'vitest'
import { bareBatch, barePlan, bareTask } from './bare-plan.ts'
import { createScheduleBuilder } from './schedule-builder.ts'
import { followsSoon, sequenceFollower } from './follow-sequence.ts'
import type { PlanBatch, PlanTask } from './instance.ts'
import { buildSchedule, inTurn } from './task-sequence.ts'

const task = (stage: number, minutes: number, some: Partial<PlanTask> = {}): PlanTask =>
  bareTask({ stage, family: stage, perModel: minutes * 60, regions: [stage], ...some })

const batch = (tasks: readonly PlanTask[], comesAfter: PlanBatch['comesAfter'] = null): PlanBatch =>
  bareBatch(tasks, { comesAfter })

/** Followed batch by batch, each in the order of its list. */
function followed(batches: readonly PlanBatch[]) {
  const lived = batches.map((each) => ({
    ...each,
    tasks: each.tasks.map((one): PlanTask => ({ ...one, maxWait: null })),
  }))
  const instance = barePlan(lived)
  const sequence = inTurn(instance, [])
  const builder = createScheduleBuilder(instance)
  const follow = sequenceFollower(builder, followsSoon({ batches }), sequence)
  return {
    toTheLetter: buildSchedule(createScheduleBuilder(instance), sequence, 'fill').finish / 60,
    byRule: follow('fill').finish / 60,
    again: follow('fill').finish / 60,
  }
}

describe('a sequence followed by the rule', () => {
  const wash = task(0, 10, { wait: 40 * 60 })
  const over = task(1, 10, { regions: [0] })
  const other = task(2, 30)

  it('fills a wait with the next that can be begun', () => {
    const { toTheLetter, byRule, again } = followed([batch([wash, over]), batch([other])])
    expect(toTheLetter).toBe(90)
    expect(byRule).toBe(60)
    // Every future begins anew.
    expect(again).toBe(60)
  })

  it('takes the tasks of one batch in another order only as far as the batch allows it', () => {
    const tasks = [wash, over, other]
    expect(followed([batch(tasks, [[], [0], []])]).byRule).toBe(60)
    expect(followed([batch(tasks, [[], [0], [1]])]).byRule).toBe(90)
    expect(followed([batch(tasks)]).byRule).toBe(90)
  })

  it('waits a few minutes rather than open another pot', () => {
    const short = task(0, 10, { wait: 4 * 60 })
    expect(followed([batch([short, over]), batch([other])]).byRule).toBe(54)
  })

  it('what has to follow soon comes right after its task, late if need be, and the sequence still ends', () => {
    const dip = task(0, 10, { wait: 10 * 60, maxWait: 5 * 60 })
    const mop = task(1, 5, { regions: [0] })
    const { byRule } = followed([batch([dip, mop]), batch([other])])
    expect(byRule).toBe(10 + 10 + 5 + 30)
  })
})
