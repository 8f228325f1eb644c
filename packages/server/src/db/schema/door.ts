import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  check,
  foreignKey,
  index,
  integer,
  pgSchema,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core'
import type { Role, Scope } from '@seriatim/contract'
import { moment, ofStudio, type StudioId } from './columns.ts'
import { studio } from './studio.ts'

/** Who may sign in, and with what; kept apart, since requests of a studio have no business here. */
const door = pgSchema('door')

const times = () => ({
  createdAt: moment('created_at').notNull().defaultNow(),
  updatedAt: moment('updated_at').notNull().defaultNow(),
})

/** The properties of these four are the names that the authentication library asks for. */
export const account = door.table('account', {
  id: text().primaryKey(),
  name: text().notNull(),
  email: text().notNull().unique(),
  emailVerified: boolean('email_verified').notNull().default(false),
  image: text(),
  ...times(),
})

const ofAccount = () =>
  text('account_id')
    .notNull()
    .references(() => account.id, { onDelete: 'cascade' })

export const signIn = door.table(
  'sign_in',
  {
    id: text().primaryKey(),
    userId: ofAccount(),
    token: text().notNull().unique(),
    expiresAt: moment('expires_at').notNull(),
    ipAddress: text('ip_address'),
    userAgent: text('user_agent'),
    /** Where it leads, of several studios; the first one without it. */
    studioId: uuid('studio_id')
      .$type<StudioId>()
      .references(() => studio.id, { onDelete: 'set null' }),
    ...times(),
  },
  (table) => [index('sign_in_by_account').on(table.userId)],
)

export const credential = door.table(
  'credential',
  {
    id: text().primaryKey(),
    userId: ofAccount(),
    accountId: text('known_as').notNull(),
    providerId: text('provider').notNull(),
    password: text(),
    accessToken: text('access_token'),
    refreshToken: text('refresh_token'),
    idToken: text('id_token'),
    accessTokenExpiresAt: moment('access_token_expires_at'),
    refreshTokenExpiresAt: moment('refresh_token_expires_at'),
    scope: text(),
    ...times(),
  },
  (table) => [index('credential_by_account').on(table.userId)],
)

export const verification = door.table('verification', {
  id: text().primaryKey(),
  identifier: text().notNull(),
  value: text().notNull(),
  expiresAt: moment('expires_at').notNull(),
  ...times(),
})

/** How often somebody knocked lately. */
export const knocks = door.table('knocks', {
  id: text().primaryKey(),
  key: text().notNull().unique(),
  count: integer().notNull(),
  lastRequest: bigint('last_request', { mode: 'number' }).notNull(),
})

/** One row: what sign-ins are sealed with, the same for every process on this database. */
export const doorKey = door.table('door_key', {
  only: boolean().primaryKey().default(true),
  secret: text().notNull(),
})

/** Who belongs to a studio, and what they may do there. */
export const membership = pgTable(
  'membership',
  {
    studioId: ofStudio(),
    accountId: text('account_id').notNull(),
    role: text().$type<Role>().notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
    /** `null` while somebody of another studio is asked, and has not come. */
    joinedAt: moment('joined_at').defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.accountId] }),
    foreignKey({ columns: [table.studioId], foreignColumns: [studio.id] }),
    foreignKey({ columns: [table.accountId], foreignColumns: [account.id] }).onDelete('cascade'),
    index('membership_by_account').on(table.accountId),
    check('membership_role_known', sql`${table.role} in ('owner', 'manager', 'painter')`),
  ],
)

/** A key that somebody made for a script or a calendar; it opens no more than its maker may, and goes with them. */
export const accessKey = pgTable(
  'access_key',
  {
    studioId: ofStudio(),
    id: text().notNull(),
    accountId: text('account_id').notNull(),
    name: text().notNull(),
    scope: text().$type<Scope>().notNull(),
    /** SHA-256: the key itself is told once and kept nowhere. */
    hash: text().notNull().unique(),
    createdAt: moment('created_at').notNull().defaultNow(),
    usedAt: moment('used_at'),
  },
  (table) => [
    primaryKey({ columns: [table.studioId, table.id] }),
    foreignKey({
      columns: [table.studioId, table.accountId],
      foreignColumns: [membership.studioId, membership.accountId],
      name: 'access_key_maker',
    }).onDelete('cascade'),
    check('access_key_name_given', sql`length(trim(${table.name})) > 0`),
    check('access_key_scope_known', sql`${table.scope} in ('look', 'record', 'change')`),
  ],
)
