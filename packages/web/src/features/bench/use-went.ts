import type { DryingEntry, Outcome } from '@seriatim/core/progress'
import type { Project, Stage } from '@seriatim/core/trade'
import { toast } from 'sonner'
import { plural } from '../../shared/format/index.ts'
import type { useRecorder } from '../../shared/progress/index.ts'
import { useCurrentProject, useEdit } from '../../shared/project/index.ts'

/** Notes what a paint did on models. Another coat is to do again at once, and from now on, where the painter says so. */
export function useWent(recorder: ReturnType<typeof useRecorder>) {
  const edit = useEdit()
  const project = useCurrentProject()
  return ({ stage, modelIds }: DryingEntry, outcome: Outcome) => {
    const noted = recorder.went(stage.id, modelIds, outcome)
    if (outcome !== 'another coat') {
      toast(`${stage.name}: noted for this pot.`, {
        action: { label: 'Undo', onClick: () => recorder.undo(noted) },
      })
      return
    }
    recorder.clear(stage.id, modelIds)
    const next = withOneCoatMore(project, stage)
    toast(`${stage.name}: another coat for ${plural(modelIds.length, 'model')}.`, {
      ...(next === project
        ? {}
        : {
            action: {
              label: 'From now on too',
              onClick: () => edit(project, next, `${stage.name}: one coat more from now on.`),
            },
          }),
    })
  }
}

/** The project with one coat more in each step that the stage carries out. */
function withOneCoatMore<P extends Project>(project: P, { steps }: Pick<Stage, 'steps'>): P {
  if (steps.length === 0) return project
  const isMeant = (recipeId: string, stepId: string) =>
    steps.some((step) => step.recipeId === recipeId && step.stepId === stepId)
  return {
    ...project,
    recipes: project.recipes.map((recipe) => ({
      ...recipe,
      steps: recipe.steps.map((step) =>
        isMeant(recipe.id, step.id) ? { ...step, coats: Math.min(9, step.coats + 1) } : step,
      ),
    })),
  }
}
