import { createLogPacker, packLog, type LogPacker, type PackedLog } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core'
import type { Database } from '../../db/client.ts'
import { readEventsAfter } from './repository.ts'

/** So many logs are kept packed, the last used: a log is opened again and again, and only ever grows. */
const logsKept = 8

interface Kept {
  readonly packer: LogPacker
  last: number
}

/** Logs on their way to clients; one that was packed before is only read on from where it ended. */
export function createPackedLogs(db: Database) {
  const logs = new Map<ProjectId, Promise<Kept>>()

  async function readOn(id: ProjectId, before: Promise<Kept> | undefined): Promise<Kept> {
    const kept = (await before?.catch(() => undefined)) ?? { packer: createLogPacker(), last: 0 }
    const fresh = await readEventsAfter(db, id, kept.last)
    kept.packer.add(fresh.map((each) => each.event))
    kept.last = fresh.at(-1)?.number ?? kept.last
    return kept
  }

  /** The log after a number, and the number of its last event. */
  return async function packedLog(
    id: ProjectId,
    after: number,
  ): Promise<{ readonly log: PackedLog; readonly last: number }> {
    if (after > 0) {
      const fresh = await readEventsAfter(db, id, after)
      return { log: packLog(fresh.map((each) => each.event)), last: fresh.at(-1)?.number ?? after }
    }
    // One after the other: two readings at once would pack the same events twice.
    const reading = readOn(id, logs.get(id))
    logs.delete(id)
    logs.set(id, reading)
    for (const oldest of [...logs.keys()].slice(0, Math.max(0, logs.size - logsKept))) logs.delete(oldest)
    const { packer, last } = await reading
    return { log: packer.log(), last }
  }
}
