import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bestByForce } from '../testing/exhaustive.ts'
import { anyInstance } from '../testing/plan-arbitrary.ts'
import { earliestFinish, lowerBound } from './bounds.ts'
import { createDesk, layRow } from './desk.ts'
import { batchByBatch, stageByStage } from './habits.ts'
import type { PlanInstance, PlanSegment } from './instance.ts'
import { searchRow } from './search.ts'
import { validatePlan } from './validate-plan.ts'

const large = { batches: 4, stages: 5, models: 4, sessions: true }

function planned(instance: PlanInstance, evaluations = 60, seed = 1) {
  const found = searchRow(instance, { seed, evaluations })
  const segments: PlanSegment[] = []
  const cost = layRow(createDesk(instance), found.row, found.policy, (segment) => segments.push(segment))
  return { found, cost, segments }
}

describe('searchRow', () => {
  it('never overlaps hands, paints wet regions, works outside sessions or holds too many batches', () => {
    fc.assert(
      fc.property(anyInstance(large), (instance) => {
        const { cost, segments } = planned(instance)
        expect(cost.finish).toBeLessThan(Number.POSITIVE_INFINITY)
        expect(validatePlan(instance, segments)).toEqual([])
      }),
      { numRuns: 400 },
    )
  })

  it('is never later than either hand habit', () => {
    fc.assert(
      fc.property(anyInstance(large), fc.integer({ min: 0, max: 50 }), (instance, evaluations) => {
        const { cost } = planned(instance, evaluations)
        const desk = createDesk(instance)
        for (const policy of ['fill', 'whole'] as const) {
          expect(cost.finish).toBeLessThanOrEqual(layRow(desk, batchByBatch(instance), policy).finish)
          expect(cost.finish).toBeLessThanOrEqual(layRow(desk, stageByStage(instance), policy).finish)
        }
      }),
      { numRuns: 400 },
    )
  })

  it('never finishes before the lower bound', () => {
    fc.assert(
      fc.property(anyInstance(large), (instance) => {
        expect(planned(instance).cost.finish).toBeGreaterThanOrEqual(earliestFinish(lowerBound(instance)))
      }),
      { numRuns: 400 },
    )
  })

  it('gives the same row for the same seed', () => {
    fc.assert(
      fc.property(anyInstance(large), fc.integer(), (instance, seed) => {
        expect(planned(instance, 40, seed).found).toEqual(planned(instance, 40, seed).found)
      }),
      { numRuns: 50 },
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
      { numRuns: 120, seed: 20_261_124 },
    )
  })
})

interface Case {
  readonly families: readonly { readonly id: string; readonly setUpMinutes: number }[]
  readonly batches: readonly {
    readonly stages: readonly {
      readonly family: string
      readonly handsMinutes: number
      readonly dryMinMinutes: number
    }[]
  }[]
  readonly reference: {
    readonly makespan: number
    readonly setUps: number
    readonly batchByBatch: number
    readonly stageByStage: number
  }
}

/** A batch with waits between whole stages is a batch of one model, an open desk, nothing split. */
function instanceOf(given: Case): PlanInstance {
  return {
    regionCount: 0,
    sessions: null,
    potsCloseBetweenSessions: false,
    maySplit: false,
    inHandAtMost: null,
    openFamily: null,
    batches: given.batches.map((batch) => ({
      models: 1,
      drying: [],
      begun: false,
      tasks: batch.stages.map((stage, index) => ({
        stage: index,
        family: given.families.findIndex((family) => family.id === stage.family),
        setUp: given.families.find((family) => family.id === stage.family)?.setUpMinutes ?? 0,
        perModel: stage.handsMinutes,
        wait: stage.dryMinMinutes,
        regions: 'whole' as const,
        models: [0],
      })),
    })),
  }
}

// Invented instances; their optima were proved by exhaustive search or a general constraint solver.
describe.each(['plan01', 'plan03', 'plan10'])('one painter, %s', (name) => {
  const given = JSON.parse(readFileSync(new URL(`../../cases/${name}.json`, import.meta.url), 'utf8')) as Case
  const instance = instanceOf(given)
  const desk = createDesk(instance)

  it.each([1, 2, 3, 4, 5])('reaches the proved optimum and its fewest set-ups from seed %i', (seed) => {
    const { cost } = planned(instance, 5000, seed)
    expect([cost.finish, cost.potOpenings]).toEqual([given.reference.makespan, given.reference.setUps])
  })

  it('evaluates both hand habits as the reference does', () => {
    expect(layRow(desk, batchByBatch(instance), 'fill').finish).toBe(given.reference.batchByBatch)
    expect(layRow(desk, stageByStage(instance), 'fill').finish).toBe(given.reference.stageByStage)
  })
})
