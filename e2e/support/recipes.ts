import { expect, type APIRequestContext, type Page } from '@playwright/test'
import { bodyPlans, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import type { Project } from '@seriatim/core/trade'
import { changeProject, newId, putCommand, seedProject } from './projects.ts'

/** A project of one unit, on its recipe by the first school: what the dialog makes of it is asked in `recipe.spec.ts`. */
export async function makeFirstRecipe(
  page: Page,
  request: APIRequestContext,
  some: { readonly unbuilt?: boolean } = {},
): Promise<void> {
  const { id, url } = await seedProject(request, { stages: 0 })
  await putFirstRecipe(request, id, some)
  await page.goto(`${url}/recipe`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('layers')
}

async function putFirstRecipe(
  request: APIRequestContext,
  id: string,
  some: { readonly unbuilt?: boolean },
): Promise<void> {
  const { units, revision } = (await (await request.get(`/api/projects/${id}`)).json()) as {
    readonly units: readonly { readonly id: string; readonly name: string }[]
    readonly revision: number
  }
  const [school, plan, unit] = [recipeSchools[0]!, bodyPlans[0]!, units[0]!]
  const recipe = recipeFromSchool(school, plan, unit.name, newId, some)
  await changeProject(request, id, revision, [putCommand('recipe', { ...recipe, unitIds: [unit.id] })])
}

/** Somebody else paints the first unit another way: by the second school, whose steps are all its own. */
export async function paintAnotherWay(page: Page, request: APIRequestContext): Promise<void> {
  const id = /projects\/([^/]+)/.exec(page.url())?.[1] ?? ''
  const { units, recipes, revision } = (await (
    await request.get(`/api/projects/${id}`)
  ).json()) as Project & {
    readonly revision: number
  }
  const [school, plan, unit, old] = [recipeSchools[1]!, bodyPlans[0]!, units[0]!, recipes[0]!]
  const recipe = recipeFromSchool(school, plan, `${unit.name}, another way`, newId)
  await changeProject(request, id, revision, [
    putCommand('recipe', { ...old, unitIds: [] }),
    putCommand('recipe', { ...recipe, unitIds: [unit.id] }),
  ])
}

/** Along the road. */
export async function goTo(
  page: Page,
  place: 'Roster' | 'Recipe' | 'Stages' | 'Plan' | 'Bench',
): Promise<void> {
  const link = page.getByRole('link', { name: place, exact: true })
  await link.click()
  // What stood before has left.
  await expect(link).toHaveAttribute('aria-current', 'page')
}

/** The line is there without a click, and follows the recipe. */
export async function seeLineFollow(page: Page): Promise<void> {
  await goTo(page, 'Stages')
  await expect(page.getByText('The stages follow this order.')).toBeVisible()
}

/** The first stage of that recipe, done on every model. */
export async function primeAll(page: Page): Promise<void> {
  await goTo(page, 'Bench')
  await page.getByRole('button', { name: 'All done' }).click()
  await isPrimed(page)
}

export async function isPrimed(page: Page): Promise<void> {
  const prime = page.getByRole('gridcell', {
    name: /^Black primer, Reed-pikes: (drying|done)/,
  })
  await expect(prime).toBeVisible()
}
