import { workName, type LinePlan } from '@seriatim/core/plan'
import { batchName, type Project } from '@seriatim/core/trade'
import { Download } from 'lucide-react'
import { saveText } from '../../shared/csv/index.ts'
import { clockText, dayText, durationText } from '../../shared/format/index.ts'
import { Button, ScrollRegion } from '../../shared/ui/index.ts'
import { planCsv } from './plan-csv.ts'

/** The string chart as a table, for whoever reads it better. */
export function PlanTable({ plan, project }: { readonly plan: LinePlan; readonly project: Project }) {
  return (
    <div>
      <Button weight="quiet" onClick={() => saveText('plan.csv', planCsv(plan, project))}>
        <Download aria-hidden="true" size={18} /> Save as CSV
      </Button>
      <Rows plan={plan} project={project} />
    </div>
  )
}

function Rows({ plan, project }: { readonly plan: LinePlan; readonly project: Project }) {
  const { timeZone } = project.evenings
  const stageOf = new Map(project.line.map((stage) => [stage.id, stage]))
  const batchOf = new Map(plan.batches.map((batch) => [batch.id, batch]))
  const several = plan.painters.length > 1
  const names = [
    'Day',
    'From',
    'To',
    'Stage',
    'Batch',
    'Models',
    ...(several ? ['Painter'] : []),
    'Pot',
    'Dry at',
  ]
  return (
    <ScrollRegion label="The plan as a table">
      <table className="w-full min-w-[52rem] text-left text-sm">
        <thead>
          <tr className="text-ink-soft">
            {names.map((name) => (
              <th key={name} scope="col" className="py-1 pr-3 font-bold">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {plan.stretches.map((stretch) => {
            const batch = batchOf.get(stretch.batchId)
            const stage = stageOf.get(stretch.stageId)
            return (
              <tr
                key={`${stretch.batchId}-${stretch.stageId}-${String(stretch.startsAt)}`}
                className="border-t border-paper-edge"
              >
                <td className="pr-3">{dayText(stretch.startsAt, timeZone)}</td>
                <td className="figures pr-3">{clockText(stretch.startsAt, timeZone)}</td>
                <td className="figures pr-3">{clockText(stretch.endsAt, timeZone)}</td>
                <th scope="row" className="pr-3">
                  {stage ? workName(stage, stretch, project, batch ? [batch.unitId] : []) : ''}
                </th>
                <td className="pr-3">{batch ? batchName(batch) : ''}</td>
                <td className="figures pr-3">{stretch.modelIds.length}</td>
                {several ? <td className="pr-3">{plan.painters[stretch.painter]?.name}</td> : null}
                <td className="pr-3">
                  {stretch.opensPot ? `opened, ${durationText(stretch.setUpSeconds)}` : 'open'}
                </td>
                <td className="figures">
                  {stretch.dryAt > stretch.endsAt ? clockText(stretch.dryAt, timeZone) : ''}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </ScrollRegion>
  )
}
