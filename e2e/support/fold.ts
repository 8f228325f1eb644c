import type { Page } from '@playwright/test'

/** Opens a folded part of a page; what is open stays so. */
export async function unfold(page: Page, title: string): Promise<void> {
  const part = page.getByRole('heading', { name: new RegExp(`^${title}`) }).getByRole('button')
  await part.waitFor()
  if ((await part.getAttribute('aria-expanded')) === 'false') await part.click()
}
