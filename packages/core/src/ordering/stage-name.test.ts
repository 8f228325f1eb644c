import { describe, expect, it } from 'vitest'
import { starterShelf } from '../presets/starter-shelf.ts'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { project, unit } from '../testing/builders.ts'
import type { UnitId } from '../units/ids.ts'
import { followLine } from './follow-line.ts'
import { stageNameFor } from './stage-name.ts'

describe('stageNameFor', () => {
  let id = 0
  const recipeOf = (body: string, unitIds: readonly UnitId[]) => ({
    ...recipeFromSchool(
      recipeSchools[0]!,
      bodyPlans.find((plan) => plan.id === body)!,
      body,
      () => `id ${String(id++)}`,
    ),
    unitIds,
  })
  const [foot, beast] = [unit('Foot', 3), unit('Beast', 1)]
  const recipes = [recipeOf('foot', [foot.id]), recipeOf('large-creature', [beast.id])]
  const job = { ...project([foot, beast], []), recipes }
  const shelf = new Map(starterShelf.map((each) => [each.id, each]))
  const line = followLine({ ...job, recipes: [] }, job, shelf, (name) => `stage ${name}`)!
  const regionsOf = (body: string) =>
    bodyPlans.find((plan) => plan.id === body)!.regions.map((region) => region.name)

  it('reads only the regions that the models have', () => {
    const onlyBeasts = regionsOf('large-creature').filter((name) => !regionsOf('foot').includes(name))
    const all = line.map((stage) => stage.name).join(' · ')
    const feet = line
      .filter((stage) => !stage.notNeededBy.includes(foot.id))
      .map((stage) => stageNameFor(stage, job.recipes, [foot.id]))
      .join(' · ')
    expect(onlyBeasts.filter((name) => all.includes(name))).not.toEqual([])
    expect(onlyBeasts.filter((name) => feet.includes(name))).toEqual([])
  })

  it('is the stage’s own name for all of them, or where the stage is nobody’s recipe’s', () => {
    for (const stage of line) {
      expect(stageNameFor(stage, job.recipes, [foot.id, beast.id])).toBe(stage.name)
      expect(stageNameFor({ ...stage, steps: [] }, job.recipes, [foot.id])).toBe(stage.name)
    }
  })
})
