import type { LineOrder, SamenessOffer, StopLine } from '@seriatim/core/ordering'
import { standards, type Project, type Standard, type Unit } from '@seriatim/core/trade'
import { durationText, plural } from '../../shared/format/index.ts'
import { Button, controlLook } from '../../shared/ui/index.ts'

interface OrderReasonsProps {
  readonly found: LineOrder
  readonly units: Project['units']
  readonly offers: readonly SamenessOffer[]
  readonly weighing: boolean
  readonly onAccept: (offer: SamenessOffer) => void
  readonly onPaintTo: (unit: Unit, standard: Standard) => void
}

/** What was not merged and why, where each unit is table-ready, and what one pot could do for two. */
export function OrderReasons({ found, units, offers, weighing, onAccept, onPaintTo }: OrderReasonsProps) {
  const optional = found.stages
    .filter((stage) => stage.optional)
    .reduce((sum, stage) => sum + stage.handsOnSeconds, 0)
  return (
    <details className="mt-2">
      <summary className="min-h-11 py-2 font-bold">
        {found.notMerged.length === 0
          ? 'Every pot is opened once'
          : `${plural(found.notMerged.length, 'pot')} opened again, and why`}
      </summary>
      <ul className="grid gap-1 text-sm">
        {found.notMerged.map((each) => (
          <li key={each.stages.join()}>
            <b>{each.material}</b>, stages {each.stages.map((stage) => stage + 1).join(' and ')}: {each.why}
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm font-bold">Stop lines</p>
      <ul className="grid gap-1 text-sm">
        {found.stopLines.map((stop) => {
          const unit = units.find((each) => each.id === stop.unitId)
          return unit ? (
            <li key={unit.id} className="grid items-center gap-x-3 sm:grid-cols-[24rem_1fr]">
              <label className="grid grid-cols-[minmax(0,1fr)_5.5rem_12rem] items-center gap-2">
                <b>{unit.name}</b> <span className="text-right">painted to</span>
                <select
                  className={`${controlLook} min-h-9 w-auto! py-0`}
                  value={unit.standard}
                  onChange={(event) => onPaintTo(unit, event.target.value as Standard)}
                >
                  {standards.map((standard) => (
                    <option key={standard} value={standard}>
                      {standard}, {durationText(stop.handsOnSeconds[standard])}
                    </option>
                  ))}
                </select>
              </label>
              <span>{stopText(unit.standard, stop)}</span>
            </li>
          ) : null
        })}
        {optional > 0 ? (
          <li className="text-ink-soft">
            Without the stages that tabletop does not need, all models together take {durationText(optional)}{' '}
            less.
          </li>
        ) : null}
      </ul>
      <p className="mt-2 text-sm font-bold">Offers of sameness</p>
      <ul className="grid gap-1 text-sm">
        {offers.map((offer) => (
          <li key={offer.stepId}>
            {offer.reason} {durationText(offer.secondsSaved)} less.{' '}
            <Button weight="quiet" className="px-1!" onClick={() => onAccept(offer)}>
              Do so
            </Button>
          </li>
        ))}
        {offers.length === 0 ? (
          <li className="text-ink-soft">
            {weighing ? 'Being worked out …' : 'None: no small region has a pot to itself.'}
          </li>
        ) : null}
      </ul>
    </details>
  )
}

/** `tabletop after stage 32, tabletop plus after 33`; a standard that adds nothing is left out. */
function stopText(upTo: Standard, { after }: StopLine): string {
  const reached = standards.slice(0, standards.indexOf(upTo) + 1)
  const stops = reached.flatMap((standard, index) => {
    const stage = after[standard]
    const before = index === 0 ? null : after[reached[index - 1] ?? standard]
    return stage === null || stage === before ? [] : [`${standard} after stage ${String(stage + 1)}`]
  })
  return stops.length > 0 ? stops.join(', ') : 'nothing to do'
}
