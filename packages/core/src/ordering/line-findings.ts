import type { Stage } from '../line/stage.ts'
import type { Project } from '../project/project.ts'
import type { Shelf } from '../recipe/step-facts.ts'
import type { RecipeId, StageId } from '../units/ids.ts'
import { findFaults } from './find-faults.ts'
import { followedRecipes } from './line-of-order.ts'
import type { Finding } from './rule.ts'

/** What is wrong with the line as it stands, for the stages that carry out steps of a recipe. */
export function lineFindings(
  project: Pick<Project, 'recipes' | 'units' | 'line'>,
  shelf: Shelf,
): readonly (Finding & { readonly recipeId: RecipeId })[] {
  return followedRecipes(project).flatMap(({ recipe }) => {
    const order = project.line.flatMap((stage) =>
      stage.steps.flatMap((step) => (step.recipeId === recipe.id ? [step.stepId] : [])),
    )
    if (order.length === 0) return []
    return findFaults(recipe, shelf, order).map((finding) => ({ ...finding, recipeId: recipe.id }))
  })
}

/** The line with the stage that a `move` names put before the other; `null` for another mend, or when nothing moves. */
export function mendLine(line: readonly Stage[], finding: Finding): readonly Stage[] | null {
  const { mend } = finding
  if (mend?.kind !== 'move') return null
  const stageOf = (stepId: string): StageId | undefined =>
    line.find((stage) => stage.steps.some((step) => step.stepId === stepId))?.id
  const moving = line.find((stage) => stage.id === stageOf(mend.stepId))
  const anchor = stageOf(mend.before)
  if (!moving || anchor === undefined || moving.id === anchor) return null
  return line
    .filter((stage) => stage !== moving)
    .flatMap((stage) => (stage.id === anchor ? [moving, stage] : [stage]))
}
