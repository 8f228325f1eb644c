import type { PriceMover, QuoteInput, QuoteTier } from '@seriatim/core/money'
import type { Standard } from '@seriatim/core/trade'
import { useWorkedOut } from './use-worked-out.ts'

/** The standards of a project side by side; `undefined` until they are worked out. */
export function useQuoteTiers(input: QuoteInput | null): readonly QuoteTier[] | undefined {
  return useWorkedOut({
    lane: 'hours',
    name: 'quote-tiers',
    about: input?.project.id ?? '',
    inputs: input ? [input] : null,
    task: async (planner, _, pack) => {
      if (!input) throw new Error('nothing to quote')
      return planner.quoteTiers(pack(input))
    },
  })
}

/** What could be left out of a standard, and what that takes off its price. */
export function usePriceMovers(
  input: QuoteInput | null,
  standard: Standard | null,
): readonly PriceMover[] | undefined {
  return useWorkedOut({
    lane: 'hours',
    name: 'price-movers',
    about: `${input?.project.id ?? ''} ${standard ?? ''}`,
    inputs: input && standard ? [input, standard] : null,
    task: async (planner, _, pack) => {
      if (!input || !standard) throw new Error('nothing to quote')
      return planner.priceMovers(pack(input), standard)
    },
  })
}
