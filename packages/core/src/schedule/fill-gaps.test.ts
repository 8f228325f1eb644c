import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bareBatch, barePlan, bareTask } from './bare-plan.ts'
import { anyFreeInstance } from '../testing/plan-arbitrary.ts'
import { createScheduleBuilder } from './schedule-builder.ts'
import { fillGaps } from './fill-gaps.ts'
import type { PlanInstance } from './instance.ts'
import { buildSchedule, inTurn, taskCount } from './task-sequence.ts'
import { validatePlan } from './validate-plan.ts'
import { laidOut } from '../testing/laid-out.ts'
import { rounds } from '../testing/rounds.ts'

/** Batches by turns, else one after the other in the order of their lists, and the same with its gaps filled. */
function filled(instance: PlanInstance, most = 1000, turns: readonly number[] = []) {
  const sequence = inTurn(instance, turns)
  const builder = createScheduleBuilder(instance)
  const before = { sequence, policy: 'fill' as const, cost: buildSchedule(builder, sequence, 'fill') }
  const after = fillGaps(builder, before, most)
  const tasks = taskCount(instance)
  const order = after.sequence.map((entry) => entry % tasks)
  return { before, after, order, segments: laidOut(instance, after).segments }
}

const beside = ({ exposed, setUpSeconds }: { exposed: number; setUpSeconds: number }) =>
  exposed + setUpSeconds

describe('fillGaps', () => {
  it('paints the coat while the base dries', () => {
    const grit = bareTask({ regions: [0], wait: 30, perModel: 5 })
    const wash = bareTask({ stage: 1, family: 1, regions: [0], perModel: 5 })
    const coat = bareTask({ stage: 2, family: 2, regions: [1], perModel: 30 })
    const batch = bareBatch([grit, wash, coat], { comesAfter: [[], [0], []] })
    const { before, after, order } = filled(barePlan([batch]))
    expect(before.cost).toMatchObject({ exposed: 30, finish: 70 })
    expect(after.cost).toMatchObject({ exposed: 0, finish: 40 })
    expect(order).toEqual([0, 2, 1])
  })

  it('leaves it where opening the pot by itself would take longer than the wait', () => {
    const grit = bareTask({ regions: [0], wait: 10, perModel: 5 })
    const wash = bareTask({ stage: 1, family: 1, setUp: 6, regions: [0], perModel: 5 })
    const coat = bareTask({ stage: 2, family: 2, setUp: 8, regions: [1] })
    const cuffs = bareTask({ stage: 3, family: 2, setUp: 8, regions: [2] })
    const batch = bareBatch([grit, wash, coat, cuffs], { comesAfter: [[], [0], [1], []] })
    const { before, after } = filled(barePlan([batch]))
    expect(before.cost).toMatchObject({ exposed: 4, setUpSeconds: 14 })
    expect(after).toBe(before)
  })

  it('takes two of one pot forward, and opens it once', () => {
    const grit = bareTask({ regions: [0], wait: 20, perModel: 5 })
    const wash = bareTask({ stage: 1, family: 1, regions: [0], perModel: 5 })
    const coat = bareTask({ stage: 2, family: 2, setUp: 4, regions: [1], perModel: 3 })
    const cuffs = bareTask({ stage: 3, family: 2, setUp: 4, regions: [1], perModel: 9 })
    const batch = bareBatch([grit, wash, coat, cuffs], { comesAfter: [[], [0], [], [2]] })
    const { before, after, order } = filled(barePlan([batch]))
    expect(before.cost).toMatchObject({ exposed: 20, setUpSeconds: 4 })
    expect(order).toEqual([0, 2, 3, 1])
    expect(after.cost).toMatchObject({ exposed: 4, setUpSeconds: 4 })
  })

  it('leaves for the next evening what would otherwise be waited for tonight', () => {
    const hours = [
      { start: 0, end: 130 },
      { start: 200, end: 300 },
    ]
    const primed = bareTask({ wait: 230, perModel: 10 })
    const coat = bareTask({ stage: 1, family: 1, regions: [0], perModel: 60, wait: 25 })
    const wash = bareTask({ stage: 2, family: 2, regions: [0], perModel: 20 })
    const given = barePlan(
      [
        bareBatch([primed, bareTask({ stage: 3, family: 3, perModel: 10 })]),
        bareBatch([coat, wash], { comesAfter: [[], [0]] }),
      ],
      { painters: [{ sessions: hours, pace: 1 }] },
    )
    const { before, after, segments } = filled(given, 1000, [0, 1, 0, 1])
    expect(before.cost).toMatchObject({ exposed: 40, finish: 270 })
    expect(after.cost).toMatchObject({ exposed: 20, finish: 250 })
    expect(segments.map(({ batch, start, putOff }) => [batch, start, putOff])).toEqual([
      [0, 0, false],
      [1, 10, false],
      [1, 200, true],
      [0, 240, false],
    ])
    expect(validatePlan(given, segments)).toEqual([])
  })

  it('touches no batch that is not in hand', () => {
    const wet = bareTask({ wait: 30 })
    const batches = [
      bareBatch([wet, bareTask({ stage: 1, family: 1 })]),
      bareBatch([bareTask({ perModel: 9 })]),
    ]
    const { before, after } = filled(barePlan(batches))
    expect(before.cost.exposed).toBe(30)
    expect(after).toBe(before)
  })

  it('ends nothing later, costs no more than is done meanwhile, and keeps every rule of the desk', () => {
    fc.assert(
      fc.property(anyFreeInstance({ batches: 3, stages: 6, models: 3, sessions: true }), (instance) => {
        const { before, after, segments } = filled(instance)
        if (!Number.isFinite(before.cost.finish)) return
        expect(after.cost.finish).toBeLessThanOrEqual(before.cost.finish)
        expect(after.cost.late).toBeLessThanOrEqual(before.cost.late)
        expect(beside(after.cost)).toBeLessThanOrEqual(beside(before.cost) + before.cost.exposed)
        expect(validatePlan(instance, segments)).toEqual([])
      }),
      { numRuns: rounds(50) },
    )
  })

  it('stops after so many tries', () => {
    fc.assert(
      fc.property(anyFreeInstance({ batches: 3, stages: 6, models: 3, sessions: false }), (instance) => {
        const { before, after } = filled(instance, 0)
        expect(after).toBe(before)
      }),
      { numRuns: 30 },
    )
  })
})
