import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bestByForce } from '../testing/exhaustive.ts'
import {
  freeCaseNames,
  mixedCases,
  provedCaseNames,
  readFreeCase,
  readProvedCase,
} from '../testing/proved-cases.ts'
import { bareBatch, barePlan, bareTask } from './bare-plan.ts'
import { anyFreeInstance, anyInstance, withFirstBy } from '../testing/plan-arbitrary.ts'
import { earliestFinish, lowerBound } from './bounds.ts'
import { createScheduleBuilder, type ScheduleBuilder } from './schedule-builder.ts'
import { batchByBatch, stageByStage } from './habits.ts'
import type { PlanInstance, PlanTask } from './instance.ts'
import { buildSchedule, type TaskSequence } from './task-sequence.ts'
import { searchPlan } from './search.ts'
import { validatePlan } from './validate-plan.ts'
import { laidOut } from '../testing/laid-out.ts'
import { provingSeeds, rounds } from '../testing/rounds.ts'

const large = { batches: 4, stages: 5, models: 4, sessions: true }

function finishOf(
  instance: PlanInstance,
  habit: (builder: ScheduleBuilder) => TaskSequence,
  policy: 'fill' | 'whole' = 'fill',
) {
  const builder = createScheduleBuilder(instance)
  return buildSchedule(builder, habit(builder), policy).finish
}

function planned(instance: PlanInstance, evaluations = 60, seed = 1) {
  const found = searchPlan(instance, { seed, evaluations })
  return { found, ...laidOut(instance, found) }
}

describe('searchPlan with painters, stations, windows, racks, maximum waits, ways and joins', () => {
  const everything = { batches: 4, stages: 4, models: 4, sessions: true, everything: true }

  it('gives valid plans for any instance, or says there is none', () => {
    let without = 0
    fc.assert(
      fc.property(anyInstance(everything), (instance) => {
        const { cost, segments } = planned(instance, 40)
        if (!Number.isFinite(cost.finish)) without += 1
        else expect(validatePlan(instance, segments)).toEqual([])
      }),
      { numRuns: rounds(100), seed: 20_261_125 },
    )
    expect(without).toBeLessThan(20)
  })

  it('never finishes before the lower bound, nor later than either hand habit', () => {
    fc.assert(
      fc.property(anyInstance(everything), (instance) => {
        const { cost } = planned(instance, 30)
        expect(cost.finish).toBeGreaterThanOrEqual(earliestFinish(lowerBound(instance)))
        if (cost.late > 0 || cost.pressed > 0 || instance.batches.some((batch) => batch.due !== null)) return
        expect(cost.finish).toBeLessThanOrEqual(finishOf(instance, batchByBatch))
        expect(cost.finish).toBeLessThanOrEqual(finishOf(instance, stageByStage))
      }),
      { numRuns: rounds(50), seed: 20_261_127 },
    )
  })

  it('gives the same plan for the same seed', () => {
    fc.assert(
      fc.property(anyInstance(everything), fc.integer(), (instance, seed) => {
        expect(planned(instance, 40, seed).found).toEqual(planned(instance, 40, seed).found)
      }),
      { numRuns: rounds(20) },
    )
  })
})

