import type { KeptQuote } from '@seriatim/contract'
import { workLeft } from '@seriatim/core/estimating'
import { outcomeOfQuote } from '@seriatim/core/money'
import type { Progress } from '@seriatim/core/progress'
import { useMemo } from 'react'
import { percentText } from '../../shared/finish-text.ts'
import { dayText, durationText, moneyText } from '../../shared/format/index.ts'
import { asItWas } from '../../shared/progress/index.ts'
import { useCurrentProject } from '../../shared/project/index.ts'
import { useSources } from '../../shared/figures.ts'
import { useEstimated } from '../../shared/worker/index.ts'

interface AfterDeliveryProps {
  readonly agreed: KeptQuote
  readonly progress: Progress
}

/** What the agreed price has brought so far, or in the end, against the hours that were quoted. */
export function AfterDelivery({ agreed, progress }: AfterDeliveryProps) {
  const project = useCurrentProject()
  const estimated = useEstimated(useSources(project, progress))
  const tier = agreed.quote.tiers.find((each) => each.standard === agreed.accepted?.standard)
  const { currency, leftAt } = agreed.quote
  const before = useMemo(() => (leftAt === null ? null : asItWas(progress, leftAt)), [progress, leftAt])
  if (!estimated || !tier) return null
  const counted = estimated.estimate.observed.filter(
    (time) => time.silent === null && (leftAt === null || time.at > leftAt),
  )
  const timed = counted.reduce((sum, time) => sum + time.countedSeconds, 0)
  const { totalSeconds, leftSeconds } = estimated.left
  const quoted = before ? workLeft(project, before, estimated.times).leftSeconds : totalSeconds
  const expected = counted.reduce((sum, time) => sum + time.expectedSeconds, 0)
  const untimed = Math.max(0, quoted - leftSeconds - expected)
  const { quotedSeconds, spentSeconds, cost, left, margin, nextTime } = outcomeOfQuote(tier, timed + untimed)
  const isOver = left < 0
  return (
    <section className="ticket p-4" aria-labelledby="outcome">
      <h2 id="outcome" className="text-xl">
        {leftSeconds > 0 ? 'What it has taken so far' : 'What it has taken'}
      </h2>
      <p className="mt-2">
        <b className="figures">{durationText(spentSeconds)}</b> at the desk of{' '}
        <b className="figures">{durationText(quotedSeconds)}</b> quoted
        {leftAt === null ? '' : ` for what was left on ${dayText(leftAt)}`}
        <span className="text-ink-soft">
          {' '}
          ({durationText(timed)} timed, {durationText(untimed)} done without a clock and taken as estimated)
        </span>
        . With preparation, materials, basing and packing as quoted that is{' '}
        <b className="figures">{moneyText(cost, currency)}</b> of {moneyText(tier.price, currency)}:{' '}
        <b className={isOver ? 'text-hands' : undefined}>
          {moneyText(left, currency)} {isOver ? 'lost' : 'left'}
          {margin === null || isOver ? '' : `, ${percentText(margin)} of the price`}
        </b>
        .
      </p>
      {leftSeconds === 0 && nextTime !== null ? (
        <p className="mt-1">
          Next time quote {percentText(nextTime)} of these hours
          {nextTime > 1.05
            ? ': it took longer than was charged.'
            : nextTime < 0.95
              ? ': it went quicker than was charged.'
              : ': they were right.'}
        </p>
      ) : leftSeconds > 0 ? (
        <p className="mt-1 text-ink-soft">{durationText(leftSeconds)} of the work are left.</p>
      ) : null}
    </section>
  )
}
