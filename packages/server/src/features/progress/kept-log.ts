import { gunzip, gzip, constants } from 'node:zlib'
import { promisify } from 'node:util'
import { packedLogSchema, unpackLog, type PackedLog } from '@seriatim/contract'
import { createProgressLog, type Progress, type ProgressLog } from '@seriatim/core/progress'
import type { ProjectId } from '@seriatim/core/units'
import { eq, lt } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { packedLog } from '../../db/schema/progress.ts'
import { readEventsAfter } from './repository.ts'

/** A project's log up to an event, and that event's number. */
export interface LogSoFar {
  readonly log: PackedLog
  readonly last: number
}

const compress = promisify<Buffer, { level: number }, Buffer>(gzip)
const decompress = promisify<Buffer, Buffer>(gunzip)

/** The log as it was last kept in one piece; `null` where it never was. What came after it is read event by event. */
export async function readKeptLog(db: Database, id: ProjectId): Promise<LogSoFar | null> {
  const [kept] = await db.select().from(packedLog).where(eq(packedLog.projectId, id))
  if (!kept) return null
  const log = packedLogSchema.parse(JSON.parse((await decompress(kept.body)).toString()))
  return { log, last: kept.last }
}

/** A log to be read on in: as it was last kept, and up to which event that is. */
export async function beginLog(db: Database, id: ProjectId): Promise<{ log: ProgressLog; last: number }> {
  const log = createProgressLog()
  const kept = await readKeptLog(db, id)
  if (kept) log.add(unpackLog(kept.log))
  return { log, last: kept?.last ?? 0 }
}

/** What every model has behind it, as the whole log tells. */
export async function readProgress(db: Database, id: ProjectId): Promise<Progress> {
  const { log, last } = await beginLog(db, id)
  log.add((await readEventsAfter(db, id, last)).map((each) => each.event))
  return log.read()
}

/** A shorter piece never takes the place of a longer one. */
export async function keepLog(db: Database, id: ProjectId, { log, last }: LogSoFar): Promise<void> {
  const body = await compress(Buffer.from(JSON.stringify(log)), { level: constants.Z_BEST_SPEED })
  await db
    .insert(packedLog)
    .values({ projectId: id, last, body })
    .onConflictDoUpdate({
      target: [packedLog.studioId, packedLog.projectId],
      set: { last, body },
      setWhere: lt(packedLog.last, last),
    })
}
