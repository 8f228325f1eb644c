import { usualPriceList, type PriceList } from '@seriatim/core/money'
import { eq } from 'drizzle-orm'
import type { Database } from '../../db/client.ts'
import { priceList } from '../../db/schema/commissions.ts'
import { RequestProblem } from '../../http/problem.ts'

interface KeptPrices {
  readonly prices: PriceList
  readonly revision: number
}

export async function readPrices(db: Database): Promise<KeptPrices> {
  const [row] = await db.select({ prices: priceList.document, revision: priceList.revision }).from(priceList)
  return row ?? { prices: usualPriceList, revision: 0 }
}

/** @throws RequestProblem somebody else changed them since `revision`. */
export async function putPrices(db: Database, { prices, revision }: KeptPrices): Promise<KeptPrices> {
  const next = { document: prices, revision: revision + 1 }
  const written =
    revision === 0
      ? await db.insert(priceList).values(next).onConflictDoNothing().returning()
      : await db.update(priceList).set(next).where(eq(priceList.revision, revision)).returning()
  if (written.length === 0)
    throw new RequestProblem(
      'changed-meanwhile',
      'Somebody else changed the prices meanwhile: look at theirs, and set yours again.',
    )
  return { prices, revision: next.revision }
}
