// One current picture of each main view, from the demo data, at a fixed moment.
import { execFileSync } from 'node:child_process'
import { mkdirSync, readdirSync, rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chromium, type Locator, type Page } from '@playwright/test'
import { launchOptions } from './support/chromium.ts'
import { freePort, Instance } from './support/instance.ts'

const moment = '2026-11-24T19:40:00Z'
const timeZone = 'Europe/Berlin'
const project = '/projects/01930000-0000-7000-8000-000000000047'
const root = fileURLToPath(new URL('..', import.meta.url))
const folder = `${root}docs/screenshots`
const data = `${root}.cache/screenshots-data`
const desktop = { width: 1280, height: 800 }
const phone = { width: 390, height: 844 }

interface Shot {
  name: string
  path: string
  size: { width: number; height: number }
  /** What to do before the picture. */
  act?: (page: Page) => Promise<void>
}

const shots: Shot[] = [
  {
    name: 'roster',
    path: `${project}/roster`,
    size: desktop,
    act: (page) => page.getByText(/ left; done by /).waitFor({ timeout: 60_000 }),
  },
  { name: 'recipe', path: `${project}/recipe`, size: desktop },
  {
    name: 'line',
    path: `${project}/line`,
    size: desktop,
    act: async (page) => {
      await page.getByText('opened again, and why').click()
      await page.getByText('Being worked out').waitFor({ state: 'detached' })
    },
  },
  {
    name: 'hours',
    path: `${project}/hours`,
    size: desktop,
    act: async (page) => {
      await page.getByLabel('Hours there are').fill('9 h')
      await page.getByRole('region', { name: 'Standards in hours' }).waitFor()
    },
  },
  { name: 'plan', path: `${project}/plan`, size: desktop, act: foretold },
  {
    name: 'plan-odds',
    path: `${project}/plan`,
    size: desktop,
    act: async (page) => {
      await foretold(page)
      await page
        .getByRole('progressbar', { name: 'Offers tried' })
        .waitFor({ state: 'detached', timeout: 60_000 })
      await toTop(page.locator('#odds'))
    },
  },
  { name: 'sessions', path: `${project}/sessions`, size: desktop },
  { name: 'bench', path: `${project}/bench`, size: desktop, act: running },
  {
    name: 'sheet',
    path: `${project}/sheet`,
    size: desktop,
    act: async (page) => {
      await page.getByText('in 8 of 10 cases').first().waitFor({ timeout: 60_000 })
      await page.getByRole('heading', { name: /^Touch-up round/ }).click()
    },
  },
  {
    name: 'inspection',
    path: `${project}/sheet`,
    size: desktop,
    act: async (page) => {
      await page.getByText('in 8 of 10 cases').first().waitFor({ timeout: 60_000 })
      await page.getByRole('button', { name: /^Inspect \d/ }).click()
      await page
        .getByRole('dialog')
        .getByRole('button', { name: /^Touch up/ })
        .click()
    },
  },
  {
    name: 'pilot',
    path: `${project}/roster`,
    size: desktop,
    act: async (page) => {
      await page.getByRole('link', { name: 'The pilot of Lock-keepers' }).click()
      await page.getByRole('heading', { name: 'What the pilot asks for' }).waitFor()
    },
  },
  { name: 'logbook', path: `${project}/logbook`, size: desktop },
  { name: 'bench-phone', path: `${project}/bench`, size: phone, act: running },
  { name: 'plan-phone', path: `${project}/plan`, size: phone, act: foretold },
  // The air at the desk changes every wait, so it is let in last.
  {
    name: 'air',
    path: '/air',
    size: desktop,
    act: async (page) => {
      await page.getByRole('button', { name: 'Run the simulated thermo-hygrometers' }).click()
      await page.getByRole('img', { name: /Hours of spray weather/ }).waitFor()
      await page.getByText('The simulated thermo-hygrometers are running').waitFor({ state: 'detached' })
    },
  },
  { name: 'commission', path: `${project}/commission`, size: desktop, act: quoted },
  { name: 'client-page', path: `${project}/commission`, size: desktop, act: seenByClient },
  // They bring other projects in, or change this one, so they come after all others.
  { name: 'desk', path: '/projects', size: desktop, act: atOneDesk },
  { name: 'not-delivered', path: `${project}/bench`, size: desktop, act: notDelivered },
]

