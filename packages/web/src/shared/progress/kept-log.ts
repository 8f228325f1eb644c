import type { PackedLog } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { forget, keep, logKey, readKept } from '../kept/index.ts'
import type { ProgressStore } from './progress-store.ts'

/** A project's log as this device had it last, and whose numbers it has. */
interface KeptLog {
  readonly installation: string
  readonly log: PackedLog
  readonly last: number
}

/** A long log takes a while to write: it is not written with every punch. */
const settlesAfter = 5_000

const installations = new Map<ProjectId, string>()
const waiting = new Map<ProjectId, ReturnType<typeof setTimeout>>()

/** The stores that are watched: what they come to know is kept. */
const watched = new Set<ProjectId>()

/** Fills a store with what this device kept, once; what it lacks is asked for from there on, and kept in turn. */
export async function recallLog(id: ProjectId, store: ProgressStore): Promise<void> {
  if (watched.has(id)) return
  watched.add(id)
  store.subscribe(() => keepLog(id, store))
  const kept = (await readKept(logKey(id))) as KeptLog | undefined
  if (!kept) return
  try {
    store.takeFromServer(kept.log, kept.last)
    installations.set(id, kept.installation)
  } catch {
    // Of an older build, or damaged: the server has it.
    await forget(logKey(id))
  }
}

/** @returns whether the store's numbers are those of this server's database. */
export function isSameInstallation(id: ProjectId, installation: string): boolean {
  const before = installations.get(id) ?? installation
  installations.set(id, installation)
  return before === installation
}

/** Keeps the log on this device, a little later; at once when the page is left. */
function keepLog(id: ProjectId, store: ProgressStore): void {
  if (waiting.has(id)) return
  const write = () => {
    clearTimeout(waiting.get(id))
    waiting.delete(id)
    document.removeEventListener('visibilitychange', whenHidden)
    const installation = installations.get(id)
    if (installation !== undefined)
      void keep(logKey(id), { installation, ...store.known() } satisfies KeptLog)
  }
  const whenHidden = () => {
    if (document.visibilityState === 'hidden') write()
  }
  document.addEventListener('visibilitychange', whenHidden)
  waiting.set(id, setTimeout(write, settlesAfter))
}
