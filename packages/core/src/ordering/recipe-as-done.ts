import {
  type Job,
  type Recipe,
  type Stage,
  stagesByStep,
  type Step,
  takesStage,
  takesStep,
  type Unit,
} from '../trade/index.ts'
import { isThrough, type Lap, type Mark, type Progress, type Used } from '../progress/index.ts'
import { compareRecipes, mixText, type RecipeDifference, type Shelf } from '../recipe/index.ts'
import type { Instant, ModelId, RecipeId, StepId } from '../units/index.ts'

/** A recipe as a unit was really painted by it, and in what that differs from what was written. */
export interface RecipeAsDone {
  readonly recipe: Recipe
  readonly differences: readonly RecipeDifference[]
  /** Models of the unit with stages still to come. */
  readonly unfinished: number
}

interface DoneStep {
  readonly step: Step
  /** When each model got it. */
  readonly at: ReadonlyMap<ModelId, Instant>
}

const longestNote = 400

/**
 * What the log says of a unit, as a recipe to repeat: steps that no model has are left out, the others stand in
 * the order in which the models really got them, and notes carry the pace and what had to be touched up. `null`
 * when nothing of the recipe is done on the unit. `newId` gives UUIDs.
 */
export function recipeAsDone(
  project: Pick<Job, 'line'>,
  progress: Progress,
  recipe: Recipe,
  unit: Unit,
  shelf: Shelf,
  newId: () => string,
): RecipeAsDone | null {
  const stages = stagesByStep(project.line, recipe.id)
  const done = recipe.steps.flatMap((step): DoneStep[] => {
    const stage = stages.get(step.id)
    if (!stage) return []
    const marks = new Map(
      unit.models
        .filter((model) => takesStep(step, model))
        .flatMap((model) => {
          const mark = progress.marks.get(model.id)?.get(stage.id)
          return mark && mark.kind !== 'skipped' ? [[model.id, mark] as const] : []
        }),
    )
    if (marks.size === 0) return []
    const used = mostUsed(progress.used, stage, new Set(marks.keys()))
    const mix = used?.mix ?? step.mix
    const instead = used
      ? [`Instead of ${mixText(step.mix, shelf)}${used.note === '' ? '.' : `: ${used.note}`}`]
      : []
    const note = noteOf(step, stage, [...marks.values()], paceOf(progress.laps, stage, unit), instead)
    return [{ step: { ...step, mix, note }, at: new Map([...marks].map(([id, mark]) => [id, mark.at])) }]
  })
  if (done.length === 0) return null
  const steps = inOrderOfModels(done).map(({ step }) => step)
  const asDone = { ...recipe, steps }
  return {
    recipe: {
      ...asDone,
      id: newId() as RecipeId,
      name: `${recipe.name}, as the ${unit.name} were done`.slice(0, 120),
      unitIds: [],
      steps: steps.map((step) => ({ ...step, id: newId() as StepId })),
      versions: [],
    },
    differences: compareRecipes(recipe, asDone, shelf),
    unfinished: unit.models.filter((model) =>
      project.line.some(
        (stage) => takesStage(stage, unit.id, model) && !isThrough(progress, model.id, stage),
      ),
    ).length,
  }
}

/** Of two steps, the one comes first that most models with both got first; else they stay as written. */
function inOrderOfModels(written: readonly DoneStep[]): readonly DoneStep[] {
  const row = [...written]
  // Models may disagree in a circle, so that the passes are counted.
  for (let pass = 0; pass < row.length; pass++) {
    let isSettled = true
    for (let place = 0; place + 1 < row.length; place++) {
      const [first, then] = [row[place], row[place + 1]]
      if (!first || !then || leadOf(then, first) <= 0) continue
      row.splice(place, 2, then, first)
      isSettled = false
    }
    if (isSettled) break
  }
  return row
}

/** How many more models got `a` before `b` than after. */
function leadOf(a: DoneStep, b: DoneStep): number {
  let lead = 0
  for (const [model, at] of a.at) {
    const other = b.at.get(model)
    if (other !== undefined) lead += Math.sign(other - at)
  }
  return lead
}

function middle(values: readonly number[]): number | null {
  return values.toSorted((a, b) => a - b)[Math.floor((values.length - 1) / 2)] ?? null
}

/** Seconds a model by the unit's own laps. */
function paceOf(laps: readonly Lap[], stage: Stage, unit: Unit): number | null {
  const ids = new Set(unit.models.map((model) => model.id))
  const paces = laps
    .filter(
      (lap) => lap.stageId === stage.id && lap.done.length > 0 && lap.modelIds.some((id) => ids.has(id)),
    )
    .map((lap) => (lap.stoppedAt - lap.startedAt) / 1000 / lap.done.length)
  return middle(paces)
}

/** What most of the models got instead of what the recipe says; `null` where most got what it says. */
function mostUsed(all: readonly Used[], { id, steps }: Stage, models: ReadonlySet<ModelId>): Used | null {
  // A stage of several steps does not say which of them it was.
  if (steps.length !== 1) return null
  const latest = new Map<ModelId, Used>()
  for (const used of all)
    if (used.stageId === id) for (const model of used.modelIds) if (models.has(model)) latest.set(model, used)
  const counts = new Map<string, { readonly used: Used; count: number }>()
  for (const used of latest.values()) {
    const key = JSON.stringify(used.mix)
    const known = counts.get(key)
    if (known) known.count += 1
    else counts.set(key, { used, count: 1 })
  }
  const most = [...counts.values()].reduce<{ used: Used; count: number } | null>(
    (best, each) => (best && best.count >= each.count ? best : each),
    null,
  )
  return most && most.count * 2 > models.size ? most.used : null
}

function noteOf(
  step: Step,
  stage: Stage,
  marks: readonly Mark[],
  pace: number | null,
  instead: readonly string[],
): string {
  const slips = new Set(
    marks.flatMap((mark) => (mark.kind === 'touch-up' && mark.note !== '' ? [mark.note] : [])),
  )
  return [
    stage.steps.length === 1 && stage.note !== '' ? stage.note : step.note,
    ...instead,
    ...(pace === null ? [] : [`${(pace / 60).toFixed(1)} min a model last time.`]),
    ...[...slips].map((slip) => `Look out: ${slip}`),
  ]
    .filter((part) => part !== '')
    .join(' ')
    .slice(0, longestNote)
}
