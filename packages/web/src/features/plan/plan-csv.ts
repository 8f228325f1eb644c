import { workName, type LinePlan } from '@seriatim/core/plan'
import { batchName, type Project } from '@seriatim/core/trade'
import { writeCsv } from '../../shared/csv/index.ts'

/** The plan as CSV, a line a stretch; moments in UTC (ISO 8601). */
export function planCsv(plan: LinePlan, project: Pick<Project, 'line' | 'recipes'>): string {
  const stageOf = new Map(project.line.map((stage) => [stage.id, stage]))
  const batchOf = new Map(plan.batches.map((batch) => [batch.id, batch]))
  const iso = (moment: number) => new Date(moment).toISOString()
  return writeCsv(
    [
      'begins',
      'ends',
      'dry',
      'painter',
      'batch',
      'stage',
      'pot',
      'opens the pot',
      'set-up seconds',
      'models',
    ],
    plan.stretches.map((stretch) => {
      const stage = stageOf.get(stretch.stageId)
      const batch = batchOf.get(stretch.batchId)
      const nameOf = new Map(batch?.models.map((model) => [model.id, model.name]))
      return [
        iso(stretch.startsAt),
        iso(stretch.endsAt),
        iso(stretch.dryAt),
        plan.painters[stretch.painter]?.name ?? '',
        batch ? batchName(batch) : '',
        stage ? workName(stage, stretch, project, batch ? [batch.unitId] : []) : '',
        stage?.material ?? '',
        stretch.opensPot ? 'yes' : 'no',
        String(stretch.setUpSeconds),
        stretch.modelIds.flatMap((id) => nameOf.get(id) ?? []).join(' + '),
      ]
    }),
  )
}
