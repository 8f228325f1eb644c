import { routes } from '@seriatim/contract'
import type { Material } from '@seriatim/core/trade'
import type { MaterialId } from '@seriatim/core/units'
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { toast } from 'sonner'
import { mergeFields } from '@seriatim/core/changes'
import { call } from './call.ts'
import { sayFailure } from './say-failure.ts'
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
      /** As they were when somebody began to change them: only what differs from it is written. */
      readonly before?: readonly Material[]
      readonly said: string
      /** Offered with what is said. */
      readonly undo?: () => void
    }
  /** Materials as they were before, as they became, and those that were not there. */
  | {
      readonly kind: 'take-back'
      readonly before: readonly Material[]
      readonly became: readonly Material[]
      readonly added: readonly MaterialId[]
      readonly said: string
    }
  | { readonly kind: 'remove'; readonly id: MaterialId; readonly said: string }

const put = (materials: readonly Material[], before: readonly Material[] = []) =>
  call(routes.putMaterials, { body: { materials: [...materials], before: [...before] } })
const remove = (id: MaterialId) => call(routes.removeMaterial, { params: { materialId: id } })

export function useShelfChange() {
  const client = useQueryClient()
  const change = useMutation({
    scope: { id: 'shelf' },
    mutationFn: async (change: ShelfChange) => {
      if (change.kind === 'remove') return remove(change.id)
      if (change.kind === 'put') return put(change.materials, change.before)
      for (const id of change.added) await remove(id)
      return put(change.before, change.became)
    },
    onSuccess: ({ materials }, change) => {
      takeAnswer(client, shelfQuery.queryKey, materials)
      const undo = change.kind === 'put' ? change.undo : undefined
      toast(change.said, undo ? { action: { label: 'Undo', onClick: undo } } : {})
    },
    onError: (error, failed) => {
      const mine = failed.kind === 'put' ? failed : null
      sayFailure(error, mine && (() => void putMine(mine).catch(() => undefined)))
    },
  })
  /** What was changed here over what is there now; all else as somebody else has it. */
  const putMine = async (mine: Extract<ShelfChange, { kind: 'put' }>) => {
    const there = new Map(
      (await call(routes.readShelf, {})).materials.map((material) => [material.id, material]),
    )
    const seen = new Map((mine.before ?? []).map((material) => [material.id, material]))
    const materials = mine.materials.map((material) => {
      const [before, theirs] = [seen.get(material.id), there.get(material.id)]
      return before && theirs ? mergeFields(before, theirs, material).merged : material
    })
    await change.mutateAsync({ ...mine, materials, before: [...there.values()] })
  }
  return change
}
