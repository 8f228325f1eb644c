import type { PilotReport, PilotStage } from '@seriatim/core/estimating'
import { plural, stopwatchText } from '../../shared/format/index.ts'
import { Button, ScrollRegion } from '../../shared/ui/index.ts'

interface PilotStagesProps {
  readonly report: PilotReport
  readonly onJudge: (stage: PilotStage) => void
}

/** Each stage on the clock, against what was expected, and what it did for the look. */
export function PilotStages({ report, onJudge }: PilotStagesProps) {
  const done = report.stages.filter((each) => each.done === each.models).length
  return (
    <section className="ticket p-4" aria-labelledby="pilot-stages">
      <h2 id="pilot-stages" className="text-xl">
        Through {done} of {plural(report.stages.length, 'stage')}
      </h2>
      <ScrollRegion label="The pilot’s stages">
        <table className="mt-1 w-full min-w-[38rem] text-left">
          <thead>
            <tr className="text-sm text-ink-soft">
              <th scope="col" className="py-1">
                Stage
              </th>
              <th scope="col" className="pr-3 text-right">
                Expected
              </th>
              <th scope="col" className="pr-3 text-right">
                Clock
              </th>
              <th scope="col" className="pr-3 text-right">
                Now
              </th>
              <th scope="col">What it did</th>
            </tr>
          </thead>
          <tbody>
            {report.stages.map((each) => (
              <tr key={each.stage.id} className="border-t border-paper-edge">
                <th scope="row" className="py-1 font-normal">
                  <b className="block leading-tight">{each.stage.name}</b>
                  <span className="block text-sm leading-tight text-ink-soft">{each.stage.material}</span>
                </th>
                <td className="figures pr-3 text-right text-sm">
                  {stopwatchText(each.expectedSeconds + each.estimate.work.setUpSeconds)}
                </td>
                <td className="figures pr-3 text-right font-bold">
                  {each.clockSeconds === null ? '–' : stopwatchText(each.clockSeconds)}
                </td>
                <td className="figures pr-3 text-right text-sm">
                  {stopwatchText(each.estimate.perModel.likely)}
                </td>
                <td>
                  <Button weight="quiet" className="px-0! text-left" onClick={() => onJudge(each)}>
                    {each.judgement ? each.judgement.verdict : 'Say it'}
                    <span className="sr-only"> of {each.stage.name}</span>
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollRegion>
      <p className="mt-2 text-sm text-ink-soft">
        “Expected” and the clock are one model with the opening of its pot, “now” is a model of the others
        alone.
      </p>
    </section>
  )
}
