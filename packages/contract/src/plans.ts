import type { LaidPlan, PlanningInput } from '@seriatim/core/plan'
import { touchUpParts } from '@seriatim/core/schedule'
import { techniques } from '@seriatim/core/trade'
import type { BatchId, ModelId, StageId, UnitId } from '@seriatim/core/units'
import { z } from 'zod'
import { idOf, instantField, nameOf, sumOfSecondsField } from './fields.ts'
import { projectSettingsSchema } from './project.ts'

/** Models of one unit that move down the line together in a plan. */
const plannedBatchSchema = z.object({
  id: nameOf<BatchId>(),
  unitId: idOf<UnitId>(),
  modelIds: z.array(idOf<ModelId>()).min(1).max(2000).readonly(),
})

/** See `PlannedTask` in the core. */
const plannedTaskSchema = z.object({
  batchId: nameOf<BatchId>(),
  stageId: idOf<StageId>(),
  touchUp: z.enum(touchUpParts).nullable(),
  by: z.enum(techniques).nullable().optional(),
  painter: z.int().min(0).max(99),
  putOff: z.boolean(),
  /** Plans that were kept before know their order alone. */
  startsAt: instantField.optional(),
})

/** The row of a plan: enough to lay it again, on what is left by then. */
export const planToKeepSchema = z.object({
  /** Of the project it was made for. */
  revision: z.int().min(0).max(2_147_483_646),
  batches: z.array(plannedBatchSchema).max(5000, { error: 'Up to 5,000 batches.' }).readonly(),
  /** In the order of their beginning. */
  stretches: z.array(plannedTaskSchema).max(50_000, { error: 'Up to 50,000 stretches.' }).readonly(),
  /** What it promised when it was searched for: while it keeps to that, nobody searches for another. */
  asFound: z
    .object({
      finishesAt: instantField,
      exposedSeconds: sumOfSecondsField,
      /** Plans that were kept before were of nothing late. */
      lateSeconds: sumOfSecondsField.optional(),
      /** What was wished of its batches; plans that were kept before do not know. */
      wished: projectSettingsSchema
        .pick({ batchSize: true, firstBatch: true })
        .extend({ kept: z.array(nameOf<BatchId>()).readonly() })
        .optional(),
    })
    .nullable()
    .default(null),
})

export const storedPlanSchema = planToKeepSchema.extend({ id: z.uuid(), madeAt: instantField })

export type PlanToKeep = z.output<typeof planToKeepSchema>
export type StoredPlan = z.output<typeof storedPlanSchema>

/** @param revision of the project the plan was made for. */
export function planToKeep(
  revision: number,
  { batches, stretches, asFound }: Pick<LaidPlan, 'batches' | 'stretches' | 'asFound'>,
): PlanToKeep {
  return {
    revision,
    batches: batches.map(({ id, unitId, models }) => ({
      id,
      unitId,
      modelIds: models.map((model) => model.id),
    })),
    stretches: stretches.map(({ batchId, stageId, touchUp, by, painter, putOff, startsAt }) => ({
      batchId,
      stageId,
      touchUp,
      by,
      painter,
      putOff,
      startsAt,
    })),
    asFound,
  }
}

/**
 * What of a kept plan the next one is to keep to: of the same project all it promised; of one that was changed since, where
 * its tasks were. `undefined` where it planned nothing.
 */
export function planBefore(
  kept: Pick<PlanToKeep, 'revision' | 'batches' | 'stretches' | 'asFound'> | null | undefined,
  revision: number,
): PlanningInput['before'] | undefined {
  if (!kept || kept.stretches.length === 0) return undefined
  return {
    batches: kept.batches,
    stretches: kept.stretches,
    wished: kept.asFound?.wished,
    asFound: kept.revision === revision ? kept.asFound : null,
  }
}
