import type {
  Feel,
  InspectionVerdict,
  ProgressEvent,
  RecordedBy,
  StageWait,
  Verdict,
} from '@seriatim/core/progress'
import type { Mix } from '@seriatim/core/trade'
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
  readonly note: string | null
  readonly workSeconds: Seconds | null
  readonly verdict: Verdict | InspectionVerdict | Feel | null
  readonly region: string | null
  readonly mix: Mix | null
  readonly device: DeviceId | null
  readonly deviceNumber: number | null
  readonly painter: PainterId | null
  readonly drySeconds: Seconds | null
  readonly worthSeconds: Seconds | null
}

interface Spanned extends Record<string, unknown> {
  readonly eventId: EventId
  readonly stageId: StageId
  readonly drySeconds: Seconds | null
}

/** Written as statements: a mapper between would take longer than the database over a long log. */
async function readEvents(db: Database, wanted: SQL): Promise<readonly KeptEvent[]> {
  const events = await db.execute<Row>(sql`
      select sequence as number, project_id as "projectId", id, kind, stage_id as "stageId", target_id as "targetId",
        date_part('epoch', at) * 1000 as at, note, work_seconds as "workSeconds", verdict, region, mix, device,
        date_part('epoch', claimed_at) * 1000 as "claimedAt", device_number as "deviceNumber",
        painter, dry_seconds as "drySeconds", worth_seconds as "worthSeconds"
      from progress_event as event where ${wanted} order by sequence`)
  const touched = await db.execute<{ eventId: EventId; modelId: ModelId }>(sql`
      select event_id as "eventId", model_id as "modelId"
      from progress_event as event join progress_event_model on event_id = event.id where ${wanted}`)
  const spanned = await db.execute<Spanned>(sql`
      select event_id as "eventId", spanned.stage_id as "stageId", spanned.dry_seconds as "drySeconds"
      from progress_event as event join progress_event_stage as spanned on event_id = event.id
      where ${wanted} and event.kind = 'milestone' order by position`)
  const models = new Map<EventId, ModelId[]>()
  for (const { eventId, modelId } of touched.rows) {
    const known = models.get(eventId)
    if (known) known.push(modelId)
    else models.set(eventId, [modelId])
  }
  const stages = new Map<EventId, Spanned[]>()
  for (const each of spanned.rows) stages.set(each.eventId, [...(stages.get(each.eventId) ?? []), each])
  return events.rows.map((row) => ({
    number: Number(row.number),
    projectId: row.projectId,
    claimedAt: row.claimedAt === null ? null : instant(Math.round(row.claimedAt)),
    event: toEvent(row, (models.get(row.id) ?? []).sort(), stages.get(row.id) ?? []),
  }))
}

function toEvent(row: Row, modelIds: readonly ModelId[], stages: readonly Spanned[]): ProgressEvent {
  const { id, kind, device } = row
  const at = instant(Math.round(row.at))
  const by: { readonly by?: RecordedBy } =
    device === null ? {} : { by: { device, number: row.deviceNumber ?? 0, painter: row.painter } }
  const stageId = row.stageId as StageId
  const targetId = row.targetId as EventId
  const note = row.note ?? ''
  switch (kind) {
    case 'clock-stopped':
    case 'undone':
      return { id, at, ...by, kind, targetId }
    case 'lap-corrected':
      return { id, at, ...by, kind, targetId, workSeconds: row.workSeconds, note }
    case 'touch-up':
      return {
        id,
        at,
        ...by,
        kind,
        stageId,
        modelIds,
        note,
        ...(row.region === null ? {} : { region: row.region }),
      }
    case 'felt':
      return { id, at, ...by, kind, stageId, modelIds, feels: row.verdict as Feel }
    case 'inspected':
      return { id, at, ...by, kind, modelIds, verdict: row.verdict as InspectionVerdict, note }
    case 'judged':
      return {
        id,
        at,
        ...by,
        kind,
        stageId,
        modelIds,
        verdict: row.verdict as Verdict,
        note,
        ...(row.mix === null ? {} : { mix: asSent(row.mix) }),
      }
    case 'used':
      return { id, at, ...by, kind, stageId, modelIds, mix: asSent(row.mix ?? []), note }
    case 'milestone': {
      const waits = stages.flatMap((each): StageWait[] =>
        each.drySeconds === null ? [] : [{ stageId: each.stageId, drySeconds: each.drySeconds }],
      )
      return {
        id,
        at,
        ...by,
        kind,
        stageIds: stages.map((each) => each.stageId),
        modelIds,
        workSeconds: row.workSeconds as Seconds,
        ...(waits.length > 0 ? { waits } : {}),
      }
    }
    case 'punched':
      return {
        id,
        at,
        ...by,
        kind,
        stageId,
        modelIds,
        ...(row.drySeconds === null ? {} : { drySeconds: row.drySeconds }),
        ...(row.worthSeconds === null ? {} : { worthSeconds: row.worthSeconds }),
      }
    case 'cleared':
    case 'clock-started':
      return { id, at, ...by, kind, stageId, modelIds }
  }
}

