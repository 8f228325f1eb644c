import {
  followedRecipes,
  type LineOrder,
  type OrderingInput,
  type OrderWeight,
  type SamenessOffer,
} from '@seriatim/core/ordering'
import type { Shelf } from '@seriatim/core/recipe'
import { tableReadyStandard, type Project, type Stage } from '@seriatim/core/trade'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { useMemo } from 'react'
import { useShelf } from '../api/index.ts'
import type { ShownProject } from '../project/index.ts'
import { callPlanner } from './call-planner.ts'
import { inputKey } from './input-key.ts'
import { useWorkedOut } from './use-worked-out.ts'

/** What the ordering of a project's recipes is about. */
export function useOrderingInput(
  { recipes, units }: Pick<Project, 'recipes' | 'units'>,
  shelf: Shelf,
  weight: OrderWeight,
): OrderingInput {
  return useMemo(
    () => ({ recipes: followedRecipes({ recipes, units }), shelf, weight, tableReady: tableReadyStandard }),
    [recipes, units, shelf, weight],
  )
}

const keyOf = (input: OrderingInput) => [
  input.recipes,
  [...input.shelf.values()],
  input.weight,
  input.tableReady,
]

/** The recipes' steps merged and ordered beside the page. */
export function useOrder(input: OrderingInput) {
  return useQuery({
    queryKey: ['order', keyOf(input)],
    queryFn: ({ signal }): Promise<LineOrder> =>
      callPlanner('order', async (planner, _, pack) => planner.orderLine(pack(input)), signal),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
}

/** What one pot could do for two, of an order that was found. */
export function useSamenessOffers(input: OrderingInput, order: LineOrder | undefined) {
  return useQuery({
    queryKey: ['offers', keyOf(input)],
    enabled: order !== undefined,
    queryFn: ({ signal }): Promise<readonly SamenessOffer[]> => {
      if (!order) throw new Error('nothing to compare with')
      return callPlanner(
        'order',
        async (planner, _, pack) => planner.offersOfSameness(pack(input), order),
        signal,
      )
    },
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
}

/** The line that an order comes to, of this very project; nothing until it is worked out. */
export function useLineOfOrder(
  order: LineOrder | undefined,
  project: Project,
  shelf: Shelf,
): readonly Stage[] | undefined {
  const { data } = useQuery({
    queryKey: ['line-of-order', inputKey(order), inputKey(project), inputKey(shelf)],
    enabled: order !== undefined,
    queryFn: ({ signal }): Promise<readonly Stage[]> => {
      if (!order) throw new Error('no order')
      return callPlanner(
        'look',
        async (planner, _, pack) => planner.lineOfOrder(pack({ project, shelf }), order),
        signal,
      )
    },
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 10_000,
  })
  return data
}

/** The line that the server will make of what waits to be delivered to it; `null` while nothing asks for another. */
export function useFollowedLine(project: ShownProject | undefined): readonly Stage[] | null {
  const shelf = useShelf().data
  const before = project?.lineAskedFrom ?? null
  const line = useWorkedOut({
    lane: 'order',
    name: 'followed-line',
    about: project?.id ?? '',
    inputs: before && project && shelf ? [before, project, shelf] : null,
    task: async (planner, _, pack) => {
      if (!before || !project || !shelf) return null
      const { id, units, recipes, line } = project
      return planner.followLine(pack({ project: before, shelf }), { id, units, recipes, line })
    },
  })
  return (before && line) ?? null
}
