import type { NodePgQueryResultHKT } from 'drizzle-orm/node-postgres'
import type { PgDatabase } from 'drizzle-orm/pg-core'
import pg from 'pg'
import type { Logger } from 'pino'

/** The pool or a transaction on it. */
export type Database = PgDatabase<NodePgQueryResultHKT>

/** How long a connection and a statement are waited for; milliseconds. */
export interface DatabasePatience {
  readonly connection: number
  readonly statement: number
}

/** No statement of ours takes so long; one that does is ended, so that it cannot hold up all others. */
const usual: DatabasePatience = { connection: 3000, statement: 30_000 }

/** A pool that outlives a database that goes away: broken connections, idle or in use, are logged and replaced. */
export function openPool(url: string, log: Logger, patience = usual): pg.Pool {
  const pool = new pg.Pool({
    connectionString: url,
    max: 8,
    // A new connection is dear on a busy machine: one that was used lately is kept.
    idleTimeoutMillis: 300_000,
    connectionTimeoutMillis: patience.connection,
    statement_timeout: patience.statement,
    idle_in_transaction_session_timeout: patience.statement,
  })
  const broke = (error: Error) => {
    log.warn({ reason: error.message }, 'a database connection broke')
  }
  pool.on('error', broke)
  // A connection lost inside a transaction tells its client, not the pool; unheard it would end the process.
  pool.on('connect', (client) => client.on('error', broke))
  return pool
}
