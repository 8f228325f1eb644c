import { routes, type AirReading } from '@seriatim/contract'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { z } from 'zod'
import { call } from './call.ts'

const airQuery = queryOptions({
  queryKey: ['air'],
  queryFn: ({ signal }) => call(routes.readAir, {}, signal).then(({ readings }) => readings),
})

/** What the thermo-hygrometer showed and is foretold to show, the oldest first. */
export const useAir = () => useQuery(airQuery)

type AirChange =
  | { readonly kind: 'put'; readonly readings: readonly AirReading[]; readonly said: string }
  | { readonly kind: 'remove-simulated'; readonly said: string }

export function useAirChange() {
  const client = useQueryClient()
  return useMutation({
    scope: { id: 'air' },
    mutationFn: (change: AirChange) =>
      change.kind === 'put'
        ? call(routes.putAir, { body: z.encode(routes.putAir.body, { readings: change.readings }) })
        : call(routes.removeSimulatedAir, {}),
    onSuccess: ({ readings }, { said }) => {
      client.setQueryData(airQuery.queryKey, readings)
      if (said !== '') toast(said)
    },
    onError: (error) => toast.error(error.message),
  })
}
