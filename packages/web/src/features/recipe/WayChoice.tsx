import type { WayOutcome } from '@seriatim/core/plan'
import { dayText, durationText, plural, rangeText } from '../../shared/format/index.ts'

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

interface WayChoiceProps {
  readonly way: Way
  /** What it comes to for the chosen units; `undefined` while it is worked out, `null` when no unit is chosen. */
  readonly outcome: WayOutcome | undefined | null
  readonly timeZone: string
  readonly checked: boolean
  readonly onChoose: () => void
}

/** One way to paint them, with what it would come to. */
export function WayChoice({ way, outcome, timeZone, checked, onChoose }: WayChoiceProps) {
  return (
    <label className="grid gap-x-4 gap-y-1 rounded-[3px] border-2 border-rule p-2 has-checked:border-ink has-checked:bg-paper-dim sm:grid-cols-[minmax(0,1fr)_15rem]">
      <span className="flex gap-3">
        <input
          type="radio"
          name="way"
          className="mt-1 size-5 shrink-0 accent-ink"
          checked={checked}
          onChange={onChoose}
        />
        <span>
          <b>{way.name}.</b> {way.idea}{' '}
          <span className="text-ink-soft">
            {way.strong === '' ? '' : `Good: ${way.strong}. Less good: ${way.weak}.`} {way.lost.join(' ')}
          </span>
        </span>
      </span>
      {outcome === null ? null : (
        <span className="pl-8 text-sm leading-snug sm:border-l sm:border-paper-edge sm:pl-3">
          {outcome ? <Figures outcome={outcome} timeZone={timeZone} /> : 'Being worked out …'}
        </span>
      )}
    </label>
  )
}

function Figures({ outcome, timeZone }: { readonly outcome: WayOutcome; readonly timeZone: string }) {
  const { handsOn, secondsPerModel, pots, potsThere, tools, plan } = outcome
  return (
    <>
      <b className="figures">{durationText(secondsPerModel)}</b> a model
      <br />
      <span className="figures">{rangeText(handsOn)}</span> in all, with set-ups
      <br />
      {plan ? (
        <>
          {plural(plan.sittings, 'session')}, to {dayText(plan.finishesAt, timeZone)}
          {plan.fits === null ? '' : plan.fits ? ', in time' : ', too late'}
          <br />
        </>
      ) : (
        <>
          No plan holds
          <br />
        </>
      )}
      <span className="text-ink-soft">
        {plural(pots, 'pot')}, {potsThere} in stock; {tools.join(', ')}
      </span>
    </>
  )
}
