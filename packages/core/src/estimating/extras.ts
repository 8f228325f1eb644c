import type { Standard } from '../trade/index.ts'
import type { UnitId } from '../units/index.ts'
import { totalOf } from './estimate-line.ts'
import type { Figures } from './figures.ts'
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
  figures: Figures,
  standardOf: ReadonlyMap<UnitId, Standard>,
  overSeconds: number,
  safety = 1,
): readonly Extra[] {
  const { project } = figures
  const finest = figures.changed({ project: projectForStandard(project, 'display') })
  const names = new Map(finest.project.line.map((stage) => [stage.id, stage.name]))
  const all = finest.estimate
  const needed = new Set<string>()
  for (const standard of new Set(standardOf.values())) {
    const adapted = figures.changed({ project: projectForStandard(project, standard) })
    for (const { work } of adapted.estimate.stages) {
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
      const { likely } = totalOf(all.rates, finest.amountsLeft(finest.besideByBatch, isThis))
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
