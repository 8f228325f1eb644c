import { eventLogSchema } from '@seriatim/contract'
import {
  foldProgress,
  instant,
  type EventId,
  type ModelId,
  type Progress,
  type ProgressEvent,
  type ProjectId,
  type Seconds,
  type StageId,
  type Verdict,
} from '@seriatim/core'
import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query'
import { useCallback, useEffect, useMemo, useSyncExternalStore } from 'react'
import { toast } from 'sonner'
import { v7 } from 'uuid'
import { api, ask } from '../api/index.ts'
import { createOutbox } from './outbox.ts'

const outbox = createOutbox(window.localStorage)

const eventsQuery = (id: ProjectId) =>
  queryOptions({
    queryKey: ['events', id],
    queryFn: () =>
      ask(api.projects[':id'].events.$get({ param: { id } }), eventLogSchema).then((log) => log.events),
  })

/** Sends what waits, now and whenever the machine is back; mounted once by the shell. */
export function useOutbox(): { readonly waiting: number; readonly trouble: string | null } {
  const client = useQueryClient()
  const state = useSyncExternalStore(outbox.subscribe, outbox.getState)
  useEffect(() => {
    outbox.listen({
      onSent: () => void client.invalidateQueries({ queryKey: ['projects'] }),
      onRefused: (projectId, reason) => {
        toast.error(`A record was refused: ${reason}`)
        void client.invalidateQueries({ queryKey: eventsQuery(projectId).queryKey })
      },
    })
    const flush = () => void outbox.flush()
    flush()
    window.addEventListener('online', flush)
    return () => window.removeEventListener('online', flush)
  }, [client])
  return { waiting: state.waiting.length, trouble: state.trouble }
}

/** The state of a project's models: what the server knows, and what this page has recorded since. */
export function useProgress(id: ProjectId) {
  const query = useQuery(eventsQuery(id))
  const { waiting, sent } = useSyncExternalStore(outbox.subscribe, outbox.getState)
  const progress = useMemo<Progress | undefined>(() => {
    if (!query.data) return undefined
    // An event may come twice, from the server and from here; folding takes it once.
    const own = [...sent, ...waiting].filter((each) => each.projectId === id).map((each) => each.event)
    return foldProgress([...query.data, ...own])
  }, [query.data, sent, waiting, id])
  return { progress, error: query.error, refetch: query.refetch }
}

const base = () => ({ id: v7() as EventId, at: instant(Date.now()) })

/** What a painter can record; each call is one new event. */
export function useRecorder(projectId: ProjectId) {
  const record = useCallback((event: ProgressEvent) => outbox.record(projectId, event), [projectId])
  return useMemo(
    () => ({
      punch: (stageId: StageId, modelIds: readonly ModelId[]) =>
        record({ ...base(), kind: 'punched', stageId, modelIds }),
      clear: (stageId: StageId, modelIds: readonly ModelId[]) =>
        record({ ...base(), kind: 'cleared', stageId, modelIds }),
      touchUp: (stageId: StageId, modelIds: readonly ModelId[], note: string) =>
        record({ ...base(), kind: 'touch-up', stageId, modelIds, note }),
      startClock: (stageId: StageId, modelIds: readonly ModelId[]) =>
        record({ ...base(), kind: 'clock-started', stageId, modelIds }),
      stopClock: (targetId: EventId) => record({ ...base(), kind: 'clock-stopped', targetId }),
      milestone: (stageIds: readonly StageId[], modelIds: readonly ModelId[], workSeconds: Seconds) =>
        record({ ...base(), kind: 'milestone', stageIds, modelIds, workSeconds }),
      judge: (stageId: StageId, modelIds: readonly ModelId[], verdict: Verdict, note: string) =>
        record({ ...base(), kind: 'judged', stageId, modelIds, verdict, note }),
      correctLap: (targetId: EventId, workSeconds: Seconds | null, note: string) =>
        record({ ...base(), kind: 'lap-corrected', targetId, workSeconds, note }),
      undo: (targetId: EventId) => record({ ...base(), kind: 'undone', targetId }),
    }),
    [record],
  )
}
