import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bareBatch, barePlan, bareTask } from './bare-plan.ts'
import { anyInstance } from '../testing/plan-arbitrary.ts'
import { choicesOf, createScheduleBuilder } from './schedule-builder.ts'
import type { PlanInstance } from './instance.ts'
import { inTurn, sequenceEntry, withNothingPutOff, type TaskSequence } from './task-sequence.ts'
import { validatePlan } from './validate-plan.ts'
import { laidOut } from '../testing/laid-out.ts'
import { rounds } from '../testing/rounds.ts'

const laid = (instance: PlanInstance, sequence: TaskSequence) =>
  laidOut(instance, { sequence, policy: 'fill' })

describe('what is put off', () => {
  const hours = [
    { start: 0, end: 100 },
    { start: 200, end: 300 },
  ]
  const batch = bareBatch([bareTask({ wait: 30, perModel: 10 }), bareTask({ stage: 1, perModel: 10 })])
  const evenings = barePlan([batch], { painters: [{ sessions: hours, pace: 1 }] })

  it('is not begun in the session that the painter is in', () => {
    const putOff = sequenceEntry(2, 1, choicesOf(evenings))
    expect(laid(evenings, [0, 1]).cost).toMatchObject({ finish: 50, exposed: 30 })
    expect(laid(evenings, [0, putOff]).cost).toMatchObject({ finish: 210, exposed: 0 })
    expect(laid(evenings, [0, putOff]).segments.map((segment) => segment.putOff)).toEqual([false, true])
  })

  it('is begun after all where there is no other session, and by whoever has done nothing yet', () => {
    const oneEvening = { ...evenings, painters: [{ sessions: hours.slice(0, 1), pace: 1 }] }
    const [first, second] = [sequenceEntry(2, 0, choicesOf(evenings)), sequenceEntry(2, 1, 2)]
    expect(laid(evenings, [first, 1]).cost.finish).toBe(50)
    expect(laid(oneEvening, [0, second])).toMatchObject({ cost: { finish: 50 } })
    expect(laid(oneEvening, [0, second]).segments.some((segment) => segment.putOff)).toBe(false)
  })

  it('keeps every rule of the desk, whatever it is', () => {
    const limits = { batches: 4, stages: 4, models: 4, sessions: true, everything: true }
    const flags = fc.array(fc.boolean(), { minLength: 16, maxLength: 16 })
    fc.assert(
      fc.property(anyInstance(limits), flags, (instance, putOff) => {
        const plain = inTurn(instance, [])
        const by = plain.length * choicesOf(instance)
        const sequence = plain.map((entry, at) => (putOff[at] === true ? entry + by : entry))
        const { cost, segments } = laid(instance, sequence)
        if (Number.isFinite(cost.finish)) expect(validatePlan(instance, segments)).toEqual([])
        expect(withNothingPutOff(createScheduleBuilder(instance), sequence)).toEqual(plain)
      }),
      { numRuns: rounds(100) },
    )
  })
})
