import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bestByForce } from '../testing/exhaustive.ts'
import { anyFreeInstance, withFirstBy } from '../testing/plan-arbitrary.ts'
import { freeCaseNames, readFreeCase } from '../testing/proved-cases.ts'
import { earliestFinish, lowerBound } from './bounds.ts'
import { createScheduleBuilder } from './schedule-builder.ts'
import { freeOrder, inOrder } from './free-order.ts'
import type { PlanInstance, PlanSegment } from './instance.ts'
import { buildSchedule } from './task-sequence.ts'
import { searchFreely } from './search-freely.ts'
import { searchRow } from './search.ts'
import { validatePlan } from './validate-plan.ts'
import { provingSeeds, rounds } from '../testing/rounds.ts'

function planned(instance: PlanInstance, evaluations: number, seed = 1) {
  const found = searchFreely(instance, { seed, evaluations }, ['date'])
  const segments: PlanSegment[] = []
  const cost = buildSchedule(
    createScheduleBuilder(found.instance),
    instance.batches.length,
    found.row,
    found.policy,
    (segment) => segments.push(segment),
  )
  return { found, cost, segments }
}

/** By batch, where each of its tasks stands in the order found. */
function placesIn(instance: PlanInstance, found: PlanInstance): readonly (readonly number[])[] {
  return instance.batches.map((batch, index) =>
    batch.tasks.map((task) => found.batches[index]!.tasks.indexOf(task)),
  )
}

describe.each(freeCaseNames)('%s', (name) => {
  const { instance, optimum, chain } = readFreeCase(name)

  it.each(provingSeeds)('reaches the proved optimum and its fewest set-ups from seed %i', (seed) => {
    const { cost, found, segments } = planned(instance, 40_000, seed)
    expect([cost.finish, cost.potOpenings]).toEqual([optimum.makespanMinutes, optimum.setUps])
    expect(validatePlan(found.instance, segments)).toEqual([])
    expect(cost.finish).toBeGreaterThanOrEqual(earliestFinish(lowerBound(instance)))
  })

  it('ends when its time is used up, whatever else it may spend', () => {
    let asked = 0
    const spent = () => (asked += 1) / 200
    const { cost } = searchFreely(instance, { seed: 1, evaluations: 1e9, spent }, ['date'])
    expect(cost.finish).toBeGreaterThanOrEqual(optimum.makespanMinutes)
    expect(cost.finish).toBeLessThanOrEqual(chain.makespanMinutes)
  })

  it('held to its list, it is the best chain', () => {
    const held = {
      ...instance,
      batches: instance.batches.map((batch) => ({ ...batch, comesAfter: null })),
    }
    const { cost } = planned(held, 40_000)
    expect([cost.finish, cost.potOpenings]).toEqual([chain.makespanMinutes, chain.setUps])
  })
})

describe('searchFreely', () => {
  const some = { batches: 3, stages: 6, models: 3, sessions: true }

  it('keeps what has to come before what, and every rule of the desk', () => {
    fc.assert(
      fc.property(anyFreeInstance(some), (instance) => {
        const { found, segments, cost } = planned(instance, 300)
        if (!Number.isFinite(cost.finish)) return
        expect(validatePlan(found.instance, segments)).toEqual([])
        placesIn(instance, found.instance).forEach((places, index) => {
          const batch = instance.batches[index]!
          expect([...places].sort((a, b) => a - b)).toEqual(batch.tasks.map((_, place) => place))
          batch.comesAfter?.forEach((before, task) => {
            for (const each of before) expect(places[each]).toBeLessThan(places[task]!)
          })
          // What has to follow soon comes right after.
          batch.tasks.forEach((task, place) => {
            if (task.maxWait !== null && place + 1 < batch.tasks.length)
              expect(places[place + 1]).toBe(places[place]! + 1)
          })
        })
      }),
      { numRuns: rounds(50) },
    )
  })

  it('is never later than the best row it knows of the lists, nor before the bound', () => {
    fc.assert(
      fc.property(anyFreeInstance(some), (instance) => {
        const budget = { seed: 1, evaluations: 300 }
        const listed = searchRow(
          { ...instance, batches: instance.batches.map((batch) => ({ ...batch, comesAfter: null })) },
          budget,
        )
        const { cost } = searchFreely(instance, budget, ['date'])
        if (!Number.isFinite(listed.cost.finish)) return
        expect(cost.late - listed.cost.late).toBeLessThanOrEqual(0)
        if (cost.late === listed.cost.late && cost.pressed === listed.cost.pressed)
          expect(cost.finish).toBeLessThanOrEqual(listed.cost.finish)
        expect(cost.finish).toBeGreaterThanOrEqual(earliestFinish(lowerBound(instance)))
      }),
      { numRuns: rounds(50) },
    )
  })

  it('gives the same plan for the same seed', () => {
    fc.assert(
      fc.property(anyFreeInstance(some), fc.integer(), (instance, seed) => {
        const budget = { seed, evaluations: 60 }
        expect(searchFreely(instance, budget, ['date'])).toEqual(searchFreely(instance, budget, ['date']))
      }),
      { numRuns: rounds(20) },
    )
  })

  it('finds the best finish of small instances, as trying every order of every batch does', () => {
    const small = { batches: 2, stages: 4, models: 2, sessions: false }
    fc.assert(
      fc.property(anyFreeInstance(small), (instance) => {
        const best = bestByForce(instance)
        const { cost } = planned(instance, 6000)
        expect(cost.finish).toBe(best.finish)
      }),
      { numRuns: rounds(30), seed: 20_261_126 },
    )
  })
})

describe('what was begun before and has to be followed', () => {
  it('is in time where any order of every batch has it in time', () => {
    const small = { batches: 2, stages: 3, models: 2, sessions: false }
    fc.assert(
      fc.property(withFirstBy(anyFreeInstance(small)), (instance) => {
        const best = bestByForce(instance)
        const { found, cost, segments } = planned(instance, 3000)
        expect(cost.finish).toBe(best.finish)
        if (Number.isFinite(cost.finish)) expect(validatePlan(found.instance, segments)).toEqual([])
      }),
      { numRuns: rounds(40), seed: 20_261_127 },
    )
  })
})

describe('freeOrder', () => {
  it('gives the nearest order that is allowed, and what is ready', () => {
    const [batch] = readFreeCase('order01').instance.batches
    const free = freeOrder(batch!)
    const listed = batch!.tasks.map((_, index) => index)
    expect(free.isFree).toBe(true)
    expect(free.nearest(listed)).toEqual(listed)
    const reversed = free.nearest(listed.toReversed())
    expect([...reversed].sort((a, b) => a - b)).toEqual(listed)
    expect(free.ready([])).toContain(0)
    expect(freeOrder(inOrder(batch!, reversed)).isFree).toBe(false)
  })
})
