import type { ProgressEvent, RecordedBy } from '@seriatim/core/progress'
import {
  type DeviceId,
  type EventId,
  type Instant,
  type ModelId,
  type PainterId,
  type ProjectId,
  type Seconds,
  type StageId,
  instant,
} from '@seriatim/core/units'
import { and, eq, inArray, sql, type SQL } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { newsOf } from '../../db/news.ts'
import { stage } from '../../db/schema/line.ts'
import { progressEvent } from '../../db/schema/progress.ts'
import { model, unit } from '../../db/schema/roster.ts'
import { installation } from '../../db/schema/studio.ts'

/** An event as it is kept: with the server's number, and the moment the device gave where it was set right. */
export interface KeptEvent {
  readonly number: number
  readonly projectId: ProjectId
  readonly claimedAt: Instant | null
  readonly event: ProgressEvent
}

/** The project's log after a number, in the order it was received. */
export async function readEventsAfter(
  db: Database,
  projectId: ProjectId,
  after: number,
): Promise<readonly KeptEvent[]> {
  const { rows } = await db.execute<{ last: string | null }>(
    sql`select max(sequence) as last from progress_event where project_id = ${projectId} and sequence > ${after}`,
  )
  const last = rows[0]?.last ?? null
  // Up to a number that is there: what comes meanwhile is for the next time.
  return last === null
    ? []
    : readEvents(
        db,
        sql`event.project_id = ${projectId} and event.sequence > ${after} and event.sequence <= ${last}`,
      )
}

/** Those of the ids that are recorded already, whatever their project. */
export async function readEventsById(db: Database, ids: readonly EventId[]): Promise<readonly KeptEvent[]> {
  return ids.length === 0 ? [] : readEvents(db, sql`event.id = any(${sql.param([...ids])}::uuid[])`)
}

interface Row extends Record<string, unknown> {
  readonly number: string
  readonly projectId: ProjectId
  readonly id: EventId
  readonly kind: ProgressEvent['kind']
  readonly at: number
  readonly claimedAt: number | null
  readonly stageId: StageId | null
  readonly targetId: EventId | null
  readonly details: Readonly<Record<string, unknown>> | null
  readonly device: DeviceId | null
  readonly deviceNumber: number | null
  readonly painter: PainterId | null
  readonly drySeconds: Seconds | null
  readonly worthSeconds: Seconds | null
}

/** Written as statements: a mapper between would take longer than the database over a long log. */
async function readEvents(db: Database, wanted: SQL): Promise<readonly KeptEvent[]> {
  const events = await db.execute<Row>(sql`
      select sequence as number, project_id as "projectId", id, kind, stage_id as "stageId", target_id as "targetId",
        date_part('epoch', at) * 1000 as at, details, device,
        date_part('epoch', claimed_at) * 1000 as "claimedAt", device_number as "deviceNumber",
        painter, dry_seconds as "drySeconds", worth_seconds as "worthSeconds"
      from progress_event as event where ${wanted} order by sequence`)
  const touched = await db.execute<{ eventId: EventId; modelId: ModelId }>(sql`
      select event_id as "eventId", model_id as "modelId"
      from progress_event as event join progress_event_model on event_id = event.id where ${wanted}`)
  const models = new Map<EventId, ModelId[]>()
  for (const { eventId, modelId } of touched.rows) {
    const known = models.get(eventId)
    if (known) known.push(modelId)
    else models.set(eventId, [modelId])
  }
  return events.rows.map((row) => ({
    number: Number(row.number),
    projectId: row.projectId,
    claimedAt: row.claimedAt === null ? null : instant(Math.round(row.claimedAt)),
    event: toEvent(row, (models.get(row.id) ?? []).sort()),
  }))
}

/** One shape for all kinds: what an event is made of is written in its schema, and was checked when it came. */
function toEvent(row: Row, modelIds: readonly ModelId[]): ProgressEvent {
  const { id, kind, stageId, targetId, device, drySeconds, worthSeconds, details } = row
  const by: RecordedBy | null =
    device === null ? null : { device, number: row.deviceNumber ?? 0, painter: row.painter }
  return {
    id,
    at: instant(Math.round(row.at)),
    ...(by && { by }),
    kind,
    ...(stageId !== null && { stageId }),
    ...(targetId !== null && { targetId }),
    ...(modelIds.length > 0 && { modelIds }),
    ...(drySeconds !== null && { drySeconds }),
    ...(worthSeconds !== null && { worthSeconds }),
    ...details,
  } as ProgressEvent
}

/** An event to be kept, its moment as it will stand. */
export interface NewEvent {
  readonly event: ProgressEvent
  readonly claimedAt: Instant | null
}

const rowsAtOnce = 2000

