import type { Hand, ProjectSummary } from '@seriatim/contract'
import type {
  ChangeId,
  Command,
  CommandVerdict,
  Detail,
  DeviceId,
  EventId,
  Feel,
  InspectionVerdict,
  Material,
  MaterialId,
  ModelId,
  PainterId,
  Planning,
  ProgressEvent,
  ProjectId,
  Recipe,
  RecipeId,
  Size,
  Stage,
  StageId,
  Standard,
  StepRef,
  Technique,
  TypedTime,
  UnitId,
  Mix,
  Verdict,
} from '@seriatim/core'
import { sql } from 'drizzle-orm'
import {
  bigint,
  bigserial,
  boolean,
  check,
  customType,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
/** Rows are never deleted: what leaves the roster or the line keeps its history. */
const removedAt = () => moment('removed_at')

/** One row, made with the database: a page that kept a copy of another database's log throws it away. */
export const installation = pgTable('installation', { id: uuid().primaryKey().defaultRandom() })

export const project = pgTable(
  'project',
  {
    id: uuid().$type<ProjectId>().primaryKey(),
    name: text().notNull(),
    dueOn: date('due_on', { mode: 'string' }),
    weekdays: smallint().array().notNull(),
    startsAt: text('starts_at').notNull(),
    eveningSeconds: integer('evening_seconds').notNull(),
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

export const unit = pgTable(
  'unit',
  {
    id: uuid().$type<UnitId>().primaryKey(),
    projectId: uuid('project_id')
      .$type<ProjectId>()
      .notNull()
      .references(() => project.id),
    position: integer().notNull(),
    name: text().notNull(),
    standard: text().$type<Standard>().notNull().default('display'),
    size: text().$type<Size>().notNull().default('foot'),
    detail: text().$type<Detail>().notNull().default('usual'),
    perHolder: integer('per_holder').notNull().default(1),
    /** Models of the unit; one that left the roster is none of it any more. */
    pilot: uuid().array().$type<ModelId[]>().notNull().default([]),
    joinedToUnit: uuid('joined_to_unit').$type<UnitId>(),
    joinedAtStage: uuid('joined_at_stage').$type<StageId>(),
    removedAt: removedAt(),
  },
  (table) => [
    index('unit_by_project').on(table.projectId, table.position),
    check('unit_name_given', sql`length(trim(${table.name})) > 0`),
    check(
      'unit_standard_known',
      sql`${table.standard} in ('three-colour', 'tabletop', 'tabletop plus', 'display')`,
    ),
    check(
      'unit_size_known',
      sql`${table.size} in ('small', 'foot', 'large foot', 'mounted', 'large', 'very large', 'huge')`,
    ),
    check('unit_detail_known', sql`${table.detail} in ('plain', 'usual', 'ornate')`),
    check('unit_holder_positive', sql`${table.perHolder} >= 1`),
    check('unit_joined_whole', sql`(${table.joinedToUnit} is null) = (${table.joinedAtStage} is null)`),
    check('unit_joined_to_another', sql`${table.joinedToUnit} <> ${table.id}`),
  ],
)

export const model = pgTable(
  'model',
  {
    id: uuid().$type<ModelId>().primaryKey(),
    unitId: uuid('unit_id')
      .$type<UnitId>()
      .notNull()
      .references(() => unit.id),
    position: integer().notNull(),
    name: text().notNull(),
    role: text().notNull(),
    variants: text().array().notNull().default([]),
    points: doublePrecision().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    index('model_by_unit').on(table.unitId, table.position),
    check('model_name_given', sql`length(trim(${table.name})) > 0`),
    check('model_points_not_negative', sql`${table.points} >= 0`),
  ],
)

export const stage = pgTable(
  'stage',
  {
    id: uuid().$type<StageId>().primaryKey(),
    projectId: uuid('project_id')
      .$type<ProjectId>()
      .notNull()
      .references(() => project.id),
    position: integer().notNull(),
    name: text().notNull(),
    material: text().notNull(),
    touchKind: text('touch_kind', { enum: ['whole', 'regions', 'base'] }).notNull(),
    regions: text().array().notNull(),
    handsOnSecondsPerModel: integer('hands_on_seconds_per_model').notNull(),
    setUpSeconds: integer('set_up_seconds').notNull(),
    dryingMinSeconds: integer('drying_min_seconds').notNull(),
    dryingMaxSeconds: integer('drying_max_seconds').notNull(),
    nextWithinSeconds: integer('next_within_seconds'),
    limits: jsonb().$type<Stage['limits']>().notNull().default([]),
    tableReady: boolean('table_ready').notNull(),
    cautions: text().array().notNull(),
    note: text().notNull(),
    technique: text().$type<Technique>(),
    typed: jsonb().$type<readonly TypedTime[]>().notNull().default([]),
    /** References into the recipes' documents. */
    steps: jsonb().$type<readonly StepRef[]>().notNull().default([]),
    removedAt: removedAt(),
  },
  (table) => [
    index('stage_by_project').on(table.projectId, table.position),
    check('stage_name_given', sql`length(trim(${table.name})) > 0`),
    check('stage_touch_known', sql`${table.touchKind} in ('whole', 'regions', 'base')`),
    check('stage_regions_named', sql`(${table.touchKind} = 'regions') = (cardinality(${table.regions}) > 0)`),
    check(
      'stage_times_not_negative',
      sql`least(${table.handsOnSecondsPerModel}, ${table.setUpSeconds}, ${table.dryingMinSeconds}) >= 0`,
    ),
    check('stage_next_within_not_negative', sql`${table.nextWithinSeconds} >= 0`),
    check('stage_drying_in_order', sql`${table.dryingMaxSeconds} >= ${table.dryingMinSeconds}`),
  ],
)

/**
 * A recipe is written and read whole, so it is one document; which units follow it is kept in it too.
 */
export const recipe = pgTable(
  'recipe',
  {
    id: uuid().$type<RecipeId>().primaryKey(),
    projectId: uuid('project_id')
      .$type<ProjectId>()
      .notNull()
      .references(() => project.id),
    position: integer().notNull(),
    document: jsonb().$type<Recipe>().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    index('recipe_by_project').on(table.projectId, table.position),
    check('recipe_document_is_its_own', sql`${table.document} ->> 'id' = ${table.id}::text`),
  ],
)

/** The shelf beside the desk: one for all projects. */
export const material = pgTable(
  'material',
  {
    id: uuid().$type<MaterialId>().primaryKey(),
    document: jsonb().$type<Material>().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    check('material_document_is_its_own', sql`${table.document} ->> 'id' = ${table.id}::text`),
    uniqueIndex('material_name_once')
      .on(sql`lower(${table.document} ->> 'name')`)
      .where(sql`${table.removedAt} is null`),
  ],
)

/** Units whose models pass a stage by. */
export const stageExemption = pgTable(
  'stage_exemption',
  {
    stageId: uuid('stage_id')
      .$type<StageId>()
      .notNull()
      .references(() => stage.id),
    unitId: uuid('unit_id')
      .$type<UnitId>()
      .notNull()
      .references(() => unit.id),
  },
  (table) => [primaryKey({ columns: [table.stageId, table.unitId] })],
)

/** The log of changes to a project's structure: what was sent, what came of it and what would take it back. */
export const projectChange = pgTable(
  'project_change',
  {
    id: uuid().$type<ChangeId>().primaryKey(),
    projectId: uuid('project_id')
      .$type<ProjectId>()
      .notNull()
      .references(() => project.id),
    /** What the project's revision became by it. */
    revision: integer().notNull(),
    at: moment('at').notNull(),
    device: uuid().$type<DeviceId>().notNull(),
    deviceNumber: integer('device_number').notNull(),
    painter: text().$type<PainterId>(),
    commands: jsonb().$type<readonly Command[]>().notNull(),
    verdicts: jsonb().$type<readonly CommandVerdict[]>().notNull(),
    /** The last first. */
    undo: jsonb().$type<readonly Command[]>().notNull(),
    /** Paths of what was changed; see `touchedBy` in the core. */
    touched: text().array().notNull(),
    receivedAt: moment('received_at').notNull().defaultNow(),
  },
  (table) => [uniqueIndex('project_change_by_revision').on(table.projectId, table.revision)],
)

/** What the list of projects says of one, kept so that no log is read for it; anew when what it stands on changed. */
export const projectSummary = pgTable('project_summary', {
  projectId: uuid('project_id')
    .$type<ProjectId>()
    .primaryKey()
    .references(() => project.id),
  /** Says what it was made of: the project's revision, its last event and the shelf. */
  madeOf: text('made_of').notNull(),
  summary: jsonb().$type<Omit<ProjectSummary, 'finish'>>().notNull(),
  /** The times it teaches other projects; `null` until somebody asks. */
  times: jsonb().$type<Hand['elsewhere']>(),
})

/** The append-only log; a trigger refuses every update and delete. */
export const progressEvent = pgTable(
  'progress_event',
  {
    id: uuid().$type<EventId>().primaryKey(),
    sequence: bigserial({ mode: 'number' }).notNull(),
    projectId: uuid('project_id')
      .$type<ProjectId>()
      .notNull()
      .references(() => project.id),
    kind: text().$type<ProgressEvent['kind']>().notNull(),
    at: moment('at').notNull(),
    stageId: uuid('stage_id')
      .$type<StageId>()
      .references(() => stage.id),
    targetId: uuid('target_id').$type<EventId>(),
    note: text(),
    workSeconds: integer('work_seconds'),
    /** Of a judgement, an inspection, or a finger on the coat. */
    verdict: text().$type<Verdict | InspectionVerdict | Feel>(),
    /** What was used, or is wanted, instead of what the recipe says. */
    mix: jsonb().$type<Mix>(),
    /** Where on the models a touch-up is wanted. */
    region: text(),
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
    index('progress_event_by_project').on(table.projectId, table.sequence),
    foreignKey({ columns: [table.targetId], foreignColumns: [table.id], name: 'progress_event_target' }),
    check(
      'progress_event_shape',
      sql`case
        when ${table.kind} in ('punched', 'cleared', 'touch-up', 'clock-started')
          then ${table.stageId} is not null and ${table.targetId} is null
        when ${table.kind} in ('judged', 'felt')
          then ${table.stageId} is not null and ${table.targetId} is null and ${table.verdict} is not null
        when ${table.kind} = 'inspected'
          then ${table.stageId} is null and ${table.targetId} is null and ${table.verdict} is not null
        when ${table.kind} = 'used'
          then ${table.stageId} is not null and ${table.targetId} is null and ${table.mix} is not null
        when ${table.kind} = 'milestone'
          then ${table.stageId} is null and ${table.targetId} is null and ${table.workSeconds} > 0
        when ${table.kind} in ('clock-stopped', 'lap-corrected', 'undone')
          then ${table.stageId} is null and ${table.targetId} is not null
        else false end`,
    ),
    check('progress_event_work_positive', sql`${table.workSeconds} > 0`),
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
export const packedLog = pgTable('packed_log', {
  projectId: uuid('project_id')
    .$type<ProjectId>()
    .primaryKey()
    .references(() => project.id),
  /** The number of the last event in it. */
  last: bigint({ mode: 'number' }).notNull(),
  body: bytea().notNull(),
})

/** The stages of a milestone. */
export const progressEventStage = pgTable(
  'progress_event_stage',
  {
    eventId: uuid('event_id')
      .$type<EventId>()
      .notNull()
      .references(() => progressEvent.id),
    stageId: uuid('stage_id')
      .$type<StageId>()
      .notNull()
      .references(() => stage.id),
    position: integer().notNull(),
    drySeconds: integer('dry_seconds'),
  },
  (table) => [primaryKey({ columns: [table.eventId, table.stageId] })],
)

export const progressEventModel = pgTable(
  'progress_event_model',
  {
    eventId: uuid('event_id')
      .$type<EventId>()
      .notNull()
      .references(() => progressEvent.id),
    modelId: uuid('model_id')
      .$type<ModelId>()
      .notNull()
      .references(() => model.id),
  },
  (table) => [primaryKey({ columns: [table.eventId, table.modelId] })],
)

/** The hand as it was before, brought from elsewhere: laps in a sum, by technique and size. */
export const broughtRate = pgTable(
  'brought_rate',
  {
    technique: text().$type<Technique>().notNull(),
    size: text().$type<Size>().notNull(),
    /** Times the preset. */
    factor: doublePrecision().notNull(),
    laps: doublePrecision().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.technique, table.size] }),
    check('brought_rate_positive', sql`${table.factor} > 0 and ${table.laps} > 0`),
  ],
)

/** What a thermo-hygrometer showed, or is foretold to show; the last word of a moment and place stands. */
export const airReading = pgTable(
  'air_reading',
  {
    at: moment('at').notNull(),
    /** Where coats dry, or where cans are used. */
    place: text({ enum: ['indoors', 'outdoors'] }).notNull(),
    celsius: doublePrecision().notNull(),
    humidity: doublePrecision().notNull(),
    source: text({ enum: ['typed', 'file', 'simulated'] }).notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.at, table.place] }),
    check('air_reading_place_known', sql`${table.place} in ('indoors', 'outdoors')`),
    check(
      'air_reading_possible',
      sql`${table.celsius} between -60 and 70 and ${table.humidity} between 1 and 100`,
    ),
  ],
)
