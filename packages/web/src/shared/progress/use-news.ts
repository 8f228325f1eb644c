import { newsStream } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { useQueryClient, type QueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import { deviceId } from '../device.ts'
import { outbox } from '../outbox/index.ts'

/** Projects whose news come by themselves. */
const heard = new Set<ProjectId>()

/** Whether news come at once, so that asking now and then is only for what went missing. */
export function isHeard(id: ProjectId): boolean {
  return heard.has(id)
}

/** A line that the server ended for good is tried again after so long. */
const tryAgainAfter = 10_000

/** A refetch joins a query's first asking where that is still under way, and that may have read before what is told. */
async function askAnew(id: ProjectId, client: QueryClient): Promise<void> {
  const queryKey = ['news', id]
  const asked = client.getQueryState(queryKey)
  const joins = asked?.data === undefined && asked?.fetchStatus === 'fetching'
  await client.refetchQueries({ queryKey })
  if (joins) await client.refetchQueries({ queryKey })
}

/**
 * Hears at once what others write to a project, for as long as the page is looked at: a browser keeps few lines open to
 * one server, and tabs that nobody sees would take them all.
 * @param id `null` while there is no project to hear of.
 */
export function useNews(id: ProjectId | null): void {
  const client = useQueryClient()
  useEffect(() => {
    if (id === null) return
    let source: EventSource | null = null
    let timer: ReturnType<typeof setTimeout> | undefined

    const shut = () => {
      clearTimeout(timer)
      source?.close()
      source = null
      heard.delete(id)
    }
    const open = () => {
      shut()
      source = new EventSource(`/api${newsStream.path.replace(':id', id)}`)
      source.addEventListener('open', () => {
        heard.add(id)
        // Where it was away, what was recorded meanwhile waits for a turn some seconds from now.
        void outbox.flush()
        // And what others wrote since this page asked, or while the line was broken, nobody tells again.
        void askAnew(id, client)
      })
      source.addEventListener(newsStream.event, ({ data }: MessageEvent<string>) => {
        // What this page wrote it has; another tab of this browser is not the one with the focus.
        if (data !== deviceId || !document.hasFocus()) void askAnew(id, client)
      })
      source.addEventListener('error', () => {
        heard.delete(id)
        if (source?.readyState === EventSource.CLOSED) timer = setTimeout(open, tryAgainAfter)
      })
    }
    const look = () => (document.visibilityState === 'hidden' ? shut() : open())

    look()
    document.addEventListener('visibilitychange', look)
    return () => {
      document.removeEventListener('visibilitychange', look)
      shut()
    }
  }, [id, client])
}
