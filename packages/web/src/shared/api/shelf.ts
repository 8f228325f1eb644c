import { routes } from '@seriatim/contract'
import type { Material, MaterialId } from '@seriatim/core'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { call } from './call.ts'

const shelfQuery = queryOptions({
  queryKey: ['shelf'],
  queryFn: ({ signal }) => call(routes.readShelf, {}, signal).then(({ materials }) => materials),
  select: (materials) => new Map(materials.map((material) => [material.id, material])),
})

/** The materials by id; one shelf for all projects. */
export const useShelf = () => useQuery(shelfQuery)

type ShelfChange =
  | { readonly kind: 'put'; readonly materials: readonly Material[]; readonly said: string }
  | { readonly kind: 'remove'; readonly id: MaterialId; readonly said: string }

export function useShelfChange() {
  const client = useQueryClient()
  return useMutation({
    scope: { id: 'shelf' },
    mutationFn: (change: ShelfChange) =>
      change.kind === 'put'
        ? call(routes.putMaterials, { body: { materials: [...change.materials] } })
        : call(routes.removeMaterial, { params: { materialId: change.id } }),
    onSuccess: ({ materials }, { said }) => {
      client.setQueryData(shelfQuery.queryKey, materials)
      toast(said)
    },
    onError: (error) => toast.error(error.message),
  })
}
