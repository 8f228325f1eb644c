import type { ModelId, ProjectId, StageId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { bytea, moment, ofStudio } from './columns.ts'
import { project } from './project.ts'

/** Pictures of a project, as they were written anew here: small, upright, without where and by what they were taken. */
export const photo = pgTable(
  'photo',
  {
    studioId: ofStudio(),
    id: uuid().notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    /** What it shows, where it is one model. */
    modelId: uuid('model_id').$type<ModelId>(),
    /** After which stage it was taken. */
    stageId: uuid('stage_id').$type<StageId>(),
    caption: text().notNull(),
    /** Whether the client sees it. */
    released: boolean().notNull().default(false),
    width: integer().notNull(),
    height: integer().notNull(),
    /** JPEG. */
    body: bytea().notNull(),
    madeAt: moment('made_at').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    check('photo_has_a_size', sql`${table.width} > 0 and ${table.height} > 0`),
    index('photo_by_project').on(table.studioId, table.projectId, table.madeAt),
  ],
)
