import type { FinishForecast } from '@seriatim/core/forecasting'
import type { BurnUpDay } from '@seriatim/core/sheet'
import type { Instant, Seconds } from '@seriatim/core/units'
import { memo } from 'react'
import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { dayText, durationText } from '../../shared/format/index.ts'

interface BurnUpProps {
  readonly days: readonly BurnUpDay[]
  readonly scopeSeconds: Seconds
  /** When the rest may be done; `null` until it is worked out. */
  readonly forecast: FinishForecast | null
  readonly now: Instant
  readonly timeZone: string
}

const hour = 3600

const ways = [
  { key: 'scope', stroke: 'var(--ink-soft)', strokeDasharray: '2 4', type: 'stepAfter' as const },
  { key: 'half', stroke: 'var(--done)', strokeWidth: 2, strokeDasharray: '6 4' },
  { key: 'nearlyAll', stroke: 'var(--drying)', strokeWidth: 2, strokeDasharray: '6 4' },
]

/** Drawn anew only with what it shows: a chart takes longer than a tap may. Work done against all there is, and the ways on to its end that half and nearly all futures take. */
export const BurnUp = memo(function BurnUp({ days, scopeSeconds, forecast, now, timeZone }: BurnUpProps) {
  const scope = scopeSeconds / hour
  const done = (days.at(-1)?.doneSeconds ?? 0) / hour
  const grew = scopeSeconds - (days[0]?.scopeSeconds ?? scopeSeconds)
  const ends = [forecast?.p50, forecast?.p95].map((end) => end ?? null)
  const [half, nearlyAll] = ends
  const rows = [
    ...days.map(({ at, doneSeconds, scopeSeconds: then }) => ({
      at,
      done: doneSeconds / hour,
      scope: then / hour,
    })),
    { at: now, done, half: done, nearlyAll: done, scope },
    ...(half ? [{ at: half, half: scope, scope }] : []),
    ...(nearlyAll && nearlyAll !== half ? [{ at: nearlyAll, nearlyAll: scope, scope }] : []),
  ].sort((a, b) => a.at - b.at)
  const when = (moment: Instant) => dayText(moment, timeZone)
  return (
    <section aria-labelledby="burn-up" className="ticket mt-6 p-4">
      <h2 id="burn-up" className="text-xl">
        {durationText(Math.round(done * hour))} of {durationText(scopeSeconds)} done
        {half && nearlyAll
          ? `; the rest by ${when(half)} in half the simulations, by ${when(nearlyAll)} in 95 of 100`
          : ''}
      </h2>
      <p className="text-sm text-ink-soft">
        Each day’s work in minutes a model as they are estimated now, set-ups apart.
      </p>
      <div className="mt-3 h-56" aria-hidden="true">
        <ResponsiveContainer>
          <LineChart
            accessibilityLayer={false}
            data={rows}
            margin={{ top: 8, right: 24, bottom: 4, left: 4 }}
          >
            <CartesianGrid vertical={false} stroke="var(--paper-edge)" />
            <XAxis
              dataKey="at"
              type="number"
              scale="time"
              domain={['dataMin', 'dataMax']}
              stroke="var(--ink-soft)"
              tick={{ fontSize: 13 }}
              tickCount={6}
              tickFormatter={(moment: number) => when(moment as Instant)}
            />
            <YAxis
              stroke="var(--ink-soft)"
              tick={{ fontSize: 13 }}
              width={52}
              tickFormatter={(value: number) => `${String(value)} h`}
            />
            {ways.map(({ key, ...look }) => (
              <Line key={key} dataKey={key} {...look} dot={false} isAnimationActive={false} connectNulls />
            ))}
            <Line
              dataKey="done"
              type="stepAfter"
              stroke="var(--hands)"
              strokeWidth={3}
              dot={{ r: 3 }}
              isAnimationActive={false}
              connectNulls
            />
          </LineChart>
        </ResponsiveContainer>
      </div>
      <ul className="flex flex-wrap gap-x-5 text-sm text-ink-soft">
        <li>
          <b className="text-hands">—</b> done
        </li>
        <li>
          <b className="text-done">– –</b> on to its end in half the simulations
        </li>
        <li>
          <b className="text-drying">– –</b> in 95 of 100
        </li>
        <li>
          <b>···</b> all there is{grew > 0 ? `, ${durationText(grew)} of it came later` : ''}
        </li>
      </ul>
    </section>
  )
})
