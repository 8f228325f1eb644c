import { chromium } from 'playwright-core'
import { launchOptions } from './support/chromium.ts'
const browser = await chromium.launch(launchOptions)
const demo = '/projects/01930000-0000-7000-8000-000000000047'
const ctx = await browser.newContext({
  baseURL: 'http://127.0.0.1:4777',
  viewport: { width: 1280, height: 800 },
  serviceWorkers: 'block',
  timezoneId: 'Europe/Berlin',
})
const page = await ctx.newPage()
await page.goto(demo + '/paper?print=hand-over')
await page.getByText('stages done').first().waitFor()
await page.screenshot({ path: '/tmp/h1.png', fullPage: true })
await page.emulateMedia({ media: 'print' })
await page.setViewportSize({ width: 703, height: 1031 })
await page.screenshot({ path: '/tmp/h2.png', fullPage: true })
await browser.close()
