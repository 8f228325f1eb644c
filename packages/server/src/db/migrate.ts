import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { sql } from 'drizzle-orm'
import type { NodePgDatabase } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'

const folder = fileURLToPath(new URL('./migrations', import.meta.url))

export class NewerDatabase extends Error {
  constructor() {
    super('These data were written by a newer Seriatim; start that one, or choose another data directory.')
  }
}

/** @throws NewerDatabase when the database has had migrations this version does not know; nothing is changed then. */
export async function migrateDatabase(db: NodePgDatabase): Promise<void> {
  const journal = JSON.parse(readFileSync(`${folder}/meta/_journal.json`, 'utf8')) as { entries: unknown[] }
  const known = await db.execute<{ there: boolean }>(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as there`,
  )
  if (known.rows[0]?.there) {
    const applied = await db.execute<{ count: number }>(
      sql`select count(*)::int as count from drizzle.__drizzle_migrations`,
    )
    if ((applied.rows[0]?.count ?? 0) > journal.entries.length) throw new NewerDatabase()
  }
  await migrate(db, { migrationsFolder: folder })
}
