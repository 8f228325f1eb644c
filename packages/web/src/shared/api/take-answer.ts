import type { DataTag, QueryClient, QueryKey } from '@tanstack/react-query'

/** What a write answered is the newest: a reading that is under way may be from before it, and is made again. */
export function takeAnswer<Answer>(
  client: QueryClient,
  queryKey: DataTag<QueryKey, Answer, Error>,
  answer: Answer,
): void {
  const isUnderWay = client.isFetching({ queryKey, exact: true }) > 0
  client.setQueryData<Answer>(queryKey, () => answer)
  if (isUnderWay) void client.invalidateQueries({ queryKey, exact: true, refetchType: 'all' })
}
