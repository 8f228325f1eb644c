import { asc } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import type { Logger } from 'pino'
import { openPool, type Database, type DatabasePatience } from './client.ts'
import type { StudioId } from './schema/columns.ts'
import { studio } from './schema/studio.ts'

/** The database role of all that is asked for: it owns nothing, so that row-level security binds it. */
export const tenantRole = 'seriatim_tenant'

/** The way to the rows of studios: each handle sees one, and no statement through it reaches another's. */
export interface Studios {
  readonly of: (studio: StudioId) => Database
  readonly close: () => Promise<void>
}

export function openStudios(url: string, log: Logger, patience?: DatabasePatience): Studios {
  const pool = openPool(url, log, patience)
  return { of: (studio) => drizzle(connectionsOf(pool, studio)), close: () => pool.end() }
}

/** Whom a connection serves; it is told anew only when that changes. */
const serving = new WeakMap<pg.PoolClient, StudioId>()

/**
 * The connections of a shared pool, acting for one studio: a forgotten filter finds the studio's own rows, and nothing
 * else is there.
 */
class StudioPool {
  readonly #pool: pg.Pool
  readonly #studio: StudioId

  constructor(pool: pg.Pool, studio: StudioId) {
    this.#pool = pool
    this.#studio = studio
  }

  async connect(): Promise<pg.PoolClient> {
    const client = await this.#pool.connect()
    if (serving.get(client) === this.#studio) return client
    try {
      await client.query("select set_config('seriatim.studio', $1, false), set_config('role', $2, false)", [
        this.#studio,
        tenantRole,
      ])
    } catch (error) {
      client.release(true)
      throw error
    }
    serving.set(client, this.#studio)
    return client
  }

  async query(config: pg.QueryConfig, values?: unknown[]): Promise<pg.QueryResult> {
    const client = await this.connect()
    try {
      const result = await client.query(config, values)
      client.release()
      return result
    } catch (error) {
      client.release(!(error instanceof pg.DatabaseError))
      throw error
    }
  }
}

/** All that the mapper asks of a pool. */
const connectionsOf = (pool: pg.Pool, studio: StudioId) => new StudioPool(pool, studio) as unknown as pg.Pool

/** The studio of whoever paints alone: the first. @throws Error the migrations were not run. */
export async function firstStudio(owner: Database): Promise<StudioId> {
  const [first] = await owner.select({ id: studio.id }).from(studio).orderBy(asc(studio.createdAt)).limit(1)
  if (!first) throw new Error('the database has no studio')
  return first.id
}
