import type { RateRow } from '@seriatim/core/estimating'
import { plural, decimalText } from '../../shared/format/index.ts'
import { ScrollRegion } from '../../shared/ui/index.ts'

const marks = [0.5, 0.7, 1, 1.4, 2] as const
const [lowest, highest] = [0.4, 2.5]
const width = 320

/** A pace on a scale on which twice and half lie equally far from the preset. */
const at = (pace: number) =>
  (width * Math.log(Math.min(highest, Math.max(lowest, pace)) / lowest)) / Math.log(highest / lowest)

/** The painter's rates beside the preset: how fast, how sure, which way. */
export function RateList({ rows }: { readonly rows: readonly RateRow[] }) {
  return (
    <section className="ticket p-4" aria-labelledby="rates">
      <h2 id="rates" className="text-xl">
        {rows.length === 0 ? 'No rate of your own yet' : `${plural(rows.length, 'rate')} of your own`}
      </h2>
      {rows.length === 0 ? (
        <p className="mt-1 text-ink-soft">
          Start the clock at the bench, or stamp a milestone here; each one moves the estimates.
        </p>
      ) : (
        <ScrollRegion label="Rates in figures">
          <table className="w-full min-w-[46rem] text-left text-sm">
            <thead>
              <tr className="text-ink-soft">
                <th scope="col" className="py-1">
                  Technique
                </th>
                <th scope="col">Size</th>
                <th scope="col" className="pr-3 text-right">
                  Laps
                </th>
                <th scope="col" className="pr-3 text-right">
                  × preset
                </th>
                <th scope="col">
                  <span className="sr-only">Range</span>
                  <Scale />
                </th>
                <th scope="col" className="pl-3">
                  Lately
                </th>
              </tr>
            </thead>
            <tbody className="figures">
              {rows.map((row) => (
                <tr key={`${row.technique} ${row.size}`} className="border-t border-paper-edge">
                  <th scope="row" className="py-1.5 font-sans font-bold">
                    {row.technique}
                  </th>
                  <td>{row.size}</td>
                  <td className="pr-3 text-right">{decimalText(row.laps, 1)}</td>
                  <td className="pr-3 text-right font-bold">{decimalText(row.pace.likely, 2)}</td>
                  <td>
                    <Whisker row={row} />
                  </td>
                  <td className="pl-3 font-sans">{trendText(row.trend)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </ScrollRegion>
      )}
    </section>
  )
}

function trendText(trend: number | null): string {
  if (trend === null) return 'too few laps to say'
  const share = Math.round(Math.abs(trend - 1) * 100)
  if (share < 4) return 'steady'
  return trend < 1 ? `${String(share)} % quicker than at first` : `${String(share)} % slower than at first`
}

function Scale() {
  return (
    <svg viewBox={`0 0 ${String(width)} 16`} className="figures h-4 w-80 text-[11px]" aria-hidden="true">
      {marks.map((mark) => (
        <text
          key={mark}
          x={at(mark)}
          y="12"
          textAnchor="middle"
          className={mark === 1 ? 'fill-ink font-bold' : 'fill-ink-soft'}
        >
          {mark === 1 ? 'preset' : `×${String(mark)}`}
        </text>
      ))}
    </svg>
  )
}

function Whisker({ row }: { readonly row: RateRow }) {
  const { low, likely, high } = row.pace
  return (
    <>
      <svg viewBox={`0 0 ${String(width)} 20`} className="h-5 w-80" aria-hidden="true">
        {marks.map((mark) => (
          <line
            key={mark}
            x1={at(mark)}
            x2={at(mark)}
            y1="0"
            y2="20"
            className={mark === 1 ? 'stroke-ink' : 'stroke-paper-edge'}
            strokeWidth={mark === 1 ? 1.5 : 1}
            strokeDasharray={mark === 1 ? '2 3' : undefined}
          />
        ))}
        <line x1={at(low)} x2={at(high)} y1="10" y2="10" className="stroke-ink" strokeWidth="3" />
        <circle cx={at(likely)} cy="10" r="5" className="fill-paper stroke-ink" strokeWidth="2.5" />
        <line
          x1={at(row.measured)}
          x2={at(row.measured)}
          y1="3"
          y2="17"
          className="stroke-hands"
          strokeWidth="2.5"
        />
      </svg>
      <span className="sr-only">
        between {decimalText(low, 2)} and {decimalText(high, 2)}; the laps alone say{' '}
        {decimalText(row.measured, 2)}
      </span>
    </>
  )
}
