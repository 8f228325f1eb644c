import { bodyPlans, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import type { Recipe } from '@seriatim/core/trade'
import { v7 } from 'uuid'
import { afterAll, beforeAll, expect, it } from 'vitest'
import type { StoredProject } from '@seriatim/contract'
import { newChange, newModel, settings, startTestServer } from '../../testing/test-server.ts'
import { stockShelfOnce } from '../shelf/service.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
  await stockShelfOnce(server.db)
})
afterAll(() => server.stop())

/** A unit that follows a recipe of the first school, put there by somebody who knows nothing of lines. */
async function withRecipe() {
  const id = v7()
  const path = `/projects/${id}`
  await server.call('PUT', path, settings())
  const unit = { id: v7(), name: 'Reed-pikes', models: [1, 2, 3].map(newModel) }
  const recipe: Recipe = {
    ...recipeFromSchool(recipeSchools[0]!, bodyPlans[0]!, 'Reed-pikes', () => v7()),
    unitIds: [unit.id as never],
  }
  const made = await server.edit(path, (project) => ({ ...project, units: [unit], recipes: [recipe] }))
  expect(made.status).toBe(200)
  return { id, path, recipe }
}
const withoutStep = (project: StoredProject, at: number) => ({
  ...project,
  recipes: project.recipes.map((each) => ({ ...each, steps: each.steps.toSpliced(at, 1) })),
})
const stepsOf = ({ line }: StoredProject) => line.flatMap((stage) => stage.steps.map((step) => step.stepId))

it('a recipe changed through the API has its line in the same change, and taking it back brings both back', async () => {
  const { path, recipe } = await withRecipe()
  const first = await server.project(path)
  expect(stepsOf(first)).toEqual(expect.arrayContaining([recipe.steps[0]!.id]))
  expect(first.revision).toBe(1)

  const last = recipe.steps.length - 1
  await server.edit(path, (project) => withoutStep(project, last))
  const second = await server.project(path)
  expect(second.revision).toBe(2)
  expect(stepsOf(second)).not.toContain(recipe.steps[last]!.id)
  // What is left keeps its identity, and with it what was painted.
  const known = new Set(first.line.map((stage) => stage.id))
  expect(second.line.every((stage) => known.has(stage.id))).toBe(true)

  const { changes } = (await server.call('GET', `${path}/changes`)).body as {
    changes: { undo: object[]; revision: number }[]
  }
  const undo = changes.find((each) => each.revision === 2)!.undo
  await server.call('POST', `${path}/changes`, newChange(2, undo as never))
  expect((await server.project(path)).line.map((stage) => stage.id)).toEqual(
    first.line.map((stage) => stage.id),
  )
})

it('a line that somebody put in another order is left as it is', async () => {
  const { path, recipe } = await withRecipe()
  await server.edit(path, (project) => ({ ...project, line: project.line.toReversed() }))
  const byHand = await server.project(path)
  await server.edit(path, (project) => withoutStep(project, recipe.steps.length - 1))
  expect((await server.project(path)).line).toEqual(byHand.line)
})

it('a file without a line gets the one its recipes come to, the same as was made here', async () => {
  const { id, path } = await withRecipe()
  const made = await server.project(path)
  const file = (await server.call('GET', `${path}/file`)).body as { project: { line: object[] } }
  const other = await startTestServer()
  await stockShelfOnce(other.db)
  const bare = { ...file, project: { ...file.project, line: [] } }
  expect((await other.call('POST', '/projects/import', bare)).status).toBe(201)
  expect((await other.project(`/projects/${id}`)).line).toEqual(made.line)
  await other.stop()
})
