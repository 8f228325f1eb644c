import type { Project } from '../trade/project.ts'
import type { Standard } from '../trade/recipe.ts'
import type { UnitId } from '../units/ids.ts'
import { estimateLine, totalOf, type EstimateInput } from './estimate-line.ts'
import { amountsLeft, besideByBatch } from './amounts-left.ts'
import { projectForStandard } from './line-for-standard.ts'

/** A stage that a unit's standard does not ask for, and whether there is time for it. */
export interface Extra {
  readonly unitId: UnitId
  readonly name: string
  readonly seconds: number
  readonly fits: boolean
}

/**
 * The optional stages of units painted to these standards, the quickest for each model first, and which of them
 * fit into the time that is over, one after the other.
 */
export function extrasFor(
  input: EstimateInput & {
    readonly project: Pick<Project, 'units' | 'recipes' | 'line' | 'planning' | 'batchSize' | 'firstBatch'>
  },
  standardOf: ReadonlyMap<UnitId, Standard>,
  overSeconds: number,
  safety = 1,
): readonly Extra[] {
  const { project } = input
  const finest = projectForStandard(project, 'display')
  const names = new Map(finest.line.map((stage) => [stage.id, stage.name]))
  const all = estimateLine({ ...input, project: finest })
  const beside = besideByBatch(finest, all)
  const needed = new Set<string>()
  for (const standard of new Set(standardOf.values())) {
    const { stages } = estimateLine({ ...input, project: projectForStandard(project, standard) })
    for (const { work } of stages) {
      if (standardOf.get(work.unitId) === standard) needed.add(`${work.stageId} ${work.unitId}`)
    }
  }
  const extras = all.stages
    .filter(
      ({ work, left }) =>
        left > 0 && standardOf.has(work.unitId) && !needed.has(`${work.stageId} ${work.unitId}`),
    )
    .map(({ work, left }) => {
      const isThis = (other: (typeof all.stages)[number]) => other.work === work
      const { likely } = totalOf(all.rates, amountsLeft(all, beside, isThis))
      const name = names.get(work.stageId) ?? ''
      return { unitId: work.unitId, name, seconds: likely * safety, perModel: likely / left }
    })
    .sort((a, b) => a.perModel - b.perModel)
  let over = overSeconds
  return extras.map(({ unitId, name, seconds }) => {
    const fits = seconds <= over
    if (fits) over -= seconds
    return { unitId, name, seconds, fits }
  })
}
