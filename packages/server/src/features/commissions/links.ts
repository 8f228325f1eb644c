import { randomBytes } from 'node:crypto'
import type { ClientLink } from '@seriatim/contract'
import { instant, type Instant, type ProjectId } from '@seriatim/core/units'
import { and, desc, eq, isNull } from 'drizzle-orm'
import { v7 } from 'uuid'
import type { Database } from '../../db/client.ts'
import { clientLink } from '../../db/schema/commissions.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { hashOfSecret } from '../../http/hash-of-secret.ts'
import { RequestProblem } from '../../http/problem.ts'
import { requireRevision } from '../projects/service.ts'

/** So many links to one project at a time. */
const mostLinks = 50
const secretBytes = 24
const day = 86_400_000

const moment = (date: Date | null) => (date === null ? null : instant(date.getTime()))

function toLink({ id, madeAt, expiresAt, revokedAt, seenAt }: typeof clientLink.$inferSelect): ClientLink {
  return {
    id,
    madeAt: instant(madeAt.getTime()),
    expiresAt: instant(expiresAt.getTime()),
    revokedAt: moment(revokedAt),
    seenAt: moment(seenAt),
  }
}

/** The newest first. */
export async function readLinks(db: Database, projectId: ProjectId): Promise<readonly ClientLink[]> {
  const rows = await db
    .select()
    .from(clientLink)
    .where(eq(clientLink.projectId, projectId))
    .orderBy(desc(clientLink.madeAt), desc(clientLink.id))
    .limit(mostLinks)
  return rows.map(toLink)
}

/** A link names its studio first, so that it is found without asking everybody's. */
export async function makeLink(
  db: Database,
  projectId: ProjectId,
  { studio, days, now }: { readonly studio: StudioId; readonly days: number; readonly now: Instant },
): Promise<{ readonly made: ClientLink; readonly token: string }> {
  await requireRevision(db, projectId)
  const open = and(eq(clientLink.projectId, projectId), isNull(clientLink.revokedAt))
  if ((await db.$count(clientLink, open)) >= mostLinks)
    throw new RequestProblem('too-many', `Up to ${String(mostLinks)} links: end one that is not used.`)
  const token = Buffer.concat([
    Buffer.from(studio.replaceAll('-', ''), 'hex'),
    randomBytes(secretBytes),
  ]).toString('base64url')
  const [row] = await db
    .insert(clientLink)
    .values({
      id: v7(),
      projectId,
      hash: hashOfSecret(token),
      madeAt: new Date(now),
      expiresAt: new Date(now + days * day),
    })
    .returning()
  if (!row) throw new Error('a link was not kept')
  return { made: toLink(row), token }
}

/** The studio that a link says it is of; `null` where it is no link. */
export function studioOfLink(token: string): StudioId | null {
  const bytes = Buffer.from(token, 'base64url')
  if (bytes.length !== 16 + secretBytes) return null
  const hex = bytes.subarray(0, 16).toString('hex')
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5') as StudioId
}

export async function revokeLink(
  db: Database,
  projectId: ProjectId,
  id: string,
  now: Instant,
): Promise<ClientLink> {
  const own = and(eq(clientLink.id, id), eq(clientLink.projectId, projectId))
  await db
    .update(clientLink)
    .set({ revokedAt: new Date(now) })
    .where(and(own, isNull(clientLink.revokedAt)))
  const [row] = await db.select().from(clientLink).where(own)
  if (!row) throw new RequestProblem('not-found', 'There is no such link.')
  return toLink(row)
}

/** @throws RequestProblem the link names nothing, was ended, or ran out. */
export async function openLink(
  db: Database,
  token: string,
  now: Instant,
): Promise<{ readonly projectId: ProjectId; readonly validUntil: Instant }> {
  const [row] = await db
    .select()
    .from(clientLink)
    .where(eq(clientLink.hash, hashOfSecret(token)))
  if (!row) throw new RequestProblem('not-found', 'This link leads nowhere: it may have been cut short.')
  if (row.revokedAt !== null)
    throw new RequestProblem('not-found', 'This link was ended by the studio. Ask them for a new one.')
  if (row.expiresAt.getTime() <= now)
    throw new RequestProblem('not-found', 'This link has run out. Ask the studio for a new one.')
  // Written now and then: a page may stay open and ask.
  if (row.seenAt === null || now - row.seenAt.getTime() > 60_000)
    await db
      .update(clientLink)
      .set({ seenAt: new Date(now) })
      .where(eq(clientLink.id, row.id))
  return { projectId: row.projectId, validUntil: instant(row.expiresAt.getTime()) }
}
