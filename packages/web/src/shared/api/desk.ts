import { routes } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { call } from './call.ts'
import { takeAnswer } from './take-answer.ts'

const deskQuery = queryOptions({
  queryKey: ['desk'],
  queryFn: ({ signal }) => call(routes.readDesk, {}, signal).then(({ hoursOf }) => hoursOf),
})

/** The project whose hours, people and stations hold at the desk; `null` where none was chosen. */
export const useHoursOf = () => useQuery(deskQuery)

const studioQuery = queryOptions({
  queryKey: ['studio'],
  queryFn: ({ signal }) => call(routes.readStudio, {}, signal).then(({ name }) => name),
})

/** What clients read above their page. */
export const useStudioName = () => useQuery(studioQuery)

export function useNameStudio() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (name: string) => call(routes.nameStudio, { body: { name } }),
    onSuccess: ({ name }) => takeAnswer(client, studioQuery.queryKey, name),
    onError: (error) => toast.error(error.message),
  })
}

export function useChooseHours() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: (hoursOf: ProjectId) => call(routes.putDesk, { body: { hoursOf } }),
    onSuccess: ({ hoursOf }) => takeAnswer(client, deskQuery.queryKey, hoursOf),
    onError: (error) => toast.error(error.message),
  })
}
