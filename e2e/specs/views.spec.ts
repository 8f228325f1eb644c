import { readFile } from 'node:fs/promises'
import { expect, test } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { demoId, seedProject } from '../support/projects.ts'

test('what a dialog and a toast put into the page is let in, and what is not ours is refused', async ({
  page,
  request,
  refused,
}) => {
  // Not the demo: the tests beside this one stand in it.
  const { url, name } = await seedProject(request)
  // A dialog holds the page still by a style of its own.
  await page.goto(`${url}/roster`)
  await page.getByRole('button', { name: 'Change Reed-pikes' }).click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await expect(page.locator('body')).toHaveCSS('overflow', 'hidden')
  await page.keyboard.press('Escape')
  await page.goto('/projects')
  await page.getByRole('button', { name: `Put ${name} away` }).click()
  const toast = page.locator('[data-sonner-toast]').first()
  await expect(toast).toHaveCSS('position', 'absolute')
  await toast.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('heading', { name })).toBeVisible()
  expect(refused).toEqual([])
  // Who may not put a style in does not.
  await page.evaluate(() =>
    document.head.append(
      Object.assign(document.createElement('style'), { textContent: 'body { color: red }' }),
    ),
  )
  await expect.poll(() => refused.length).toBe(1)
  refused.pop()
})

