import type { WayOutcome } from '@seriatim/core/plan'
import { dayText, durationText, plural } from '../format/index.ts'

/** A school or a kept recipe, as it may be chosen. */
export interface Way {
  readonly id: string
  readonly name: string
  readonly idea: string
  readonly strong: string
  readonly weak: string
  /** What a kept recipe cannot carry over to this kind of model. */
  readonly lost: readonly string[]
}

interface WayTableProps {
  readonly legend: string
  readonly ways: readonly Way[]
  /** What each comes to; `undefined` while it is worked out, `null` when there is nothing to paint. */
  readonly outcomes: readonly (WayOutcome | undefined | null)[]
  readonly chosen: string
  readonly timeZone: string
  readonly onChoose: (id: string) => void
}

/** Ways to paint the same models side by side, by hours and date; of the chosen one, and of a kept one, more is said. */
export function WayTable({ legend, ways, outcomes, chosen, timeZone, onChoose }: WayTableProps) {
  return (
    <fieldset className="grid gap-1">
      <legend className="text-sm font-bold">{legend}</legend>
      <div aria-hidden="true" className={`${columns} px-2.5 text-sm text-ink-soft`}>
        <span className="hidden sm:block" />
        <span className="text-right">a model</span>
        <span className="text-right">in all</span>
        <span className="text-right">done</span>
      </div>
      {ways.map((way, index) => {
        const outcome = outcomes[index]
        const isChosen = way.id === chosen
        return (
          <label
            key={way.id}
            className={`${columns} items-start rounded-[3px] border-2 border-rule px-2 py-1.5 has-checked:border-ink has-checked:bg-paper-dim`}
          >
            <span className="col-span-3 flex gap-3 sm:col-span-1">
              <input
                type="radio"
                name="way"
                className="mt-0.5 size-5 shrink-0 accent-ink"
                checked={isChosen}
                onChange={() => onChoose(way.id)}
              />
              <b className="leading-6">{way.name}</b>
            </span>
            {outcome ? (
              <Figures outcome={outcome} timeZone={timeZone} />
            ) : (
              <span className="col-span-3 text-right text-sm leading-6 text-ink-soft">
                {outcome === null ? '' : 'Being worked out …'}
              </span>
            )}
            {isChosen || way.strong === '' ? (
              <span className={`${ofAll} pl-8 text-sm text-ink-soft`}>
                {way.idea}
                {isChosen && way.strong !== '' ? ` Good: ${way.strong}. Less good: ${way.weak}.` : ''}
                {way.lost.map((each) => ` ${each}`)}
                {isChosen && outcome ? ` ${potsText(outcome)}` : ''}
              </span>
            ) : null}
          </label>
        )
      })}
    </fieldset>
  )
}

/** On a phone the name has a row of its own. */
const columns = 'grid grid-cols-3 gap-x-2 sm:grid-cols-[minmax(0,1fr)_4.5rem_4.5rem_5rem]'
const ofAll = 'col-span-3 sm:col-span-4'

function Figures({ outcome, timeZone }: { readonly outcome: WayOutcome; readonly timeZone: string }) {
  const { secondsPerModel, handsOn, plan } = outcome
  const isLate = plan?.fits === false
  return (
    <>
      <span className="text-right text-sm leading-6">
        {durationText(secondsPerModel)}
        <span className="sr-only"> a model</span>
      </span>
      <span className="text-right text-sm leading-6">
        {durationText(handsOn.likely)}
        <span className="sr-only"> in all</span>
      </span>
      <span className={`text-right text-sm leading-6 ${isLate ? 'font-bold text-hands' : ''}`}>
        {plan ? (
          <>
            <span className="sr-only">done </span>
            {dayText(plan.finishesAt, timeZone)}
            {isLate ? <span className="block leading-tight">too late</span> : null}
          </>
        ) : (
          'fits no session'
        )}
      </span>
    </>
  )
}

function potsText({ pots, potsThere, tools, plan }: WayOutcome): string {
  const sessions = plan ? `${plural(plan.sittings, 'session')}; ` : ''
  return `${sessions}${plural(pots, 'pot')}, ${potsThere === pots ? 'all' : String(potsThere)} in stock; ${tools.join(', ')}.`
}
