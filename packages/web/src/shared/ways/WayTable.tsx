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

/** Ways to paint the same models side by side, by hours and date; more is said of the chosen one. */
export function WayTable({ legend, ways, outcomes, chosen, timeZone, onChoose }: WayTableProps) {
  return (
    <fieldset className="grid gap-1">
      <legend className="mb-1 text-sm font-bold">{legend}</legend>
      {ways.map((way, index) => {
        const outcome = outcomes[index]
        const isChosen = way.id === chosen
        return (
          <label
            key={way.id}
            className="grid gap-x-4 rounded-[3px] border-2 border-rule px-2 py-1.5 has-checked:border-ink has-checked:bg-paper-dim sm:grid-cols-[minmax(0,1fr)_auto]"
          >
            <span className="flex gap-3">
              <input
                type="radio"
                name="way"
                className="mt-0.5 size-5 shrink-0 accent-ink"
                checked={isChosen}
                onChange={() => onChoose(way.id)}
              />
              <b>{way.name}</b>
            </span>
            <span className="pl-8 text-sm leading-6 sm:text-right">
              {outcome === null ? '' : outcome ? outcomeText(outcome, timeZone) : 'Being worked out …'}
            </span>
            {isChosen ? (
              <span className="pl-8 text-sm text-ink-soft sm:col-span-2">
                {way.idea}
                {way.strong === '' ? '' : ` Good: ${way.strong}. Less good: ${way.weak}.`}
                {way.lost.map((each) => ` ${each}`)}
                {outcome ? ` ${potsText(outcome)}` : ''}
              </span>
            ) : null}
          </label>
        )
      })}
    </fieldset>
  )
}

/** `25 min a model · 12 h 30 · to Sat 12 Dec, in time` */
function outcomeText({ secondsPerModel, handsOn, plan }: WayOutcome, timeZone: string): string {
  const hours = `${durationText(secondsPerModel)} a model · ${durationText(handsOn.likely)} in all`
  if (!plan) return `${hours} · fits into no session`
  const fits = plan.fits === null ? '' : plan.fits ? ', in time' : ', too late'
  return `${hours} · ${plural(plan.sittings, 'session')}, to ${dayText(plan.finishesAt, timeZone)}${fits}`
}

function potsText({ pots, potsThere, tools }: WayOutcome): string {
  return `${plural(pots, 'pot')}, ${potsThere === pots ? 'all' : String(potsThere)} in stock; ${tools.join(', ')}.`
}