test('empty places say what belongs there and lead on', async ({ page, request }) => {
  const { url } = await seedProject(request, { units: {}, stages: 0 })
  await page.goto(`${url}/bench`)
  await expect(page.getByRole('heading', { name: 'The bench is clear' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'To the roster' }).click()
  await expect(page.getByRole('heading', { name: 'The roster is empty' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Stages' }).click()
  await expect(page.getByRole('heading', { name: 'There are no stages yet' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('link', { name: 'Plan' }).click()
  await expect(page.getByText('There are no models yet.')).toBeVisible()
  await expectAccessible(page)
})

test('what is not there, and a server that does not answer, are said in words', async ({ page, context }) => {
  await page.goto('/projects/0193aaaa-0000-7000-8000-000000000000/plan')
  await expect(page.getByRole('heading', { name: 'Nothing lies here' })).toBeVisible()
  await page.goto('/elsewhere')
  await expect(page.getByRole('heading', { name: 'Nothing lies here' })).toBeVisible()
  await context.route('**/api/**', (route) => route.abort())
  await page.goto(`/projects/${demoId}/plan`)
  await expect(page.getByRole('heading', { name: 'The desk is unattended' })).toBeVisible()
  await expectAccessible(page)
  await context.unroute('**/api/**')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Done by')
})

test('a connection stays open for longer than a client leaves it idle', async ({ request }) => {
  const answer = await request.get('/api/projects')
  expect(answer.headers()['keep-alive']).toBe('timeout=75')
})

test('the theme is chosen by hand and stays', async ({ page }) => {
  await page.goto('/projects')
  await page.getByRole('button', { name: 'Lamplight' }).click()
  await page.reload()
  await expect(page.getByRole('button', { name: 'Daylight' })).toBeVisible()
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark')
})

test('a project goes out as a file and comes back beside itself', async ({ page, request }) => {
  const { url, name } = await seedProject(request)
  await page.goto('/projects')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: `Save ${name} as a file` }).click()
  const path = await (await download).path()
  await page.getByRole('button', { name: 'Open a file' }).click()
  await page.getByLabel('File', { exact: true }).setInputFiles({
    name: 'broken.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"x"}'),
  })
  await expect(page.getByRole('alert')).toContainText('format: This is not a Seriatim project file.')
  await page.getByLabel('File', { exact: true }).setInputFiles(path)
  await page.getByRole('button', { name: 'Load the project' }).click()
  await page.getByRole('button', { name: 'Load as a copy' }).click()
  await expect(page).toHaveURL(/\/projects\/[0-9a-f-]{36}\/(plan|bench)$/)
  expect(page.url()).not.toContain(url)
  await page.goto('/projects')
  await page
    .getByRole('button', { name: `Put ${name} away` })
    .first()
    .click()
  await expect(page.getByRole('heading', { name })).toHaveCount(1)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('heading', { name })).toHaveCount(2)
})

test('a question mark tells the keys of the place, and leads to help', async ({ page }) => {
  await page.goto(`/projects/${demoId}/bench`)
  await expect(page.getByRole('region', { name: 'Do this now' })).toBeVisible()
  await page.keyboard.press('?')
  const dialog = page.getByRole('dialog', { name: 'Keys' })
  await expect(dialog).toContainText('starts the clock')
  await expectAccessible(page)
  await dialog.getByRole('link', { name: /words of the desk/ }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('How it works')
  await page.keyboard.press('?')
  await expect(dialog).toContainText('This place has no keys of its own.')
  await page.keyboard.press('Escape')
  await expect(dialog).toBeHidden()
})

test('everything goes out as one file, and of it only what is not here comes in', async ({
  page,
  request,
}) => {
  const { name } = await seedProject(request)
  await page.goto('/projects')
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save everything' }).click()
  const path = await (await download).path()
  expect(await readFile(path, 'utf8')).toContain(`"${name}"`)
  await page.getByRole('button', { name: 'Open a file' }).click()
  await page.getByLabel('File', { exact: true }).setInputFiles(path)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take what is not here yet' }).click()
  await expect(
    page.getByText(/^0 projects, 0 clients and 0 materials taken\. \d+ projects were here already/),
  ).toBeVisible()
  await expect(page.getByRole('dialog')).toHaveCount(0)
})

test('every place has a title of its own, begins at its top, and is found again where it was left', async ({
  page,
}) => {
  const at = (place: string) => `/projects/${demoId}/${place}`
  const titles = new Set<string>()
  const seen = [
    at('roster'),
    at('recipe'),
    at('line'),
    at('hours'),
    at('plan'),
    at('bench'),
    at('sheet'),
    at('logbook'),
    at('sessions'),
    at('paper'),
    '/projects',
    '/new',
    '/shelf',
    '/air',
    '/desk',
    '/commissions',
    '/help',
  ]
  for (const path of seen) {
    await page.goto(path)
    await expect(page).toHaveTitle(
      path.startsWith(at('')) ? /^.+ · Tallow Fen militia · Seriatim$/ : /^.+ · Seriatim$/,
    )
    titles.add(await page.title())
  }
  expect(titles.size).toBe(seen.length)

  await page.goto(at('roster'))
  await expect(page.getByRole('heading', { level: 1 })).toContainText('models')
  await page.getByRole('button', { name: 'Change Officers' }).scrollIntoViewIfNeeded()
  await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight))
  const left = await page.evaluate(() => window.scrollY)
  expect(left).toBeGreaterThan(100)
  await page.getByRole('link', { name: 'Logbook', exact: true }).click()
  await expect(page).toHaveURL(/logbook$/)
  await expect.poll(() => page.evaluate(() => window.scrollY)).toBe(0)
  await page.goBack()
  await expect.poll(() => page.evaluate(() => window.scrollY)).toBe(left)
})

test('a dialog gives the focus back to what opened it, by key or by tap', async ({ page }) => {
  await page.goto(`/projects/${demoId}/roster`)
  const opener = page.getByRole('button', { name: 'Change Officers' })
  await opener.press('Enter')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()
  await expect(opener).toBeFocused()
  await opener.click()
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(opener).toBeFocused()
  // By a key of the page, from nowhere in it: the content has it.
  await page.getByRole('heading', { level: 1 }).click()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.locator('#main')).toBeFocused()
})

/** What stands there last, when all of a page is worked out. */
const places: readonly (readonly [path: string, last: RegExp])[] = [
  ['roster', /45 models/],
  ['recipe', /a model$/],
  ['line', /^The recipes come to \d+ stages/],
  ['hours', /most worth an hour first/],
  ['plan', /in 8 of 10 cases/],
  ['bench', /of work left, done by .* in 8 of 10 cases/],
  ['sheet', /done by .* in 8 of 10 cases/],
  ['logbook', /^You take/],
  ['sessions', /next session/],
  ['paper', /^On paper$/],
]

test('nothing moves in view while a page is worked out', async ({ page }) => {
  await page.addInitScript(() => {
    const moved = { sum: 0, what: [] as string[] }
    Object.assign(window, { moved })
    interface Shift extends PerformanceEntry {
      readonly value: number
      readonly hadRecentInput: boolean
      readonly sources: readonly { readonly node: Node | null }[]
    }
    new PerformanceObserver((list) => {
      for (const shift of list.getEntries() as Shift[]) {
        if (shift.hadRecentInput) continue
        moved.sum += shift.value
        moved.what.push(
          `${shift.value.toFixed(3)} ${shift.sources.map(({ node }) => node?.textContent?.slice(0, 40) ?? '').join(' | ')}`,
        )
      }
    }).observe({ type: 'layout-shift', buffered: true })
  })
  for (const [path, last] of places) {
    await page.goto(`/projects/${demoId}/${path}`)
    await expect(page.getByRole('main').getByText(last).first()).toBeVisible()
    const moved = await page.evaluate(
      () => (window as unknown as { moved: { sum: number; what: string[] } }).moved,
    )
    expect(moved.sum, `${path}: ${moved.what.join('; ')}`).toBeLessThanOrEqual(0.02)
  }
})
