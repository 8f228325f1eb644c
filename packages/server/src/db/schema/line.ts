import type { Recipe, Stage } from '@seriatim/core/trade'
import type { ProjectId, RecipeId, StageId, UnitId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import { check, foreignKey, index, integer, jsonb, pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core'
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
    /** The stage as it is; `notNeededBy` has rows of its own, which outlast a unit that leaves and comes back. */
    document: jsonb().$type<Omit<Stage, 'id' | 'notNeededBy'>>().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    index('stage_by_project').on(table.studioId, table.projectId, table.position),
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
