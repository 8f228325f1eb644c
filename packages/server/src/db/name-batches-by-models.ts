import { batchNames } from '@seriatim/contract'
import type { BatchId, UnitId } from '@seriatim/core/units'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { Database } from './client.ts'
import { project } from './schema/project.ts'
import { model, unit } from './schema/roster.ts'

/** `<unit id>/<number>`, as batches were called up to migration 6. */
const oldName = '^[0-9a-f-]{36}/[0-9]+$'

/** Pins and wishes that still name a batch by its number get the name that its models give it; done once, harmless again. */
export async function nameBatchesByModels(db: Database): Promise<void> {
  const rows = await db
    .select({
      id: project.id,
      planning: project.planning,
      batchSize: project.batchSize,
      first: project.firstBatch,
    })
    .from(project)
    .where(
      sql`exists (select from jsonb_array_elements_text(${project.planning} -> 'first') as name where name ~ ${oldName})
        or exists (select from jsonb_array_elements(${project.planning} -> 'pins') as pin where pin ->> 'batchId' ~ ${oldName})`,
    )
  for (const { id, planning, batchSize, first } of rows) {
    const models = await db
      .select({ id: model.id, unitId: unit.id, unit: unit.document })
      .from(model)
      .innerJoin(unit, eq(model.unitId, unit.id))
      .where(and(eq(unit.projectId, id), isNull(unit.removedAt), isNull(model.removedAt)))
      .orderBy(asc(unit.position), asc(unit.id), asc(model.position), asc(model.id))
    const units = new Map<UnitId, { id: UnitId; pilot: readonly string[]; models: { id: string }[] }>()
    for (const { id: modelId, unitId, unit } of models) {
      const known = units.get(unitId) ?? { id: unitId, pilot: unit.pilot, models: [] }
      known.models.push({ id: modelId })
      units.set(unitId, known)
    }
    const names = batchNames({ units: [...units.values()], batchSize, firstBatch: first })
    const rename = (name: BatchId) => (names.get(name) ?? name) as BatchId
    const named = {
      ...planning,
      first: planning.first.map(rename),
      pins: planning.pins.map((pin) => ({ ...pin, batchId: rename(pin.batchId) })),
    }
    await db.update(project).set({ planning: named }).where(eq(project.id, id))
  }
}
