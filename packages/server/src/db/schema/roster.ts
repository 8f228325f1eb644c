import type { Model, Unit } from '@seriatim/core/trade'
import type { ModelId, ProjectId, UnitId } from '@seriatim/core/units'
import { foreignKey, index, integer, jsonb, pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core'
import { ofStudio, removedAt } from './columns.ts'
import { project } from './project.ts'

/**
 * What a thing is made of is written once, in the schema that everything passes on its way here: a row has what is asked for
 * or pointed to, and the rest as a document.
 */
export const unit = pgTable(
  'unit',
  {
    studioId: ofStudio(),
    id: uuid().$type<UnitId>().notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    position: integer().notNull(),
    /** The unit as it is; of its models each has a row of its own. */
    document: jsonb().$type<Omit<Unit, 'id' | 'models'>>().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    index('unit_by_project').on(table.studioId, table.projectId, table.position),
  ],
)

export const model = pgTable(
  'model',
  {
    studioId: ofStudio(),
    id: uuid().$type<ModelId>().notNull(),
    unitId: uuid('unit_id').$type<UnitId>().notNull(),
    position: integer().notNull(),
    document: jsonb().$type<Omit<Model, 'id'>>().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({ columns: [table.studioId, table.unitId], foreignColumns: [unit.studioId, unit.id] }),
    index('model_by_unit').on(table.studioId, table.unitId, table.position),
  ],
)
