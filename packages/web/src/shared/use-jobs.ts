import { routes, unpackLog } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { call, everyProject, isMissing, projectListQuery, useAir, useHand, useShelf } from './api/index.ts'
import { momentIn, nobodysPace, noReadings } from './figures.ts'
import { useNow } from './use-now.ts'
import type { JobToPlan, Queue } from './worker/index.ts'

/** What can be planned at the desk: every project with models left and a line, as the server has it. */
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
  const air = useAir()
  const hand = useHand(everyProject)
  const slot = useNow(600)
  const readings = air.data ?? (air.error ? noReadings : undefined)
  const taught = hand.data ?? (hand.error ? nobodysPace : undefined)
  const queue = useMemo((): Queue | undefined => {
    if (!jobs.data || !shelf || !readings || !taught) return undefined
    return { jobs: jobs.data, shelf, readings, hand: taught, clock: momentIn(slot) }
  }, [jobs.data, shelf, readings, taught, slot])
  return { queue, error: list.error ?? jobs.error }
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
