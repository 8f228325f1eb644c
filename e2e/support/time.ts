import type { Page } from '@playwright/test'

/**
 * Page and server at one moment: a page whose clock differs from the server's goes by the server's.
 * What was open is left first: a page that asked between the two would take the difference for its clock's fault, and keep it.
 */
export async function setTime(page: Page, moment: string): Promise<void> {
  await page.goto('about:blank')
  await page.clock.setFixedTime(moment)
  await page.unroute('**/events*')
  await page.route('**/events*', async (route) => {
    const response = await route.fetch()
    const body = (await response.json()) as object
    await route.fulfill({ response, json: { ...body, now: moment } })
  })
}
