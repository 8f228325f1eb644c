import type { StoredProject } from '@seriatim/contract'
import type { ProjectId, Unit } from '@seriatim/core'
import { and, asc, eq, isNull, notInArray, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { model, unit } from '../../db/schema.ts'

export async function readUnits(db: Database, projectId: ProjectId): Promise<StoredProject['units']> {
  const units = await db
    .select()
    .from(unit)
    .where(and(eq(unit.projectId, projectId), isNull(unit.removedAt)))
    .orderBy(asc(unit.position), asc(unit.id))
  const models = await db
    .select({ row: model })
    .from(model)
    .innerJoin(unit, eq(model.unitId, unit.id))
    .where(and(eq(unit.projectId, projectId), isNull(model.removedAt)))
    .orderBy(asc(model.position), asc(model.id))
  return units.map(({ id, name, standard, size, detail, perHolder, pilot, joinedToUnit, joinedAtStage }) => {
    const own = models
      .filter(({ row }) => row.unitId === id)
      .map(({ row }) => ({
        id: row.id,
        name: row.name,
        role: row.role,
        variants: row.variants,
        points: row.points,
      }))
    const ids = new Set(own.map((each) => each.id))
    return {
      id,
      name,
      standard,
      size,
      detail,
      perHolder,
      pilot: pilot.filter((each) => ids.has(each)),
      // What it is joined to may have left the roster, and come back.
      joinedAt:
        joinedToUnit && joinedAtStage && units.some((each) => each.id === joinedToUnit)
          ? { unitId: joinedToUnit, stageId: joinedAtStage }
          : null,
      models: own,
    }
  })
}

/** Writes the unit and its models; models it no longer names are marked removed, and named ones come back. */
export async function writeUnit(
  db: Database,
  projectId: ProjectId,
  written: Unit,
  position?: number,
): Promise<void> {
  const place = position ?? (await nextUnitPosition(db, projectId))
  const { name, standard, size, detail, perHolder, pilot } = written
  const values = {
    name,
    standard,
    size,
    detail,
    perHolder,
    pilot: [...pilot],
    joinedToUnit: written.joinedAt?.unitId ?? null,
    joinedAtStage: written.joinedAt?.stageId ?? null,
  }
  await db
    .insert(unit)
    .values({ id: written.id, projectId, position: place, ...values })
    .onConflictDoUpdate({ target: unit.id, set: { ...values, removedAt: null } })
  const ids = written.models.map((each) => each.id)
  const stay = and(eq(model.unitId, written.id), isNull(model.removedAt))
  await db
    .update(model)
    .set({ removedAt: new Date() })
    .where(ids.length > 0 ? and(stay, notInArray(model.id, ids)) : stay)
  if (written.models.length === 0) return
  await db
    .insert(model)
    .values(
      written.models.map((each, index) => ({
        ...each,
        variants: [...each.variants],
        unitId: written.id,
        position: index,
      })),
    )
    .onConflictDoUpdate({
      target: model.id,
      set: {
        unitId: written.id,
        name: sql`excluded.name`,
        role: sql`excluded.role`,
        variants: sql`excluded.variants`,
        points: sql`excluded.points`,
        position: sql`excluded.position`,
        removedAt: null,
      },
    })
}

async function nextUnitPosition(db: Database, projectId: ProjectId): Promise<number> {
  const [row] = await db
    .select({ next: sql<number>`coalesce(max(${unit.position}) + 1, 0)`.mapWith(Number) })
    .from(unit)
    .where(eq(unit.projectId, projectId))
  return row?.next ?? 0
}

export async function markUnitRemoved(db: Database, unitId: Unit['id']): Promise<void> {
  await db.update(unit).set({ removedAt: new Date() }).where(eq(unit.id, unitId))
}