describe('what has to follow soon', () => {
  const evening = (start: number) => ({ start, end: start + 100 })
  const painter = (...starts: number[]) => ({ sessions: starts.map(evening), pace: 1 })
  const soon = (...more: Partial<PlanTask>[]) =>
    bareBatch([
      bareTask({ perModel: 10, painters: [0], maxWait: 60 }),
      ...more.map((each, index) => bareTask({ stage: index + 1, perModel: 10, painters: [1], ...each })),
    ])

  it('puts a coat off until who follows is there in time', () => {
    const batch = { ...soon({}), drying: [{ model: 0, regions: 'whole' as const, readyAt: 45 }] }
    const other = {
      sessions: [
        { start: 0, end: 50 },
        { start: 130, end: 200 },
      ],
      pace: 1,
    }
    const plan = barePlan([batch], { painters: [painter(0, 1000), other] })
    const { cost, segments } = planned(plan)
    // The other comes back at 130, so the coat ends at 70 at the earliest, and not a day later.
    expect(segments.map(({ start }) => start)).toEqual([60, 130])
    expect(cost.finish).toBe(140)
    expect(validatePlan(plan, segments)).toEqual([])
  })

  it('looks at every way of what follows', () => {
    const byHand = bareTask({ perModel: 20, painters: [0] })
    const plan = barePlan([soon({ others: [byHand] })], {
      painters: [painter(0, 1000), painter(700, 1700)],
    })
    expect(planned(plan).cost.finish).toBe(30)
  })

  it('finds a sequence by chance where no rule does', () => {
    const given = fc.sample(
      anyInstance({ batches: 6, stages: 8, models: 4, sessions: true, everything: true }),
      { seed: 1, numRuns: 28 },
    )
    for (const at of [25, 27]) {
      const plan = given[at]!
      const { cost, segments } = planned(plan, 500)
      expect(cost.finish).toBeLessThan(Number.POSITIVE_INFINITY)
      expect(validatePlan(plan, segments)).toEqual([])
    }
  })

  it('stops building sequences when the time is spent', () => {
    const plan = barePlan(
      Array.from({ length: 6 }, () => soon({})),
      {
        painters: [painter(0, 1000), painter(0, 1000)],
      },
    )
    let asked = 0
    const found = searchPlan(plan, { seed: 1, evaluations: 5000, spent: () => ((asked += 1), 1) })
    const byHabit = batchByBatch(createScheduleBuilder(plan))
    expect(found.cost).toEqual(laidOut(plan, { sequence: byHabit, policy: 'fill' }).cost)
    expect(asked).toBeLessThan(10)
  })
})

describe('searchPlan', () => {
  it('never overlaps hands, paints wet regions, works outside sessions or holds too many batches', () => {
    fc.assert(
      fc.property(anyInstance(large), (instance) => {
        const { cost, segments } = planned(instance)
        expect(cost.finish).toBeLessThan(Number.POSITIVE_INFINITY)
        expect(validatePlan(instance, segments)).toEqual([])
      }),
      { numRuns: rounds(100) },
    )
  })

  it('is never later than either hand habit', () => {
    fc.assert(
      fc.property(anyInstance(large), fc.integer({ min: 0, max: 50 }), (instance, evaluations) => {
        const { cost } = planned(instance, evaluations)
        for (const policy of ['fill', 'whole'] as const) {
          expect(cost.finish).toBeLessThanOrEqual(finishOf(instance, batchByBatch, policy))
          expect(cost.finish).toBeLessThanOrEqual(finishOf(instance, stageByStage, policy))
        }
      }),
      { numRuns: rounds(100) },
    )
  })

  it('never finishes before the lower bound', () => {
    fc.assert(
      fc.property(anyInstance(large), (instance) => {
        expect(planned(instance).cost.finish).toBeGreaterThanOrEqual(earliestFinish(lowerBound(instance)))
      }),
      { numRuns: rounds(100) },
    )
  })

  it('gives the same plan for the same seed', () => {
    fc.assert(
      fc.property(anyInstance(large), fc.integer(), (instance, seed) => {
        expect(planned(instance, 40, seed).found).toEqual(planned(instance, 40, seed).found)
      }),
      { numRuns: rounds(20) },
    )
  })

  it('finds the best finish of small instances, as trying every order does', () => {
    const small = { batches: 3, stages: 3, models: 3, sessions: false }
    fc.assert(
      fc.property(anyInstance(small), (instance) => {
        const best = bestByForce(instance)
        expect(best.finish).toBeGreaterThanOrEqual(earliestFinish(lowerBound(instance)))
        const { cost } = planned(instance, 3000)
        expect(cost.finish).toBe(best.finish)
        expect(cost.setUpSeconds).toBeGreaterThanOrEqual(best.setUpSeconds)
      }),
      { numRuns: rounds(40), seed: 20_261_124 },
    )
  })
})

