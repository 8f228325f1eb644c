import { test as base, expect, type Page } from '@playwright/test'
import { putProjectsAway } from './projects.ts'

/** Every page of a test is told on where its policy refuses anything: nothing of ours is to be refused, on any page. */
export const test = base.extend<{ refused: string[]; cleared: null; page: Page }>({
  refused: async ({}, use) => {
    await use([])
  },
  cleared: [
    async ({ request }, use) => {
      await use(null)
      await putProjectsAway(request)
    },
    { auto: true },
  ],
  // Closed before its project goes.
  page: async ({ page, refused, cleared: _ }, use) => {
    page.on('console', (said) => {
      if (said.text().includes('Content Security Policy')) refused.push(said.text())
    })
    await use(page)
    expect(refused).toEqual([])
  },
})

export { expect, type Page, type Route } from '@playwright/test'
