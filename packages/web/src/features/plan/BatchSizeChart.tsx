import { largestBearable, smallestHiding, usualSplits, type SplitOutcome } from '@seriatim/core/plan'
import type { Project } from '@seriatim/core/trade'
import { Bar, CartesianGrid, ComposedChart, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { clockText, dayText, durationText } from '../../shared/format/index.ts'
import { Button, ScrollRegion } from '../../shared/ui/index.ts'
import type { Comparison } from '../../shared/worker/index.ts'

interface BatchSizeChartProps {
  readonly comparison: Comparison
  readonly project: Project
  /** The split the plan uses, as text. */
  readonly chosen: string
  readonly onChoose: (outcome: SplitOutcome) => void
}

const hour = 3600

/** Hands-on and exposed waits of every batch size, with the day each would be done. */
export function BatchSizeChart({ comparison, project, chosen, onChoose }: BatchSizeChartProps) {
  const { outcomes, total, running, cancel, restart } = comparison
  const rows = outcomes.map((outcome) => ({
    size: sizeText(outcome),
    hands: outcome.split === chosen ? 0 : outcome.handsOnSeconds / hour,
    chosen: outcome.split === chosen ? outcome.handsOnSeconds / hour : 0,
    exposed: outcome.exposedSeconds / hour,
    finish: outcome.finishesAt,
  }))
  return (
    <section aria-labelledby="batch-sizes" className="ticket p-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h2 id="batch-sizes" className="grow text-xl">
          {answer(outcomes, running)}
        </h2>
        {running ? (
          <p className="flex items-center gap-3 text-sm" role="status">
            <progress max={total} value={outcomes.length} className="w-28" aria-label="Batch sizes tried" />
            <Button onClick={cancel}>Stop</Button>
          </p>
        ) : outcomes.length < total ? (
          <Button onClick={restart}>Compare the sizes</Button>
        ) : null}
      </div>
      <ul className="mt-2 flex flex-wrap gap-2" aria-label="As people usually split">
        {usualSplits(outcomes).map(({ name, outcome }) => (
          <li key={name}>
            <Button
              aria-pressed={outcome.split === chosen}
              className="aria-pressed:border-hands aria-pressed:text-hands"
              onClick={() => onChoose(outcome)}
            >
              <span>
                {name}
                <span className="figures ml-2 text-sm font-normal">{sizeText(outcome)}</span>
              </span>
            </Button>
          </li>
        ))}
      </ul>
      <div className="mt-3 h-64" aria-hidden="true">
        <ResponsiveContainer>
          <ComposedChart
            accessibilityLayer={false}
            data={rows}
            margin={{ top: 8, right: 12, bottom: 20, left: 4 }}
          >
            <CartesianGrid vertical={false} stroke="var(--paper-edge)" />
            <XAxis
              dataKey="size"
              stroke="var(--ink-soft)"
              tick={{ fontSize: 13 }}
              label={{
                value: 'models a batch, at most; 3+6: three first, then sixes',
                position: 'bottom',
                offset: 4,
                fill: 'var(--ink-soft)',
                fontSize: 13,
              }}
            />
            <YAxis
              yAxisId="hours"
              stroke="var(--ink-soft)"
              tick={{ fontSize: 13 }}
              width={52}
              tickFormatter={(value: number) => `${String(value)} h`}
            />
            <YAxis
              yAxisId="day"
              orientation="right"
              stroke="var(--ink-soft)"
              tick={{ fontSize: 12 }}
              width={74}
              domain={['dataMin', 'dataMax']}
              scale="time"
              tickCount={4}
              tickFormatter={(moment: number) =>
                dayText(moment as SplitOutcome['finishesAt'], project.evenings.timeZone)
              }
            />
            <Bar
              yAxisId="hours"
              dataKey="hands"
              stackId="hours"
              fill="var(--ink)"
              isAnimationActive={false}
              maxBarSize={36}
            />
            <Bar
              yAxisId="hours"
              dataKey="chosen"
              stackId="hours"
              fill="var(--hands)"
              isAnimationActive={false}
              maxBarSize={36}
            />
            <Bar
              yAxisId="hours"
              dataKey="exposed"
              stackId="hours"
              fill="var(--drying)"
              isAnimationActive={false}
              maxBarSize={36}
            />
            <Line
              yAxisId="day"
              dataKey="finish"
              stroke="var(--done)"
              strokeWidth={2}
              strokeDasharray="2 4"
              dot={{ r: 4, fill: 'var(--paper)', stroke: 'var(--done)', strokeWidth: 2 }}
              isAnimationActive={false}
            />
          </ComposedChart>
        </ResponsiveContainer>
      </div>
      <ul className="mt-1 flex flex-wrap gap-x-5 text-sm text-ink-soft">
        <li>
          <b className="text-ink">■</b> hands-on (<b className="text-hands">■</b> the size in use)
        </li>
        <li>
          <b className="text-drying">■</b> idle waits
        </li>
        <li>
          <b className="text-done">○</b> done by (right)
        </li>
      </ul>
      <details className="mt-3" open>
        <summary className="min-h-8 font-bold">In figures</summary>
        <SizeTable outcomes={outcomes} project={project} chosen={chosen} onChoose={onChoose} />
      </details>
    </section>
  )
}

function SizeTable({
  outcomes,
  project,
  chosen,
  onChoose,
}: Omit<BatchSizeChartProps, 'comparison'> & { readonly outcomes: readonly SplitOutcome[] }) {
  const { timeZone } = project.evenings
  const hiding = smallestHiding(outcomes)
  const { bores } = project.planning
  const bearable = largestBearable(outcomes, bores)
  return (
    <ScrollRegion label="Batch sizes in figures">
      <table className="w-full min-w-[58rem] text-left text-sm">
        <thead>
          <tr className="text-ink-soft">
            {[
              'Together',
              'Batches',
              'Hands-on',
              'Waits at the desk',
              'Waits covered by other work',
              'Paint changes',
              'Longest run',
              'At once',
              'First batch done',
              'All done',
            ].map((name) => (
              <th key={name} scope="col" className="py-1 pr-3 font-bold">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="figures">
          {outcomes.map((outcome) => (
            <tr key={outcome.split} className="border-t border-paper-edge">
              <th scope="row" className="pr-3">
                <button
                  type="button"
                  aria-pressed={outcome.split === chosen}
                  onClick={() => onChoose(outcome)}
                  title={outcome.split}
                  className="min-h-9 min-w-12 px-1 rounded-[3px] border-2 border-rule font-bold aria-pressed:border-hands aria-pressed:text-hands"
                >
                  {sizeText(outcome)}
                </button>
                {outcome === hiding ? (
                  <span className="ml-2 font-sans text-xs font-bold whitespace-nowrap text-done">
                    hides all drying
                  </span>
                ) : null}
                {outcome === bearable ? (
                  <span className="ml-2 font-sans text-xs font-bold whitespace-nowrap text-ink">
                    no stage over {durationText(bores.stageSeconds)}
                  </span>
                ) : null}
              </th>
              <td className="pr-3">{outcome.batches}</td>
              <td className="pr-3">{durationText(outcome.handsOnSeconds)}</td>
              <td className="pr-3">{durationText(outcome.exposedSeconds)}</td>
              <td className="pr-3">{durationText(outcome.hiddenSeconds)}</td>
              <td className="pr-3">{outcome.potOpenings}</td>
              <td className="pr-3">{durationText(outcome.longestRunSeconds)}</td>
              <td className="pr-3">{outcome.inHandAtMost}</td>
              <td className="pr-3">
                {dayText(outcome.firstBatchAt, timeZone)} {clockText(outcome.firstBatchAt, timeZone)}
              </td>
              <td>
                {dayText(outcome.finishesAt, timeZone)} {clockText(outcome.finishesAt, timeZone)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </ScrollRegion>
  )
}

/** The comparison in a sentence. */
function answer(outcomes: readonly SplitOutcome[], running: boolean): string {
  const [first, ...others] = outcomes
  if (!first || running) return 'Comparing batch sizes'
  const soonest = others.reduce((best, each) => (each.finishesAt < best.finishesAt ? each : best), first)
  const hiding = smallestHiding(outcomes)
  const least = outcomes.reduce((best, each) => (each.exposedSeconds < best.exposedSeconds ? each : best))
  const hides = hiding
    ? `; ${String(hiding.batchSize)} hide${hiding.batchSize === 1 ? 's' : ''} all drying`
    : `; none hides all drying, ${sizeText(least)} shows least: ${durationText(least.exposedSeconds)}`
  return `Batches of ${sizeText(soonest)} are done first${hides}`
}

/** `6`; `3+6`: three first, then sixes. */
function sizeText({ batchSize, firstBatch }: SplitOutcome): string {
  return firstBatch === null ? String(batchSize) : `${String(firstBatch)}+${String(batchSize)}`
}
