import { routes, type BringRates, type Hand } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { call } from './call.ts'

const handQuery = (id: ProjectId) =>
  queryOptions({
    queryKey: ['hand', id],
    queryFn: ({ signal }) => call(routes.readHand, { params: { id } }, signal),
  })

/** Stands for no project: nothing is left out of what is known. */
export const everyProject = '00000000-0000-0000-0000-000000000000' as ProjectId

/** What is known of the painter's hand from outside this project. */
export const useHand = (id: ProjectId) => useQuery(handQuery(id))

interface BringRatesChange extends Partial<BringRates> {
  readonly said: string
  readonly undo?: () => void
}

export function useBringRates() {
  const client = useQueryClient()
  return useMutation({
    mutationFn: ({ rates = [], putAway = [] }: BringRatesChange) =>
      call(routes.bringRates, { body: { rates, putAway } }),
    onSuccess: async ({ brought }, { said, undo }) => {
      client.setQueriesData<Hand>({ queryKey: ['hand'] }, (hand) => hand && { ...hand, brought })
      toast(said, undo ? { action: { label: 'Undo', onClick: undo } } : {})
      // A reading that was under way may be from before.
      await client.invalidateQueries({ queryKey: ['hand'] })
    },
    onError: (error) => toast.error(error.message),
  })
}
