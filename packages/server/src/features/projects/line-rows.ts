import type { StoredProject } from '@seriatim/contract'
import type { Stage } from '@seriatim/core/trade'
import type { ProjectId, StageId, UnitId } from '@seriatim/core/units'
import { and, asc, eq, inArray, isNull, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { stage, stageExemption } from '../../db/schema/line.ts'
import { unit } from '../../db/schema/roster.ts'

/** The line, with what it says of units that have left as well. */
export async function readLine(db: Database, projectId: ProjectId): Promise<StoredProject['line']> {
  const onLine = and(eq(stage.projectId, projectId), isNull(stage.removedAt))
  const rows = await db.select().from(stage).where(onLine).orderBy(asc(stage.position), asc(stage.id))
  const exemptions = await db
    .select({ stageId: stageExemption.stageId, unitId: stageExemption.unitId })
    .from(stageExemption)
    .innerJoin(stage, eq(stage.id, stageExemption.stageId))
    .innerJoin(unit, eq(unit.id, stageExemption.unitId))
    .where(onLine)
    .orderBy(asc(unit.position), asc(unit.id))
  const exempt = new Map<StageId, UnitId[]>()
  for (const { stageId, unitId } of exemptions) exempt.set(stageId, [...(exempt.get(stageId) ?? []), unitId])
  return rows.map(({ id, document }) => ({ id, ...document, notNeededBy: exempt.get(id) ?? [] }))
}

/** Writes the stages that differ; those no longer on the line are marked removed, and named ones come back. */
export async function writeLine(
  db: Database,
  projectId: ProjectId,
  before: readonly Stage[],
  after: readonly Stage[],
): Promise<void> {
  const stay = new Set(after.map((each) => each.id))
  const gone = before.filter((each) => !stay.has(each.id)).map((each) => each.id)
  if (gone.length > 0) await db.update(stage).set({ removedAt: new Date() }).where(inArray(stage.id, gone))
  await writeStages(
    db,
    projectId,
    after.flatMap((each, position) => (before.includes(each) ? [] : [{ each, position }])),
  )
  await db.execute(sql`
    update stage set position = place - 1
    from unnest(${sql.param(after.map((each) => each.id))}::uuid[]) with ordinality as wanted (id, place)
    where stage.id = wanted.id and position <> place - 1`)
}

async function writeStages(
  db: Database,
  projectId: ProjectId,
  stages: readonly { readonly each: Stage; readonly position: number }[],
): Promise<void> {
  if (stages.length === 0) return
  const rows = stages.map(({ each: { id, notNeededBy: _, ...document }, position }) => ({
    id,
    projectId,
    position,
    document,
    removedAt: null,
  }))
  await db
    .insert(stage)
    .values(rows)
    .onConflictDoUpdate({
      target: [stage.studioId, stage.id],
      set: { position: sql`excluded.position`, document: sql`excluded.document`, removedAt: null },
    })
  // What is said of units that have left is kept for when they come back.
  await db.execute(sql`
    delete from stage_exemption using unit
    where stage_id = any(${sql.param(stages.map(({ each }) => each.id))}::uuid[])
      and unit.id = unit_id and unit.removed_at is null`)
  const exemptions = stages.flatMap(({ each }) =>
    each.notNeededBy.map((unitId) => ({ stageId: each.id, unitId })),
  )
  await db.execute(sql`
    insert into stage_exemption (stage_id, unit_id)
    select stage_id, unit_id
    from unnest(
      ${sql.param(exemptions.map((each) => each.stageId))}::uuid[],
      ${sql.param(exemptions.map((each) => each.unitId))}::uuid[]
    ) as wanted (stage_id, unit_id)
    join unit on unit.id = unit_id and unit.project_id = ${projectId}
    on conflict do nothing`)
}
