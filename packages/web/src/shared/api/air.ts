import { airReadingsSchema, airSchema, type AirReading } from '@seriatim/contract'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { z } from 'zod'
import { api, ask } from './client.ts'

const airQuery = queryOptions({
  queryKey: ['air'],
  queryFn: () => ask(api.air.$get(), airSchema).then(({ readings }) => readings),
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
        ? ask(
            api.air.$put({ json: { readings: [...z.encode(airReadingsSchema, change.readings)] } }),
            airSchema,
          )
        : ask(api.air.simulated.$delete(), airSchema),
    onSuccess: ({ readings }, { said }) => {
      client.setQueryData(airQuery.queryKey, readings)
      if (said !== '') toast(said)
    },
    onError: (error) => toast.error(error.message),
  })
}
