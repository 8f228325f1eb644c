import type { LinePlan } from '@seriatim/core/plan'
import type { Teamwork } from '@seriatim/core/trade'
import { clockText, dayText, durationText, plural } from '../../shared/format/index.ts'
import { ScrollRegion } from '../../shared/ui/index.ts'
import type { TriedTeamwork } from '../../shared/worker/index.ts'

const teamworkTexts: Readonly<Record<Teamwork, string>> = {
  free: 'Whoever is free',
  'by-batch': 'Each a batch, start to end',
  'by-stage': 'By station: a stage is one painter’s',
}

interface TeamworkTableProps {
  readonly tried: readonly TriedTeamwork[]
  readonly chosen: Teamwork
  readonly timeZone: string
  readonly onChoose: (teamwork: Teamwork) => void
}

/** The same work shared out in each way, side by side. */
export function TeamworkTable({ tried, chosen, timeZone, onChoose }: TeamworkTableProps) {
  const plans = tried.flatMap(({ plan }) => plan ?? [])
  const soonest = Math.min(...plans.map((plan) => plan.finishesAt))
  const when = (moment: LinePlan['finishesAt']) =>
    `${dayText(moment, timeZone)} ${clockText(moment, timeZone)}`
  const [first] = plans
  return (
    <div className="ticket p-4">
      <ScrollRegion label="Ways to share the work">
        <table className="mt-2 w-full min-w-[46rem] text-left text-sm">
          <thead>
            <tr className="text-ink-soft">
              {[
                'Shared',
                'All done',
                'First batch',
                'Paint changes',
                'Waits shown',
                ...(first?.painters.map((each) => each.name) ?? []),
              ].map((name) => (
                <th key={name} scope="col" className="py-1 pr-3 font-bold">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {tried.map(({ teamwork, plan }) => (
              <tr key={teamwork} className="border-t border-paper-edge">
                <th scope="row" className="pr-3">
                  <button
                    type="button"
                    aria-pressed={teamwork === chosen}
                    onClick={() => onChoose(teamwork)}
                    className="my-0.5 min-h-9 rounded-[3px] border-2 border-rule px-2 text-left font-bold aria-pressed:border-hands aria-pressed:text-hands"
                  >
                    {teamworkTexts[teamwork]}
                  </button>
                </th>
                {plan ? (
                  <>
                    <td className="figures pr-3">
                      {when(plan.finishesAt)}
                      {plan.finishesAt === soonest ? (
                        <b className="ml-2 font-sans text-xs text-done">soonest</b>
                      ) : null}
                    </td>
                    <td className="figures pr-3">{dayText(plan.firstBatchAt, timeZone)}</td>
                    <td className="figures pr-3">{plan.potOpenings}</td>
                    <td className="figures pr-3">{durationText(plan.exposedSeconds)}</td>
                    {plan.painters.map((painter) => (
                      <td key={painter.id} className="figures pr-3">
                        {durationText(painter.handsOnSeconds)}
                      </td>
                    ))}
                  </>
                ) : (
                  <td colSpan={4 + (first?.painters.length ?? 0)}>
                    No plan this way: see what each may not do.
                  </td>
                )}
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollRegion>
      <p className="mt-1 text-sm text-ink-soft">
        {plural(first?.painters.length ?? 0, 'painter')}; under each name the hours at the desk.
      </p>
    </div>
  )
}
