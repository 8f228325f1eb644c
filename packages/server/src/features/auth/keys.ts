import { randomBytes } from 'node:crypto'
import { mayAsk, type AccessKey, type Role, type Scope } from '@seriatim/contract'
import { instant } from '@seriatim/core/units'
import { and, asc, eq, sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import type { Database } from '../../db/client.ts'
import { accessKey, account, membership } from '../../db/schema/door.ts'
import { hashOfSecret } from '../../http/hash-of-secret.ts'
import { RequestProblem } from '../../http/problem.ts'
import type { Visitor } from './auth.ts'

/** So many keys somebody may have. */
const mostKeys = 20

/** What a key of a scope may do, as a role. */
const roleOf: Readonly<Record<Scope, Role>> = { look: 'painter', record: 'painter', change: 'manager' }

type Row = typeof accessKey.$inferSelect

function toKey({ id, name, scope, createdAt, usedAt }: Row): AccessKey {
  return {
    id,
    name,
    scope,
    madeAt: instant(createdAt.getTime()),
    usedAt: usedAt === null ? null : instant(usedAt.getTime()),
  }
}

export async function listKeys(db: Database, accountId: string): Promise<readonly AccessKey[]> {
  const rows = await db
    .select()
    .from(accessKey)
    .where(eq(accessKey.accountId, accountId))
    .orderBy(asc(accessKey.createdAt), asc(accessKey.id))
  return rows.map(toKey)
}

/** @throws RequestProblem the role is not enough for the scope, or there are too many keys. */
export async function addKey(
  db: Database,
  { accountId, role }: { readonly accountId: string; readonly role: Role },
  { name, scope }: Pick<AccessKey, 'name' | 'scope'>,
): Promise<{ readonly made: AccessKey; readonly key: string }> {
  if (!mayAsk(role, roleOf[scope]))
    throw new RequestProblem('not-allowed', 'A key opens no more than you may do yourself.')
  if ((await db.$count(accessKey, eq(accessKey.accountId, accountId))) >= mostKeys)
    throw new RequestProblem('too-many', `Up to ${String(mostKeys)} keys: take one away that is not used.`)
  const key = randomBytes(24).toString('base64url')
  const [row] = await db
    .insert(accessKey)
    .values({ id: v7(), accountId, name, scope, hash: hashOfSecret(key) })
    .returning()
  if (!row) throw new Error('a key was not kept')
  return { made: toKey(row), key }
}

export async function removeKey(db: Database, accountId: string, id: string): Promise<void> {
  const gone = await db
    .delete(accessKey)
    .where(and(eq(accessKey.id, id), eq(accessKey.accountId, accountId)))
    .returning({ id: accessKey.id })
  if (gone.length === 0) throw new RequestProblem('not-found', 'You have no such key.')
}

/** Whom a key lets in: its maker, as far as the key goes and the maker still may. @param owner all studios' keys. */
export async function whoHasKey(owner: Database, key: string): Promise<Visitor | null> {
  const [row] = await owner
    .select({ key: accessKey, role: membership.role, name: account.name })
    .from(accessKey)
    .innerJoin(
      membership,
      and(eq(membership.studioId, accessKey.studioId), eq(membership.accountId, accessKey.accountId)),
    )
    .innerJoin(account, eq(account.id, accessKey.accountId))
    .where(eq(accessKey.hash, hashOfSecret(key)))
  if (!row) return null
  const { studioId, accountId, scope, id } = row.key
  // Written now and then: a script may ask every second.
  await owner
    .update(accessKey)
    .set({ usedAt: sql`now()` })
    .where(
      and(
        eq(accessKey.studioId, studioId),
        eq(accessKey.id, id),
        sql`coalesce(${accessKey.usedAt} < now() - interval '1 minute', true)`,
      ),
    )
  const wanted = roleOf[scope]
  return {
    studio: studioId,
    accountId,
    name: row.name,
    signInId: null,
    role: mayAsk(row.role, wanted) ? wanted : 'painter',
    by: scope === 'look' ? 'looking-key' : 'key',
  }
}
