import { drizzle, type NodePgDatabase, type NodePgQueryResultHKT } from 'drizzle-orm/node-postgres'
import type { PgDatabase } from 'drizzle-orm/pg-core'
import pg from 'pg'
import type { Logger } from 'pino'

/** The pool or a transaction on it. */
export type Database = PgDatabase<NodePgQueryResultHKT>

/** A pool that outlives a database that goes away: broken idle connections are logged and replaced. */
export function openDatabase(url: string, log: Logger): { db: NodePgDatabase; close: () => Promise<void> } {
  const pool = new pg.Pool({ connectionString: url, max: 8, connectionTimeoutMillis: 3000 })
  pool.on('error', (error) => {
    log.warn({ reason: error.message }, 'an idle database connection broke')
  })
  return { db: drizzle(pool), close: () => pool.end() }
}
