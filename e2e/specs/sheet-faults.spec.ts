import { execFileSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { expect, test, type Page } from '../support/test.ts'
import { launchOptions } from '../support/chromium.ts'
import { freePort, Instance } from '../support/instance.ts'
import { recordedEvents, seedProject } from '../support/projects.ts'
import { asProof } from '../support/rounds.ts'
import { beginSweep } from '../support/sweep.ts'

const inCache = (name: string) => fileURLToPath(new URL(`../../.cache/${name}`, import.meta.url))
const data = inCache('e2e-sheet-faults-data')
const profile = inCache('e2e-sheet-faults-profile')
let instance: Instance

test.beforeAll(async () => {
  for (const folder of [data, profile]) rmSync(folder, { recursive: true, force: true })
  instance = new Instance(data, await freePort())
  await instance.start()
})
test.afterAll(async () => {
  await instance.stop()
  for (const folder of [data, profile]) rmSync(folder, { recursive: true, force: true })
})

/** A browser that keeps what it has in a folder, as everybody's does, and what kills it at once. */
async function openBrowser() {
  const context = await chromium.launchPersistentContext(profile, {
    ...launchOptions,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Berlin',
    locale: 'en-GB',
  })
  const [page = await context.newPage()] = context.pages()
  const kill = async () => {
    const closed = new Promise<void>((resolve) => context.once('close', () => resolve()))
    execFileSync('pkill', ['-KILL', '-f', `user-data-dir=${profile}`])
    await closed
  }
  return { page, kill, close: () => context.close() }
}

const strip = (page: Page, number: number, done: number) =>
  page.getByRole('gridcell', { name: new RegExp(`^Pikes ${String(number)}, Pikes: ${String(done)} of 6`) })

/** How many entries the browser's database has: it takes one within moments of its being shown. */
const spared = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('seriatim-outbox')
        opening.onerror = () => reject(new Error('not opened'))
        opening.onsuccess = () => {
          const counting = opening.result.transaction('parcels').objectStore('parcels').count()
          counting.onsuccess = () => {
            opening.result.close()
            resolve(counting.result)
          }
        }
      }),
  )

const orders = [
  ['browser', 'server', 'database'],
  ['database', 'server', 'browser'],
  ['browser', 'database', 'server'],
  ['server', 'browser', 'database'],
  ['server', 'database', 'browser'],
  ['database', 'browser', 'server'],
] as const
test(
  'browser, server and database killed in mid-sweep, in every order: what was shown is there, once',
  asProof,
  async ({ playwright }) => {
    // As many starts of everything.
    const request = await playwright.request.newContext({ baseURL: instance.origin })
    const { url, id } = await seedProject(request, { units: { Pikes: 12 }, stages: 6 })
    const expected: string[] = []
    let browser = await openBrowser()
    for (const [stage, order] of orders.entries()) {
      await test.step(order.join(', then '), async () => {
        const { page, kill } = browser
        await page.goto(`${instance.origin}${url}/sheet`)
        await page.getByLabel('A tap or sweep').selectOption({ index: stage + 1 })
        await beginSweep(page, 1, 4)
        await page.mouse.up()
        for (const number of [1, 2, 3, 4]) await expect(strip(page, number, doneOf(number) + 1)).toBeVisible()
        const before = [1, 2, 3, 4].map((number) => `${String(stage)} ${String(number)}`)
        await expect.poll(() => recorded(id)).toEqual([...expected, ...before].toSorted())
        await expect.poll(() => spared(page)).toBe(0)
        await beginSweep(page, 5, 8)
        const pids = { server: [instance.serverPid()], database: instance.databasePids() }
        const ended = instance.ended()
        let isLetGo = false
        for (const what of order) {
          if (what === 'browser') await kill()
          else for (const pid of pids[what]) killHard(pid)
          if (isLetGo || order.indexOf(what) >= order.indexOf('browser')) continue
          await page.mouse.up()
          for (const number of [5, 6, 7, 8])
            await expect(strip(page, number, doneOf(number) + 1)).toBeVisible()
          await expect.poll(() => spared(page)).toBe(1)
          isLetGo = true
        }
        await ended
        const shown = isLetGo ? [1, 2, 3, 4, 5, 6, 7, 8] : [1, 2, 3, 4]
        expected.push(...shown.map((number) => `${String(stage)} ${String(number)}`))

        await instance.start()
        browser = await openBrowser()
        await browser.page.goto(`${instance.origin}${url}/sheet`)
        for (const number of shown) await expect(strip(browser.page, number, doneOf(number))).toBeVisible()
        await expect.poll(() => recorded(id)).toEqual(expected.toSorted())
      })
    }
    await browser.close()
    await request.dispose()

    function doneOf(number: number): number {
      return expected.filter((each) => each.endsWith(` ${String(number)}`)).length
    }

    /** What the server has: a line for each model at each stage, and twice what was counted twice. */
    async function recorded(project: string): Promise<readonly string[]> {
      const { units, line } = (await (await request.get(`/api/projects/${project}`)).json()) as {
        readonly units: readonly { readonly models: readonly { readonly id: string }[] }[]
        readonly line: readonly { readonly id: string }[]
      }
      const models = units.flatMap((unit) => unit.models.map((model) => model.id))
      const stages = line.map((stage) => stage.id)
      return (await recordedEvents(request, project))
        .flatMap((event) =>
          event.kind === 'punched'
            ? event.modelIds.map(
                (model) => `${String(stages.indexOf(event.stageId))} ${String(models.indexOf(model) + 1)}`,
              )
            : [event.kind],
        )
        .toSorted()
    }
  },
)

/** What is gone already, with what it stood on, is gone. */
function killHard(pid: number): void {
  try {
    process.kill(pid, 'SIGKILL')
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error
  }
}
