import { priceParts, type Minor } from '@seriatim/core/money'
import type { QuoteWish } from '../../shared/worker/index.ts'
import type { Standard } from '@seriatim/core/trade'
import { clsx } from 'clsx'
import { Fragment, type ReactNode } from 'react'
import { percentText } from '../../shared/finish-text.ts'
import { dateText, durationText, moneyText, rangeText } from '../../shared/format/index.ts'
import { Figure, ScrollRegion } from '../../shared/ui/index.ts'
import type { PromisedTier } from './use-quote-now.ts'

interface TierTableProps {
  readonly input: QuoteWish
  readonly tiers: readonly PromisedTier[]
  readonly chosen: Standard | null
  readonly onChoose: (standard: Standard) => void
}

/** The standards side by side: hours, what the price is made of, the price, and the day it could be promised for. */
export function TierTable({ input, tiers, chosen, onChoose }: TierTableProps) {
  const { prices } = input
  const money = (amount: Minor) => moneyText(amount, prices.currency)
  const surely = percentText(prices.confidence)
  const row = (name: ReactNode, cell: (tier: PromisedTier) => ReactNode, isSum = false) => (
    <tr className={clsx('border-t border-paper-edge', isSum && 'font-heading text-lg font-bold')}>
      <th scope="row" className={clsx('py-1.5 pr-3', !isSum && 'font-normal')}>
        {name}
      </th>
      {tiers.map((tier) => (
        <td
          key={tier.standard}
          className={clsx('figures px-3 text-right', tier.standard === chosen && 'bg-paper-dim')}
        >
          {cell(tier)}
        </td>
      ))}
    </tr>
  )
  return (
    <ScrollRegion label="Standards and prices">
      <table className="mt-2 w-full min-w-[40rem] text-left">
        <thead>
          <tr>
            <th scope="col">
              <span className="sr-only">What</span>
            </th>
            {tiers.map(({ standard }) => (
              <th
                key={standard}
                scope="col"
                className={clsx('px-3 text-right', standard === chosen && 'bg-paper-dim')}
              >
                <label className="inline-flex min-h-11 items-center gap-2">
                  <input
                    type="radio"
                    name="tier"
                    className="size-5 accent-ink"
                    checked={standard === chosen}
                    onChange={() => onChoose(standard)}
                  />
                  {standard}
                </label>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {row('Hours, in four cases of five', ({ hours }) => rangeText(hours))}
          {row(`Hours charged: enough in ${surely}`, ({ chargedSeconds }) => durationText(chargedSeconds))}
          {priceParts.map((part) => (
            <Fragment key={part}>
              {row(<PartName part={part} input={input} />, ({ parts }) => money(parts[part]))}
            </Fragment>
          ))}
          {row('Price', ({ price }) => money(price), true)}
          {row(
            <Figure
              name="The day that could be promised"
              explanation={
                <p>
                  Everything else on the desk is planned together with this, painted to the standard, and laid
                  out over and over with times and sessions as they may turn out: by this day it is done in{' '}
                  {surely} of them. Models that are not here yet are not begun before they come.
                </p>
              }
            >
              Could be promised for
            </Figure>,
            ({ promisedOn }) =>
              promisedOn === undefined ? '…' : promisedOn === null ? 'no plan holds' : dateText(promisedOn),
          )}
        </tbody>
      </table>
    </ScrollRegion>
  )
}

function PartName({
  part,
  input,
}: {
  readonly part: (typeof priceParts)[number]
  readonly input: QuoteWish
}) {
  const { prices } = input
  const money = (amount: Minor) => moneyText(amount, prices.currency)
  const [name, how] = {
    painting: ['Painting', 'The hours charged, at the price of an hour of whoever paints it.'],
    preparation: [
      'Preparation',
      `${durationText(prices.preparationSeconds)} for a model on foot, more for larger ones, at the price of an hour.`,
    ],
    materials: [
      'Materials',
      `What the recipes use: a pot at ${money(prices.pot)}, a can at ${money(prices.can)}, a tuft or decal at ${money(prices.piece)}.`,
    ],
    basing: ['Basing', `${money(prices.basing)} for a model on foot, more for larger ones.`],
    packing: ['Packing', `${money(prices.packing)} a model, and ${money(prices.box)} for the box.`],
    contingency: ['Contingency', `${percentText(prices.contingency)} of all above, for what nobody foresaw.`],
    margin: ['Margin', `${String(Math.round(prices.margin * 1000) / 10)} % of all above.`],
  }[part] as [string, string]
  return (
    <Figure
      name={name}
      explanation={
        <>
          <p>{how}</p>
          <p>Each part is rounded to the smallest coin by itself, and the price is their sum.</p>
        </>
      }
    >
      {name}
    </Figure>
  )
}
