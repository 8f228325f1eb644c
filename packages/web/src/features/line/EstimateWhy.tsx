import type { StageEstimate } from '@seriatim/core/estimating'
import { productOf } from '@seriatim/core/presets'
import { durationText, plural, rangeText, stopwatchText, decimalText } from '../../shared/format/index.ts'

/** How the minutes of a model came about: formula, each factor, where it comes from. */
export function EstimateWhy({ stage }: { readonly stage: StageEstimate }) {
  const { work, typed, perModel, learning, pace } = stage
  const range = `In four cases of five between ${rangeText(perModel)}.`
  if (typed) {
    const { bestSeconds, likelySeconds, worstSeconds } = typed
    return (
      <div className="grid gap-1 text-sm">
        <p className="figures">
          ({stopwatchText(bestSeconds)} + 4 × {stopwatchText(likelySeconds)} + {stopwatchText(worstSeconds)})
          ÷ 6 = <b>{stopwatchText(perModel.likely)}</b>
        </p>
        <p className="text-ink-soft">Best, likely and worst, as typed for this unit. {range}</p>
        <p className="text-ink-soft">
          Without them it would be {stopwatchText(work.secondsPerModel * learning * pace)}.
        </p>
      </div>
    )
  }
  return (
    <div className="grid gap-2 text-sm">
      <ul className="grid gap-2">
        {work.parts.map((part) => (
          <li key={part.text}>
            <p>
              <b>{part.text}</b>
              {part.share < 1 ? `, on ${String(Math.round(part.share * 100))} % of its models` : ''}:{' '}
              <span className="figures">{stopwatchText(productOf(part.factors) * 60)}</span>
            </p>
            <ul className="flex flex-wrap gap-x-2 text-ink-soft">
              {part.factors.map((factor, index) => (
                <li key={factor.name}>
                  {index === 0 ? '' : '× '}
                  <span className="figures text-ink">
                    {index === 0 ? `${shortNumber(factor.value)} min` : shortNumber(factor.value)}
                  </span>{' '}
                  {factor.name} <i>({factor.source})</i>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
      <p>
        {work.handlingSeconds > 0 ? (
          <>
            + <span className="figures">{durationText(work.handlingSeconds)}</span> to take it up and put it
            down <i className="text-ink-soft">(preset)</i>{' '}
          </>
        ) : null}
        {work.learning.rate < 1 ? (
          <>
            × <span className="figures">{decimalText(learning, 2)}</span> learning, on average over{' '}
            {stage.left === 0 ? 'all' : `the ${String(stage.left)} left`}{' '}
            <i className="text-ink-soft">
              (each doubling takes {Math.round(work.learning.rate * 100)} %, flat from the{' '}
              {work.learning.flatFrom}th)
            </i>{' '}
          </>
        ) : null}
        × <span className="figures">{decimalText(pace, 2)}</span> your pace{' '}
        <i className="text-ink-soft">({paceSource(stage)})</i> ={' '}
        <b className="figures">{stopwatchText(perModel.likely)}</b>
      </p>
      <p className="text-ink-soft">
        {range} Opening the pot, {durationText(work.setUpSeconds)}, comes once a batch.
      </p>
    </div>
  )
}

function paceSource({ work, laps, lapsHere, size, source }: StageEstimate): string {
  const { technique } = work
  if (technique === null) {
    return lapsHere < 0.05
      ? 'no lap at this stage yet: as written'
      : `${lapCount(lapsHere)} at this stage, against what is written`
  }
  if (source === 'remembered') return 'no lap yet: preset, moved by what you remember'
  if (laps < 0.05) return `no lap of ${technique} on ${size} models yet: preset, moved by your other laps`
  const here = lapsHere < 0.05 ? 'none at this stage' : `${lapCount(lapsHere)} at this stage`
  return `${lapCount(laps)} of ${technique} on ${size} models, ${here}`
}

/** Odd laps and shared spans count for a part. */
function lapCount(laps: number): string {
  return Number.isInteger(laps) ? plural(laps, 'lap') : `${decimalText(laps, 1)} laps`
}

function shortNumber(value: number): string {
  return String(Math.round(value * 100) / 100)
}
