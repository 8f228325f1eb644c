import type { Hand, ProjectSummary } from '@seriatim/contract'
import type { Command, CommandVerdict } from '@seriatim/core/changes'
import type { Commission, Evenings, Planning } from '@seriatim/core/trade'
import type { ChangeId, DeviceId, PainterId, ProjectId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import {
  check,
  date,
  foreignKey,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { moment, ofStudio, removedAt } from './columns.ts'
import { studio } from './studio.ts'

export const project = pgTable(
  'project',
  {
    studioId: ofStudio(),
    id: uuid().$type<ProjectId>().notNull(),
    name: text().notNull(),
    dueOn: date('due_on', { mode: 'string' }),
    /** For whom it is painted; without it, for the painter's own table. */
    commission: jsonb().$type<Commission>(),
    weekdays: smallint().array().notNull(),
    startsAt: text('starts_at').notNull(),
    eveningSeconds: integer('evening_seconds').notNull(),
    /** On other days at other hours. */
    alsoAt: jsonb('also_at').$type<Evenings['also']>().notNull().default([]),
    timeZone: text('time_zone').notNull(),
    batchSize: integer('batch_size').notNull(),
    firstBatch: integer('first_batch'),
    batchesInHand: integer('batches_in_hand'),
    /** Written and read whole, so one document. */
    planning: jsonb().$type<Planning>().notNull(),
    /** When it is done, as a page worked it out last. */
    finish: jsonb().$type<NonNullable<ProjectSummary['finish']>>(),
    revision: integer().notNull().default(0),
    createdAt: moment('created_at').notNull().defaultNow(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({ columns: [table.studioId], foreignColumns: [studio.id] }),
    check('project_name_given', sql`length(trim(${table.name})) > 0`),
    check(
      'project_weekdays_known',
      sql`${table.weekdays} <@ array[1,2,3,4,5,6,7]::smallint[] and cardinality(${table.weekdays}) > 0`,
    ),
    check('project_starts_at_clock', sql`${table.startsAt} ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'`),
    check('project_evening_positive', sql`${table.eveningSeconds} > 0`),
    check('project_batch_size_positive', sql`${table.batchSize} >= 1`),
    check('project_first_batch_positive', sql`${table.firstBatch} >= 1`),
    check('project_in_hand_positive', sql`${table.batchesInHand} >= 1`),
  ],
)

/** The log of changes to a project's structure: what was sent, what came of it and what would take it back. */
export const projectChange = pgTable(
  'project_change',
  {
    studioId: ofStudio(),
    id: uuid().$type<ChangeId>().notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    /** What the project's revision became by it. */
    revision: integer().notNull(),
    at: moment('at').notNull(),
    device: uuid().$type<DeviceId>().notNull(),
    deviceNumber: integer('device_number').notNull(),
    painter: text().$type<PainterId>(),
    /** What whoever signed in was called; `null` at a desk without a door. */
    signedBy: text('signed_by'),
    commands: jsonb().$type<readonly Command[]>().notNull(),
    verdicts: jsonb().$type<readonly CommandVerdict[]>().notNull(),
    /** The last first. */
    undo: jsonb().$type<readonly Command[]>().notNull(),
    /** Paths of what was changed; see `touchedBy` in the core. */
    touched: text().array().notNull(),
    receivedAt: moment('received_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    uniqueIndex('project_change_by_revision').on(table.studioId, table.projectId, table.revision),
  ],
)

/** What the list of projects says of one, kept so that no log is read for it; anew when what it stands on changed. */
export const projectSummary = pgTable(
  'project_summary',
  {
    studioId: ofStudio(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    /** Says what it was made of: the project's revision, its last event and the shelf. */
    madeOf: text('made_of').notNull(),
    /** What the list says; `null` until it is asked for. */
    summary: jsonb().$type<Omit<ProjectSummary, 'finish' | 'commission'>>(),
    /** Says what the summary was made of: the same of this project and of all that teach it, brought rates, and the day. */
    summaryOf: text('summary_of'),
    /** The times it teaches other projects; `null` where an earlier release kept none. */
    times: jsonb().$type<Hand['elsewhere']>(),
    /** What was noted at its stages and is worth knowing in other projects; `null` where an earlier release kept none. */
    lessons: jsonb().$type<Hand['lessons']>(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.projectId] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
  ],
)
