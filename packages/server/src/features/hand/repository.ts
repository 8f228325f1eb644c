import type { BroughtRate } from '@seriatim/contract'
import { asc, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { broughtRate } from '../../db/schema/desk.ts'

export async function readBroughtRates(db: Database): Promise<readonly BroughtRate[]> {
  return db.select().from(broughtRate).orderBy(asc(broughtRate.technique), asc(broughtRate.size))
}

export async function replaceBroughtRates(db: Database, rates: readonly BroughtRate[]): Promise<void> {
  // Of two that bring rates at once, the later has the last word.
  await db.execute(sql`select pg_advisory_xact_lock(hashtextextended(this_studio()::text, 2))`)
  await db.delete(broughtRate)
  if (rates.length > 0) await db.insert(broughtRate).values([...rates])
}
