import { paintedBy } from '@seriatim/core/calendar'
import type { FinishForecast } from '@seriatim/core/forecasting'
import { type Project, dateOf } from '@seriatim/core/trade'
import { dayText } from '../../shared/format/index.ts'
import { dueText, percentText } from '../../shared/finish-text.ts'

const width = 520
const height = 150
const left = 44
const bottom = 24

/** Share of futures that are done by the end of each day; the date as a line. The words beside it say the same. */
export function OddsCurve({
  forecast,
  project,
}: {
  readonly forecast: FinishForecast
  readonly project: Project
}) {
  const { byDay } = forecast
  const { timeZone } = project.evenings
  const first = byDay[0]
  const last = byDay.at(-1)
  if (!first || !last) return <p className="text-ink-soft">No future ends within the calendar laid out.</p>
  const due = paintedBy(dateOf(project), project)
  const day = 86_400_000
  const from = Math.min(first.until - day, due === null ? first.until : due - day)
  const until = Math.max(last.until, due ?? 0) + day / 2
  const x = (moment: number) => left + ((moment - from) / (until - from)) * (width - left - 8)
  const y = (share: number) => 8 + (1 - share) * (height - bottom - 8)
  const steps = byDay
    .map(({ until: end, share }) => `H${x(end - day).toFixed(1)}V${y(share).toFixed(1)}`)
    .join('')
  const line = `M${x(from).toFixed(1)} ${y(0).toFixed(1)}${steps}H${x(until).toFixed(1)}`
  const every = Math.max(1, Math.ceil(byDay.length / 5))
  const isRight = due !== null && x(due) > width * 0.7
  return (
    <svg
      viewBox={`0 0 ${String(width)} ${String(height)}`}
      className="block w-full max-w-[34rem]"
      role="img"
      aria-label={curveLabel(forecast, timeZone)}
    >
      {[0, 0.5, 0.8, 1].map((share) => (
        <g key={share}>
          <line x1={left} x2={width - 8} y1={y(share)} y2={y(share)} stroke="var(--paper-edge)" />
          <text x={left - 6} y={y(share) + 4} textAnchor="end" className="figures fill-ink-soft text-[12px]">
            {percentText(share)}
          </text>
        </g>
      ))}
      <path d={`${line}V${y(0).toFixed(1)}Z`} fill="var(--done)" opacity="0.16" />
      <path d={line} fill="none" stroke="var(--done)" strokeWidth="2.5" />
      {byDay.map(({ until: end }, index) =>
        index % every === 0 ? (
          <text key={end} x={x(end - day)} y={height - 6} className="figures fill-ink-soft text-[12px]">
            {dayText((end - day / 2) as typeof end, timeZone)}
          </text>
        ) : null,
      )}
      {due !== null ? (
        <g>
          <line
            x1={x(due)}
            x2={x(due)}
            y1={8}
            y2={y(0)}
            stroke="var(--ink)"
            strokeWidth="2"
            strokeDasharray="5 3"
          />
          <text
            // Above the curve where that is low at the date, below it where it is high.
            x={x(due) + (isRight ? -5 : 5)}
            y={(forecast.odds ?? 0) < 0.5 ? y(1) + 16 : y(0) - 6}
            textAnchor={isRight ? 'end' : 'start'}
            className="fill-ink text-[12px] font-bold"
          >
            {dueText(project)}
          </text>
        </g>
      ) : null}
    </svg>
  )
}

function curveLabel({ byDay }: FinishForecast, timeZone: string): string {
  const told = byDay.filter((_, index) => index % Math.max(1, Math.ceil(byDay.length / 6)) === 0)
  return `Done by the end of: ${told
    .map(
      ({ until, share }) =>
        `${dayText((until - 43_200_000) as typeof until, timeZone)} ${percentText(share)}`,
    )
    .join(', ')}.`
}
