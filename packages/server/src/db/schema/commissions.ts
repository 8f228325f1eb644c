import type { PriceList, Quote } from '@seriatim/core/money'
import type { Standard } from '@seriatim/core/trade'
import type { ClientId, ProjectId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import {
  check,
  foreignKey,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { moment, ofStudio, removedAt } from './columns.ts'
import { project } from './project.ts'
import { studio } from './studio.ts'

/** Who has models painted here. */
export const client = pgTable(
  'client',
  {
    studioId: ofStudio(),
    id: uuid().$type<ClientId>().notNull(),
    name: text().notNull(),
    /** How they are reached: an address, a number, as somebody wrote it down. */
    contact: text().notNull(),
    note: text().notNull(),
    removedAt: removedAt(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({ columns: [table.studioId], foreignColumns: [studio.id] }),
    check('client_name_given', sql`length(trim(${table.name})) > 0`),
  ],
)

/** What the studio charges: one row, once somebody said so. */
export const priceList = pgTable(
  'price_list',
  {
    studioId: ofStudio().primaryKey(),
    document: jsonb().$type<PriceList>().notNull(),
    revision: integer().notNull(),
  },
  (table) => [foreignKey({ columns: [table.studioId], foreignColumns: [studio.id] })],
)

/** Quotes as they were said; none is ever changed, and a yes is written beside it. */
export const quote = pgTable(
  'quote',
  {
    studioId: ofStudio(),
    id: uuid().notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    /** From 1, within its project. */
    number: integer().notNull(),
    document: jsonb().$type<Quote>().notNull(),
    madeAt: moment('made_at').notNull(),
    /** What whoever made it was called; `null` at a desk without a door. */
    madeBy: text('made_by'),
    acceptedAt: moment('accepted_at'),
    acceptedBy: text('accepted_by'),
    acceptedStandard: text('accepted_standard').$type<Standard>(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
    check(
      'quote_accepted_for_a_standard',
      sql`(${table.acceptedAt} is null) = (${table.acceptedStandard} is null)`,
    ),
    uniqueIndex('quote_by_project').on(table.studioId, table.projectId, table.number),
  ],
)

/** A link by which a client looks at one project; what it is made of is told once. */
export const clientLink = pgTable(
  'client_link',
  {
    studioId: ofStudio(),
    id: uuid().notNull(),
    projectId: uuid('project_id').$type<ProjectId>().notNull(),
    /** SHA-256: the link itself is told once and kept nowhere. */
    hash: text().notNull().unique(),
    madeAt: moment('made_at').notNull(),
    expiresAt: moment('expires_at').notNull(),
    revokedAt: moment('revoked_at'),
    seenAt: moment('seen_at'),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.projectId],
      foreignColumns: [project.studioId, project.id],
    }),
  ],
)
