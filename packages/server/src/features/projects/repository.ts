import type { ProjectSettings, StoredProject } from '@seriatim/contract'
import type { LocalDate, ProjectId, Seconds } from '@seriatim/core'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { project } from '../../db/schema.ts'
import { readLine } from './line-rows.ts'
import { readRecipes } from './recipe-rows.ts'
import { readUnits } from './unit-rows.ts'

type Row = typeof project.$inferSelect

export async function listProjectRows(db: Database): Promise<readonly Row[]> {
  return db
    .select()
    .from(project)
    .where(isNull(project.removedAt))
    .orderBy(asc(project.createdAt), asc(project.id))
}

/** Whether the id is taken, by a removed project as well. */
export async function isProjectIdTaken(db: Database, id: ProjectId): Promise<boolean> {
  const rows = await db.select({ id: project.id }).from(project).where(eq(project.id, id))
  return rows.length > 0
}

export async function readProject(db: Database, id: ProjectId): Promise<StoredProject | null> {
  const [row] = await db
    .select()
    .from(project)
    .where(and(eq(project.id, id), isNull(project.removedAt)))
  if (!row) return null
  const units = await readUnits(db, id)
  const [recipes, line] = [await readRecipes(db, id), await readLine(db, id, units)]
  return { id, revision: row.revision, ...settingsOf(row), units, recipes, line }
}

function settingsOf(row: Row): ProjectSettings {
  return {
    name: row.name,
    dueOn: row.dueOn as LocalDate | null,
    evenings: {
      weekdays: row.weekdays,
      startsAt: row.startsAt,
      lengthSeconds: row.eveningSeconds as Seconds,
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
    weekdays: settings.evenings.weekdays,
    startsAt: settings.evenings.startsAt,
    eveningSeconds: settings.evenings.lengthSeconds,
    timeZone: settings.evenings.timeZone,
    batchSize: settings.batchSize,
    firstBatch: settings.firstBatch,
    batchesInHand: settings.batchesInHand,
    planning: settings.planning,
  }
}

export async function insertProject(db: Database, id: ProjectId, settings: ProjectSettings): Promise<void> {
  await db.insert(project).values({ id, ...columnsOf(settings) })
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

/** Takes the next revision if `revision` is still the newest; the row stays locked for the transaction. */
export async function takeRevision(db: Database, id: ProjectId, revision: number): Promise<boolean> {
  const rows = await db
    .update(project)
    .set({ revision: sql`${project.revision} + 1` })
    .where(and(eq(project.id, id), eq(project.revision, revision)))
    .returning({ id: project.id })
  return rows.length > 0
}
