import { standardWorth, type Afforded, type StandardCosts } from '@seriatim/core/estimating'
import { standards, type Standard, type Unit } from '@seriatim/core/trade'
import { clsx } from 'clsx'
import type { ReactNode } from 'react'
import { durationText, rangeText, plural } from '../../shared/format/index.ts'
import { Figure, ScrollRegion } from '../../shared/ui/index.ts'

interface StandardTableProps {
  readonly units: readonly Unit[]
  readonly costs: readonly StandardCosts[]
  /** In the order to work in. */
  readonly afforded: readonly Afforded[]
  readonly safety: number
  readonly overSeconds: number
  readonly actions: ReactNode
}

/** Units by standards: what is left to each, which one fits, and by how much the others do not. */
export function StandardTable({ units, costs, afforded, safety, overSeconds, actions }: StandardTableProps) {
  return (
    <section className="ticket p-4" aria-labelledby="affordable">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="affordable" className="grow text-xl">
          The best standards that fit, most worth an hour first
        </h2>
        {actions}
      </div>
      <ScrollRegion label="Standards in hours">
        <table className="mt-2 w-full min-w-[52rem] text-left">
          <thead>
            <tr className="text-sm text-ink-soft">
              <th scope="col" className="py-1">
                Unit
              </th>
              {standards.map((standard) => (
                <th key={standard} scope="col" className="px-2">
                  {standard}
                </th>
              ))}
              <th scope="col" className="px-2">
                later
              </th>
            </tr>
          </thead>
          <tbody>
            {afforded.map((choice, index) => {
              const unit = units.find((each) => each.id === choice.unitId)
              const cost = costs.find((each) => each.unitId === choice.unitId)
              if (!unit || !cost) return null
              const { left, offers } = cost
              return (
                <tr key={unit.id} className="border-t border-paper-edge">
                  <th scope="row" className="py-2 pr-3">
                    {index + 1}. {unit.name}
                    <span className="block text-sm font-normal text-ink-soft">
                      {plural(unit.models.length, 'model')}, now {unit.standard}
                    </span>
                  </th>
                  {standards.map((standard) => (
                    <td key={standard} className="px-1 py-1">
                      {offers.includes(standard) ? (
                        <Cell
                          standard={standard}
                          unit={unit}
                          range={left[standard]}
                          seconds={left[standard].likely * safety}
                          isChosen={choice.standard === standard}
                          missing={left[standard].likely * safety - choice.seconds - overSeconds}
                        />
                      ) : (
                        <span className="px-2 text-ink-soft" title="Its recipe has nothing for this standard">
                          –<span className="sr-only"> nothing for this standard in its recipe</span>
                        </span>
                      )}
                    </td>
                  ))}
                  <td className="px-2">{choice.standard === null ? <b>for another time</b> : null}</td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </ScrollRegion>
      <p className="mt-2 text-sm text-ink-soft">
        A model counts {standards.map((each) => `${String(standardWorth[each])} at ${each}`).join(', ')}; what
        is finished already costs nothing. The chosen ones are worth most together. Here every batch opens its
        pots anew; a plan that keeps one open from batch to batch takes some minutes less.
      </p>
    </section>
  )
}

interface CellProps {
  readonly standard: Standard
  readonly unit: Unit
  readonly range: StandardCosts['left'][Standard]
  readonly seconds: number
  readonly isChosen: boolean
  readonly missing: number
}

function Cell({ standard, unit, range, seconds, isChosen, missing }: CellProps) {
  const none = seconds < 30
  return (
    <div
      className={clsx(
        'flex min-h-12 items-center gap-2 rounded-[3px] border-2 px-2',
        isChosen ? 'border-ink bg-paper-dim' : 'border-transparent',
      )}
    >
      <svg viewBox="0 0 20 20" className="size-5 shrink-0" aria-hidden="true">
        <circle
          cx="10"
          cy="10"
          r="7.5"
          className={isChosen ? 'fill-ink stroke-ink' : 'fill-transparent stroke-rule'}
          strokeWidth="2"
          strokeDasharray={isChosen || missing <= 0 ? undefined : '2.5 3'}
        />
      </svg>
      <span className="leading-tight">
        {none ? (
          'done'
        ) : (
          <Figure
            name={`${unit.name}, ${standard}`}
            explanation={
              <>
                <p>
                  What is left of every stage this standard asks for, pots opened once a batch:{' '}
                  {durationText(range.likely)}, in four cases of five {rangeText(range)}.
                </p>
                <p>Open a stage under Stages, and it shows what its minutes are made of.</p>
              </>
            }
          >
            {durationText(seconds)}
          </Figure>
        )}
        {isChosen ? <span className="sr-only"> chosen</span> : null}
        {!isChosen && missing > 30 ? (
          <span className="block text-xs text-hands">{durationText(missing)} too many</span>
        ) : null}
      </span>
    </div>
  )
}