describe('what was begun before and has to be followed', () => {
  it('is in time where any order of the tasks has it in time, and the finish is the best of these', () => {
    const small = { batches: 3, stages: 2, models: 2, sessions: false }
    let none = 0
    fc.assert(
      fc.property(withFirstBy(anyInstance(small)), (instance) => {
        const best = bestByForce(instance)
        const { cost, segments } = planned(instance, 2000)
        expect(cost.finish).toBe(best.finish)
        if (Number.isFinite(cost.finish)) expect(validatePlan(instance, segments)).toEqual([])
        else none += 1
      }),
      { numRuns: rounds(60), seed: 20_261_127 },
    )
    expect(none).toBeGreaterThan(rounds(3))
    expect(none).toBeLessThan(rounds(30))
  })

  it('keeps every rule of the desk where everything binds', () => {
    const everything = { batches: 4, stages: 4, models: 4, sessions: true, everything: true }
    let some = 0
    fc.assert(
      fc.property(withFirstBy(anyInstance(everything)), (instance) => {
        const { cost, segments } = planned(instance, 40)
        if (!Number.isFinite(cost.finish)) return
        if (instance.batches.some((batch) => (batch.firstBy?.length ?? 0) > 0)) some += 1
        expect(validatePlan(instance, segments)).toEqual([])
      }),
      { numRuns: rounds(100), seed: 20_261_127 },
    )
    expect(some).toBeGreaterThan(rounds(5))
  })
})

describe.each(provedCaseNames)('%s', (name) => {
  const { instance, reference } = readProvedCase(name)

  it.each(provingSeeds)('reaches the proved optimum and its fewest set-ups from seed %i', (seed) => {
    const { cost } = planned(instance, 40_000, seed)
    expect([cost.finish, cost.potOpenings]).toEqual([reference.makespan, reference.setUps])
  })

  it('evaluates both hand habits as the reference does', () => {
    expect(finishOf(instance, batchByBatch)).toBe(reference.batchByBatch)
    expect(finishOf(instance, stageByStage)).toBe(reference.stageByStage)
  })
})

