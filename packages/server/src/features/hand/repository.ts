import type { BringRates, BroughtRate } from '@seriatim/contract'
import { and, asc, eq, or, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { broughtRate } from '../../db/schema/desk.ts'

export async function readBroughtRates(db: Database): Promise<readonly BroughtRate[]> {
  return db.select().from(broughtRate).orderBy(asc(broughtRate.technique), asc(broughtRate.size))
}

export async function bringRates(db: Database, { rates, putAway }: BringRates): Promise<void> {
  // Of two that bring rates at once, the later has the last word.
  await db.execute(sql`select pg_advisory_xact_lock(hashtextextended(this_studio()::text, 2))`)
  if (putAway.length > 0)
    await db
      .delete(broughtRate)
      .where(
        or(
          ...putAway.map(({ technique, size }) =>
            and(eq(broughtRate.technique, technique), eq(broughtRate.size, size)),
          ),
        ),
      )
  if (rates.length > 0)
    await db
      .insert(broughtRate)
      .values([...rates])
      .onConflictDoUpdate({
        target: [broughtRate.studioId, broughtRate.technique, broughtRate.size],
        set: { factor: sql`excluded.factor`, laps: sql`excluded.laps` },
      })
}
