import type { Page } from './test.ts'

/** A hole of the strips, by what it says. */
export const hole = (page: Page, name: string | RegExp) => page.getByRole('gridcell', { name })

/** What is to be done now. */
export const ticket = (page: Page) => page.getByRole('region', { name: 'Do this now' })
