import type {
  DeviceId,
  EventId,
  Instant,
  ModelId,
  PainterId,
  ProgressEvent,
  ProjectId,
  RecordedBy,
  Seconds,
  StageId,
  StageWait,
  Verdict,
} from '@seriatim/core'
import { instant } from '@seriatim/core'
import { and, eq, inArray, sql, type SQL } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { model, progressEvent, stage, unit } from '../../db/schema.ts'

/** An event as it is kept: with the server's number, and the moment the device gave where it was set right. */
export interface KeptEvent {
  readonly number: number
  readonly projectId: ProjectId
  readonly claimedAt: Instant | null
  readonly event: ProgressEvent
}

/** The project's log after a number, in the order it was received. */
export function readEventsAfter(
  db: Database,
  projectId: ProjectId,
  after: number,
): Promise<readonly KeptEvent[]> {
  return readEvents(db, sql`project_id = ${projectId} and sequence > ${after}`)
}

/** Those of the ids that are recorded already, whatever their project. */
export async function readEventsById(
  db: Database,
  ids: readonly EventId[],
): Promise<readonly KeptEvent[]> {
  return ids.length === 0 ? [] : readEvents(db, sql`id = any(${sql.param([...ids])}::uuid[])`)
}

/** A log by columns, one entry an event; JSON is the quickest way for so much out of the database. */
interface Columns {
  readonly numbers: readonly number[]
  readonly projects: readonly ProjectId[]
  readonly ids: readonly EventId[]
  readonly kinds: readonly ProgressEvent['kind'][]
  readonly moments: readonly number[]
  readonly claimed: readonly (number | null)[]
  readonly stages: readonly (StageId | null)[]
  readonly devices: readonly (DeviceId | null)[]
  readonly deviceNumbers: readonly (number | null)[]
  readonly painters: readonly (PainterId | null)[]
  readonly waits: readonly (number | null)[]
  readonly worths: readonly (number | null)[]
}

/** What only some kinds of event have. */
interface Rest {
  readonly number: number
  readonly targetId: EventId | null
  readonly note: string | null
  readonly workSeconds: Seconds | null
  readonly verdict: Verdict | null
}

interface Touched {
  /** Numbers of events, in order … */
  readonly numbers: readonly number[]
  /** … and with each a model of it. */
  readonly models: readonly ModelId[]
}

async function readEvents(db: Database, wanted: SQL): Promise<readonly KeptEvent[]> {
  const [row] = (
    await db.execute<{ columns: Columns | null; touched: Touched; rest: readonly Rest[] | null }>(sql`
      with wanted as materialized (select * from progress_event where ${wanted} order by sequence),
      touched as (
        select sequence, model_id from wanted join progress_event_model on event_id = id order by sequence, model_id
      )
      select
        (select json_build_object(
          'numbers', json_agg(sequence), 'projects', json_agg(project_id), 'ids', json_agg(id),
          'kinds', json_agg(kind), 'moments', json_agg((extract(epoch from at) * 1000)::double precision),
          'claimed', json_agg((extract(epoch from claimed_at) * 1000)::double precision),
          'stages', json_agg(stage_id), 'devices', json_agg(device), 'deviceNumbers', json_agg(device_number),
          'painters', json_agg(painter), 'waits', json_agg(dry_seconds), 'worths', json_agg(worth_seconds)
        ) from wanted having count(*) > 0) as columns,
        (select json_build_object('numbers', coalesce(json_agg(sequence), '[]'),
          'models', coalesce(json_agg(model_id), '[]')) from touched) as touched,
        (select json_agg(json_build_object('number', sequence, 'targetId', target_id, 'note', note,
          'workSeconds', work_seconds, 'verdict', verdict)) from wanted
          where coalesce(target_id::text, note, work_seconds::text, verdict) is not null) as rest`)
  ).rows
  if (!row?.columns) return []
  const spanned = row.columns.kinds.includes('milestone') ? await readSpanned(db, wanted) : new Map<EventId, Spanned[]>()
  return toEvents(row.columns, row.touched, row.rest ?? [], spanned)
}

interface Spanned {
  readonly stageId: StageId
  readonly drySeconds: number | null
}

