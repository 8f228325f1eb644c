import type { StoredProject } from '@seriatim/contract'
import type { Unit } from '@seriatim/core/trade'
import type { ProjectId } from '@seriatim/core/units'
import { and, asc, eq, inArray, isNull, notInArray, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { model, unit } from '../../db/schema/roster.ts'

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
    return {
      id,
      name,
      standard,
      size,
      detail,
      perHolder,
      pilot,
      joinedAt: joinedToUnit && joinedAtStage ? { unitId: joinedToUnit, stageId: joinedAtStage } : null,
      models: own,
    }
  })
}

/** Writes the unit and its models; models it no longer names are marked removed, and named ones come back. */
export async function writeUnit(
  db: Database,
  projectId: ProjectId,
  written: Unit,
  position: number,
): Promise<void> {
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
    .values({ id: written.id, projectId, position, ...values })
    .onConflictDoUpdate({ target: [unit.studioId, unit.id], set: { ...values, removedAt: null } })
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
      target: [model.studioId, model.id],
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

export async function markUnitsRemoved(db: Database, ids: readonly Unit['id'][]): Promise<void> {
  if (ids.length === 0) return
  await db
    .update(unit)
    .set({ removedAt: new Date() })
    .where(inArray(unit.id, [...ids]))
}

/** The units in this order. */
export async function placeUnits(db: Database, ids: readonly Unit['id'][]): Promise<void> {
  await db.execute(sql`
    update unit set position = place - 1
    from unnest(${sql.param([...ids])}::uuid[]) with ordinality as wanted (id, place)
    where unit.id = wanted.id and position <> place - 1`)
}
