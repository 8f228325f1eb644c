import type { PlanToKeep } from '@seriatim/contract'
import type { BatchId, ModelId, ProjectId, UnitId } from '@seriatim/core/units'
import { check, foreignKey, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core'
import { sql } from 'drizzle-orm'
import { moment, ofStudio } from './columns.ts'
import { project } from './project.ts'

/** The plan that a project is painted by: every device keeps to it until the project changes. */
export const plan = pgTable(
  'plan',
  {
    studioId: ofStudio(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    id: uuid().notNull(),
    /** Of the project it was made for. */
    revision: integer().notNull(),
    madeAt: moment('made_at').notNull(),
    /** Says what it was made of, where the server made it; `null` where a page did. */
    madeOf: text('made_of'),
    /** Who does what in which order; written and read whole. */
    stretches: jsonb().$type<PlanToKeep['stretches']>().notNull(),
    /** What it promised when it was searched for; `null` of one that was kept before that was. */
    asFound: jsonb('as_found').$type<NonNullable<PlanToKeep['asFound']>>(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.projectId] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
  ],
)

/** The batches of a plan, each with its models. */
export const planBatch = pgTable(
  'plan_batch',
  {
    studioId: ofStudio(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    /** In the order of the plan. */
    place: integer().notNull(),
    id: text().$type<BatchId>().notNull(),
    unitId: uuid('unit_id').$type<UnitId>().notNull(),
    modelIds: uuid('model_ids').array().$type<readonly ModelId[]>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.projectId, table.place] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [plan.studioId, plan.projectId],
    }).onDelete('cascade'),
    check('plan_batch_has_models', sql`cardinality(${table.modelIds}) > 0`),
  ],
)
