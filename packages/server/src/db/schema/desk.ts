import type { Material, Size, Technique } from '@seriatim/core/trade'
import type { MaterialId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import {
  check,
  doublePrecision,
  foreignKey,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { moment, ofStudio, removedAt } from './columns.ts'
import { studio } from './studio.ts'

/** The shelf beside the desk: one for all projects. */
export const material = pgTable(
  'material',
  {
    studioId: ofStudio(),
    id: uuid().$type<MaterialId>().notNull(),
    document: jsonb().$type<Material>().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({ columns: [table.studioId], foreignColumns: [studio.id] }),
    check('material_document_is_its_own', sql`${table.document} ->> 'id' = ${table.id}::text`),
    uniqueIndex('material_name_once')
      .on(table.studioId, sql`lower(${table.document} ->> 'name')`)
      .where(sql`${table.removedAt} is null`),
  ],
)

/** The hand as it was before, brought from elsewhere: laps in a sum, by technique and size. */
export const broughtRate = pgTable(
  'brought_rate',
  {
    studioId: ofStudio(),
    technique: text().$type<Technique>().notNull(),
    size: text().$type<Size>().notNull(),
    /** Times the preset. */
    factor: doublePrecision().notNull(),
    laps: doublePrecision().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.technique, table.size] }),
    foreignKey({ columns: [table.studioId], foreignColumns: [studio.id] }),
    check('brought_rate_positive', sql`${table.factor} > 0 and ${table.laps} > 0`),
  ],
)

/** What a thermo-hygrometer showed, or is foretold to show; the last word of a moment and place stands. */
export const airReading = pgTable(
  'air_reading',
  {
    studioId: ofStudio(),
    at: moment('at').notNull(),
    /** Where coats dry, or where cans are used. */
    place: text({ enum: ['indoors', 'outdoors'] }).notNull(),
    celsius: doublePrecision().notNull(),
    humidity: doublePrecision().notNull(),
    source: text({ enum: ['typed', 'file', 'simulated'] }).notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.at, table.place] }),
    foreignKey({ columns: [table.studioId], foreignColumns: [studio.id] }),
    check('air_reading_place_known', sql`${table.place} in ('indoors', 'outdoors')`),
    check(
      'air_reading_possible',
      sql`${table.celsius} between -60 and 70 and ${table.humidity} between 1 and 100`,
    ),
  ],
)
