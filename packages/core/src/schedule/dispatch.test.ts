import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyInstance } from '../testing/plan-arbitrary.ts'
import { provedCaseNames, readProvedCase } from '../testing/proved-cases.ts'
import { beam } from './beam.ts'
import { createDesk } from './desk.ts'
import { dispatch, kindsOf, rules } from './dispatch.ts'
import { batchByBatch } from './habits.ts'
import type { PlanInstance } from './instance.ts'
import { layRow } from './row.ts'
import { orderOfAims } from './weigh-plan.ts'

describe('a row built by a rule', () => {
  it('is the same whether one of the batches alike speaks for all or each is asked', () => {
    const some = { batches: 3, stages: 3, models: 3, sessions: true, everything: true }
    fc.assert(
      fc.property(anyInstance(some), (drawn) => {
        const instance: PlanInstance = {
          ...drawn,
          batches: drawn.batches.flatMap((batch) => [batch, batch, batch]),
        }
        const alone = instance.batches.map(() => -1)
        for (const rule of rules) {
          const rows = [alone, kindsOf(instance.batches)].map((kinds) =>
            dispatch(createDesk(instance), instance, 'fill', rule, kinds),
          )
          expect(rows[1]).toEqual(rows[0])
        }
      }),
      { numRuns: 100, seed: 20_261_126 },
    )
  })
})

describe('a beam whose time is up in the middle of a sweep', () => {
  it.each(provedCaseNames.slice(0, 4))('brings what it has to its end, whenever that is: %s', (name) => {
    const { instance } = readProvedCase(name)
    const desk = createDesk(instance)
    const order = orderOfAims(['date'], instance.batches.length)
    const row = batchByBatch(instance, desk)
    const known = { row, policy: 'fill' as const, cost: layRow(desk, instance.batches.length, row, 'fill') }
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
