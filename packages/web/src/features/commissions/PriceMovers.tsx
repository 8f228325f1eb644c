import { leftToFiner } from '@seriatim/core/money'
import type { Standard } from '@seriatim/core/trade'
import { withCapital, type StageId } from '@seriatim/core/units'
import { Link } from 'react-router'
import { durationText, moneyText } from '../../shared/format/index.ts'
import { useCurrentProject, useEdit } from '../../shared/project/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { usePriceMovers, type QuoteWish } from '../../shared/worker/index.ts'
import type { PromisedTier } from './use-quote-now.ts'

interface PriceMoversProps {
  readonly input: QuoteWish
  readonly tier: PromisedTier
  readonly finer: Standard | null
}

/** The stages of a standard that move its price most, each to be left to a finer one. */
export function PriceMovers({ input, tier, finer }: PriceMoversProps) {
  const project = useCurrentProject()
  const edit = useEdit()
  const movers = usePriceMovers(input, tier.standard)
  const { currency } = input.prices
  const leave = (stageId: StageId, name: string, to: Standard) =>
    edit(project, leftToFiner(project, stageId, to), `${name} is for ${to} and finer.`)
  return (
    <div className="mt-4 border-t border-paper-edge pt-3">
      <h3 className="font-heading text-lg font-bold">What moves the price of {tier.standard}</h3>
      {movers === undefined ? (
        <p role="status" className="text-ink-soft">
          …
        </p>
      ) : movers.length === 0 ? (
        <p className="text-ink-soft">No stage that only this standard asks for makes a hundredth of it.</p>
      ) : (
        <ul>
          {movers.map(({ stageId, name, saves, savedSeconds }) => (
            <li
              key={stageId}
              className="flex min-h-12 flex-wrap items-center gap-x-4 border-b border-paper-edge py-1"
            >
              <span className="grow">
                <b>{withCapital(name)}</b>: without it {moneyText(saves, currency)} less
                <span className="text-ink-soft"> and {durationText(savedSeconds)} of work</span>
              </span>
              {finer !== null && project.line.some((stage) => stage.id === stageId) ? (
                <Button onClick={() => leave(stageId, withCapital(name), finer)}>
                  Leave it to {finer}
                  <span className="sr-only">: {name}</span>
                </Button>
              ) : null}
            </li>
          ))}
        </ul>
      )}
      <p className="mt-2 text-sm text-ink-soft">
        Another school may take less: the{' '}
        <Link to="../recipe" className="font-bold underline">
          recipe
        </Link>{' '}
        compares them for these models.
      </p>
    </div>
  )
}
