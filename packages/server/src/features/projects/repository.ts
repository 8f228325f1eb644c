import type { ProjectSettings, ProjectSummary, StoredProject } from '@seriatim/contract'
import type { LocalDate, ProjectId, Seconds } from '@seriatim/core/units'
import { and, eq, isNull } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { project } from '../../db/schema/project.ts'
import { readLine } from './line-rows.ts'
import { readRecipes } from './recipe-rows.ts'
import { readUnits } from './unit-rows.ts'

type Row = typeof project.$inferSelect

/** Whether the id is taken, by a removed project as well. */
export async function isProjectIdTaken(db: Database, id: ProjectId): Promise<boolean> {
  const rows = await db.select({ id: project.id }).from(project).where(eq(project.id, id))
  return rows.length > 0
}

/** As it is written, with what speaks of things that have left; see `withoutDangling` in the core. */
export async function readProject(db: Database, id: ProjectId): Promise<StoredProject | null> {
  const [row] = await db
    .select()
    .from(project)
    .where(and(eq(project.id, id), isNull(project.removedAt)))
  if (!row) return null
  return {
    id,
    revision: row.revision,
    ...settingsOf(row),
    units: await readUnits(db, id),
    recipes: await readRecipes(db, id),
    line: await readLine(db, id),
  }
}

function settingsOf(row: Row): ProjectSettings {
  return {
    name: row.name,
    dueOn: row.dueOn as LocalDate | null,
    commission: row.commission,
    evenings: {
      weekdays: row.weekdays,
      startsAt: row.startsAt,
      lengthSeconds: row.eveningSeconds as Seconds,
      also: row.alsoAt,
      timeZone: row.timeZone,
    },
    batchSize: row.batchSize,
    firstBatch: row.firstBatch,
    batchesInHand: row.batchesInHand,
    planning: row.planning,
  }
}

function columnsOf(settings: ProjectSettings) {
  return {
    name: settings.name,
    dueOn: settings.dueOn,
    commission: settings.commission,
    weekdays: [...settings.evenings.weekdays],
    startsAt: settings.evenings.startsAt,
    eveningSeconds: settings.evenings.lengthSeconds,
    alsoAt: settings.evenings.also,
    timeZone: settings.evenings.timeZone,
    batchSize: settings.batchSize,
    firstBatch: settings.firstBatch,
    batchesInHand: settings.batchesInHand,
    planning: settings.planning,
  }
}

/** Does nothing when the id is taken already. */
export async function insertProject(db: Database, id: ProjectId, settings: ProjectSettings): Promise<void> {
  await db
    .insert(project)
    .values({ id, ...columnsOf(settings) })
    .onConflictDoNothing()
}

/** False when there is no such project. */
export async function writeFinish(
  db: Database,
  id: ProjectId,
  finish: NonNullable<ProjectSummary['finish']>,
): Promise<boolean> {
  const written = await db
    .update(project)
    .set({ finish })
    .where(and(eq(project.id, id), isNull(project.removedAt)))
    .returning({ id: project.id })
  return written.length > 0
}

export async function updateSettings(db: Database, id: ProjectId, settings: ProjectSettings): Promise<void> {
  await db.update(project).set(columnsOf(settings)).where(eq(project.id, id))
}

export async function removeProject(db: Database, id: ProjectId, removed: boolean): Promise<void> {
  await db
    .update(project)
    .set({ removedAt: removed ? new Date() : null })
    .where(eq(project.id, id))
}

/** `null` when there is no such project. */
export async function readRevision(db: Database, id: ProjectId): Promise<number | null> {
  const [row] = await selectRevision(db, id)
  return row?.revision ?? null
}

/** The same, with the project's row locked until the transaction ends. */
export async function lockProject(db: Database, id: ProjectId): Promise<number | null> {
  const [row] = await selectRevision(db, id).for('update')
  return row?.revision ?? null
}

function selectRevision(db: Database, id: ProjectId) {
  return db
    .select({ revision: project.revision })
    .from(project)
    .where(and(eq(project.id, id), isNull(project.removedAt)))
}

export async function setRevision(db: Database, id: ProjectId, revision: number): Promise<void> {
  await db.update(project).set({ revision }).where(eq(project.id, id))
}
