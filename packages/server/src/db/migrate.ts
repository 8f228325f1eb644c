import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { nameBatchesByModels } from './name-batches-by-models.ts'

const folder = fileURLToPath(new URL('./migrations', import.meta.url))

/** Any number will do, as long as no other program on the same database takes it. */
const migrationLock = 4_640_047

export class NewerDatabase extends Error {
  constructor() {
    super('These data were written by a newer Seriatim; start that one, or choose another data directory.')
  }
}

/**
 * Brings the database up to date, on a connection of its own that holds a lock: of several servers starting at once
 * one does it, and the others wait and find it done; `afterwards` runs under the same lock.
 * @throws NewerDatabase when the database has had migrations this version does not know; nothing is changed then.
 */
export async function migrateDatabase(url: string, afterwards?: () => Promise<void>): Promise<void> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: 3000 })
  // Unheard it would end the process; what it breaks is thrown where it is waited for.
  client.on('error', () => undefined)
  await client.connect()
  try {
    await client.query('select pg_advisory_lock($1)', [migrationLock])
    const journal = JSON.parse(readFileSync(`${folder}/meta/_journal.json`, 'utf8')) as { entries: unknown[] }
    if ((await appliedCount(client)) > journal.entries.length) throw new NewerDatabase()
    const db = drizzle(client)
    await migrate(db, { migrationsFolder: folder })
    await nameBatchesByModels(db)
    await afterwards?.()
  } finally {
    await client.end().catch(() => undefined)
  }
}

async function appliedCount(client: pg.Client): Promise<number> {
  const known = await client.query<{ there: boolean }>(
    "select to_regclass('drizzle.__drizzle_migrations') is not null as there",
  )
  if (!known.rows[0]?.there) return 0
  const applied = await client.query<{ count: number }>(
    'select count(*)::int as count from drizzle.__drizzle_migrations',
  )
  return applied.rows[0]?.count ?? 0
}
