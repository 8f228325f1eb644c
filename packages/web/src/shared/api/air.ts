import { routes, type AirReading, type AirTakenBack } from '@seriatim/contract'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { z } from 'zod'
import { call } from './call.ts'
import { takeAnswer } from './take-answer.ts'

const airQuery = queryOptions({
  queryKey: ['air'],
  queryFn: ({ signal }) => call(routes.readAir, {}, signal).then(({ readings }) => readings),
})

/** What the thermo-hygrometer showed and is foretold to show, the oldest first. */
export const useAir = () => useQuery(airQuery)

type AirChange =
  | {
      readonly kind: 'put'
      readonly readings: readonly AirReading[]
      readonly takenBack?: readonly AirTakenBack[]
      readonly said: string
      readonly undo?: () => void
    }
  | { readonly kind: 'remove-simulated'; readonly said: string }

export function useAirChange() {
  const client = useQueryClient()
  return useMutation({
    scope: { id: 'air' },
    mutationFn: (change: AirChange) =>
      change.kind === 'put'
        ? call(routes.putAir, {
            body: z.encode(routes.putAir.body, {
              readings: change.readings,
              takenBack: change.takenBack ?? [],
            }),
          })
        : call(routes.removeSimulatedAir, {}),
    onSuccess: ({ readings }, change) => {
      takeAnswer(client, airQuery.queryKey, readings)
      const undo = change.kind === 'put' ? change.undo : undefined
      if (change.said !== '') toast(change.said, undo ? { action: { label: 'Undo', onClick: undo } } : {})
    },
    onError: (error) => toast.error(error.message),
  })
}
