import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bareBatch, barePlan, bareTask } from './bare-plan.ts'
import { anyInstance } from '../testing/plan-arbitrary.ts'
import { dispatcher, rulesFor } from './dispatch.ts'
import { batchByBatch } from './habits.ts'
import type { PlanInstance } from './instance.ts'
import { createScheduleBuilder } from './schedule-builder.ts'
import { buildSchedule, taskCount } from './task-sequence.ts'
import { rounds } from '../testing/rounds.ts'

describe('a sequence built by a rule', () => {
  it('has every task once, and laying it gives what the rule laid', () => {
    const some = { batches: 3, stages: 3, models: 3, sessions: true, everything: true }
    fc.assert(
      fc.property(anyInstance(some), fc.boolean(), (drawn, inJobs) => {
        const instance: PlanInstance = {
          ...drawn,
          batches: drawn.batches
            .map((batch, job) => (inJobs ? { ...batch, job } : batch))
            .flatMap((batch) => [batch, batch, batch]),
        }
        const rules = rulesFor(instance)
        const fewInHand = (instance.inHandAtMost ?? Infinity) < instance.batches.length
        expect(rules).toHaveLength(6 + Number(inJobs) + Number(fewInHand))
        const count = taskCount(instance)
        for (const rule of rules) {
          const builder = createScheduleBuilder(instance)
          const sequence = dispatcher(builder)('fill', rule)
          expect(sequence.map((entry) => entry % count).sort((a, b) => a - b)).toEqual([
            ...Array(count).keys(),
          ])
          const { finish } = builder.cost()
          if (Number.isFinite(finish))
            expect(buildSchedule(createScheduleBuilder(instance), sequence, 'fill').finish).toBe(finish)
        }
      }),
      { numRuns: rounds(40), seed: 20_261_126 },
    )
  })
})

describe('what has to follow at once', () => {
  it('follows, though another batch could share the pot first', () => {
    const dip = bareTask({ family: 0, setUp: 5 })
    const mop = bareTask({ stage: 1, family: 1, setUp: 5 })
    const instance = barePlan([bareBatch([dip, mop]), bareBatch([{ ...dip }, mop])])
    const [openPotFirst] = rulesFor(instance)
    const sequence = (atOnce: readonly number[]) =>
      dispatcher(createScheduleBuilder(instance))('fill', openPotFirst!, {
        atOnce: Uint8Array.from(atOnce),
      }).map((entry) => entry % 4)
    expect(sequence([0, 0, 0, 0])).toEqual([0, 2, 1, 3])
    expect(sequence([1, 0, 1, 0])).toEqual([0, 1, 2, 3])
  })
})

describe('batches of one job', () => {
  it('are late together, as late as the last of them, and others each by itself', () => {
    const some = { batches: 5, stages: 2, models: 2, sessions: false, everything: false }
    fc.assert(
      fc.property(
        anyInstance(some),
        fc.array(fc.option(fc.integer({ min: 0, max: 2 })), { minLength: 5, maxLength: 5 }),
        (drawn, jobs) => {
          const batches = drawn.batches.map((batch, index) => {
            const job = jobs[index] ?? null
            return job === null ? batch : { ...batch, job }
          })
          const instance: PlanInstance = { ...drawn, batches }
          const desk = createScheduleBuilder(instance)
          const { late } = buildSchedule(desk, batchByBatch(desk), 'fill')
          const lateBy = batches.map(({ due }, index) =>
            due === null ? 0 : Math.max(0, desk.dryAt(index) - due),
          )
          const last = (job: number) =>
            Math.max(0, ...lateBy.filter((_, index) => batches[index]!.job === job))
          const alone = lateBy.filter((_, index) => batches[index]!.job === undefined)
          expect(late).toBe([...alone, last(0), last(1), last(2)].reduce((sum, each) => sum + each, 0))
        },
      ),
      { numRuns: rounds(60), seed: 20_261_127 },
    )
  })
})

describe('batches of one job that go before others', () => {
  it('count each by itself and once more when the last is dry, so that none is left for later', () => {
    const batch = (job: number, priority: number) =>
      bareBatch([bareTask({ perModel: 10 })], { job, priority })
    const instance = barePlan([batch(0, 2), batch(1, 0), batch(0, 1)])
    const builder = createScheduleBuilder(instance)
    const pressed = (order: readonly number[]) => buildSchedule(builder, order, 'fill').pressed
    // Dry at 10 and 30, then at 10 and 20.
    expect(pressed([0, 1, 2])).toBe(2 * 10 + 30 + 3 * 30)
    expect(pressed([0, 2, 1])).toBe(2 * 10 + 20 + 3 * 20)
  })
})
