import { describe, expect, it } from 'vitest'
import { bareBatch, barePlan, bareTask } from '../testing/bare-plan.ts'
import { createScheduleBuilder } from './schedule-builder.ts'
import { freedomOf, rowFollower } from './follow-sequence.ts'
import type { PlanBatch, PlanTask } from './instance.ts'
import { buildSchedule } from './task-sequence.ts'

const task = (stage: number, minutes: number, some: Partial<PlanTask> = {}): PlanTask =>
  bareTask({ stage, family: stage, perModel: minutes * 60, regions: [stage], ...some })

const batch = (tasks: readonly PlanTask[], comesAfter: PlanBatch['comesAfter'] = null): PlanBatch =>
  bareBatch(tasks, { comesAfter })

/** Followed in the order of the batches' lists, one batch after the other. */
function followed(batches: readonly PlanBatch[], row: readonly number[]) {
  const lists = batches.map((each) => each.tasks.map((one): PlanTask => ({ ...one, maxWait: null })))
  const instance = barePlan(
    batches.map((each, index) => ({ ...each, tasks: lists[index]!, comesAfter: null })),
  )
  const desk = createScheduleBuilder(instance)
  const follow = rowFollower(desk, lists, freedomOf(batches, batches), row)
  return {
    toTheLetter: buildSchedule(createScheduleBuilder(instance), batches.length, row, 'fill').finish / 60,
    byRule: follow('fill').finish / 60,
    again: follow('fill').finish / 60,
  }
}

describe('a row followed by the rule', () => {
  const wash = task(0, 10, { wait: 40 * 60 })
  const over = task(1, 10, { regions: [0] })
  const other = task(2, 30)

  it('fills a wait with the next that can be begun', () => {
    const { toTheLetter, byRule, again } = followed([batch([wash, over]), batch([other])], [0, 0, 1])
    expect(toTheLetter).toBe(90)
    expect(byRule).toBe(60)
    // Every future begins anew.
    expect(again).toBe(60)
  })

  it('takes the tasks of one batch in another order only as far as the batch allows it', () => {
    const tasks = [wash, over, other]
    expect(followed([batch(tasks, [[], [0], []])], [0, 0, 0]).byRule).toBe(60)
    expect(followed([batch(tasks, [[], [0], [1]])], [0, 0, 0]).byRule).toBe(90)
    expect(followed([batch(tasks)], [0, 0, 0]).byRule).toBe(90)
  })

  it('waits a few minutes rather than open another pot', () => {
    const short = task(0, 10, { wait: 4 * 60 })
    expect(followed([batch([short, over]), batch([other])], [0, 0, 1]).byRule).toBe(54)
  })

  it('what has to follow soon comes right after its task, late if need be, and the row still ends', () => {
    const dip = task(0, 10, { wait: 10 * 60, maxWait: 5 * 60 })
    const mop = task(1, 5, { regions: [0] })
    const { byRule } = followed([batch([dip, mop]), batch([other])], [0, 1])
    expect(byRule).toBe(10 + 10 + 5 + 30)
  })
})
