import type { ProgressEvent } from '@seriatim/core/progress'
import type { DeviceId, EventId, ModelId, PainterId, ProjectId, StageId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import {
  bigint,
  bigserial,
  check,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import { bytea, moment, ofStudio } from './columns.ts'
import { project } from './project.ts'
import { model } from './roster.ts'
import { stage } from './line.ts'

/** The append-only log; a trigger refuses every update and delete. */
export const progressEvent = pgTable(
  'progress_event',
  {
    studioId: ofStudio(),
    id: uuid().$type<EventId>().notNull(),
    sequence: bigserial({ mode: 'number' }).notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    kind: text().$type<ProgressEvent['kind']>().notNull(),
    at: moment('at').notNull(),
    stageId: uuid('stage_id').$type<StageId>(),
    targetId: uuid('target_id').$type<EventId>(),
    /** What of the event has no column here, as the schema of events has it; `null` where it has no more. */
    details: jsonb().$type<Readonly<Record<string, unknown>>>(),
    device: uuid().$type<DeviceId>(),
    deviceNumber: integer('device_number'),
    painter: text().$type<PainterId>(),
    drySeconds: integer('dry_seconds'),
    worthSeconds: integer('worth_seconds'),
    /** The moment the device gave, where it lay ahead of the server's clock. */
    claimedAt: moment('claimed_at'),
    receivedAt: moment('received_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    foreignKey({ columns: [table.studioId, table.stageId], foreignColumns: [stage.studioId, stage.id] }),
    index('progress_event_by_project').on(table.studioId, table.projectId, table.sequence),
    foreignKey({
      columns: [table.studioId, table.targetId],
      foreignColumns: [table.studioId, table.id],
      name: 'progress_event_target',
    }),
    // What an event of each kind is made of is known to the schema of events alone.
    check('progress_event_aim', sql`${table.stageId} is null or ${table.targetId} is null`),
    check(
      'progress_event_facts_not_negative',
      sql`least(${table.drySeconds}, ${table.worthSeconds}, ${table.deviceNumber}) >= 0`,
    ),
    check('progress_event_device_numbered', sql`(${table.device} is null) = (${table.deviceNumber} is null)`),
  ],
)

/**
 * The log up to one of its events in one piece, as it goes to a client (gzipped JSON of a `PackedLog`): a hundred
 * thousand rows take seconds to read one by one. It never goes stale, since the log only grows; whoever changes what a
 * packed log looks like empties this table.
 */
export const packedLog = pgTable(
  'packed_log',
  {
    studioId: ofStudio(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    /** The number of the last event in it. */
    last: bigint({ mode: 'number' }).notNull(),
    body: bytea().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.projectId] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
  ],
)

export const progressEventModel = pgTable(
  'progress_event_model',
  {
    studioId: ofStudio(),
    eventId: uuid('event_id').$type<EventId>().notNull(),
    modelId: uuid('model_id').$type<ModelId>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.eventId, table.modelId] }),
    foreignKey({
      columns: [table.studioId, table.eventId],
      foreignColumns: [progressEvent.studioId, progressEvent.id],
      name: 'progress_event_model_event',
    }),
    foreignKey({
      columns: [table.studioId, table.modelId],
      foreignColumns: [model.studioId, model.id],
      name: 'progress_event_model_model',
    }),
  ],
)
