import { createLogPacker, packLog, type LogPacker } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { LRUCache } from 'lru-cache'
import type { Database } from '../../db/client.ts'
import { keepLog, readKeptLog, type LogSoFar } from './kept-log.ts'
import { readEventsAfter } from './repository.ts'

/** So many logs are kept packed, the last used: a log is opened again and again, and only ever grows. */
const logsKept = 8

/** Once so many events have come, the log is kept in one piece anew. */
const worthKeeping = 2000

interface Kept {
  readonly packer: LogPacker
  last: number
}

export type PackedLogs = ReturnType<typeof createPackedLogs>

/** Logs on their way to clients; one that was packed before is only read on from where it ended. */
export function createPackedLogs(db: Database) {
  const logs = new LRUCache<ProjectId, Promise<Kept>>({ max: logsKept })

  async function readOn(id: ProjectId, before: Promise<Kept> | undefined): Promise<Kept> {
    const kept = (await before?.catch(() => undefined)) ?? (await begin(id))
    const fresh = await readEventsAfter(db, id, kept.last)
    kept.packer.add(fresh.map((each) => each.event))
    kept.last = fresh.at(-1)?.number ?? kept.last
    if (fresh.length >= worthKeeping) await keepLog(db, id, { log: kept.packer.log(), last: kept.last })
    return kept
  }

  async function begin(id: ProjectId): Promise<Kept> {
    const kept = await readKeptLog(db, id)
    return { packer: createLogPacker(kept?.log), last: kept?.last ?? 0 }
  }

  /** The log after a number, and the number of its last event. */
  return async function packedLog(id: ProjectId, after: number): Promise<LogSoFar> {
    if (after > 0) {
      const fresh = await readEventsAfter(db, id, after)
      return { log: packLog(fresh.map((each) => each.event)), last: fresh.at(-1)?.number ?? after }
    }
    // One after the other: two readings at once would pack the same events twice.
    const reading = readOn(id, logs.get(id))
    logs.set(id, reading)
    const { packer, last } = await reading
    return { log: packer.log(), last }
  }
}
