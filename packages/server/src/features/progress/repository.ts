import type { EventId, ModelId, ProgressEvent, ProjectId, Seconds, StageId, Verdict } from '@seriatim/core'
import { instant } from '@seriatim/core'
import { asc, eq, inArray } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { model, progressEvent, progressEventModel, progressEventStage, stage, unit } from '../../db/schema.ts'

type Row = typeof progressEvent.$inferSelect

/** The project's log in the order it was received. */
export async function readEvents(db: Database, projectId: ProjectId): Promise<readonly ProgressEvent[]> {
  const rows = await db
    .select()
    .from(progressEvent)
    .where(eq(progressEvent.projectId, projectId))
    .orderBy(asc(progressEvent.sequence))
  const touched = await db
    .select({ eventId: progressEventModel.eventId, modelId: progressEventModel.modelId })
    .from(progressEventModel)
    .innerJoin(progressEvent, eq(progressEventModel.eventId, progressEvent.id))
    .where(eq(progressEvent.projectId, projectId))
    .orderBy(asc(progressEventModel.eventId), asc(progressEventModel.modelId))
  const spanned = await db
    .select({ eventId: progressEventStage.eventId, stageId: progressEventStage.stageId })
    .from(progressEventStage)
    .innerJoin(progressEvent, eq(progressEventStage.eventId, progressEvent.id))
    .where(eq(progressEvent.projectId, projectId))
    .orderBy(asc(progressEventStage.eventId), asc(progressEventStage.position))
  return toEvents(rows, touched, spanned)
}

/** Those of the ids that are recorded already, whatever their project. */
export async function readEventsById(
  db: Database,
  ids: readonly EventId[],
): Promise<readonly { readonly projectId: ProjectId; readonly event: ProgressEvent }[]> {
  const rows = await db
    .select()
    .from(progressEvent)
    .where(inArray(progressEvent.id, [...ids]))
  const touched = await db
    .select({ eventId: progressEventModel.eventId, modelId: progressEventModel.modelId })
    .from(progressEventModel)
    .where(inArray(progressEventModel.eventId, [...ids]))
  const spanned = await db
    .select({ eventId: progressEventStage.eventId, stageId: progressEventStage.stageId })
    .from(progressEventStage)
    .where(inArray(progressEventStage.eventId, [...ids]))
    .orderBy(asc(progressEventStage.eventId), asc(progressEventStage.position))
  const events = toEvents(rows, touched, spanned)
  return rows.flatMap((row, index) => {
    const event = events[index]
    return event ? [{ projectId: row.projectId, event }] : []
  })
}

function toEvents(
  rows: readonly Row[],
  touched: readonly { readonly eventId: EventId; readonly modelId: ModelId }[],
  spanned: readonly { readonly eventId: EventId; readonly stageId: StageId }[],
): ProgressEvent[] {
  const models = new Map<EventId, ModelId[]>()
  for (const { eventId, modelId } of touched) {
    const known = models.get(eventId)
    if (known) known.push(modelId)
    else models.set(eventId, [modelId])
  }
  const stages = new Map<EventId, StageId[]>()
  for (const { eventId, stageId } of spanned) {
    const known = stages.get(eventId)
    if (known) known.push(stageId)
    else stages.set(eventId, [stageId])
  }
  return rows.map((row): ProgressEvent => {
    const recorded = { id: row.id, at: instant(row.at.getTime()) }
    const over = { ...recorded, stageId: row.stageId as StageId, modelIds: models.get(row.id) ?? [] }
    const note = row.note ?? ''
    const targetId = row.targetId as EventId
    const workSeconds = row.workSeconds as Seconds | null
    switch (row.kind) {
      case 'clock-stopped':
      case 'undone':
        return { ...recorded, kind: row.kind, targetId }
      case 'lap-corrected':
        return { ...recorded, kind: row.kind, targetId, workSeconds, note }
      case 'touch-up':
        return { ...over, kind: row.kind, note }
      case 'judged':
        return { ...over, kind: row.kind, verdict: row.verdict as Verdict, note }
      case 'milestone':
        return {
          ...recorded,
          kind: row.kind,
          stageIds: stages.get(row.id) ?? [],
          modelIds: models.get(row.id) ?? [],
          workSeconds: workSeconds as Seconds,
        }
      case 'punched':
      case 'cleared':
      case 'clock-started':
        return { ...over, kind: row.kind }
    }
  })
}

const rowsAtOnce = 2000

/** Appends; an id that is there already is passed over. */
export async function appendEvents(
  db: Database,
  projectId: ProjectId,
  events: readonly ProgressEvent[],
): Promise<void> {
  for (const part of chunks(events, rowsAtOnce)) {
    await db
      .insert(progressEvent)
      .values(
        part.map((event) => ({
          id: event.id,
          projectId,
          kind: event.kind,
          at: new Date(event.at),
          stageId: 'stageId' in event ? event.stageId : null,
          targetId: 'targetId' in event ? event.targetId : null,
          note: 'note' in event ? event.note : null,
          workSeconds: 'workSeconds' in event ? event.workSeconds : null,
          verdict: 'verdict' in event ? event.verdict : null,
        })),
      )
      .onConflictDoNothing()
  }
  const touched = events.flatMap((event) =>
    'modelIds' in event
      ? [...new Set(event.modelIds)].map((modelId) => ({ eventId: event.id, modelId }))
      : [],
  )
  for (const part of chunks(touched, rowsAtOnce)) {
    await db.insert(progressEventModel).values(part).onConflictDoNothing()
  }
  const spanned = events.flatMap((event) =>
    event.kind === 'milestone'
      ? [...new Set(event.stageIds)].map((stageId, position) => ({ eventId: event.id, stageId, position }))
      : [],
  )
  for (const part of chunks(spanned, rowsAtOnce)) {
    await db.insert(progressEventStage).values(part).onConflictDoNothing()
  }
}

function chunks<T>(list: readonly T[], size: number): T[][] {
  return Array.from({ length: Math.ceil(list.length / size) }, (_, index) =>
    list.slice(index * size, (index + 1) * size),
  )
}

/** Every stage and model the project has ever had: the log may speak of removed ones. */
export async function knownIds(
  db: Database,
  projectId: ProjectId,
): Promise<{ readonly stages: ReadonlySet<StageId>; readonly models: ReadonlySet<ModelId> }> {
  const stages = await db.select({ id: stage.id }).from(stage).where(eq(stage.projectId, projectId))
  const models = await db
    .select({ id: model.id })
    .from(model)
    .innerJoin(unit, eq(model.unitId, unit.id))
    .where(eq(unit.projectId, projectId))
  return { stages: new Set(stages.map((row) => row.id)), models: new Set(models.map((row) => row.id)) }
}
