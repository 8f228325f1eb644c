// What the bench of the demo costs while nobody touches it, and what a tick costs, in seconds of processor of the page and
// its workers: tsx e2e/idle.ts
import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { launchOptions } from './support/chromium.ts'
import { freePort, Instance } from './support/instance.ts'
import { demoId } from './support/projects.ts'

const data = fileURLToPath(new URL('../.cache/idle-data', import.meta.url))
rmSync(data, { recursive: true, force: true })
const instance = new Instance(data, await freePort())
await instance.start()
const browser = await chromium.launch(launchOptions)
const system = await browser.newBrowserCDPSession()
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })

/** Seconds of processor that the pages and their workers have taken so far. */
async function spent(): Promise<number> {
  const { processInfo } = await system.send('SystemInfo.getProcessInfo')
  return processInfo.reduce((sum, { type, cpuTime }) => sum + (type === 'renderer' ? cpuTime : 0), 0)
}

const say = (line: string) => process.stdout.write(`${line}\n`)

/** Until two seconds in a row cost next to nothing. */
async function quiet(): Promise<void> {
  for (let still = 0, before = await spent(); still < 2;) {
    await page.waitForTimeout(1000)
    const now = await spent()
    still = now - before < 0.05 ? still + 1 : 0
    before = now
  }
}

await page.goto(`${instance.origin}/projects/${demoId}/bench`)
await page.getByText('in 8 of 10 cases').first().waitFor({ timeout: 120_000 })
await quiet()
say(`opened: ${(await spent()).toFixed(1)} s of processor`)

for (let tick = 0; tick < 5; tick++) {
  const before = await spent()
  await page.keyboard.press(' ')
  await page.waitForTimeout(3000)
  const soon = await spent()
  await quiet()
  say(
    `tick ${String(tick + 1)}: ${(soon - before).toFixed(2)} s in 3 s, ${((await spent()) - before).toFixed(2)} s in all`,
  )
}

// Nobody's clock runs.
await page.keyboard.press('Escape')
await quiet()
// From the end of ten minutes on to that of the next: figures follow the clock in steps of ten.
const minutes = Number(process.argv[2] ?? 21)
const before = await spent()
let last = before
for (let minute = 0; minute < minutes; minute++) {
  await page.waitForTimeout(60_000)
  const now = await spent()
  say(`idle, minute ${String(minute + 1)}: ${(now - last).toFixed(2)} s`)
  last = now
}
say(`idle: ${((100 * (last - before)) / (60 * minutes)).toFixed(2)} % of a core`)
await browser.close()
await instance.stop()
rmSync(data, { recursive: true, force: true })
