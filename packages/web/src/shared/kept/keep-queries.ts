import type { Query, QueryClient, QueryFunctionContext, QueryKey } from '@tanstack/react-query'
import { isAway } from '../api/index.ts'
import { asOfNow } from './as-of-now.ts'
import { forget, keep, readKept } from './kept.ts'

/** What the pages need to open without a server. */
const wanted = new Set<unknown>(['projects', 'project', 'kept plan', 'shelf', 'hand', 'air'])
/** After so long a server that was away is asked again, and from then on until it answers. */
const askAgainAfter = 3_000

const keyOf = (queryKey: QueryKey) => `query ${JSON.stringify(queryKey)}`

/** Asks the server; where it is away and the page has nothing to show yet, what it said last on this device is shown. */
export async function askOrRemember(
  ask: (context: QueryFunctionContext) => unknown,
  context: QueryFunctionContext,
  query: Query,
): Promise<unknown> {
  try {
    return await ask(context)
  } catch (error) {
    const { queryKey, client } = context
    if (!isAway(error) || query.state.data !== undefined || !wanted.has(queryKey[0])) throw error
    const known = await readKept(keyOf(queryKey))
    if (known === undefined) throw error
    setTimeout(() => void client.invalidateQueries({ queryKey, exact: true }), askAgainAfter)
    return asOfNow(queryKey, known)
  }
}

/** Keeps on this device what the server says, and what it made of this device's changes. */
export function keepAnswers(client: QueryClient): void {
  client.getQueryCache().subscribe((event) => {
    if (event.type !== 'updated' || event.action.type !== 'success') return
    const { queryKey, state } = event.query as Query
    if (wanted.has(queryKey[0])) void keep(keyOf(queryKey), state.data)
  })
}

export function forgetProject(id: string): void {
  void forget(keyOf(['project', id]))
  void forget(keyOf(['kept plan', id]))
  void forget(logKey(id))
}

export const logKey = (id: string) => `log ${id}`
