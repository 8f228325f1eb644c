import type { WorkLeft } from '@seriatim/core/estimating'
import type { LinePlan } from '@seriatim/core/plan'
import { durationText, plural, shareDoneText } from '../../shared/format/index.ts'
import { Figure } from '../../shared/ui/index.ts'

interface StandingProps {
  readonly left: WorkLeft | undefined
  readonly plan: LinePlan | null
  /** When it is done, to stand after the work that is left. */
  readonly finish: string
}

/** How much is left and how much is done, over the strips. */
export function Standing({ left, plan, finish }: StandingProps) {
  const standing =
    left?.leftSeconds === 0
      ? `All ${String(left.models)} models are through every stage`
      : `${left ? durationText(left.leftSeconds) : '…'} of work left${finish}`
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1 pb-2">
      <h1 id="strips" className="text-2xl">
        {standing}
      </h1>
      <p className="text-ink-soft">
        {left ? doneText(left) : ' '}
        {left && plan && left.leftSeconds > 0 ? (
          <>
            ; with set-ups{' '}
            <Figure
              name="Work left, with set-ups"
              explanation={
                <>
                  <p>
                    {durationText(plan.handsOnSeconds - plan.setUpSeconds)} with the brush (minutes a model ×
                    models, and touch-ups) + {durationText(plan.setUpSeconds)} opening{' '}
                    {plural(plan.potOpenings, 'pot')} = {durationText(plan.handsOnSeconds)}: the hands-on time
                    of the plan.
                  </p>
                  <p>Source: the estimates, and the plan made after the last punch.</p>
                </>
              }
            >
              {durationText(plan.handsOnSeconds)}
            </Figure>
          </>
        ) : null}
      </p>
    </div>
  )
}

function doneText({ totalSeconds, leftSeconds, models, modelsTableReady, modelsFinished }: WorkLeft): string {
  const done = totalSeconds === 0 ? 0 : 1 - leftSeconds / totalSeconds
  return `${shareDoneText(done)} of the work done; ${String(modelsTableReady)} of ${String(models)} table-ready, ${String(modelsFinished)} finished`
}
