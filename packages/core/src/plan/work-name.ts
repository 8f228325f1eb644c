import { stageNameFor } from '../ordering/index.ts'
import type { Job, Stage } from '../trade/index.ts'
import type { UnitId } from '../units/index.ts'
import type { Stretch } from './line-plan.ts'

/** What a stretch of work on these units is called: the stage by its name, or what is mended of it. */
export function workName(
  stage: Pick<Stage, 'name' | 'steps'>,
  { touchUp, by }: Pick<Stretch, 'touchUp' | 'by'>,
  { recipes }: Pick<Job, 'recipes'>,
  unitIds: readonly UnitId[],
): string {
  const name = stageNameFor(stage, recipes, unitIds)
  switch (touchUp) {
    case null:
      return by === null ? name : `${name} by ${by}`
    case 'undercoat':
      return `Ground for a touch-up: ${name}`
    case 'colour':
      return `Touch up: ${name}`
  }
}
