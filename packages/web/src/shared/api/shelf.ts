import { routes } from '@seriatim/contract'
import type { Material } from '@seriatim/core/trade'
import type { MaterialId } from '@seriatim/core/units'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { call } from './call.ts'
import { takeAnswer } from './take-answer.ts'

const shelfQuery = queryOptions({
  queryKey: ['shelf'],
  queryFn: ({ signal }) => call(routes.readShelf, {}, signal).then(({ materials }) => materials),
  select: (materials) => new Map(materials.map((material) => [material.id, material])),
})

/** The materials by id; one shelf for all projects. */
export const useShelf = () => useQuery(shelfQuery)

type ShelfChange =
  | {
      readonly kind: 'put'
      readonly materials: readonly Material[]
      readonly said: string
      /** Offered with what is said. */
      readonly undo?: () => void
    }
  /** Materials as they were before, and those that were not there. */
  | {
      readonly kind: 'take-back'
      readonly before: readonly Material[]
      readonly added: readonly MaterialId[]
      readonly said: string
    }
  | { readonly kind: 'remove'; readonly id: MaterialId; readonly said: string }

const put = (materials: readonly Material[]) =>
  call(routes.putMaterials, { body: { materials: [...materials] } })
const remove = (id: MaterialId) => call(routes.removeMaterial, { params: { materialId: id } })

export function useShelfChange() {
  const client = useQueryClient()
  return useMutation({
    scope: { id: 'shelf' },
    mutationFn: async (change: ShelfChange) => {
      if (change.kind === 'remove') return remove(change.id)
      if (change.kind === 'put') return put(change.materials)
      for (const id of change.added) await remove(id)
      return put(change.before)
    },
    onSuccess: ({ materials }, change) => {
      takeAnswer(client, shelfQuery.queryKey, materials)
      const undo = change.kind === 'put' ? change.undo : undefined
      toast(change.said, undo ? { action: { label: 'Undo', onClick: undo } } : {})
    },
    onError: (error) => toast.error(error.message),
  })
}
