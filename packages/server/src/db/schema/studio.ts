import type { ProjectId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import { check, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import { moment, type StudioId } from './columns.ts'

/** One row, made with the database: a page that kept a copy of another database's log throws it away. */
export const installation = pgTable('installation', { id: uuid().primaryKey().defaultRandom() })

/** Who all other rows belong to. A lone painter is a studio of one, made with the database. */
export const studio = pgTable(
  'studio',
  {
    id: uuid().$type<StudioId>().primaryKey().defaultRandom(),
    name: text().notNull(),
    /** The project whose hours, people and stations hold where several are planned at one desk; `null` until one is chosen. */
    hoursOf: uuid('hours_of').$type<ProjectId>(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (table) => [check('studio_name_given', sql`length(trim(${table.name})) > 0`)],
)
