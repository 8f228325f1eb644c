import { tryWay } from '@seriatim/core/plan'
import { starterShelf } from '@seriatim/core/presets'
import { adaptRecipe, bodyPlans, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import type { Recipe } from '@seriatim/core/trade'
import type { Instant, Result } from '@seriatim/core/units'
import { sequentialIds } from './demo/ids.ts'
import { figuresOf, readArguments, readNow, readProjectFile, type Printed } from './input.ts'

/** The nine schools and the file's own recipes side by side, for the models of one of its units. */
export function runSchools(args: readonly string[]): Printed {
  const options = readOptions(args)
  if (!options.ok) return { ok: false, error: [options.error] }
  const file = readProjectFile(options.value.path)
  if (!file.ok) return file
  const { project, shelf: own } = file.value
  const { unit: name, body } = options.value
  const unit = name === undefined ? project.units[0] : project.units.find((each) => each.name === name)
  if (!unit) {
    const names = project.units.map((each) => each.name).join(', ')
    return {
      ok: false,
      error: [name === undefined ? 'project.units: There is no unit.' : `--unit: one of ${names}.`],
    }
  }
  const followed = project.recipes.find((each) => each.unitIds.includes(unit.id))
  const plan = bodyPlans.find((each) => each.id === (body ?? followed?.bodyPlan ?? 'foot'))
  if (!plan) return { ok: false, error: [`--body: one of ${bodyPlans.map((each) => each.id).join(', ')}.`] }
  // What a school takes and the shelf has not is not in stock.
  const shelf = [...starterShelf.map((each) => ({ ...each, stockMl: 0 })), ...own]
  const newId = sequentialIds()
  const figures = figuresOf({ ...file.value, shelf }, options.value.now)
  const outcome = (recipe: Recipe) => {
    const {
      handsOn,
      secondsPerModel,
      stages,
      pots,
      potsThere,
      tools,
      plan: planned,
    } = tryWay(figures, [unit], [{ ...recipe, unitIds: [unit.id] }])
    return {
      handsOnSeconds: { low: round(handsOn.low), likely: round(handsOn.likely), high: round(handsOn.high) },
      perModelSeconds: round(secondsPerModel),
      stages,
      pots,
      potsThere,
      tools,
      sittings: planned?.sittings ?? null,
      finishesAt: planned ? new Date(planned.finishesAt).toISOString() : null,
      waitingSeconds: planned?.waitingSeconds ?? null,
      fits: planned?.fits ?? null,
    }
  }
  const schools = recipeSchools.map((school) => ({
    way: 'school',
    id: school.id,
    name: school.name,
    strong: school.good,
    weak: school.bad,
    ...outcome(recipeFromSchool(school, plan, school.name, newId)),
  }))
  const kept = project.recipes.map((recipe) => {
    const { recipe: adapted, lost } = adaptRecipe(recipe, plan, recipe.name, newId)
    return { way: 'recipe', id: recipe.id, name: recipe.name, lost, ...outcome(adapted) }
  })
  const json = {
    project: project.name,
    unit: unit.name,
    models: unit.models.length,
    body: plan.id,
    ways: [...schools, ...kept],
  }
  return { ok: true, value: `${JSON.stringify(json, null, 2)}\n` }
}

const round = Math.round

interface Options {
  readonly path: string
  readonly unit: string | undefined
  readonly body: string | undefined
  readonly now: Instant
}

function readOptions(args: readonly string[]): Result<Options, string> {
  const read = readArguments(args, ['unit', 'body', 'now'])
  if (!read.ok) return read
  const { path, values } = read.value
  const now = readNow(values.now)
  if (!now.ok) return now
  return {
    ok: true,
    value: { path, unit: values.unit, body: values.body, now: now.value },
  }
}