/** The stages of milestones. */
async function readSpanned(db: Database, wanted: SQL): Promise<ReadonlyMap<EventId, readonly Spanned[]>> {
  const { rows } = await db.execute<{ id: EventId; stages: readonly Spanned[] }>(sql`
    select wanted.id, json_agg(json_build_object('stageId', spanned.stage_id, 'drySeconds', spanned.dry_seconds)
      order by spanned.position) as stages
    from (select id from progress_event where ${wanted}) as wanted
    join progress_event_stage as spanned on spanned.event_id = wanted.id group by wanted.id`)
  return new Map(rows.map(({ id, stages }) => [id, stages]))
}

function toEvents(
  columns: Columns,
  touched: Touched,
  rest: readonly Rest[],
  spanned: ReadonlyMap<EventId, readonly Spanned[]>,
): readonly KeptEvent[] {
  const restOf = new Map(rest.map((each) => [each.number, each]))
  let next = 0
  return columns.numbers.map((number, row) => {
    const modelIds: ModelId[] = []
    for (; touched.numbers[next] === number; next++) {
      const model = touched.models[next]
      if (model) modelIds.push(model)
    }
    const claimed = columns.claimed[row] ?? null
    return {
      number,
      projectId: columns.projects[row] as ProjectId,
      claimedAt: claimed === null ? null : instant(Math.round(claimed)),
      event: toEvent(columns, row, modelIds, restOf.get(number), spanned),
    }
  })
}

function toEvent(
  columns: Columns,
  row: number,
  modelIds: readonly ModelId[],
  rest: Rest | undefined,
  spanned: ReadonlyMap<EventId, readonly Spanned[]>,
): ProgressEvent {
  const id = columns.ids[row] as EventId
  const kind = columns.kinds[row] as ProgressEvent['kind']
  const at = instant(Math.round(columns.moments[row] ?? 0))
  const stageId = columns.stages[row] as StageId
  const device = columns.devices[row] ?? null
  const by: { readonly by?: RecordedBy } =
    device === null
      ? {}
      : { by: { device, number: columns.deviceNumbers[row] ?? 0, painter: columns.painters[row] ?? null } }
  const note = rest?.note ?? ''
  const targetId = rest?.targetId as EventId
  const workSeconds = rest?.workSeconds ?? null
  switch (kind) {
    case 'clock-stopped':
    case 'undone':
      return { id, at, ...by, kind, targetId }
    case 'lap-corrected':
      return { id, at, ...by, kind, targetId, workSeconds, note }
    case 'touch-up':
      return { id, at, ...by, kind, stageId, modelIds, note }
    case 'judged':
      return { id, at, ...by, kind, stageId, modelIds, verdict: rest?.verdict as Verdict, note }
    case 'milestone': {
      const stages = spanned.get(id) ?? []
      const waits = stages.flatMap((each): StageWait[] =>
        each.drySeconds === null
          ? []
          : [{ stageId: each.stageId, drySeconds: each.drySeconds as Seconds }],
      )
      return {
        id,
        at,
        ...by,
        kind,
        stageIds: stages.map((each) => each.stageId),
        modelIds,
        workSeconds: workSeconds as Seconds,
        ...(waits.length > 0 ? { waits } : {}),
      }
    }
    case 'punched': {
      const [wait, worth] = [columns.waits[row] ?? null, columns.worths[row] ?? null]
      return {
        id,
        at,
        ...by,
        kind,
        stageId,
        modelIds,
        ...(wait === null ? {} : { drySeconds: wait as Seconds }),
        ...(worth === null ? {} : { worthSeconds: worth as Seconds }),
      }
    }
    case 'cleared':
    case 'clock-started':
      return { id, at, ...by, kind, stageId, modelIds }
  }
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
          target_id uuid, note text, work_seconds int, verdict text, device uuid, device_number int, painter text,
          dry_seconds int, worth_seconds int, models uuid[], stages uuid[], waits int[]
        )
      ), inserted as (
        insert into progress_event (
          id, project_id, kind, at, claimed_at, stage_id, target_id, note, work_seconds, verdict, device,
          device_number, painter, dry_seconds, worth_seconds
        )
        select id, ${projectId}, kind, to_timestamp(at / 1000), to_timestamp(claimed_at / 1000), stage_id, target_id,
          note, work_seconds, verdict, device, device_number, painter, dry_seconds, worth_seconds
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
      )
      select id from inserted`)
    for (const { id } of ids) inserted.add(id)
  }
  return inserted
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
    verdict: 'verdict' in event ? event.verdict : null,
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
