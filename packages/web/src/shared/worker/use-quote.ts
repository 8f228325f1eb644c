import type { PriceMover, QuoteTier } from '@seriatim/core/money'
import type { Standard } from '@seriatim/core/trade'
import type { QuoteWish } from './planner.worker.ts'
import { useWorkedOut } from './use-worked-out.ts'

/** The standards of a project side by side; `undefined` until they are worked out. */
export function useQuoteTiers(input: QuoteWish | null): readonly QuoteTier[] | undefined {
  return useWorkedOut({
    lane: 'hours',
    name: 'quote-tiers',
    about: input?.sources.project.id ?? '',
    inputs: input ? [input] : null,
    task: async (planner, _, pack) => {
      if (!input) throw new Error('nothing to quote')
      return planner.quoteTiers(pack(input))
    },
  })
}

/** What could be left out of a standard, and what that takes off its price. */
export function usePriceMovers(
  input: QuoteWish | null,
  standard: Standard | null,
): readonly PriceMover[] | undefined {
  return useWorkedOut({
    lane: 'hours',
    name: 'price-movers',
    about: `${input?.sources.project.id ?? ''} ${standard ?? ''}`,
    inputs: input && standard ? [input, standard] : null,
    task: async (planner, _, pack) => {
      if (!input || !standard) throw new Error('nothing to quote')
      return planner.priceMovers(pack(input), standard)
    },
  })
}
