import { test as base, expect, type Page } from '@playwright/test'

/** Every page of a test is told on where its policy refuses anything: nothing of ours is to be refused, on any page. */
export const test = base.extend<{ refused: string[]; page: Page }>({
  refused: async ({}, use) => {
    await use([])
  },
  page: async ({ page, refused }, use) => {
    page.on('console', (said) => {
      if (said.text().includes('Content Security Policy')) refused.push(said.text())
    })
    await use(page)
    expect(refused).toEqual([])
  },
})

export { expect, type Page } from '@playwright/test'
