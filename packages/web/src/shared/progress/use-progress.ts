import { routes } from '@seriatim/contract'
import type { ProgressEvent } from '@seriatim/core/progress'
import type { ProjectId } from '@seriatim/core/units'
import { queryOptions, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query'
import { useSyncExternalStore } from 'react'
import { call, isAway, projectQuery } from '../api/index.ts'
import { heardServerTime } from '../clock.ts'
import { outbox } from '../outbox/index.ts'
import { isSameInstallation, recallLog } from './kept-log.ts'
import { progressStore } from './progress-store.ts'
import { isHeard } from './use-news.ts'

/** Other devices write as well: so often it is asked what is new, and seldom where news come by themselves. */
const every = { unheard: 10_000, heard: 60_000 }

/** What was recorded here and is not with the server yet. */
function ownWaiting(id: ProjectId): ProgressEvent[] {
  return outbox
    .getState()
    .waiting.flatMap((parcel) => (parcel.kind === 'event' && parcel.projectId === id ? [parcel.event] : []))
}

/** Reads the log on from where this page has it; what it brings is in the store. */
const newsQuery = (id: ProjectId, client: QueryClient) =>
  queryOptions({
    queryKey: ['news', id],
    queryFn: async ({ signal }) => {
      const store = progressStore(id)
      await recallLog(id, store)
      store.record(ownWaiting(id))
      const ask = async () => {
        const sentAt = Date.now()
        const answer = await call(
          routes.readEvents,
          { params: { id }, query: { after: store.last() } },
          signal,
        )
        heardServerTime(answer.now, sentAt, Date.now())
        return answer
      }
      let answer = await ask()
      if (!isSameInstallation(id, answer.installation)) {
        store.startAnew(ownWaiting(id))
        answer = await ask()
      }
      const { log, last, revision } = answer
      store.takeFromServer(log, last)
      const known = client.getQueryData(projectQuery(id).queryKey)
      if (known && known.revision < revision)
        void client.invalidateQueries({ queryKey: projectQuery(id).queryKey })
      return last
    },
    refetchInterval: () => (isHeard(id) ? every.heard : every.unheard),
  })

/** Whether the page shows what this device remembers, since the server does not answer. */
export function useIsRemembered(id: ProjectId): boolean {
  const client = useQueryClient()
  const { failureReason } = useQuery(newsQuery(id, client))
  const store = progressStore(id)
  const progress = useSyncExternalStore(store.subscribe, store.progress)
  return progress !== undefined && isAway(failureReason)
}

/** The state of a project's models: what the server knows, and what was recorded here since. */
export function useProgress(id: ProjectId) {
  const client = useQueryClient()
  const { error, refetch } = useQuery(newsQuery(id, client))
  const store = progressStore(id)
  const progress = useSyncExternalStore(store.subscribe, store.progress)
  return { progress, error, refetch }
}
