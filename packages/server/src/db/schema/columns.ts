import { sql } from 'drizzle-orm'
import { customType, timestamp, uuid } from 'drizzle-orm/pg-core'

declare const brand: unique symbol
export type StudioId = string & { readonly [brand]: 'studio' }

export const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
export const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })

/** Rows are never deleted: what leaves the roster or the line keeps its history. */
export const removedAt = () => moment('removed_at')

/**
 * Whose the row is. Filled by the database from the connection's studio, which row-level security holds every row to;
 * it is the first part of each key, so that a row of another studio cannot be named.
 */
export const ofStudio = () =>
  uuid('studio_id')
    .$type<StudioId>()
    .notNull()
    .default(sql`this_studio()`)
