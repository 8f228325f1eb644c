import type { Recipe, Stage, StepRef, Technique, TypedTime } from '@seriatim/core/trade'
import type { ProjectId, RecipeId, StageId, UnitId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { ofStudio, removedAt } from './columns.ts'
import { project } from './project.ts'
import { unit } from './roster.ts'

export const stage = pgTable(
  'stage',
  {
    studioId: ofStudio(),
    id: uuid().$type<StageId>().notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    position: integer().notNull(),
    name: text().notNull(),
    material: text().notNull(),
    touchKind: text('touch_kind', { enum: ['whole', 'regions', 'base'] }).notNull(),
    regions: text().array().notNull(),
    handsOnSecondsPerModel: integer('hands_on_seconds_per_model').notNull(),
    setUpSeconds: integer('set_up_seconds').notNull(),
    dryingMinSeconds: integer('drying_min_seconds').notNull(),
    dryingMaxSeconds: integer('drying_max_seconds').notNull(),
    nextWithinSeconds: integer('next_within_seconds'),
    limits: jsonb().$type<Stage['limits']>().notNull().default([]),
    tableReady: boolean('table_ready').notNull(),
    cautions: text().array().notNull(),
    note: text().notNull(),
    technique: text().$type<Technique>(),
    typed: jsonb().$type<readonly TypedTime[]>().notNull().default([]),
    /** References into the recipes' documents. */
    steps: jsonb().$type<readonly StepRef[]>().notNull().default([]),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    index('stage_by_project').on(table.studioId, table.projectId, table.position),
    check('stage_name_given', sql`length(trim(${table.name})) > 0`),
    check('stage_touch_known', sql`${table.touchKind} in ('whole', 'regions', 'base')`),
    check('stage_regions_named', sql`(${table.touchKind} = 'regions') = (cardinality(${table.regions}) > 0)`),
    check(
      'stage_times_not_negative',
      sql`least(${table.handsOnSecondsPerModel}, ${table.setUpSeconds}, ${table.dryingMinSeconds}) >= 0`,
    ),
    check('stage_next_within_not_negative', sql`${table.nextWithinSeconds} >= 0`),
    check('stage_drying_in_order', sql`${table.dryingMaxSeconds} >= ${table.dryingMinSeconds}`),
  ],
)

/** Units whose models pass a stage by. */
export const stageExemption = pgTable(
  'stage_exemption',
  {
    studioId: ofStudio(),
    stageId: uuid('stage_id').$type<StageId>().notNull(),
    unitId: uuid('unit_id').$type<UnitId>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.stageId, table.unitId] }),
    foreignKey({ columns: [table.studioId, table.stageId], foreignColumns: [stage.studioId, stage.id] }),
    foreignKey({ columns: [table.studioId, table.unitId], foreignColumns: [unit.studioId, unit.id] }),
  ],
)

/**
 * A recipe is written and read whole, so it is one document; which units follow it is kept in it too.
 */
export const recipe = pgTable(
  'recipe',
  {
    studioId: ofStudio(),
    id: uuid().$type<RecipeId>().notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    position: integer().notNull(),
    document: jsonb().$type<Recipe>().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    index('recipe_by_project').on(table.studioId, table.projectId, table.position),
    check('recipe_document_is_its_own', sql`${table.document} ->> 'id' = ${table.id}::text`),
  ],
)
