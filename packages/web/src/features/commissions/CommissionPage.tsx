import type { Client, KeptQuote } from '@seriatim/contract'
import type { Commission } from '@seriatim/core/trade'
import { Link } from 'react-router'
import { useClients, useCommission } from '../../shared/api/index.ts'
import { dateText, moneyText } from '../../shared/format/index.ts'
import { useProgress } from '../../shared/progress/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { ErrorState, Headline, LoadingState } from '../../shared/ui/index.ts'
import { AfterDelivery } from './AfterDelivery.tsx'
import { ClientLinks } from './ClientLinks.tsx'
import { ForWhom } from './ForWhom.tsx'
import { KeptQuotes } from './KeptQuotes.tsx'
import { Pictures } from './Pictures.tsx'
import { QuoteNow } from './QuoteNow.tsx'

/** A project painted for somebody: for whom, what it costs at each standard, what was agreed, and what the client sees. */
export function CommissionPage() {
  const project = useCurrentProject()
  const clients = useClients()
  const kept = useCommission(project.id)
  const { progress, error, refetch } = useProgress(project.id)
  const failed = clients.error ?? kept.error ?? error
  if (failed && (!clients.data || !kept.data || !progress))
    return (
      <ErrorState
        error={failed}
        onRetry={() => {
          void clients.refetch()
          void kept.refetch()
          void refetch()
        }}
      />
    )
  if (!clients.data || !kept.data || !progress) return <LoadingState what="the commission" />
  const { quotes, links } = kept.data
  const agreed = quotes.find((quote) => quote.accepted !== null)
  return (
    <>
      <Headline
        sub={subOf(project.commission, clients.data, quotes)}
        actions={
          <Link to="/commissions" className="font-bold underline underline-offset-4">
            All commissions, clients and prices
          </Link>
        }
      >
        {headlineOf(project.commission, agreed)}
      </Headline>
      <div className="grid grid-cols-1 gap-4">
        <ForWhom clients={clients.data} />
        <QuoteNow quotes={quotes} progress={progress} />
        {quotes.length > 0 ? <KeptQuotes quotes={quotes} /> : null}
        {agreed ? <AfterDelivery agreed={agreed} progress={progress} /> : null}
        <Pictures />
        <ClientLinks links={links} />
      </div>
    </>
  )
}

function headlineOf(commission: Commission | null, agreed: KeptQuote | undefined): string {
  const tier = agreed?.quote.tiers.find((each) => each.standard === agreed.accepted?.standard)
  if (!agreed || !tier)
    return commission ? 'What it costs, standard by standard' : 'Painted for your own table'
  const date = tier.promisedOn === null ? '' : `, by ${dateText(tier.promisedOn)}`
  return `Agreed: ${tier.standard} at ${moneyText(tier.price, agreed.quote.currency)}${date}`
}

function subOf(
  commission: Commission | null,
  clients: readonly Client[],
  quotes: readonly KeptQuote[],
): string {
  if (!commission)
    return 'Say for whom it is painted, and it is quoted, promised and shown to them from here.'
  const name =
    clients.find((client) => client.id === commission.clientId)?.name ?? 'a client nobody here knows'
  if (commission.deliveredOn !== null) return `For ${name}; delivered ${dateText(commission.deliveredOn)}`
  if (quotes.some((quote) => quote.accepted)) return `For ${name}`
  return quotes.length === 0 ? `For ${name}; nothing is quoted yet` : `For ${name}; quoted, not agreed yet`
}
