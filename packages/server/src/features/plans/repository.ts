import type { PlanToKeep, StoredPlan } from '@seriatim/contract'
import { instant, type Instant, type ProjectId } from '@seriatim/core/units'
import { asc, eq, lt, lte, sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import type { Database } from '../../db/client.ts'
import { plan, planBatch } from '../../db/schema/plan.ts'

export async function readPlan(db: Database, id: ProjectId): Promise<StoredPlan | null> {
  const [row] = await db.select().from(plan).where(eq(plan.projectId, id))
  if (!row) return null
  const batches = await db
    .select({ id: planBatch.id, unitId: planBatch.unitId, modelIds: planBatch.modelIds })
    .from(planBatch)
    .where(eq(planBatch.projectId, id))
    .orderBy(asc(planBatch.place))
  const { revision, madeAt, stretches, asFound } = row
  return { id: row.id, revision, madeAt: instant(madeAt.getTime()), batches, stretches, asFound }
}

interface Standing {
  readonly id: ProjectId
  /** Says what a plan made now would be made of. */
  readonly madeOf: string
}

/**
 * Projects whose plan is not made of what is there: their revision, their log, the shelf, the air, what was brought of the
 * hand, and the day, whose sessions are gone tomorrow. @param only the one that is asked for.
 */
export async function readUnplanned(
  db: Database,
  now: Instant,
  only?: ProjectId,
): Promise<readonly Standing[]> {
  const { rows } = await db.execute<Standing & Record<string, unknown>>(sql`
    with around as (
      select concat_ws('/',
        (select coalesce(sum(hashtextextended(document::text, 0)), 0) from material where removed_at is null),
        (select concat_ws('x', count(*), max(at)) from air_reading),
        (select coalesce(sum(hashtextextended(brought_rate::text, 0)), 0) from brought_rate)) as stamp
    ), standing as (
      select project.id, project.created_at, concat_ws('/', project.revision,
        (select max(sequence) from progress_event where project_id = project.id), around.stamp,
        (${new Date(now).toISOString()}::timestamptz at time zone project.time_zone)::date) as made_of
      from project, around
      where project.removed_at is null and (${only ?? null}::uuid is null or project.id = ${only ?? null}::uuid)
    )
    select standing.id, standing.made_of as "madeOf"
    from standing left join plan on plan.project_id = standing.id
    where plan.made_of is distinct from standing.made_of
    order by standing.created_at, standing.id`)
  return rows
}

/**
 * Keeps a plan in the place of an earlier one. A page's takes no other page's place at the same revision, the server's any.
 * @param madeOf what the server made it of; `null` of a page's.
 */
export async function writePlan(
  db: Database,
  projectId: ProjectId,
  { revision, batches, stretches, asFound }: PlanToKeep,
  { madeAt, madeOf }: { readonly madeAt: Instant; readonly madeOf: string | null },
): Promise<void> {
  const own = { id: v7(), revision, madeAt: new Date(madeAt), madeOf, stretches, asFound }
  const older = (madeOf === null ? lt : lte)(plan.revision, revision)
  const [kept] = await db
    .insert(plan)
    .values({ projectId, ...own })
    .onConflictDoUpdate({ target: [plan.studioId, plan.projectId], set: own, setWhere: older })
    .returning({ id: plan.id })
  if (!kept) return
  await db.delete(planBatch).where(eq(planBatch.projectId, projectId))
  if (batches.length === 0) return
  await db
    .insert(planBatch)
    .values(batches.map(({ id, unitId, modelIds }, place) => ({ projectId, place, id, unitId, modelIds })))
}
