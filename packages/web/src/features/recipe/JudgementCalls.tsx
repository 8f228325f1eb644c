import type { JudgementCall } from '@seriatim/core/ordering'
import type { FigureSources } from '@seriatim/core/estimating'
import type { Recipe, RuleId, Unit } from '@seriatim/core/trade'
import { durationText } from '../../shared/format/index.ts'
import { Button } from '../../shared/ui/index.ts'
import { useJudgementCalls } from '../../shared/worker/index.ts'

interface JudgementCallsProps {
  readonly recipe: Recipe
  /** Those that follow it. */
  readonly units: readonly Unit[]
  readonly sources: FigureSources | undefined
  readonly onTake: (call: JudgementCall) => void
  /** Meant so: the rule is never mentioned again for this recipe. */
  readonly onSilence: (rule: RuleId) => void
}

const questions: Readonly<Record<JudgementCall['kind'], string>> = {
  flood: 'Flood or go round',
  mask: 'Mask or paint afterwards',
  coats: 'One coat or two',
  depth: 'Wash or dark under',
  highlight: 'Metal edges or a highlight',
  extra: 'An extra on the sculpt',
  special: 'A special colour',
  lining: 'Lines in oil or by the point',
  rule: 'On purpose?',
}

/** What is a matter of judgement, with the minutes of either answer; nothing is taken unasked. */
export function JudgementCalls({ recipe, units, sources, onTake, onSilence }: JudgementCallsProps) {
  const calls = useJudgementCalls(sources, recipe, units)
  if (!calls || calls.length === 0) return null
  const largest = calls.find((call) => call.kind !== 'rule')
  return (
    <details className="ticket mt-6 p-4">
      <summary className="min-h-8">
        <span className="font-heading text-xl font-bold">Judgement calls</span>{' '}
        <span className="text-ink-soft">
          {calls.length}
          {largest ? `, the largest ${differenceText(largest)} for the models that follow` : ''}
        </span>
      </summary>
      <ul className="mt-2">
        {calls.map((call) => (
          <li
            key={`${call.kind} ${call.stepIds.join()} ${call.instead}`}
            className="grid items-center gap-x-4 gap-y-1 border-t border-paper-edge py-2 sm:grid-cols-[11rem_minmax(0,1fr)_auto_auto]"
          >
            <b>{questions[call.kind]}</b>
            <span className="leading-snug">
              {call.rule ? (
                <>
                  {call.now} <span className="text-ink-soft">(rule {call.rule})</span>
                </>
              ) : (
                <>
                  Now: {call.now}.<br />
                  Or: {call.instead}.
                </>
              )}
            </span>
            <span className="figures">
              {call.rule ? `${durationText(call.atStakeSeconds)} at stake` : differenceText(call)}
            </span>
            <span className="flex flex-wrap gap-2">
              {call.instead === '' ? null : (
                <Button onClick={() => onTake(call)}>
                  {call.rule ? call.instead : 'Change it'}
                  {call.rule ? (
                    <span className="figures font-normal">
                      {call.insteadSeconds === call.nowSeconds ? '' : differenceText(call)}
                    </span>
                  ) : (
                    <span className="sr-only">: {call.instead}</span>
                  )}
                </Button>
              )}
              {call.rule ? <SilenceButton rule={call.rule} onSilence={onSilence} /> : null}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-sm text-ink-soft">
        Hands-on with set-ups, for all models that follow the recipe, batch by batch. An answer that would
        spoil or waste something is not among them.
      </p>
    </details>
  )
}

function SilenceButton({
  rule,
  onSilence,
}: {
  readonly rule: RuleId
  readonly onSilence: (rule: RuleId) => void
}) {
  return (
    <Button weight="quiet" onClick={() => onSilence(rule)}>
      I mean it
    </Button>
  )
}

function differenceText(call: JudgementCall | undefined): string {
  if (!call) return ''
  const by = call.insteadSeconds - call.nowSeconds
  return `${durationText(Math.abs(by))} ${by < 0 ? 'less' : 'more'}`
}
