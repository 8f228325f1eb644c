import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import { nameBatchesByModels } from './name-batches-by-models.ts'
import type { StudioId } from './schema/columns.ts'
import { firstStudio, tenantRole } from './studios.ts'

/** From here, and from the built server, which lies as deep. */
const folder = fileURLToPath(new URL('../../src/db/migrations', import.meta.url))

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
 * @returns the studio of whoever paints alone.
 * @throws NewerDatabase when the database has had migrations this version does not know; nothing is changed then.
 */
export async function migrateDatabase(
  url: string,
  afterwards?: (own: StudioId) => Promise<void>,
): Promise<StudioId> {
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
    await letTenantsIn(client)
    const own = await firstStudio(db)
    await afterwards?.(own)
    return own
  } finally {
    await client.end().catch(() => undefined)
  }
}

/**
 * The role of all requests may read and write every table, as far as row-level security lets it. A backup carries no
 * rights, and a role belongs to no database, so both are given at every start.
 */
async function letTenantsIn(client: pg.Client): Promise<void> {
  await client.query(`do $$ begin
    create role ${tenantRole} nologin;
  exception when duplicate_object or unique_violation then null;
  end $$`)
  await client.query(`
    grant usage on schema public to ${tenantRole};
    grant select, insert, update, delete on all tables in schema public to ${tenantRole};
    grant usage on all sequences in schema public to ${tenantRole}`)
  const { rows } = await client.query<{ there: boolean }>(
    `select pg_has_role('${tenantRole}', 'member') as there`,
  )
  if (!rows[0]?.there) await client.query(`grant ${tenantRole} to current_user`)
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
