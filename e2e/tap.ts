// How long a tap takes until it is painted, and how many frames scrolling gets, at 500 models × 30 stages with 15,000
// events behind it, against an empty page: tsx e2e/tap.ts
import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { chromium, request as requests, type Locator, type Page } from '@playwright/test'
import { launchOptions } from './support/chromium.ts'
import { freePort, Instance } from './support/instance.ts'
import { newId, seedProject } from './support/projects.ts'

const data = fileURLToPath(new URL('../.cache/tap-data', import.meta.url))
rmSync(data, { recursive: true, force: true })
const instance = new Instance(data, await freePort())
await instance.start()
const request = await requests.newContext({ baseURL: instance.origin })
// tsx e2e/tap.ts 2000: so many models instead of 500.
const wanted = Number(process.argv[2] ?? 500)
const names = Array.from({ length: 20 }, (_, index) => [`Unit ${String(index + 1)}`, wanted / 20] as const)
const wish = { units: Object.fromEntries(names), stages: 30, batchSize: 10 }
const { id, url } = await seedProject(request, wish)
const project = (await (await request.get(`/api/projects/${id}`)).json()) as {
  line: { id: string }[]
  units: { models: { id: string }[] }[]
}
const models = project.units.flatMap((unit) => unit.models)
const device = newId()
for (let from = 0; from < 15_000; from += 500) {
  const events = Array.from({ length: 500 }, (_, index) => {
    const number = from + index
    return {
      id: newId(),
      at: new Date(Date.now() - (15_000 - number) * 40_000).toISOString(),
      by: { device, number: number + 1, painter: 'you' },
      kind: 'punched',
      stageId: project.line[Math.floor(number / models.length) % 20]?.id,
      modelIds: [models[number % models.length]?.id],
      drySeconds: 900,
      worthSeconds: 60,
    }
  })
  const answer = await request.post(`/api/projects/${id}/events`, { data: { events } })
  if (!answer.ok()) throw new Error(await answer.text())
}

const browser = await chromium.launch(launchOptions)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
await page.addInitScript(() => {
  const seen: PerformanceEventTiming[] = []
  Object.assign(window, { seen })
  new PerformanceObserver((list) => seen.push(...(list.getEntries() as PerformanceEventTiming[]))).observe({
    type: 'event',
    durationThreshold: 16,
  } as PerformanceObserverInit)
})
const share = (values: readonly number[], part: number) =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * part))] ?? 0
const median = (values: readonly number[]) => share(values, 0.5)
const taps = 24

async function measure(place: string, first: number, ready?: (at: Page) => Promise<unknown>): Promise<void> {
  await page.goto(`${instance.origin}${url}/${place}`)
  const cells = page.getByRole('gridcell')
  await cells.first().waitFor()
  // What is worked out once when a page opens is over.
  await page.getByText('in 8 of 10 cases').first().waitFor({ timeout: 120_000 })
  await ready?.(page)
  await scrolling(`the ${place}`, empty)
  await page.evaluate(() => window.scrollTo(0, 0))
  await tapping(place, (tap) => cells.nth(first + tap))
}

async function tapping(place: string, cellOf: (tap: number) => Locator): Promise<void> {
  const worked: number[] = []
  const painted: number[] = []
  for (let tap = 0; tap < taps; tap++) {
    await cellOf(tap).scrollIntoViewIfNeeded()
    const box = await cellOf(tap).boundingBox()
    if (!box) throw new Error('no hole there')
    await clearSeen(page)
    await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2)
    // At the desk a second or more lies between two taps.
    await page.waitForTimeout(1000)
    const [work, paint] = await slowest(page)
    worked.push(work)
    painted.push(paint)
  }
  process.stdout.write(
    `${place}: worked out in ${median(worked).toFixed(0)} ms, painted in ${median(painted).toFixed(0)} ms (medians of ${String(taps)} taps; 95 % within ${share(painted, 0.95).toFixed(0)} ms)\n`,
  )
}

/** Scrolls down and up again, a little each frame, for as long as it takes to tell. @returns milliseconds of each frame. */
async function scrolling(place: string, empty: number | null): Promise<number> {
  const frames = await page.evaluate(async (wanted) => {
    const seen: number[] = []
    let last = performance.now()
    while (seen.length < wanted) {
      const now = await new Promise<number>((resolve) => requestAnimationFrame(resolve))
      seen.push(now - last)
      last = now
      window.scrollBy(0, seen.length % 60 < 30 ? 48 : -48)
    }
    return seen.slice(1)
  }, 180)
  const each = frames.reduce((sum, frame) => sum + frame, 0) / frames.length
  const ratio = empty === null ? '' : `, ${(each / empty).toFixed(2)} of the empty page's`
  process.stdout.write(
    `scrolling ${place}: ${each.toFixed(1)} ms a frame (95 % within ${share(frames, 0.95).toFixed(1)} ms)${ratio}\n`,
  )
  return each
}

// What a tap takes on this machine where nothing is worked out and one square is painted.
await page.goto('about:blank')
await page.setContent('<div role="gridcell" style="width:30px;height:30px;background:#ccc"></div>')
await page.evaluate(() => {
  const square = document.querySelector('div')
  square?.addEventListener('pointerup', () => {
    square.style.background = square.style.background === 'black' ? 'white' : 'black'
  })
})
await tapping('an empty page', () => page.getByRole('gridcell').first())
await page.setContent('<div style="height:20000px"></div>')
const empty = await scrolling('an empty page', null)
await measure('bench', 31)
await measure('sheet', 2, (at) => at.getByLabel('A tap or sweep').selectOption({ index: 25 }))
await browser.close()
await instance.stop()
rmSync(data, { recursive: true, force: true })

function clearSeen(at: Page): Promise<void> {
  return at.evaluate(() => {
    ;(window as unknown as { seen: PerformanceEventTiming[] }).seen.length = 0
  })
}

/** Of one tap: how long its listeners took together, and until its slowest event's frame was there. */
function slowest(at: Page): Promise<readonly [work: number, paint: number]> {
  return at.evaluate(() => {
    const { seen } = window as unknown as { seen: PerformanceEventTiming[] }
    const own = seen.filter((each) => ['pointerdown', 'pointerup', 'click'].includes(each.name))
    const worked = own.reduce((sum, each) => sum + each.processingEnd - each.processingStart, 0)
    return [worked, Math.max(0, ...own.map((each) => each.duration))] as const
  })
}
