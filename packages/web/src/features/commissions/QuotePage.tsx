import { localDateAt } from '@seriatim/core/calendar'
import { priceParts } from '@seriatim/core/money'
import { Printer } from 'lucide-react'
import { Link, useParams } from 'react-router'
import { useClients, useCommission, useStudioName } from '../../shared/api/index.ts'
import { percentText } from '../../shared/finish-text.ts'
import { dateText, dayText, moneyText, plural } from '../../shared/format/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { Button, EmptyState, ErrorState, Headline, LoadingState } from '../../shared/ui/index.ts'

const partNames: Readonly<Record<(typeof priceParts)[number], string>> = {
  painting: 'Painting',
  preparation: 'Preparation',
  materials: 'Materials',
  basing: 'Basing',
  packing: 'Packing',
  contingency: '',
  margin: '',
}

/** A quote as the client gets it, on paper or as a file of the printer's: what is inside the studio stays there. */
export function QuotePage() {
  const project = useCurrentProject()
  const { quoteId } = useParams()
  const kept = useCommission(project.id)
  const clients = useClients()
  const studio = useStudioName()
  if (kept.error && !kept.data) return <ErrorState error={kept.error} onRetry={() => void kept.refetch()} />
  if (!kept.data || !clients.data) return <LoadingState what="the quote" />
  const found = kept.data.quotes.find((each) => each.id === quoteId)
  if (!found) {
    return (
      <EmptyState title="There is no such quote">
        <Link to="../commission" className="font-bold underline">
          To the commission
        </Link>
      </EmptyState>
    )
  }
  const { quote, number, madeAt, accepted } = found
  const client = clients.data.find((each) => each.id === project.commission?.clientId)
  const money = (amount: (typeof quote.tiers)[number]['price']) => moneyText(amount, quote.currency)
  // Contingency and margin are in what the client is asked for the painting.
  const shown = priceParts.filter((part) => partNames[part] !== '')
  return (
    <>
      <div className="no-print">
        <Headline
          sub="As it comes out of the printer; A4 or Letter."
          actions={
            <Button weight="main" onClick={() => window.print()}>
              <Printer aria-hidden="true" size={18} /> Print
            </Button>
          }
        >
          Quote {number} on paper
        </Headline>
      </div>
      <section className="paper-sheet ticket mt-5 p-6" aria-labelledby="quote-title">
        <p className="flex flex-wrap justify-between gap-4 text-sm">
          <span>{studio.data}</span>
          <span>
            {dateText(localDateAt(madeAt, project.evenings.timeZone))} · quote {number}
          </span>
        </p>
        <h1 id="quote-title" className="mt-4 text-3xl">
          {project.name}
        </h1>
        <p className="mt-1">
          {client ? `For ${client.name}. ` : ''}
          {plural(quote.models, 'model')} in {plural(project.units.length, 'unit')}:{' '}
          {project.units.map((unit) => `${String(unit.models.length)} ${unit.name}`).join(', ')}.
          {quote.leftAt === null ? '' : ` For what was left to be painted on ${dayText(quote.leftAt)}.`}
        </p>
        <table className="mt-4 w-full text-left">
          <thead>
            <tr className="border-b-2 border-ink">
              <th scope="col" className="py-1">
                Painted to
              </th>
              {quote.tiers.map((tier) => (
                <th key={tier.standard} scope="col" className="px-2 text-right">
                  {tier.standard}
                  {accepted?.standard === tier.standard ? ' ✓' : ''}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((part) => (
              <tr key={part} className="border-b border-paper-edge">
                <th scope="row" className="py-1 font-normal">
                  {partNames[part]}
                </th>
                {quote.tiers.map(({ standard, parts }) => (
                  <td key={standard} className="figures px-2 text-right">
                    {money(
                      part === 'painting'
                        ? ((parts.painting + parts.contingency + parts.margin) as typeof parts.painting)
                        : parts[part],
                    )}
                  </td>
                ))}
              </tr>
            ))}
            <tr className="border-b-2 border-ink font-bold">
              <th scope="row" className="py-1">
                Price
              </th>
              {quote.tiers.map(({ standard, price }) => (
                <td key={standard} className="figures px-2 text-right">
                  {money(price)}
                </td>
              ))}
            </tr>
            <tr>
              <th scope="row" className="py-1 font-normal">
                Done by
              </th>
              {quote.tiers.map(({ standard, promisedOn }) => (
                <td key={standard} className="px-2 text-right">
                  {promisedOn === null ? 'to be agreed' : dateText(promisedOn)}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
        <p className="mt-4 text-sm">
          Hours and dates are worked out so that they hold in {percentText(quote.confidence)} of all cases,
          with the work that was on the desk on the day of this quote. What is changed afterwards is quoted as
          a change.
          {accepted ? ` Accepted ${dayText(accepted.at)} for ${accepted.standard}.` : ''}
        </p>
        {accepted ? null : (
          <p className="mt-10 flex gap-8 text-sm">
            <span className="grow border-t border-ink pt-1">Standard agreed</span>
            <span className="grow border-t border-ink pt-1">Day and name</span>
          </p>
        )}
      </section>
    </>
  )
}