/** The database keeps keys in an order of its own. */
function asSent(mix: Mix): Mix {
  return mix.map(({ materialId, parts }) => ({ materialId, parts }))
}

/** An event to be kept, its moment as it will stand. */
export interface NewEvent {
  readonly event: ProgressEvent
  readonly claimedAt: Instant | null
}

const rowsAtOnce = 2000

/** Appends in one statement: models and stages go in only for events truly inserted. @returns the ids of these. */
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
          target_id uuid, note text, work_seconds int, verdict text, region text, mix jsonb, device uuid, device_number int, painter text,
          dry_seconds int, worth_seconds int, models uuid[], stages uuid[], waits int[]
        )
      ), inserted as (
        insert into progress_event (
          id, project_id, kind, at, claimed_at, stage_id, target_id, note, work_seconds, verdict, region, mix, device,
          device_number, painter, dry_seconds, worth_seconds
        )
        select id, ${projectId}, kind, to_timestamp(at / 1000), to_timestamp(claimed_at / 1000), stage_id, target_id,
          note, work_seconds, verdict, region, mix, device, device_number, painter, dry_seconds, worth_seconds
        from given order by place
        on conflict do nothing
        returning id
      ), touched as (
        insert into progress_event_model (event_id, model_id)
        select distinct given.id, model_id from given join inserted using (id), unnest(given.models) as model_id
      ), spanned as (
        insert into progress_event_stage (event_id, stage_id, position, dry_seconds)
        select distinct on (given.id, each.stage) given.id, each.stage, each.position - 1, nullif(each.wait, -1)
        from given join inserted using (id),
          unnest(given.stages, given.waits) with ordinality as each (stage, wait, position)
        order by given.id, each.stage, each.position
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

function toRow({ event, claimedAt }: NewEvent, place: number) {
  const stageIds = event.kind === 'milestone' ? event.stageIds : []
  const waits = event.kind === 'milestone' ? (event.waits ?? []) : []
  return {
    place,
    id: event.id,
    kind: event.kind,
    at: event.at,
    claimed_at: claimedAt,
    stage_id: 'stageId' in event ? event.stageId : null,
    target_id: 'targetId' in event ? event.targetId : null,
    note: 'note' in event ? event.note : null,
    work_seconds: 'workSeconds' in event ? event.workSeconds : null,
    verdict: 'verdict' in event ? event.verdict : event.kind === 'felt' ? event.feels : null,
    region: event.kind === 'touch-up' ? (event.region ?? null) : null,
    mix: 'mix' in event ? event.mix : null,
    device: event.by?.device ?? null,
    device_number: event.by?.number ?? null,
    painter: event.by?.painter ?? null,
    dry_seconds: event.kind === 'punched' ? (event.drySeconds ?? null) : null,
    worth_seconds: event.kind === 'punched' ? (event.worthSeconds ?? null) : null,
    models: 'modelIds' in event ? event.modelIds : [],
    stages: stageIds,
    waits: stageIds.map((id) => waits.find((wait) => wait.stageId === id)?.drySeconds ?? -1),
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
