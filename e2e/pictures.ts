// One current picture of each main view, from the demo data, at a fixed moment.
import { execFileSync } from 'node:child_process'
import { mkdirSync, readdirSync, rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chromium, request as playwright, type Locator, type Page } from '@playwright/test'
import { launchOptions } from './support/chromium.ts'
import { unfold } from './support/fold.ts'
import { freePort, Instance } from './support/instance.ts'
import { changeProject, newId, seedProject } from './support/projects.ts'

const moment = '2026-11-24T19:40:00Z'
const timeZone = 'Europe/Berlin'
const project = '/projects/01930000-0000-7000-8000-000000000047'
const root = fileURLToPath(new URL('..', import.meta.url))
const folder = `${root}docs/screenshots`
const data = `${root}.cache/screenshots-data`
const desktop = { width: 1280, height: 800 }
const tablet = { width: 820, height: 1180 }
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
    name: 'new-project',
    path: '/new',
    size: desktop,
    act: async (page) => {
      await page
        .getByLabel('What', { exact: true })
        .fill('30 foot in 3 squads red blue green, 5 riders, 1 big beast')
      await page.getByLabel('When you paint').fill('Tue, Thu 19:30–22:00, Sat 14:00–18:00')
      await page.getByLabel('Done by').fill('2026-12-19')
      await page.getByText('Being worked out').first().waitFor()
      await page.getByText('Being worked out').last().waitFor({ state: 'detached', timeout: 60_000 })
    },
  },
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
      await unfold(page, 'How sure it is')
      // What would help is tried when somebody comes to see it.
      await toTop(page.locator('#odds'))
      await page
        .getByRole('button', { name: /^Take it/ })
        .first()
        .waitFor({ timeout: 60_000 })
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
  { name: 'bench-tablet', path: `${project}/bench`, size: tablet, act: inGroups },
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

/** A stain that is to be wiped while it is soft: six models at a time, and their limit counting down. */
async function inGroups(page: Page) {
  const request = await playwright.newContext({ baseURL: new URL(page.url()).origin })
  const minutes = (count: number) => count * 60
  const { id, url } = await seedProject(request, {
    units: { 'Levy spears': 12 },
    stages: 6,
    batchSize: 12,
    first: [
      { name: 'Prime', ...none },
      {
        name: 'Stain, all over',
        material: 'bog oak stain',
        note: 'Into the folds; nothing may pool.',
        ...none,
        handsOnSecondsPerModel: minutes(2),
        nextWithinSeconds: minutes(15),
      },
      {
        name: 'Wipe back',
        material: '',
        note: 'A lint-free rag over all that is raised.',
        handsOnSecondsPerModel: minutes(1),
        dryingMinSeconds: minutes(45),
        dryingMaxSeconds: minutes(90),
        cautions: ['oily-rags'],
      },
    ],
  })
  await changeProject(request, id, 1, [
    { kind: 'set', thing: 'project', field: 'name', value: 'Tallow Fen levy' },
  ])
  const { units, line } = (await (await request.get(`/api/projects/${id}`)).json()) as {
    readonly units: readonly { readonly models: readonly { readonly id: string }[] }[]
    readonly line: readonly { readonly id: string }[]
  }
  const models = units.flatMap((unit) => unit.models.map((model) => model.id))
  const punched = (stage: number, modelIds: readonly string[], minutesAgo: number) => ({
    id: newId(),
    at: new Date(Date.parse(moment) - minutesAgo * 60_000).toISOString(),
    kind: 'punched',
    stageId: line[stage]!.id,
    modelIds,
  })
  const stained = models.slice(0, 6).map((model, index) => punched(1, [model], 10 - 2 * index))
  await request.post(`/api/projects/${id}/events`, { data: { events: [punched(0, models, 30), ...stained] } })
  await request.dispose()
  await page.goto(`${new URL(page.url()).origin}${url}/bench`)
  await page.getByRole('heading', { level: 2, name: 'Wipe back' }).waitFor()
  await page.getByRole('region', { name: 'Then' }).waitFor()
}

const none = { setUpSeconds: 0, dryingMinSeconds: 0, dryingMaxSeconds: 0 }

async function foretold(page: Page) {
  await page.getByRole('heading', { level: 1, name: /of 10 cases/ }).waitFor({ timeout: 60_000 })
}

/** The clock is started once; later pictures find it running. */
async function running(page: Page) {
  const start = page.getByRole('button', { name: 'Start the clock' })
  await page.getByRole('group', { name: 'At the desk' }).waitFor()
  // What comes first is the plan's choice.
  await page.getByRole('region', { name: 'Then' }).waitFor()
  if (await start.isVisible()) await start.click()
  await page.getByRole('button', { name: 'Next model' }).waitFor()
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
