import { routes, type AccessKey } from '@seriatim/contract'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { call } from './call.ts'

const keysQuery = queryOptions({
  queryKey: ['keys'],
  queryFn: ({ signal }) => call(routes.listKeys, {}, signal).then(({ keys }) => keys),
})

export const useKeys = () => useQuery(keysQuery)

type KeyChange =
  | { readonly kind: 'add'; readonly wanted: Pick<AccessKey, 'name' | 'scope'> }
  | { readonly kind: 'remove'; readonly id: string }

/** Makes a key or takes one away. @returns what was made, with the key itself, told once; `null` where none was. */
export function useKeyChange() {
  const client = useQueryClient()
  return useMutation({
    scope: { id: 'keys' },
    mutationFn: async (change: KeyChange) => {
      if (change.kind === 'add') return call(routes.addKey, { body: change.wanted })
      await call(routes.removeKey, { params: { keyId: change.id } })
      return null
    },
    onSettled: () => client.invalidateQueries({ queryKey: keysQuery.queryKey }),
    onError: (error) => toast.error(error.message),
  })
}
