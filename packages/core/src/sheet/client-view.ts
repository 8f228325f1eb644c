import { isThrough, neededForTable, type Progress } from '../progress/index.ts'
import { type Project, type Standard, takesStage } from '../trade/index.ts'
import type { Instant } from '../units/index.ts'

/** How far a unit is, as whoever has it painted is told: no minutes, no names of stages, no paints. */
export interface UnitForClient {
  readonly name: string
  readonly standard: Standard
  readonly models: number
  /** Through every stage that a table asks for. */
  readonly tableReady: number
  readonly finished: number
  /** Stage by stage, in the order of the work: the share of the models that take it and are through. */
  readonly strip: readonly number[]
}

export function unitsForClient(project: Project, progress: Progress): readonly UnitForClient[] {
  const isNeeded = neededForTable(project)
  return project.units
    .filter((unit) => unit.models.length > 0)
    .map(({ id, name, standard, models }) => {
      const left = models.map((model) =>
        project.line.filter((stage) => takesStage(stage, id, model) && !isThrough(progress, model.id, stage)),
      )
      return {
        name,
        standard,
        models: models.length,
        tableReady: left.filter((stages) => !stages.some((stage) => isNeeded(stage, id))).length,
        finished: left.filter((stages) => stages.length === 0).length,
        strip: project.line.flatMap((stage) => {
          const takers = models.filter((model) => takesStage(stage, id, model))
          if (takers.length === 0) return []
          return [takers.filter((model) => isThrough(progress, model.id, stage)).length / takers.length]
        }),
      }
    })
}

/** When something was recorded last that still counts; `null` where nothing was. */
export function lastRecordedAt(progress: Progress): Instant | null {
  let last: Instant | null = null
  for (const marks of progress.marks.values())
    for (const { at } of marks.values()) if (last === null || at > last) last = at
  return last
}
