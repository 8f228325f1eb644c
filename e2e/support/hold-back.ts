import type { Page } from '@playwright/test'

/** Keeps what the server answers at an address from the page until what this gives is called. */
export async function holdBack(page: Page, address: string): Promise<() => void> {
  let letCome: () => void = () => undefined
  const comes = new Promise<void>((resolve) => {
    letCome = resolve
  })
  await page.route(address, async (route) => {
    await comes
    await route.continue()
  })
  return () => letCome()
}
