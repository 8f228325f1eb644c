import { type Job, type Model, type Recipe, stagesByStep, takesStep } from '../trade/index.ts'
import type { Progress } from '../progress/index.ts'
import { compareRecipes, factsOf, type Shelf, type StepFacts, stepText } from '../recipe/index.ts'
import type { StepId } from '../units/index.ts'

/**
 * What a change of a recipe means for models that are half-way by it, in sentences; none when no model is. What has to be decided
 * of them is not among it: see `halfPainted`.
 * Nothing that was done is lost by any change: the log keeps it. `after` is `null` for a recipe put away.
 */
export function changeUnderWay(
  project: Pick<Job, 'units' | 'line'>,
  progress: Progress,
  before: Recipe,
  after: Recipe | null,
  shelf: Shelf,
): readonly string[] {
  const models = project.units
    .filter((unit) => before.unitIds.includes(unit.id))
    .flatMap((unit) => unit.models)
  const stages = stagesByStep(project.line, before.id)
  const has = (model: Model, stepId: StepId): boolean => {
    const stage = stages.get(stepId)
    return stage !== undefined && (progress.marks.get(model.id)?.has(stage.id) ?? false)
  }
  const begun = models.filter((model) => before.steps.some((step) => has(model, step.id)))
  if (begun.length === 0) return []
  if (!after || after.steps.length === 0) {
    return [
      `${counted(begun.length, 'is', 'are')} under way by ${before.name}. Its stages leave the stage order where that follows the recipes; what is done stays in the record.`,
    ]
  }
  const old = new Map(factsOf(before, shelf).map((each) => [each.step.id, each]))
  const now = new Map(factsOf(after, shelf).map((each) => [each.step.id, each]))
  return compareRecipes(before, after, shelf).flatMap(({ kind, stepId, text }): string[] => {
    const [was, is] = [stepId && old.get(stepId), stepId && now.get(stepId)]
    if (!was || (kind !== 'left out' && kind !== 'changed')) return []
    const taking = models.filter((model) => takesStep(was.step, model))
    const done = taking.filter((model) => has(model, was.step.id)).length
    if (done === 0) return []
    const left = taking.length - done
    if (kind === 'left out') {
      return [
        `The ${stepText(was)} is on ${counted(done, '', '')} already and stays there${left > 0 ? `; the other ${left === 1 ? 'one goes' : `${String(left)} go`} without` : ''}.`,
      ]
    }
    if (!changesPaint(was, is)) return []
    return [
      `${text} ${counted(done, 'has', 'have')} it as it was${left > 0 ? `; the other ${left === 1 ? 'one gets' : `${String(left)} get`} the new one` : ', so nothing changes for them'}.`,
    ]
  })
}

/** A note or a standard that changes leaves no trace on a model. */
function changesPaint(was: StepFacts, is: StepFacts | null | undefined): boolean {
  const trace = ({ step }: StepFacts) => JSON.stringify([step.mix, step.technique, step.coats, step.on])
  return is ? trace(was) !== trace(is) : false
}

/** `1 model has`, `5 models have`. */
function counted(count: number, one: string, many: string): string {
  return `${String(count)} ${count === 1 ? 'model' : 'models'} ${count === 1 ? one : many}`.trim()
}
