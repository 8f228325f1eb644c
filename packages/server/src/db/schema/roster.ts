import type { Detail, Size, Standard } from '@seriatim/core/trade'
import type { ModelId, ProjectId, StageId, UnitId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import {
  check,
  doublePrecision,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { ofStudio, removedAt } from './columns.ts'
import { project } from './project.ts'

export const unit = pgTable(
  'unit',
  {
    studioId: ofStudio(),
    id: uuid().$type<UnitId>().notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    position: integer().notNull(),
    name: text().notNull(),
    standard: text().$type<Standard>().notNull().default('display'),
    size: text().$type<Size>().notNull().default('foot'),
    detail: text().$type<Detail>().notNull().default('usual'),
    perHolder: integer('per_holder').notNull().default(1),
    /** Models of the unit; one that left the roster is none of it any more. */
    pilot: uuid().array().$type<ModelId[]>().notNull().default([]),
    joinedToUnit: uuid('joined_to_unit').$type<UnitId>(),
    joinedAtStage: uuid('joined_at_stage').$type<StageId>(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    index('unit_by_project').on(table.studioId, table.projectId, table.position),
    check('unit_name_given', sql`length(trim(${table.name})) > 0`),
    check(
      'unit_standard_known',
      sql`${table.standard} in ('three-colour', 'tabletop', 'tabletop plus', 'display')`,
    ),
    check(
      'unit_size_known',
      sql`${table.size} in ('small', 'foot', 'large foot', 'mounted', 'large', 'very large', 'huge')`,
    ),
    check('unit_detail_known', sql`${table.detail} in ('plain', 'usual', 'ornate')`),
    check('unit_holder_positive', sql`${table.perHolder} >= 1`),
    check('unit_joined_whole', sql`(${table.joinedToUnit} is null) = (${table.joinedAtStage} is null)`),
    check('unit_joined_to_another', sql`${table.joinedToUnit} <> ${table.id}`),
  ],
)

export const model = pgTable(
  'model',
  {
    studioId: ofStudio(),
    id: uuid().$type<ModelId>().notNull(),
    unitId: uuid('unit_id').$type<UnitId>().notNull(),
    position: integer().notNull(),
    name: text().notNull(),
    role: text().notNull(),
    variants: text().array().notNull().default([]),
    points: doublePrecision().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({ columns: [table.studioId, table.unitId], foreignColumns: [unit.studioId, unit.id] }),
    index('model_by_unit').on(table.studioId, table.unitId, table.position),
    check('model_name_given', sql`length(trim(${table.name})) > 0`),
    check('model_points_not_negative', sql`${table.points} >= 0`),
  ],
)
