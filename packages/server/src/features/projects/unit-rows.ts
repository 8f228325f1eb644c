import type { StoredProject } from '@seriatim/contract'
import type { Model, Unit } from '@seriatim/core/trade'
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
  const modelsOf = new Map<Unit['id'], Model[]>()
  for (const { row } of models) {
    const own = modelsOf.get(row.unitId)
    const each = { id: row.id, ...row.document }
    if (own) own.push(each)
    else modelsOf.set(row.unitId, [each])
  }
  return units.map(({ id, document }) => ({ id, ...document, models: modelsOf.get(id) ?? [] }))
}

/** Writes the unit and its models; models it no longer names are marked removed, and named ones come back. */
export async function writeUnit(
  db: Database,
  projectId: ProjectId,
  written: Unit,
  position: number,
): Promise<void> {
  const { id, models, ...document } = written
  await db
    .insert(unit)
    .values({ id, projectId, position, document })
    .onConflictDoUpdate({ target: [unit.studioId, unit.id], set: { document, removedAt: null } })
  const ids = models.map((each) => each.id)
  const stay = and(eq(model.unitId, id), isNull(model.removedAt))
  await db
    .update(model)
    .set({ removedAt: new Date() })
    .where(ids.length > 0 ? and(stay, notInArray(model.id, ids)) : stay)
  if (models.length === 0) return
  await db
    .insert(model)
    .values(
      models.map(({ id: modelId, ...own }, index) => ({
        id: modelId,
        document: own,
        unitId: id,
        position: index,
      })),
    )
    .onConflictDoUpdate({
      target: [model.studioId, model.id],
      set: {
        unitId: id,
        document: sql`excluded.document`,
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