/** Appends in one statement: models go in only for events truly inserted. @returns the ids of these. */
export async function appendEvents(
  db: Database,
  projectId: ProjectId,
  events: readonly NewEvent[],
): Promise<ReadonlySet<EventId>> {
  const inserted = new Set<EventId>()
  for (let from = 0; from < events.length; from += rowsAtOnce) {
    const rows = JSON.stringify(events.slice(from, from + rowsAtOnce).map(toRow))
    const { rows: ids } = await db.execute<{ id: EventId }>(sql`
      with given as (
        select * from jsonb_to_recordset(${rows}::jsonb) as row (
          place int, id uuid, kind text, at double precision, claimed_at double precision, stage_id uuid,
          target_id uuid, details jsonb, device uuid, device_number int, painter text,
          dry_seconds int, worth_seconds int, models uuid[]
        )
      ), inserted as (
        insert into progress_event (
          id, project_id, kind, at, claimed_at, stage_id, target_id, details, device,
          device_number, painter, dry_seconds, worth_seconds
        )
        select id, ${projectId}, kind, to_timestamp(at / 1000), to_timestamp(claimed_at / 1000), stage_id, target_id,
          details, device, device_number, painter, dry_seconds, worth_seconds
        from given order by place
        on conflict do nothing
        returning id
      ), touched as (
        insert into progress_event_model (event_id, model_id)
        select distinct given.id, model_id from given join inserted using (id), unnest(given.models) as model_id
      ), told as materialized (
        select ${newsOf(projectId, oneWriter(events))}
      )
      select id from inserted, told`)
    for (const { id } of ids) inserted.add(id)
  }
  return inserted
}

/** The device that recorded all of these; `null` where it is not one. */
function oneWriter(events: readonly NewEvent[]): DeviceId | null {
  const writers = new Set(events.map(({ event }) => event.by?.device ?? null))
  const [writer = null] = writers
  return writers.size === 1 ? writer : null
}

/** What of an event has a column of its own: what is searched for, points elsewhere, or is there of nearly every event. */
type InColumns = Partial<Pick<Row, 'stageId' | 'targetId' | 'drySeconds' | 'worthSeconds'>> & {
  readonly modelIds?: readonly ModelId[]
}

function toRow({ event, claimedAt }: NewEvent, place: number) {
  const { id, kind, at, by, ...own } = event
  const { stageId, targetId, modelIds, drySeconds, worthSeconds, ...details } = own as InColumns
  return {
    place,
    id,
    kind,
    at,
    claimed_at: claimedAt,
    stage_id: stageId ?? null,
    target_id: targetId ?? null,
    details: Object.keys(details).length > 0 ? details : null,
    device: by?.device ?? null,
    device_number: by?.number ?? null,
    painter: by?.painter ?? null,
    dry_seconds: drySeconds ?? null,
    worth_seconds: worthSeconds ?? null,
    models: modelIds ?? [],
  }
}

/** One at a time appends to a project's log, so that its numbers come in the order in which they are seen. */
export async function lockLog(db: Database, projectId: ProjectId): Promise<boolean> {
  const { rows } = await db.execute<{ there: boolean }>(sql`
    select pg_advisory_xact_lock(hashtextextended(${projectId}, 47)),
      exists (select from project where id = ${projectId} and removed_at is null) as there`)
  return rows[0]?.there ?? false
}

/** @throws Error the migrations were not run. */
export async function readInstallation(db: Database): Promise<string> {
  const [row] = await db.select().from(installation)
  if (!row) throw new Error('the database has no installation')
  return row.id
}

export async function countEvents(db: Database, projectId: ProjectId): Promise<number> {
  return db.$count(progressEvent, eq(progressEvent.projectId, projectId))
}

/** Which of these stages the project has, or has ever had: the log may speak of removed ones. */
export async function stagesOfProject(
  db: Database,
  projectId: ProjectId,
  ids: readonly StageId[],
): Promise<readonly StageId[]> {
  if (ids.length === 0) return []
  const rows = await db
    .select({ id: stage.id })
    .from(stage)
    .where(and(eq(stage.projectId, projectId), inArray(stage.id, [...ids])))
  return rows.map((row) => row.id)
}

/** Which of these models the project has, or has ever had. */
export async function modelsOfProject(
  db: Database,
  projectId: ProjectId,
  ids: readonly ModelId[],
): Promise<readonly ModelId[]> {
  if (ids.length === 0) return []
  const rows = await db
    .select({ id: model.id })
    .from(model)
    .innerJoin(unit, eq(model.unitId, unit.id))
    .where(and(eq(unit.projectId, projectId), inArray(model.id, [...ids])))
  return rows.map((row) => row.id)
}

/** Which of these events the project's log has. */
export async function eventsOfProject(
  db: Database,
  projectId: ProjectId,
  ids: readonly EventId[],
): Promise<readonly EventId[]> {
  if (ids.length === 0) return []
  const rows = await db
    .select({ id: progressEvent.id })
    .from(progressEvent)
    .where(and(eq(progressEvent.projectId, projectId), inArray(progressEvent.id, [...ids])))
  return rows.map((row) => row.id)
}
