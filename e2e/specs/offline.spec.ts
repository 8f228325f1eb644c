import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test, type Page } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { freePort, Instance } from '../support/instance.ts'
import { demoId, recordedKinds, seedProject } from '../support/projects.ts'
import { asProof } from '../support/rounds.ts'

test.use({ serviceWorkers: 'allow' })

test('without a server the bench opens, records, and delivers once it is there again', async ({
  page,
  playwright,
}) => {
  const data = fileURLToPath(new URL('../../.cache/e2e-offline-data', import.meta.url))
  rmSync(data, { recursive: true, force: true })
  const instance = new Instance(data, await freePort())
  await instance.start()
  const request = await playwright.request.newContext({ baseURL: instance.origin })
  try {
    const { url, id } = await seedProject(request, { units: { Pikes: 3 }, stages: 2 })
    const at = (place: string) => `${instance.origin}${url}/${place}`
    await page.goto(at('bench'))
    await page.getByRole('button', { name: 'All done' }).click()
    await expect.poll(() => recordedKinds(request, id)).toEqual(['punched'])
    // The pages are on the device, and so is the log once it has settled.
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    await expect.poll(() => page.evaluate(() => caches.has('seriatim-pages'))).toBe(true)
    await expect
      .poll(() =>
        page.evaluate(async () => {
          const cache = await caches.open('seriatim-pages')
          return (await cache.match('/')) !== undefined
        }),
      )
      .toBe(true)
    await expect.poll(() => keptEvents(page)).toBe(1)
    await instance.stop()

    // A page that was never opened before.
    await page.goto(at('sheet'))
    await expect(page.getByRole('heading', { level: 1 })).toContainText('of 3 table-ready')
    await expect(page.getByText('The server does not answer.')).toBeVisible()
    await expect(page.getByRole('gridcell', { name: /^Pikes 1, Pikes: 1 of 2/ })).toBeVisible()
    await expectAccessible(page)
    await page.goto(at('bench'))
    await page.getByRole('button', { name: 'All done' }).click()
    await expect(page.getByText('1 entry is kept in this browser')).toBeVisible()
    await page.reload()
    await expect(page.getByText('1 entry is kept in this browser')).toBeVisible()

    await instance.start()
    await expect.poll(() => recordedKinds(request, id)).toEqual(['punched', 'punched'])
    await expect(page.getByText('is kept in this browser')).toBeHidden()
    await expect(page.getByText('The server does not answer.')).toBeHidden()
  } finally {
    await request.dispose()
    await instance.stop()
    rmSync(data, { recursive: true, force: true })
  }
})

test('what was kept of another database is thrown away', asProof, async ({ page }) => {
  const data = fileURLToPath(new URL('../../.cache/e2e-other-data', import.meta.url))
  rmSync(data, { recursive: true, force: true })
  const instance = new Instance(data, await freePort())
  await instance.start()
  try {
    await page.goto(`${instance.origin}/projects/${demoId}/sheet`)
    const strip = page.getByRole('gridcell', { name: /^Eel-netter 9,/ })
    await expect(strip).toBeVisible()
    const before = (await strip.getAttribute('aria-label')) ?? ''
    await expect.poll(() => keptEvents(page)).toBeGreaterThan(0)
    const known = await keptEvents(page)
    await page.getByLabel('A tap or sweep').selectOption({ index: 2 })
    await strip.click()
    await expect(strip).not.toHaveAttribute('aria-label', before)
    await expect.poll(() => keptEvents(page)).toBeGreaterThan(known)
    await instance.stop()
    rmSync(data, { recursive: true, force: true })
    await instance.start()
    await page.reload()
    await expect(strip).toHaveAttribute('aria-label', before)
  } finally {
    await instance.stop()
    rmSync(data, { recursive: true, force: true })
  }
})

/** So many events are in the logs that this device keeps. */
function keptEvents(page: Page): Promise<number> {
  return page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const opening = indexedDB.open('seriatim')
        opening.onsuccess = () => {
          const all = opening.result.transaction('kept').objectStore('kept').getAll()
          all.onsuccess = () => {
            opening.result.close()
            const kept = all.result as ({ log?: { kinds: unknown[] } } | null)[]
            resolve(kept.reduce((sum, each) => sum + (each?.log?.kinds.length ?? 0), 0))
          }
        }
      }),
  )
}
