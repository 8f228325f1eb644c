import type { KeptQuote } from '@seriatim/contract'
import type { QuoteDoubt } from '@seriatim/core/money'
import type { Progress } from '@seriatim/core/progress'
import { standards, type Standard, type Unit } from '@seriatim/core/trade'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { useMakeQuote } from '../../shared/api/index.ts'
import { dayText, plural } from '../../shared/format/index.ts'
import { lastRecordedAt } from '../../shared/progress/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { PriceMovers } from './PriceMovers.tsx'
import { QuoteScope } from './QuoteScope.tsx'
import { TierTable } from './TierTable.tsx'
import { useQuoteNow } from './use-quote-now.ts'

interface QuoteNowProps {
  readonly quotes: readonly KeptQuote[]
  readonly progress: Progress
}

/** The standards side by side by today's prices, and what could be kept as a quote. */
export function QuoteNow({ quotes, progress }: QuoteNowProps) {
  const project = useCurrentProject()
  const agreed = quotes.find((quote) => quote.accepted !== null)
  const last = useMemo(() => lastRecordedAt(progress), [progress])
  const isBegun = [...progress.marks.values()].some((marks) => marks.size > 0)
  const [onlyLeft, setOnlyLeft] = useState(false)
  // A change is priced as what was agreed was.
  const leftAt = agreed ? agreed.quote.leftAt : onlyLeft && isBegun ? last : null
  const now = useQuoteNow(leftAt)
  const make = useMakeQuote(project.id)
  const [chosen, setChosen] = useState<Standard>('tabletop')
  if (!now) {
    return (
      <section className="ticket p-4" aria-label="Today’s prices">
        <p role="status">The prices are being worked out …</p>
      </section>
    )
  }
  const { input, tiers, doubts, quote } = now
  const tier = tiers.find((each) => each.standard === chosen) ?? tiers.at(-1)
  const saved = Math.max(0, ...tiers.map((each) => each.potsSaved))
  return (
    <section className="ticket p-4" aria-labelledby="tiers">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="tiers" className="grow text-xl">
          By today’s prices, laps and queue
        </h2>
        {tiers.length > 0 ? (
          <Button
            weight="main"
            disabled={quote === null || make.isPending}
            onClick={() => quote && make.mutate({ after: quotes[0]?.number ?? 0, quote })}
          >
            {quote === null ? 'Dates are being worked out …' : 'Keep as a quote'}
          </Button>
        ) : null}
      </div>
      {agreed ? (
        leftAt === null ? null : (
          <p className="mt-1 text-ink-soft">For what was left on {dayText(leftAt)}, as was agreed.</p>
        )
      ) : isBegun ? (
        <QuoteScope onlyLeft={onlyLeft} onChoose={setOnlyLeft} />
      ) : null}
      {doubts.length > 0 ? (
        <ul role="status" className="mt-2 border-l-8 border-l-touch-up px-3 py-1">
          {doubts.map((doubt, index) => (
            <li key={index}>{doubtText(doubt, project.units)}</li>
          ))}
        </ul>
      ) : null}
      {tiers.length === 0 && leftAt !== null ? (
        <p className="mt-2 text-ink-soft">Nothing is left to be painted.</p>
      ) : tiers.length === 0 ? (
        <p className="mt-2 text-ink-soft">
          A price needs models and how they are painted: from the{' '}
          <Link to="../roster" className="font-bold underline">
            roster
          </Link>{' '}
          and the{' '}
          <Link to="../recipe" className="font-bold underline">
            recipe
          </Link>
          .
        </p>
      ) : (
        <>
          <TierTable input={input} tiers={tiers} chosen={tier?.standard ?? null} onChoose={setChosen} />
          {saved > 0 ? (
            <p className="mt-2 text-sm text-ink-soft">
              Painted beside what else is on the desk, {plural(saved, 'time')} a pot that stands open for one
              job serves another too; that is in the dates, not in the prices.
            </p>
          ) : null}
          {tier ? <PriceMovers input={input} tier={tier} finer={finerThan(tier.standard)} /> : null}
        </>
      )}
    </section>
  )
}

/** The standard to which a stage may be put off; `null` behind the finest. */
const finerThan = (standard: Standard): Standard | null => standards[standards.indexOf(standard) + 1] ?? null

function doubtText(doubt: QuoteDoubt, units: readonly Unit[]): string {
  switch (doubt.kind) {
    case 'no-models':
      return 'There are no models yet: a quote is for one at least.'
    case 'unit-without-stages': {
      const names = units.filter((unit) => doubt.unitIds.includes(unit.id)).map((unit) => unit.name)
      return `${names.join(', ')}: no recipe and no stages, so that these hours are in no price.`
    }
    case 'hour-for-nothing':
      return 'An hour at the desk costs nothing: the price is for materials alone.'
    case 'margin-below-nothing':
      return 'With a margin below nothing the studio pays for this commission.'
    case 'finer-is-cheaper':
      return `${doubt.standard} would cost less than ${doubt.than}: look at what its stages take before you say it.`
  }
}
