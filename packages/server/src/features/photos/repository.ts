import type { Photo, PhotoFields } from '@seriatim/contract'
import { instant, type ProjectId } from '@seriatim/core/units'
import { and, desc, eq } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { photo } from '../../db/schema/photo.ts'

/** All but the file. */
const said = {
  id: photo.id,
  caption: photo.caption,
  modelId: photo.modelId,
  stageId: photo.stageId,
  released: photo.released,
  width: photo.width,
  height: photo.height,
  madeAt: photo.madeAt,
}

const own = (projectId: ProjectId, id: string) => and(eq(photo.projectId, projectId), eq(photo.id, id))

/** The newest first. @param onlyReleased those the client sees. */
export async function readPhotos(
  db: Database,
  projectId: ProjectId,
  onlyReleased = false,
): Promise<readonly Photo[]> {
  const rows = await db
    .select(said)
    .from(photo)
    .where(and(eq(photo.projectId, projectId), ...(onlyReleased ? [eq(photo.released, true)] : [])))
    .orderBy(desc(photo.madeAt), desc(photo.id))
  return rows.map((row) => ({ ...row, madeAt: instant(row.madeAt.getTime()) }))
}

/** The file; `null` when there is none, or none that the client sees. */
export async function readBody(
  db: Database,
  projectId: ProjectId,
  id: string,
  onlyReleased = false,
): Promise<Buffer | null> {
  const [row] = await db
    .select({ body: photo.body, released: photo.released })
    .from(photo)
    .where(own(projectId, id))
  return row && (row.released || !onlyReleased) ? row.body : null
}

export async function countPhotos(db: Database, projectId: ProjectId): Promise<number> {
  return db.$count(photo, eq(photo.projectId, projectId))
}

/** Sent again it is there already. False where another project has a picture of this id. */
export async function insertPhoto(db: Database, row: typeof photo.$inferInsert): Promise<boolean> {
  const written = await db.insert(photo).values(row).onConflictDoNothing().returning({ id: photo.id })
  return written.length > 0 || (await db.$count(photo, own(row.projectId, row.id))) > 0
}

/** False when there is none. */
export async function updatePhoto(
  db: Database,
  projectId: ProjectId,
  id: string,
  fields: PhotoFields,
): Promise<boolean> {
  const written = await db.update(photo).set(fields).where(own(projectId, id)).returning({ id: photo.id })
  return written.length > 0
}

/** False when there is none. */
export async function deletePhoto(db: Database, projectId: ProjectId, id: string): Promise<boolean> {
  const gone = await db.delete(photo).where(own(projectId, id)).returning({ id: photo.id })
  return gone.length > 0
}
