import type { Sitting } from '@seriatim/core/bench'
import { batchName } from '@seriatim/core/trade'
import type { ReactNode } from 'react'
import { clockText, dayText, durationText } from '../../shared/format/index.ts'
import { useNow } from '../../shared/use-now.ts'

/** Less than this is as planned. */
const slight = 60

/** The session that is on, or the next: until when, how far ahead or behind, what it brings. */
export function SittingNow({ sitting, timeZone }: { readonly sitting: Sitting; readonly timeZone: string }) {
  const now = useNow(10)
  const { session, isOn, workUntil, reached, clocked } = sitting
  const free = (session.endsAt - workUntil) / 1000
  return (
    <section aria-labelledby="sitting">
      <h2 id="sitting" className="text-2xl">
        {isOn ? `Until ${clockText(session.endsAt, timeZone)}` : dayText(session.startsAt, timeZone)}
      </h2>
      <ul className="mt-1 grid gap-0.5">
        <Line>
          {isOn
            ? `${durationText((session.endsAt - now) / 1000)} left`
            : `from ${clockText(session.startsAt, timeZone)} to ${clockText(session.endsAt, timeZone)}`}
          {workUntil > session.startsAt ? `, work planned until ${clockText(workUntil, timeZone)}` : ''}
          {free >= slight && workUntil > session.startsAt ? `, then ${durationText(free)} of room` : ''}
        </Line>
        {clocked ? <Line>{slackText(clocked)}</Line> : null}
        {reached.map(({ batch, what }) => (
          <Line key={batch.id}>
            <b>{batchName(batch)}</b> {what} by the end
          </Line>
        ))}
      </ul>
    </section>
  )
}

function Line({ children }: { readonly children: ReactNode }) {
  return <li className="text-ink-soft [&>b]:text-ink">{children}</li>
}

function slackText({ seconds, estimatedSeconds }: NonNullable<Sitting['clocked']>): ReactNode {
  // In the minutes that are shown, so that they add up.
  const [took, estimated] = [wholeMinutes(seconds), wholeMinutes(estimatedSeconds)]
  const on = `${durationText(took)} on the clock for what was estimated at ${durationText(estimated)}`
  if (took === estimated) return `${on}: as planned`
  return (
    <>
      {on}: <b>{durationText(Math.abs(estimated - took))}</b> {estimated > took ? 'ahead' : 'behind'}
    </>
  )
}

function wholeMinutes(seconds: number): number {
  return Math.round(seconds / 60) * 60
}
