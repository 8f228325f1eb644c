import { changesAtOnce, type LoggedChange, type NewChange } from '@seriatim/contract'
import type { Command, CommandVerdict } from '@seriatim/core/changes'
import { instant, type ChangeId, type ProjectId } from '@seriatim/core/units'
import { and, desc, eq, gt, lt, not, lte } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { projectChange } from '../../db/schema/project.ts'

export interface KeptChange {
  readonly projectId: ProjectId
  readonly commands: readonly Command[]
  readonly verdicts: readonly CommandVerdict[]
}

export async function readChange(db: Database, id: ChangeId): Promise<KeptChange | null> {
  const [row] = await db
    .select({
      projectId: projectChange.projectId,
      commands: projectChange.commands,
      verdicts: projectChange.verdicts,
    })
    .from(projectChange)
    .where(eq(projectChange.id, id))
  return row ?? null
}

/** Paths of what was changed since `base`, but for what the device itself changed up to its number `own`. */
export async function touchedSince(
  db: Database,
  projectId: ProjectId,
  { base, device, own }: Pick<NewChange, 'base' | 'device' | 'own'>,
): Promise<ReadonlySet<string>> {
  const isKnown = and(eq(projectChange.device, device), lte(projectChange.deviceNumber, own))
  const rows = await db
    .select({ touched: projectChange.touched })
    .from(projectChange)
    .where(
      and(eq(projectChange.projectId, projectId), gt(projectChange.revision, base), isKnown && not(isKnown)),
    )
  return new Set(rows.flatMap((row) => row.touched))
}

export interface ChangeToKeep {
  readonly change: NewChange
  readonly signedBy: string | null
  readonly revision: number
  readonly verdicts: readonly CommandVerdict[]
  readonly undo: readonly Command[]
  readonly touched: readonly string[]
}

export async function keepChange(db: Database, projectId: ProjectId, kept: ChangeToKeep): Promise<void> {
  const { change, signedBy, revision, verdicts, undo, touched } = kept
  await db.insert(projectChange).values({
    id: change.id,
    projectId,
    revision,
    at: new Date(change.at),
    device: change.device,
    deviceNumber: change.number,
    painter: change.painter,
    signedBy,
    commands: change.commands,
    verdicts,
    undo,
    touched: [...touched],
  })
}

/** The newest first. */
export async function readChanges(
  db: Database,
  projectId: ProjectId,
  before: number | undefined,
): Promise<readonly LoggedChange[]> {
  const rows = await db
    .select()
    .from(projectChange)
    .where(
      and(
        eq(projectChange.projectId, projectId),
        before === undefined ? undefined : lt(projectChange.revision, before),
      ),
    )
    .orderBy(desc(projectChange.revision))
    .limit(changesAtOnce)
  return rows.map((row) => ({
    id: row.id,
    revision: row.revision,
    at: instant(row.at.getTime()),
    device: row.device,
    number: row.deviceNumber,
    painter: row.painter,
    signedBy: row.signedBy,
    done: row.commands.filter((_, index) => row.verdicts[index]?.kind === 'done'),
    undo: row.undo,
  }))
}
