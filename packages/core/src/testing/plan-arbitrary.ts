import fc from 'fast-check'
import type { PlanBatch, PlanInstance, PlanTask } from '../planning/instance.ts'

interface Limits {
  readonly batches: number
  readonly stages: number
  readonly models: number
  readonly sessions: boolean
}

const regionCount = 3

/** Any instance of our kind, small enough to check by hand or by force. */
export function anyInstance(limits: Limits): fc.Arbitrary<PlanInstance> {
  return fc
    .record({
      batches: fc.array(anyBatch(limits), { minLength: 1, maxLength: limits.batches }),
      sessions: limits.sessions ? fc.option(anySessions(), { nil: null }) : fc.constant(null),
      potsCloseBetweenSessions: fc.boolean(),
      maySplit: fc.constant(true),
      inHandAtMost: fc.option(fc.integer({ min: 1, max: 3 }), { nil: null }),
      openFamily: fc.option(fc.integer({ min: 0, max: 3 }), { nil: null }),
    })
    .map((parts) => ({ ...parts, regionCount }))
}

/** Sessions of at least half an hour, enough of them for any instance here. */
function anySessions() {
  return fc
    .tuple(
      fc.integer({ min: 0, max: 40 }),
      fc.integer({ min: 30, max: 120 }),
      fc.integer({ min: 0, max: 300 }),
    )
    .map(([first, length, pause]) =>
      Array.from({ length: 400 }, (_, index) => {
        const start = first + index * (length + pause)
        return { start, end: start + length }
      }),
    )
}

function anyBatch(limits: Limits): fc.Arbitrary<PlanBatch> {
  return fc.integer({ min: 1, max: limits.models }).chain((models) => {
    const regions: fc.Arbitrary<PlanTask['regions']> = fc.oneof(
      fc.constant('whole' as const),
      fc.uniqueArray(fc.integer({ min: 0, max: regionCount - 1 }), { minLength: 1, maxLength: 2 }),
    )
    const task = fc.record({
      family: fc.integer({ min: 0, max: 3 }),
      setUp: fc.integer({ min: 2, max: 5 }),
      again: fc.integer({ min: 0, max: 2 }),
      perModel: fc.integer({ min: 1, max: 6 }),
      wait: fc.oneof(fc.constant(0), fc.integer({ min: 1, max: 40 })),
      regions,
      models: fc.subarray(
        Array.from({ length: models }, (_, index) => index),
        { minLength: 1 },
      ),
    })
    return fc
      .record({
        tasks: fc.array(task, { minLength: 1, maxLength: limits.stages }),
        begun: fc.boolean(),
        drying: fc.array(
          fc.record({
            model: fc.integer({ min: 0, max: models - 1 }),
            regions,
            readyAt: fc.integer({ min: 1, max: 50 }),
          }),
          { maxLength: 2 },
        ),
      })
      .map(({ tasks, begun, drying }) => ({
        models,
        begun,
        drying: begun ? drying : [],
        tasks: tasks.map((each, stage) => ({ ...each, stage })),
      }))
  })
}
