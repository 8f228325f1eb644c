// npm run screenshots: one current picture of each main view, from the demo data, at a fixed moment.
import { spawn } from 'node:child_process'
import { mkdirSync, readdirSync, rmSync } from 'node:fs'
import { ensureChromium, ensurePostgres } from './lib/debian-packages.mjs'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { cache, inRoot, root } from './lib/paths.mjs'
import { freePort } from './lib/ports.mjs'
import { runTool } from './lib/stop.mjs'

const moment = '2026-11-24T19:40:00Z'
const timeZone = 'Europe/Berlin'
const project = '/projects/01930000-0000-7000-8000-000000000047'
const folder = inRoot('docs', 'screenshots')
const desktop = { width: 1280, height: 800 }
const tablet = { width: 820, height: 1180 }
const phone = { width: 390, height: 844 }

const shots = [
  { name: 'projects', path: '/', size: desktop },
  { name: 'roster', path: `${project}/roster`, size: desktop },
  { name: 'line', path: `${project}/line`, size: desktop },
  {
    name: 'line-stage',
    path: `${project}/line`,
    size: desktop,
    act: async (page) => {
      await page.getByRole('button', { name: /^Skin/ }).click()
      await page.getByRole('button', { name: /^Grade/ }).scrollIntoViewIfNeeded()
    },
  },
  { name: 'plan', path: `${project}/plan`, size: desktop, act: compared },
  {
    name: 'plan-evenings',
    path: `${project}/plan`,
    size: desktop,
    act: async (page) => {
      await compared(page)
      await page
        .getByRole('heading', { name: /evenings, in order/ })
        .evaluate((heading) => window.scrollTo(0, heading.offsetTop - 70))
    },
  },
  {
    name: 'plan-batch-sizes',
    path: `${project}/plan`,
    size: desktop,
    act: async (page) => {
      await compared(page)
      await page
        .locator('#batch-sizes')
        .evaluate((heading) => window.scrollTo(0, heading.getBoundingClientRect().top + window.scrollY - 80))
    },
  },
  { name: 'bench', path: `${project}/bench`, size: desktop, act: running },
  {
    name: 'bench-strips',
    path: `${project}/bench`,
    size: desktop,
    act: async (page) => {
      await page.getByRole('button', { name: /^Lock-keepers 2/ }).click()
      await page
        .locator('#strips')
        .evaluate((heading) => window.scrollTo(0, heading.getBoundingClientRect().top + window.scrollY - 80))
    },
  },
  { name: 'bench-lamplight', path: `${project}/bench`, size: tablet, scheme: 'dark', act: running },
  { name: 'bench-phone', path: `${project}/bench`, size: phone, act: running },
  { name: 'plan-tablet', path: `${project}/plan`, size: tablet, act: compared },
]

async function compared(page) {
  await page.getByRole('heading', { name: /are done first/ }).waitFor({ timeout: 60_000 })
}

/** The clock is started once; later pictures find it running. */
async function running(page) {
  const start = page.getByRole('button', { name: 'Start the clock' })
  await page.getByRole('group', { name: 'At the desk' }).waitFor()
  if (await start.isVisible()) await start.click()
  await page.getByRole('button', { name: 'Next model' }).waitFor()
  await page.getByRole('region', { name: 'Then' }).waitFor()
}

await runTool(async () => {
  requireNode()
  await ensurePostgres()
  await ensureChromium()
  await ensureNodePackages()
  const { chromium } = await import('@playwright/test')
  const data = cache('screenshots-data')
  rmSync(data, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  const port = await freePort()
  const app = await startApp(port, data)
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  })
  try {
    for (const { name, path, size, scheme = 'light', act } of shots) {
      const context = await browser.newContext({
        viewport: size,
        colorScheme: scheme,
        timezoneId: timeZone,
        locale: 'en-GB',
        reducedMotion: 'reduce',
        hasTouch: size !== desktop,
      })
      const page = await context.newPage()
      await page.clock.setFixedTime(moment)
      await page.goto(`http://127.0.0.1:${port}${path}`)
      await page.getByRole('heading', { level: 1 }).waitFor()
      await page.waitForLoadState('networkidle')
      await act?.(page)
      await page.screenshot({ path: `${folder}/${name}.png` })
      await context.close()
    }
  } finally {
    await browser.close()
    const ended = new Promise((done) => app.once('exit', done))
    app.kill('SIGINT')
    await ended
    rmSync(data, { recursive: true, force: true })
  }
  for (const file of readdirSync(folder)) {
    if (!shots.some((shot) => `${shot.name}.png` === file)) rmSync(`${folder}/${file}`)
  }
})

function startApp(port, data) {
  const env = { ...process.env, PORT: String(port), SERIATIM_DATA: data, SERIATIM_NOW: moment, TZ: timeZone }
  const app = spawn(process.execPath, ['tools/start.mjs'], {
    cwd: root,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  return new Promise((ready, gaveUp) => {
    app.stdout.on('data', (text) => String(text).includes('is ready') && ready(app))
    app.once('exit', (code) => gaveUp(new Error(`start ended with ${code}`)))
  })
}
