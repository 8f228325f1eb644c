import type { AirReading } from '@seriatim/contract'
import { instant, type Instant } from '@seriatim/core/units'
import { and, asc, eq, gte, or, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { airReading } from '../../db/schema/desk.ts'

const kept = 14 * 24 * 3600 * 1000

export async function readAir(db: Database, now: Instant): Promise<readonly AirReading[]> {
  const rows = await db
    .select()
    .from(airReading)
    .where(gte(airReading.at, new Date(now - kept)))
    .orderBy(asc(airReading.at), asc(airReading.place))
  return rows.map((row) => ({ ...row, at: instant(row.at.getTime()) }))
}

export async function countAir(db: Database, now: Instant): Promise<number> {
  return db.$count(airReading, gte(airReading.at, new Date(now - kept)))
}

const rowsAtOnce = 2000
const whenAndWhere = ({ at, place }: Pick<AirReading, 'at' | 'place'>) => `${String(at)} ${place}`

export async function writeAir(db: Database, readings: readonly AirReading[]): Promise<void> {
  const byWhenAndWhere = new Map(readings.map((reading) => [whenAndWhere(reading), reading]))
  const rows = [...byWhenAndWhere.values()].map((reading) => ({ ...reading, at: new Date(reading.at) }))
  for (let from = 0; from < rows.length; from += rowsAtOnce) {
    await db
      .insert(airReading)
      .values(rows.slice(from, from + rowsAtOnce))
      .onConflictDoUpdate({
        target: [airReading.studioId, airReading.at, airReading.place],
        set: {
          celsius: sql`excluded.celsius`,
          humidity: sql`excluded.humidity`,
          source: sql`excluded.source`,
        },
      })
  }
}

/** Removes the readings that still stand as they were given. @returns those. */
export async function removeAsGiven(
  db: Database,
  given: readonly AirReading[],
): Promise<ReadonlySet<AirReading>> {
  const removed = new Set<AirReading>()
  for (let from = 0; from < given.length; from += rowsAtOnce) {
    const part = given.slice(from, from + rowsAtOnce)
    const same = or(
      ...part.map(({ at, place, celsius, humidity, source }) =>
        and(
          eq(airReading.at, new Date(at)),
          eq(airReading.place, place),
          eq(airReading.celsius, celsius),
          eq(airReading.humidity, humidity),
          eq(airReading.source, source),
        ),
      ),
    )
    const rows = await db
      .delete(airReading)
      .where(same)
      .returning({ at: airReading.at, place: airReading.place })
    const keys = new Set(rows.map(({ at, place }) => whenAndWhere({ at: instant(at.getTime()), place })))
    for (const reading of part) if (keys.has(whenAndWhere(reading))) removed.add(reading)
  }
  return removed
}

/** The stand-in is switched off: what it made up goes, what was measured stays. */
export async function removeSimulated(db: Database): Promise<void> {
  await db.delete(airReading).where(eq(airReading.source, 'simulated'))
}
