import { isSkipped, type Progress } from '@seriatim/core/progress'
import type { Project } from '@seriatim/core/trade'
import type { BenchTask } from './bench-task.ts'

/**
 * The unit on whose models the stage was left out at the desk, where nothing is decided of it for the unit in hand: asked
 * once, before its first model. `null` where there is none.
 */
export function leftOutElsewhere(
  { units }: Pick<Project, 'units'>,
  progress: Progress,
  { batch, stage, touchUp }: BenchTask,
): string | null {
  if (touchUp) return null
  const isMarked = (unitId: string) =>
    units.some(
      (unit) => unit.id === unitId && unit.models.some(({ id }) => progress.marks.get(id)?.has(stage.id)),
    )
  if (isMarked(batch.unitId)) return null
  const other = units.find(
    (unit) => unit.id !== batch.unitId && unit.models.some(({ id }) => isSkipped(progress, id, stage)),
  )
  return other?.name ?? null
}
