import type { StoredProject } from '@seriatim/contract'
import type { ProjectId, Seconds, Stage, Unit } from '@seriatim/core'
import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { stage, stageExemption } from '../../db/schema.ts'

/** The line; who passes a stage by is told of `units` alone, in their order. */
export async function readLine(
  db: Database,
  projectId: ProjectId,
  units: readonly Pick<Unit, 'id'>[],
): Promise<StoredProject['line']> {
  const rows = await db
    .select()
    .from(stage)
    .where(and(eq(stage.projectId, projectId), isNull(stage.removedAt)))
    .orderBy(asc(stage.position), asc(stage.id))
  const unitIds = units.map((unit) => unit.id)
  const exemptions = await db
    .select({ stageId: stageExemption.stageId, unitId: stageExemption.unitId })
    .from(stageExemption)
    .where(inArray(stageExemption.unitId, unitIds))
  const isExempt = new Set(exemptions.map(({ stageId, unitId }) => `${stageId} ${unitId}`))
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    material: row.material,
    touch: row.touchKind === 'regions' ? { kind: 'regions', regions: row.regions } : { kind: row.touchKind },
    handsOnSecondsPerModel: row.handsOnSecondsPerModel as Seconds,
    setUpSeconds: row.setUpSeconds as Seconds,
    dryingMinSeconds: row.dryingMinSeconds as Seconds,
    dryingMaxSeconds: row.dryingMaxSeconds as Seconds,
    nextWithinSeconds: row.nextWithinSeconds as Seconds | null,
    notNeededBy: unitIds.filter((unitId) => isExempt.has(`${row.id} ${unitId}`)),
    limits: row.limits.filter(({ unitId }) => unitIds.includes(unitId)),
    tableReady: row.tableReady,
    cautions: row.cautions as StoredProject['line'][number]['cautions'],
    note: row.note,
    technique: row.technique,
    typed: row.typed.filter(({ unitId }) => unitIds.includes(unitId)),
    steps: row.steps,
  }))
}

/** Writes the whole line; stages it no longer names are marked removed, and named ones come back. */
export async function writeLine(db: Database, projectId: ProjectId, line: readonly Stage[]): Promise<void> {
  await db
    .update(stage)
    .set({ removedAt: new Date() })
    .where(and(eq(stage.projectId, projectId), isNull(stage.removedAt)))
  if (line.length === 0) return
  const rows = line.map((each, index) => ({
    id: each.id,
    projectId,
    position: index,
    name: each.name,
    material: each.material,
    touchKind: each.touch.kind,
    regions: each.touch.kind === 'regions' ? [...each.touch.regions] : [],
    handsOnSecondsPerModel: each.handsOnSecondsPerModel,
    setUpSeconds: each.setUpSeconds,
    dryingMinSeconds: each.dryingMinSeconds,
    dryingMaxSeconds: each.dryingMaxSeconds,
    nextWithinSeconds: each.nextWithinSeconds,
    limits: each.limits,
    tableReady: each.tableReady,
    cautions: [...each.cautions],
    note: each.note,
    technique: each.technique,
    typed: each.typed,
    steps: each.steps,
    removedAt: null,
  }))
  await db
    .insert(stage)
    .values(rows)
    .onConflictDoUpdate({
      target: stage.id,
      set: {
        position: sql`excluded.position`,
        name: sql`excluded.name`,
        material: sql`excluded.material`,
        touchKind: sql`excluded.touch_kind`,
        regions: sql`excluded.regions`,
        handsOnSecondsPerModel: sql`excluded.hands_on_seconds_per_model`,
        setUpSeconds: sql`excluded.set_up_seconds`,
        dryingMinSeconds: sql`excluded.drying_min_seconds`,
        dryingMaxSeconds: sql`excluded.drying_max_seconds`,
        nextWithinSeconds: sql`excluded.next_within_seconds`,
        limits: sql`excluded.limits`,
        tableReady: sql`excluded.table_ready`,
        cautions: sql`excluded.cautions`,
        note: sql`excluded.note`,
        technique: sql`excluded.technique`,
        typed: sql`excluded.typed`,
        steps: sql`excluded.steps`,
        removedAt: null,
      },
    })
  const ids = line.map((each) => each.id)
  await db.delete(stageExemption).where(inArray(stageExemption.stageId, ids))
  const exemptions = line.flatMap((each) =>
    [...new Set(each.notNeededBy)].map((unitId) => ({ stageId: each.id, unitId })),
  )
  if (exemptions.length > 0) await db.insert(stageExemption).values(exemptions)
}
