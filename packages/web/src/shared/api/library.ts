import { routes } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { useQuery } from '@tanstack/react-query'
import { call } from './call.ts'

/** The recipes kept in all other projects. */
export const useLibrary = (id: ProjectId) =>
  useQuery({
    queryKey: ['library', id],
    queryFn: ({ signal }) => call(routes.readLibrary, { params: { id } }, signal),
  })
