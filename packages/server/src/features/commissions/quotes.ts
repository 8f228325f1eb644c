import type { KeptQuote } from '@seriatim/contract'
import { sameJson } from '@seriatim/core/changes'
import type { Quote } from '@seriatim/core/money'
import type { Standard } from '@seriatim/core/trade'
import { instant, type Instant, type ProjectId } from '@seriatim/core/units'
import { desc, eq } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { quote } from '../../db/schema/commissions.ts'
import { RequestProblem } from '../../http/problem.ts'
import { requireRevision } from '../projects/service.ts'

type Row = typeof quote.$inferSelect

const mostQuotes = 200

function toQuote(row: Row): KeptQuote {
  const { id, number, document, madeAt, madeBy, acceptedAt, acceptedBy, acceptedStandard } = row
  return {
    id,
    number,
    quote: document,
    madeAt: instant(madeAt.getTime()),
    madeBy,
    accepted:
      acceptedAt !== null && acceptedStandard !== null
        ? { at: instant(acceptedAt.getTime()), by: acceptedBy, standard: acceptedStandard }
        : null,
  }
}

/** The newest first. */
export async function readQuotes(db: Database, projectId: ProjectId): Promise<readonly KeptQuote[]> {
  const rows = await db.select().from(quote).where(eq(quote.projectId, projectId)).orderBy(desc(quote.number))
  return rows.map(toQuote)
}

interface NewQuote {
  readonly id: string
  readonly after: number
  readonly quote: Quote
}

interface By {
  /** Who; `null` at a desk without a door. */
  readonly name: string | null
  readonly now: Instant
}

/** Keeps a quote as it was said; sent again it is the same one. @throws RequestProblem somebody else quoted since. */
export async function makeQuote(
  db: Database,
  projectId: ProjectId,
  { id, after, quote: document }: NewQuote,
  { name, now }: By,
): Promise<KeptQuote> {
  await requireRevision(db, projectId)
  const number = after + 1
  if (number > mostQuotes)
    throw new RequestProblem('too-many', `Up to ${String(mostQuotes)} quotes for one project.`)
  const [made] = await db
    .insert(quote)
    .values({ id, projectId, number, document, madeAt: new Date(now), madeBy: name })
    .onConflictDoNothing()
    .returning()
  if (made) return toQuote(made)
  const [before] = await db.select().from(quote).where(eq(quote.id, id))
  if (!before) throw changedMeanwhile()
  if (before.projectId !== projectId || !sameJson(before.document, document))
    throw new RequestProblem('id-reused', 'This id is taken by another quote.')
  return toQuote(before)
}

const changedMeanwhile = () =>
  new RequestProblem('changed-meanwhile', 'Somebody else made a quote meanwhile: look at that one first.')

/** @throws RequestProblem it is not the newest, was accepted otherwise, or has no such standard. */
export async function acceptQuote(
  db: Database,
  { projectId, quoteId, standard }: { projectId: ProjectId; quoteId: string; standard: Standard },
  { name, now }: By,
): Promise<KeptQuote> {
  const [newest] = await readQuotes(db, projectId)
  if (newest?.id !== quoteId) {
    const [old] = await db.select({ id: quote.id }).from(quote).where(eq(quote.id, quoteId))
    if (newest && old) throw changedMeanwhile()
    throw new RequestProblem('not-found', 'There is no such quote.')
  }
  if (newest.accepted?.standard === standard) return newest
  if (newest.accepted)
    throw new RequestProblem(
      'changed-meanwhile',
      `This quote was accepted for ${newest.accepted.standard}; another standard is another quote.`,
    )
  if (!newest.quote.tiers.some((tier) => tier.standard === standard))
    throw new RequestProblem('unknown-reference', `This quote does not name ${standard}.`)
  const [row] = await db
    .update(quote)
    .set({ acceptedAt: new Date(now), acceptedBy: name, acceptedStandard: standard })
    .where(eq(quote.id, quoteId))
    .returning()
  if (!row) throw new Error('a quote went away')
  return toQuote(row)
}
