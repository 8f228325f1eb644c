import { type Job, type Stage, type Standard, standardReaches, tableReadyStandard } from '../trade/index.ts'
import type { StepId, UnitId } from '../units/index.ts'

/**
 * Whether a unit's models need a stage to count as table-ready: by the standards of its recipe's steps there; for
 * a stage without such steps, by standing before the stop line. Without a stop line every stage is needed.
 */
export function neededForTable(
  project: Pick<Job, 'line' | 'recipes'>,
): (stage: Stage, unitId: UnitId) => boolean {
  const stopLine = project.line.findIndex((stage) => stage.tableReady)
  const beyond = new Set(stopLine < 0 ? [] : project.line.slice(stopLine + 1))
  const standards = new Map<StepId, Standard>(
    project.recipes.flatMap((recipe) => recipe.steps.map((step) => [step.id, step.standard] as const)),
  )
  return (stage, unitId) => {
    const recipe = project.recipes.find((each) => each.unitIds.includes(unitId))
    const own = stage.steps
      .filter((step) => step.recipeId === recipe?.id)
      .flatMap((step) => standards.get(step.stepId) ?? [])
    return own.length > 0 ? own.some((each) => standardReaches(each, tableReadyStandard)) : !beyond.has(stage)
  }
}
