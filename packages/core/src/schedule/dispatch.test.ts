import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bareBatch, barePlan, bareTask } from '../testing/bare-plan.ts'
import { anyInstance } from '../testing/plan-arbitrary.ts'
import { provedCaseNames, readProvedCase } from '../testing/proved-cases.ts'
import { beam } from './beam.ts'
import { createScheduleBuilder } from './schedule-builder.ts'
import { dispatch, kindsOf, rulesFor } from './dispatch.ts'
import { batchByBatch } from './habits.ts'
import type { PlanInstance, PlanTask } from './instance.ts'
import { buildSchedule } from './task-sequence.ts'
import { orderOfAims } from './weigh-plan.ts'
import { rounds } from '../testing/rounds.ts'

describe('a row built by a rule', () => {
  it('is the same whether one of the batches alike speaks for all or each is asked', () => {
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
        expect(rules).toHaveLength(5 + Number(inJobs) + Number(fewInHand))
        const alone = instance.batches.map(() => -1)
        for (const rule of rules) {
          const rows = [alone, kindsOf(instance.batches)].map((kinds) =>
            dispatch(createScheduleBuilder(instance), instance, 'fill', rule, kinds),
          )
          expect(rows[1]).toEqual(rows[0])
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
    const [, openPotFirst] = rulesFor(instance)
    const row = (atOnce: ReadonlySet<PlanTask>) =>
      dispatch(
        createScheduleBuilder(instance),
        instance,
        'fill',
        openPotFirst!,
        [-1, -1],
        'anybody',
        atOnce,
      ).map((entry) => entry % 2)
    expect(row(new Set())).toEqual([0, 1, 0, 1])
    expect(row(new Set(instance.batches.map(({ tasks }) => tasks[0]!)))).toEqual([0, 0, 1, 1])
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
          const { late } = buildSchedule(desk, batches.length, batchByBatch(instance, desk), 'fill')
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

describe('a beam whose time is up in the middle of a sweep', () => {
  it.each(provedCaseNames.slice(0, 4))('brings what it has to its end, whenever that is: %s', (name) => {
    const { instance } = readProvedCase(name)
    const desk = createScheduleBuilder(instance)
    const order = orderOfAims(['date'], instance.batches.length)
    const row = batchByBatch(instance, desk)
    const known = {
      row,
      policy: 'fill' as const,
      cost: buildSchedule(desk, instance.batches.length, row, 'fill'),
    }
    let better = 0
    for (const calls of [3, 6, 10, 15, 25, 40]) {
      let asked = 0
      const spent = () => ((asked += 1) > calls ? 1 : 0.1)
      const found = beam(desk, instance, order, known, { seed: 1, evaluations: 100_000, spent })
      expect(order.compare(found.cost, known.cost)).toBeLessThanOrEqual(0)
      if (found.cost.finish < known.cost.finish) better += 1
    }
    expect(better).toBeGreaterThan(0)
  })
})
