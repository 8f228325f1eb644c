import type { Member, Role } from '@seriatim/contract'
import { asc, eq, inArray, sql } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { account, doorKey, membership } from '../../db/schema/door.ts'
import { studio } from '../../db/schema/studio.ts'
import type { Visitor } from './door.ts'

/** @throws Error the migrations were not run. */
export async function readDoorKey(owner: Database): Promise<string> {
  const [row] = await owner.select({ secret: doorKey.secret }).from(doorKey)
  if (!row) throw new Error('the database has no key for its door')
  return row.secret
}

/** The first studio that somebody belongs to. */
export async function readMembership(owner: Database, accountId: string): Promise<Visitor | null> {
  const [row] = await owner
    .select({
      studio: membership.studioId,
      role: membership.role,
      accountId: membership.accountId,
      name: account.name,
    })
    .from(membership)
    .innerJoin(account, eq(account.id, membership.accountId))
    .where(eq(membership.accountId, accountId))
    .orderBy(asc(membership.createdAt))
    .limit(1)
  return row ? { ...row, by: 'sign-in' } : null
}

export async function hasOwner(owner: Database): Promise<boolean> {
  return (await owner.$count(membership, eq(membership.role, 'owner'))) > 0
}

export async function accountOf(owner: Database, email: string): Promise<string | null> {
  const [row] = await owner.select({ id: account.id }).from(account).where(eq(account.email, email))
  return row?.id ?? null
}

/** Removes an account that belongs to no studio any more, with all its sign-ins. */
export async function dropAccountOfNobody(owner: Database, accountId: string): Promise<void> {
  await owner.execute(sql`
    delete from ${account} where id = ${accountId}
      and not exists (select from ${membership} where account_id = ${accountId})`)
}

/** The studio's members. @param owner reads their names, which the studio's own handle cannot. */
export async function readMembers(db: Database, owner: Database): Promise<readonly Member[]> {
  const rows = await db
    .select({ id: membership.accountId, role: membership.role })
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
  return rows.flatMap(({ id, role }) => {
    const own = known.get(id)
    return own ? [{ ...own, role }] : []
  })
}

export async function insertMembership(db: Database, accountId: string, role: Role): Promise<void> {
  await db.insert(membership).values({ accountId, role })
}

export async function readStudioName(db: Database): Promise<string> {
  const [row] = await db.select({ name: studio.name }).from(studio)
  return row?.name ?? ''
}

/** One at a time changes who belongs to a studio: an owner has to stay. */
export async function lockMembers(db: Database): Promise<void> {
  await db.execute(sql`select pg_advisory_xact_lock(hashtextextended(this_studio()::text, 3))`)
}

export async function readRoles(db: Database): Promise<ReadonlyMap<string, Role>> {
  const rows = await db.select({ id: membership.accountId, role: membership.role }).from(membership)
  return new Map(rows.map((row) => [row.id, row.role]))
}

export async function setRole(db: Database, accountId: string, role: Role): Promise<void> {
  await db.update(membership).set({ role }).where(eq(membership.accountId, accountId))
}

export async function deleteMembership(db: Database, accountId: string): Promise<void> {
  await db.delete(membership).where(eq(membership.accountId, accountId))
}