/** For a client, at a price that was agreed. */
async function quoted(page: Page) {
  await page.getByRole('button', { name: 'Somebody new' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Maren Voss')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await page.getByLabel('Test model').selectOption('Lock-keeper 4')
  await page.getByRole('button', { name: 'Keep as a quote' }).click({ timeout: 120_000 })
  await page.getByRole('button', { name: 'The client said yes to tabletop', exact: true }).click()
  await page.getByRole('heading', { name: /^Agreed: tabletop/ }).waitFor()
  await page.getByText('Leave it to tabletop plus').first().waitFor()
  await page.locator('[data-sonner-toast]').first().waitFor({ state: 'detached' })
  await toTop(page.locator('#tiers'))
}

/** Behind the link. */
async function seenByClient(page: Page) {
  await page.getByRole('button', { name: 'Make a link' }).click()
  await page.goto(await page.getByRole('dialog').getByText('/look/').innerText())
  await page.getByRole('heading', { name: 'Reed-pikes' }).waitFor()
}

/** Two jobs beside the demo, one of them rushed. */
async function atOneDesk(page: Page) {
  for (const [school, models] of [
    ['layers-over-colour', '15'],
    ['dark-under', '10'],
  ] as const) {
    const file = execFileSync(process.execPath, ['tools/cli.mjs', 'job', school, '--models', models], {
      cwd: root,
    })
    await fetch(`${new URL(page.url()).origin}/api/projects/import?copy=true`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: file,
    })
  }
  await page.reload()
  await page.getByRole('button', { name: 'All at one desk' }).click()
  await page.getByRole('button', { name: /^Rush 15 by/ }).click({ timeout: 60_000 })
  await page
    .getByText(/^(\d+ days? (sooner|later)|as before)$/)
    .first()
    .waitFor({ timeout: 60_000 })
}

/** A record refused, a date somebody else was first with, and one that waits while the server is away. */
async function notDelivered(page: Page) {
  await page.route('**/events', async (route) => {
    if (route.request().method() === 'GET') return route.continue()
    const { events } = route.request().postDataJSON() as { events: { id: string }[] }
    const reason = 'There is no such stage in this project.'
    const verdicts = events.map(({ id }) => ({ id, verdict: 'refused', reason }))
    await route.fulfill({ json: { verdicts, now: moment } })
  })
  const open = page.getByRole('gridcell', { name: /: to do$/ })
  await open.nth(3).click()
  await page.getByText('the server did not take.').waitFor()
  await page.unroute('**/events')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByRole('button', { name: /^Tue ·/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name').fill('Tallow Fen, spring muster')
  const path = `${new URL(page.url()).origin}/api${project}`
  const { revision } = (await (await fetch(path)).json()) as { revision: number }
  const change = {
    id: '0193a000-0000-7000-8000-00000000c0de',
    at: moment,
    device: '0193a000-0000-7000-8000-0000000000aa',
    number: 1,
    painter: null,
    base: revision,
    own: 0,
    commands: [{ kind: 'set', thing: 'project', field: 'name', value: 'Tallow Fen levy' }],
  }
  await fetch(`${path}/changes`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(change),
  })
  await dialog.getByRole('button', { name: 'Save' }).click()
  await page.getByText('2 entries the server did not take.').waitFor()
  await page.route('**/api/**', (route) =>
    route.request().method() === 'GET' ? route.continue() : route.abort(),
  )
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await open.nth(3).click()
  await page.getByText('The server does not answer.').waitFor()
  await page.getByRole('button', { name: 'Look at them' }).click()
  await page.getByRole('dialog').waitFor()
}

async function foretold(page: Page) {
  await page.getByRole('heading', { level: 1, name: /of 10 cases/ }).waitFor({ timeout: 60_000 })
}

/** The clock is started once; later pictures find it running. */
async function running(page: Page) {
  const start = page.getByRole('button', { name: 'Start the clock' })
  await page.getByRole('group', { name: 'At the desk' }).waitFor()
  if (await start.isVisible()) await start.click()
  await page.getByRole('button', { name: 'Next model' }).waitFor()
  await page.getByRole('region', { name: 'Then' }).waitFor()
}

/** Scrolls so that it stands just under the road. */
async function toTop(place: Locator) {
  await place.evaluate((element) => window.scrollBy(0, element.getBoundingClientRect().top - 80))
}

rmSync(data, { recursive: true, force: true })
mkdirSync(folder, { recursive: true })
const instance = new Instance(data, await freePort(), { SERIATIM_NOW: moment, TZ: timeZone })
await instance.start()
const browser = await chromium.launch(launchOptions)
try {
  for (const { name, path, size, act } of shots) {
    const context = await browser.newContext({
      viewport: size,
      colorScheme: 'light',
      timezoneId: timeZone,
      locale: 'en-GB',
      reducedMotion: 'reduce',
      hasTouch: size !== desktop,
    })
    // An open line is never idle.
    await context.route('**/news', (route) => route.abort())
    const page = await context.newPage()
    await page.clock.setFixedTime(moment)
    await page.goto(`${instance.origin}${path}`)
    await page.waitForLoadState('networkidle')
    // What is worked out beside the page may take longer than what is asked for.
    await page.getByRole('heading', { level: 1, name: /^(?!Loading)/ }).waitFor()
    await act?.(page)
    // Colours that are still on their way would tell two things at once.
    await page.evaluate(() => Promise.all(document.getAnimations().map((each) => each.finished)))
    await page.screenshot({ path: `${folder}/${name}.png` })
    await context.close()
  }
} finally {
  await browser.close()
  await instance.stop()
  rmSync(data, { recursive: true, force: true })
}
for (const file of readdirSync(folder)) {
  if (!shots.some((shot) => `${shot.name}.png` === file)) rmSync(`${folder}/${file}`)
}
