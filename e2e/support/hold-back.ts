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

/**
 * Nothing that this page writes reaches the server, until its end: a request that is held on its way by an address goes on
 * to the server as the page closes.
 */
export async function keepFromWriting(page: Page): Promise<void> {
  await page.evaluate(() => {
    const ask = window.fetch
    window.fetch = (address, asked) =>
      (asked?.method ?? 'GET') === 'GET' ? ask(address, asked) : Promise.reject(new TypeError('no network'))
  })
}
