import type { NodePgQueryResultHKT } from 'drizzle-orm/node-postgres'
import type { PgDatabase } from 'drizzle-orm/pg-core'
import pg from 'pg'
import type { Logger } from 'pino'

/** The pool or a transaction on it. */
export type Database = PgDatabase<NodePgQueryResultHKT>

/** No statement of ours takes so long; one that does is ended, so that it cannot hold up all others. */
const longestStatement = 30_000

/** A pool that outlives a database that goes away: broken connections, idle or in use, are logged and replaced. */
export function openPool(url: string, log: Logger): pg.Pool {
  const pool = new pg.Pool({
    connectionString: url,
    max: 8,
    // A new connection is dear on a busy machine: one that was used lately is kept.
    idleTimeoutMillis: 300_000,
    connectionTimeoutMillis: 3000,
    statement_timeout: longestStatement,
    idle_in_transaction_session_timeout: longestStatement,
  })
  const broke = (error: Error) => {
    log.warn({ reason: error.message }, 'a database connection broke')
  }
  pool.on('error', broke)
  // A connection lost inside a transaction tells its client, not the pool; unheard it would end the process.
  pool.on('connect', (client) => client.on('error', broke))
  return pool
}
