import type { LineOrder, OrderingInput, SamenessOffer } from '@seriatim/core'
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import { callPlanner } from './call-planner.ts'

/** The recipes' steps merged and ordered beside the page, and then what one pot could do for two. */
export function useLineOrder(input: OrderingInput) {
  const key = [input.recipes, [...input.shelf.values()], input.weight, input.tableReady]
  const order = useQuery({
    queryKey: ['order', key],
    queryFn: ({ signal }): Promise<LineOrder> =>
      callPlanner('order', async (planner, _, pack) => planner.orderLine(pack(input)), signal),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
  const { data } = order
  const offers = useQuery({
    queryKey: ['offers', key],
    enabled: data !== undefined && !order.isPlaceholderData,
    queryFn: ({ signal }): Promise<readonly SamenessOffer[]> => {
      if (!data) throw new Error('nothing to compare with')
      return callPlanner(
        'order',
        async (planner, _, pack) => planner.offersOfSameness(pack(input), data),
        signal,
      )
    },
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  })
  return { order, offers }
}
