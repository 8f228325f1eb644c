import { expect, test, type Page } from '../support/test.ts'
import { seedProject } from '../support/projects.ts'

/** Bytes of the page's own script over the wire, as compressed; what computes beside it comes when the page is there. */
async function scriptBytes(page: Page, path: string, shows: string): Promise<number> {
  await page.goto(path)
  await expect(page.getByRole('heading', { level: 1 })).toContainText(shows)
  return page.evaluate(() => {
    const sizes = new Map<string, number>()
    for (const entry of performance.getEntriesByType('resource')) {
      if (/(?<!\.worker-[\w-]+)\.js$/.test(new URL(entry.name).pathname))
        sizes.set(entry.name, (entry as PerformanceResourceTiming).encodedBodySize)
    }
    return [...sizes.values()].reduce((sum, size) => sum + size, 0)
  })
}

const kilobytes = 1024

test('the bench comes within 350 KB of script, the plan within 300 more', async ({ browser, request }) => {
  const { url } = await seedProject(request)
  const fresh = async (path: string, shows: string) => {
    // What comes out of the device's own store does not come over the wire.
    const context = await browser.newContext({ serviceWorkers: 'block' })
    const bytes = await scriptBytes(await context.newPage(), path, shows)
    await context.close()
    return bytes
  }
  const bench = await fresh(`${url}/bench`, 'of work left')
  const plan = await fresh(`${url}/plan`, 'Done by')
  // Nothing counted would say that nothing was measured.
  expect(bench).toBeGreaterThan(50 * kilobytes)
  expect(bench).toBeLessThan(350 * kilobytes)
  expect(plan).toBeLessThan(bench + 300 * kilobytes)
})
