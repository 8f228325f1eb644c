import { routes, unpackLog } from '@seriatim/contract'
import { lineNow } from '@seriatim/core/air'
import type { ProjectId } from '@seriatim/core/units'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { call, isMissing, projectListQuery, useAir, useShelf } from './api/index.ts'
import type { JobToPlan } from './worker/index.ts'
import { useSlotEnd } from './working-project.ts'

/** What can be planned at the desk: every project with models left and a line, as the server has it, in the air that is. */
export function useJobs() {
  const list = useQuery(projectListQuery)
  const wanted = useMemo(
    () => list.data?.filter((each) => each.models > 0 && each.stages > 0).map((each) => each.id),
    [list.data],
  )
  const jobs = useQuery({
    queryKey: ['desk jobs', ...(wanted ?? [])],
    enabled: wanted !== undefined,
    queryFn: async ({ signal }) => {
      const read = await Promise.all((wanted ?? []).map((id) => readJob(id, signal)))
      return read.flatMap((job) => job ?? [])
    },
    staleTime: 30_000,
  })
  const shelf = useShelf().data
  const air = useAir().data
  const now = useSlotEnd()
  const ready = useMemo(() => {
    if (!jobs.data || !shelf) return undefined
    // What fingers felt is read of the log, beside the page.
    return jobs.data.map(({ project, events }): JobToPlan => ({
      project: { ...project, line: [...lineNow(project, shelf, air ?? [], [], now)] },
      events,
    }))
  }, [jobs.data, shelf, air, now])
  return { jobs: ready, shelf, now, error: list.error ?? jobs.error }
}

/** `null` where it was put away since the list was read. */
async function readJob(id: ProjectId, signal: AbortSignal): Promise<JobToPlan | null> {
  try {
    const [project, { log }] = await Promise.all([
      call(routes.readProject, { params: { id } }, signal),
      call(routes.readEvents, { params: { id } }, signal),
    ])
    return { project, events: unpackLog(log) }
  } catch (error) {
    if (isMissing(error)) return null
    throw error
  }
}
