import type { PilotReport } from '@seriatim/core/estimating'
import { durationText, plural, rangeText } from '../../shared/format/index.ts'

const [width, height, left] = [352, 150, 44]

/** The rest of the unit, estimated anew at every lap: likely, and the range around it. */
export function LapSteps({ report }: { readonly report: PilotReport }) {
  const { rest } = report
  const last = rest.at(-1)
  const [first] = rest
  if (!first || !last || first.likely === 0) return null
  const top = Math.max(...rest.map((each) => each.high))
  const x = (index: number) => left + ((width - left - 10) * index) / Math.max(1, rest.length - 1)
  const y = (seconds: number) => 8 + (height - 30) * (1 - seconds / top)
  const edge = (key: 'low' | 'likely' | 'high') =>
    rest.map((each, index) => `${String(x(index))},${String(y(each[key]))}`)
  const laps = rest.length - 1
  return (
    <section className="ticket p-4" aria-labelledby="lap-steps">
      <h2 id="lap-steps" className="text-xl">
        {laps === 0
          ? 'No lap of the pilot yet'
          : `${plural(laps, 'lap')}: from ${durationText(first.likely)} to ${durationText(last.likely)}`}
      </h2>
      <svg
        viewBox={`0 0 ${String(width)} ${String(height)}`}
        className="figures mt-2 w-full text-[11px]"
        role="img"
        aria-label={`The rest of the unit: ${rangeText(first)} before the first lap, ${rangeText(last)} now`}
      >
        {[0, 0.5, 1].map((share) => (
          <g key={share}>
            <line
              x1={left}
              x2={width - 10}
              y1={y(top * share)}
              y2={y(top * share)}
              className="stroke-paper-edge"
            />
            <text x={left - 6} y={y(top * share) + 4} textAnchor="end" className="fill-ink-soft">
              {share === 0 ? '0' : `${String(Math.round((top * share) / 360) / 10)} h`}
            </text>
          </g>
        ))}
        <polygon
          points={[...edge('high'), ...edge('low').toReversed()].join(' ')}
          className="fill-mat stroke-rule"
          strokeWidth="1"
        />
        <polyline points={edge('likely').join(' ')} fill="none" className="stroke-ink" strokeWidth="2.5" />
        {laps === 0 ? <circle cx={x(0)} cy={y(first.likely)} r="4" className="fill-ink" /> : null}
        <text x={left} y={height - 4} className="fill-ink-soft">
          before
        </text>
        <text x={width - 10} y={height - 4} textAnchor="end" className="fill-ink-soft">
          lap {laps}
        </text>
      </svg>
      <p className="text-sm text-ink-soft">
        For {plural(report.restModels, 'other model')}: {rangeText(last)} in four cases of five.
      </p>
    </section>
  )
}
