import { expect, type APIRequestContext, type Page } from '@playwright/test'
import { seedProject } from './projects.ts'

/** A project of one unit, on its recipe by the first school. */
export async function makeFirstRecipe(page: Page, request: APIRequestContext): Promise<void> {
  const { url } = await seedProject(request, { stages: 0 })
  await page.goto(`${url}/recipe`)
  await page.getByRole('button', { name: 'New recipe' }).click()
  await page.getByRole('button', { name: 'Make the recipe' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('layers')
}

/** Along the road. */
export async function goTo(
  page: Page,
  place: 'Roster' | 'Recipe' | 'Line' | 'Plan' | 'Bench',
): Promise<void> {
  await page.getByRole('link', { name: place, exact: true }).click()
}

/** The line is there without a click, and follows the recipe. */
export async function seeLineFollow(page: Page): Promise<void> {
  await goTo(page, 'Line')
  await expect(page.getByText('The line follows this order.')).toBeVisible()
}

/** The first stage of that recipe, done on every model. */
export async function primeAll(page: Page): Promise<void> {
  await goTo(page, 'Bench')
  await page.getByRole('button', { name: 'All done' }).click()
  await isPrimed(page)
}

export async function isPrimed(page: Page): Promise<void> {
  const prime = page.getByRole('gridcell', {
    name: /^Black primer, spray: spray, all over, Reed-pikes: (drying|done)/,
  })
  await expect(prime).toBeVisible()
}
