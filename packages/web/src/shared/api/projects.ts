import { projectFileSchema, routes, studioFileSchema, type StoredProject } from '@seriatim/contract'
import type { Instant, ProjectId } from '@seriatim/core/units'
import { queryOptions } from '@tanstack/react-query'
import { z } from 'zod'
import { call, isMissing } from './call.ts'

export const projectListQuery = queryOptions({
  queryKey: ['projects'],
  queryFn: ({ signal }) => call(routes.listProjects, {}, signal).then((list) => list.projects),
})

/** A project that is not there may have been put away on another device, and be brought back there. */
const askAgainForGone = 5_000

/** The project as the server has it. */
export const projectQuery = (id: ProjectId) =>
  queryOptions({
    queryKey: ['project', id],
    queryFn: ({ signal }) => call(routes.readProject, { params: { id } }, signal),
    refetchInterval: ({ state }) => (isMissing(state.error) ? askAgainForGone : false),
  })

/** Takes a file of this version or an earlier one, as it was read. */
export function importProjectFile(file: unknown, copy: boolean): Promise<StoredProject> {
  return call(routes.importProject, { query: { copy: copy ? 'true' : 'false' }, body: file })
}

/** What a page worked out is told, so that the list of projects says the same. */
export async function sayFinish(
  id: ProjectId,
  body: { doneBy: Instant | null; odds: number | null },
): Promise<void> {
  await call(routes.sayFinish, { params: { id }, body: z.encode(routes.sayFinish.body, body) })
}

export async function setProjectRemoved(id: ProjectId, removed: boolean): Promise<void> {
  await call(removed ? routes.removeProject : routes.restoreProject, { params: { id } })
}

/** The whole studio as a file's text, checked to be one. */
export async function exportStudioFile(): Promise<string> {
  const file = await call(routes.exportStudio, {})
  return JSON.stringify(z.encode(studioFileSchema, file), null, 1)
}

/** Takes what of a studio file is not here yet, and says how much. */
export function importStudioFile(file: unknown) {
  return call(routes.importStudio, { body: file })
}

/** The project as a file's text, checked to be one. */
export async function exportProjectFile(id: ProjectId): Promise<string> {
  const file = await call(routes.exportProject, { params: { id } })
  return JSON.stringify(z.encode(projectFileSchema, file), null, 1)
}