describe.each(freeCaseNames)('%s', (name) => {
  const { instance, optimum, chain } = readFreeCase(name)

  it.each(provingSeeds)('reaches the proved optimum and its fewest set-ups from seed %i', (seed) => {
    const { cost, segments } = planned(instance, 40_000, seed)
    expect([cost.finish, cost.potOpenings]).toEqual([optimum.makespanMinutes, optimum.setUps])
    expect(validatePlan(instance, segments)).toEqual([])
    expect(cost.finish).toBeGreaterThanOrEqual(earliestFinish(lowerBound(instance)))
  })

  it('ends when its time is used up, whatever else it may spend', () => {
    let asked = 0
    const spent = () => (asked += 1) / 200
    const { cost } = searchPlan(instance, { seed: 1, evaluations: 1e9, spent }, ['date'])
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

describe('batches in any sound order', () => {
  const some = { batches: 3, stages: 6, models: 3, sessions: true }

  it('keeps what has to come before what, and every rule of the desk', () => {
    fc.assert(
      fc.property(anyFreeInstance(some), (instance) => {
        const { segments, cost } = planned(instance, 300)
        if (Number.isFinite(cost.finish)) expect(validatePlan(instance, segments)).toEqual([])
      }),
      { numRuns: rounds(50) },
    )
  })

  it('is never later than either hand habit by the lists, nor before the bound', () => {
    fc.assert(
      fc.property(anyFreeInstance(some), (instance) => {
        const { cost } = planned(instance, 30)
        expect(cost.finish).toBeGreaterThanOrEqual(earliestFinish(lowerBound(instance)))
        if (cost.late > 0 || cost.pressed > 0) return
        expect(cost.finish).toBeLessThanOrEqual(finishOf(instance, batchByBatch))
        expect(cost.finish).toBeLessThanOrEqual(finishOf(instance, stageByStage))
      }),
      { numRuns: rounds(50) },
    )
  })

  it('gives the same plan for the same seed', () => {
    fc.assert(
      fc.property(anyFreeInstance(some), fc.integer(), (instance, seed) => {
        const budget = { seed, evaluations: 60 }
        expect(searchPlan(instance, budget, ['date'])).toEqual(searchPlan(instance, budget, ['date']))
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

describe('what was begun before, in any sound order', () => {
  it('is in time where any order of every batch has it in time', () => {
    const small = { batches: 2, stages: 3, models: 2, sessions: false }
    fc.assert(
      fc.property(withFirstBy(anyFreeInstance(small)), (instance) => {
        const best = bestByForce(instance)
        const { cost, segments } = planned(instance, 3000)
        expect(cost.finish).toBe(best.finish)
        if (Number.isFinite(cost.finish)) expect(validatePlan(instance, segments)).toEqual([])
      }),
      { numRuns: rounds(40), seed: 20_261_127 },
    )
  })
})

describe.each(mixedCases)('$name', ({ instance, best }) => {
  it.each(provingSeeds)(
    'ends no evening later than the best known, nor much later in it, from seed %i',
    (seed) => {
      const { cost, segments } = planned(instance, 100_000, seed)
      expect(validatePlan(instance, segments)).toEqual([])
      const evening = (minute: number) => (instance.painters[0]!.sessions ? Math.floor(minute / 1440) : 0)
      expect(evening(cost.finish)).toBeLessThanOrEqual(evening(best))
      expect(cost.finish).toBeLessThanOrEqual(best * 1.04)
    },
  )
})

describe('a plan that is kept', () => {
  it('stays as it was for the sake of nothing, and moves little where it has to', () => {
    const tasks = (name: number) =>
      [0, 1, 2, 3].map((stage) =>
        bareTask({ stage, family: stage, setUp: 60, regions: [stage], perModel: 1200 + 60 * name }),
      )
    const evenings = [0, 1, 2, 3, 4].map((day) => ({ start: day * 86_400, end: day * 86_400 + 9000 }))
    const planOf = (batches: number) =>
      barePlan(
        Array.from({ length: batches }, (_, index) =>
          bareBatch(tasks(index), { comesAfter: [[], [], [], []] }),
        ),
        { painters: [{ sessions: evenings, pace: 1 }] },
      )
    const before = planOf(3)
    const { found, segments } = planned(before, 3000)
    const placesOf = (count: number) => {
      const startsAt = new Float64Array(count).fill(Number.NaN)
      const painters = new Int32Array(count).fill(-1)
      for (const { batch, task, start, painter } of segments) {
        startsAt[batch * 4 + task] = start
        painters[batch * 4 + task] = painter
      }
      return { startsAt, painters }
    }
    const keep = { sequence: found.sequence, places: placesOf(12) }
    const again = searchPlan(before, { seed: 2, evaluations: 3000 }, ['date'], keep)
    expect(laidOut(before, again).segments).toEqual(segments)

    // One batch more: what was there keeps its place, tonight above all.
    const more = planOf(4)
    const sequence = found.sequence.map((entry) => (entry % 12) + 16 * Math.floor(entry / 12))
    const kept = { sequence, places: placesOf(16) }
    const next = searchPlan(more, { seed: 2, evaluations: 3000 }, ['date'], kept)
    const placed = laidOut(more, next).segments
    const stays = segments.filter((own) =>
      placed.some(
        (each) =>
          each.batch === own.batch && each.task === own.task && Math.abs(each.start - own.start) <= 900,
      ),
    )
    expect(stays.length).toBeGreaterThanOrEqual(segments.length * 0.8)
  })
})
