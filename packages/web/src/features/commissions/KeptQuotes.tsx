import type { KeptQuote } from '@seriatim/contract'
import { minor } from '@seriatim/core/money'
import { Printer } from 'lucide-react'
import { Link } from 'react-router'
import { useAcceptQuote } from '../../shared/api/index.ts'
import { dateText, dayText, moneyText, plural } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { Button } from '../../shared/ui/index.ts'

/** Quotes as they were said, the newest first; a yes freezes one, and what is quoted after it is a change. */
export function KeptQuotes({ quotes }: { readonly quotes: readonly KeptQuote[] }) {
  const project = useCurrentProject()
  const accept = useAcceptQuote(project.id)
  return (
    <section className="ticket p-4" aria-labelledby="quotes">
      <h2 id="quotes" className="text-xl">
        Quotes as they were said
      </h2>
      <ol className="mt-2">
        {quotes.map((kept, index) => {
          const { quote, accepted } = kept
          const agreedBefore = quotes.slice(index + 1).find((each) => each.accepted)
          return (
            <li key={kept.id} className="border-t border-paper-edge py-2">
              <div className="flex flex-wrap items-center gap-x-4">
                <h3 className="grow font-bold">
                  Quote {kept.number}, {dayText(kept.madeAt)}
                  {kept.madeBy === null ? '' : ` by ${kept.madeBy}`}, {plural(quote.models, 'model')}
                  {quote.leftAt === null ? '' : `, what was left on ${dayText(quote.leftAt)}`}
                  {accepted ? (
                    <span className="ml-2 border-2 border-ink px-1.5 text-sm">
                      accepted {dayText(accepted.at)}: {accepted.standard}
                      {accepted.by === null ? '' : ` (noted by ${accepted.by})`}
                    </span>
                  ) : null}
                </h3>
                <Link
                  to={`../quote/${kept.id}`}
                  className="inline-flex min-h-11 items-center gap-2 font-bold underline underline-offset-4"
                >
                  <Printer aria-hidden="true" size={18} /> On paper
                  <span className="sr-only">, quote {kept.number}</span>
                </Link>
              </div>
              <ul className="flex flex-wrap gap-x-6 gap-y-1">
                {quote.tiers.map((tier) => {
                  const change = agreedBefore ? changeAgainst(agreedBefore, kept, tier.standard) : null
                  return (
                    <li key={tier.standard} className="flex items-center gap-2">
                      <span>
                        {tier.standard} <b className="figures">{moneyText(tier.price, quote.currency)}</b>
                        {change}
                        <span className="text-ink-soft">
                          {' '}
                          {tier.promisedOn === null ? 'without a date' : `by ${dateText(tier.promisedOn)}`}
                        </span>
                      </span>
                      {index === 0 && !accepted ? (
                        <Button
                          disabled={accept.isPending}
                          onClick={() => accept.mutate({ quoteId: kept.id, standard: tier.standard })}
                        >
                          The client said yes
                          <span className="sr-only"> to {tier.standard}</span>
                        </Button>
                      ) : null}
                    </li>
                  )
                })}
              </ul>
            </li>
          )
        })}
      </ol>
    </section>
  )
}

/** What a later quote asks more or less than the accepted one, where it is the same standard of the same in the same currency. */
function changeAgainst(agreed: KeptQuote, later: KeptQuote, standard: string): string | null {
  const isOfSame =
    agreed.quote.currency === later.quote.currency && agreed.quote.leftAt === later.quote.leftAt
  if (agreed.accepted?.standard !== standard || !isOfSame) return null
  const [before, after] = [agreed, later].map(
    ({ quote }) => quote.tiers.find((tier) => tier.standard === standard)?.price,
  )
  if (before === undefined || after === undefined) return null
  const change = minor(after - before)
  const amount = moneyText(minor(Math.abs(change)), later.quote.currency)
  const against = `against quote ${String(agreed.number)}`
  return change === 0 ? ` (as ${against.slice(8)})` : ` (${change > 0 ? '+' : '−'}${amount} ${against})`
}
