import type { Member, OtherStudio, Role } from '@seriatim/contract'
import { and, asc, eq, inArray, isNotNull, ne, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { account, doorKey, membership, signIn } from '../../db/schema/door.ts'
import { studio } from '../../db/schema/studio.ts'
import type { Visitor } from './auth.ts'

/** @throws Error the migrations were not run. */
export async function readDoorKey(owner: Database): Promise<string> {
  const [row] = await owner.select({ secret: doorKey.secret }).from(doorKey)
  if (!row) throw new Error('the database has no key for its door')
  return row.secret
}

/** Where a sign-in leads: to the studio it chose, as long as they belong to it; else to the first they do. */
export async function readMembership(
  owner: Database,
  accountId: string,
  signInId: string,
): Promise<Visitor | null> {
  const [row] = await owner
    .select({
      studio: membership.studioId,
      role: membership.role,
      accountId: membership.accountId,
      name: account.name,
    })
    .from(membership)
    .innerJoin(account, eq(account.id, membership.accountId))
    .leftJoin(signIn, and(eq(signIn.id, signInId), eq(signIn.studioId, membership.studioId)))
    .where(and(eq(membership.accountId, accountId), isNotNull(membership.joinedAt)))
    .orderBy(sql`${signIn.id} is null`, asc(membership.createdAt))
    .limit(1)
  return row ? { ...row, signInId, by: 'sign-in' } : null
}

/** The studios that somebody belongs to or is asked to, but for the one they are in. */
export async function readOtherStudios(
  owner: Database,
  accountId: string,
  here: StudioId,
): Promise<readonly OtherStudio[]> {
  const rows = await owner
    .select({ id: studio.id, name: studio.name, joinedAt: membership.joinedAt })
    .from(membership)
    .innerJoin(studio, eq(studio.id, membership.studioId))
    .where(and(eq(membership.accountId, accountId), ne(membership.studioId, here)))
    .orderBy(asc(studio.name), asc(studio.id))
  return rows.map(({ id, name, joinedAt }) => ({ id, name, isAsked: joinedAt === null }))
}

/** Leads a sign-in to a studio, and makes who was asked there belong to it. @returns whether they may go there. */
export async function leadTo(
  owner: Database,
  { signInId, accountId }: { readonly signInId: string; readonly accountId: string },
  studioId: StudioId,
): Promise<boolean> {
  return owner.transaction(async (tx) => {
    const own = and(eq(membership.studioId, studioId), eq(membership.accountId, accountId))
    const [row] = await tx
      .update(membership)
      .set({ joinedAt: sql`coalesce(${membership.joinedAt}, now())` })
      .where(own)
      .returning({ studioId: membership.studioId })
    if (row) await tx.update(signIn).set({ studioId }).where(eq(signIn.id, signInId))
    return row !== undefined
  })
}

/** In how many studios an account is at home, with those where it is only asked left out. */
export function countHomes(owner: Database, accountId: string): Promise<number> {
  return owner.$count(membership, and(eq(membership.accountId, accountId), isNotNull(membership.joinedAt)))
}

export async function hasOwner(owner: Database): Promise<boolean> {
  return (
    (await owner.$count(membership, and(eq(membership.role, 'owner'), isNotNull(membership.joinedAt)))) > 0
  )
}

export async function accountOf(owner: Database, email: string): Promise<string | null> {
  const [row] = await owner.select({ id: account.id }).from(account).where(eq(account.email, email))
  return row?.id ?? null
}

/** Removes an account that belongs to no studio any more, with all its sign-ins, and wherever it is asked. */
export async function dropAccountOfNobody(owner: Database, accountId: string): Promise<void> {
  await owner.execute(sql`
    delete from ${account} where id = ${accountId}
      and not exists (select from ${membership} where account_id = ${accountId} and joined_at is not null)`)
}

/** The studio's members. @param owner reads their names, which the studio's own handle cannot. */
export async function readMembers(db: Database, owner: Database): Promise<readonly Member[]> {
  const rows = await db
    .select({ id: membership.accountId, role: membership.role, joinedAt: membership.joinedAt })
    .from(membership)
    .orderBy(asc(membership.createdAt))
  if (rows.length === 0) return []
  const names = await owner
    .select({ id: account.id, name: account.name, email: account.email })
    .from(account)
    .where(
      inArray(
        account.id,
        rows.map((row) => row.id),
      ),
    )
  const known = new Map(names.map((each) => [each.id, each]))
  return rows.flatMap(({ id, role, joinedAt }) => {
    const own = known.get(id)
    if (!own) return []
    // Who has not come is known by the address they were asked by alone.
    return [
      joinedAt === null ? { ...own, name: own.email, role, isAsked: true } : { ...own, role, isAsked: false },
    ]
  })
}

export async function insertMembership(
  db: Database,
  given: { readonly accountId: string; readonly role: Role; readonly isAsked: boolean },
): Promise<void> {
  const { accountId, role, isAsked } = given
  await db.insert(membership).values({ accountId, role, ...(isAsked ? { joinedAt: null } : {}) })
}

/** A studio of its own, empty. @returns `null` where one of this name is there already. */
export async function insertStudio(owner: Database, name: string): Promise<StudioId | null> {
  if ((await owner.$count(studio, eq(studio.name, name))) > 0) return null
  const [row] = await owner.insert(studio).values({ name }).returning({ id: studio.id })
  return row?.id ?? null
}

export async function readStudioName(db: Database): Promise<string> {
  const [row] = await db.select({ name: studio.name }).from(studio)
  return row?.name ?? ''
}

/** One at a time changes who belongs to a studio: an owner has to stay. */
export async function lockMembers(db: Database): Promise<void> {
  await db.execute(sql`select pg_advisory_xact_lock(hashtextextended(this_studio()::text, 3))`)
}

/** Of those who are there; who is only asked keeps no studio. */
export async function readRoles(db: Database): Promise<ReadonlyMap<string, Role>> {
  const rows = await db
    .select({ id: membership.accountId, role: membership.role })
    .from(membership)
    .where(isNotNull(membership.joinedAt))
  return new Map(rows.map((row) => [row.id, row.role]))
}

export async function setRole(db: Database, accountId: string, role: Role): Promise<void> {
  await db.update(membership).set({ role }).where(eq(membership.accountId, accountId))
}

export async function deleteMembership(db: Database, accountId: string): Promise<void> {
  await db.delete(membership).where(eq(membership.accountId, accountId))
}
