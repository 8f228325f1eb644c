import { expect, test, type Page } from '@playwright/test'
import { seedProject } from '../support/projects.ts'

/** Bytes of script over the wire, as compressed, until the page shows what is asked for. */
async function scriptBytes(page: Page, path: string, shows: string): Promise<number> {
  const sizes: Promise<number>[] = []
  page.on('response', (response) => {
    if (!new URL(response.url()).pathname.endsWith('.js')) return
    sizes.push(
      response
        .request()
        .sizes()
        .then((size) => size.responseBodySize),
    )
  })
  await page.goto(path)
  await expect(page.getByRole('heading', { level: 1 })).toContainText(shows)
  return (await Promise.all(sizes)).reduce((sum, size) => sum + size, 0)
}

const kilobytes = 1024

test('the bench comes within 350 KB of script, the plan within 300 more', async ({ browser, request }) => {
  const { url } = await seedProject(request)
  const fresh = async (path: string, shows: string) => {
    const context = await browser.newContext()
    const bytes = await scriptBytes(await context.newPage(), path, shows)
    await context.close()
    return bytes
  }
  const bench = await fresh(`${url}/bench`, 'of work left')
  const plan = await fresh(`${url}/plan`, 'Done by')
  expect(bench).toBeLessThan(350 * kilobytes)
  expect(plan).toBeLessThan(bench + 300 * kilobytes)
})
