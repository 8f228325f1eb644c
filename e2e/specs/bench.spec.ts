import { lineTemplates } from '@seriatim/core/presets'
import { expect, test, type Route } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { hole, ticket } from '../support/bench.ts'
import { recordedKinds, seedProject } from '../support/projects.ts'
import { moveTime, setTime } from '../support/time.ts'

/** Tuesday at noon. */
const beforeTheSession = '2026-11-24T11:00:00Z'

test('not needed: the models that are left go without the stage, and an undo asks for it again', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { stages: 3 })
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toContainText('Prime')
  await page.keyboard.press('n')
  await expect(page.getByText('Prime: 6 go without it.')).toBeVisible()
  await expect(ticket(page)).not.toContainText('Prime')
  await expect.poll(() => recordedKinds(request, id)).toEqual(['skipped'])
  await page.keyboard.press('z')
  await expect(ticket(page)).toContainText('Prime')
  await expect.poll(() => recordedKinds(request, id)).toEqual(['skipped', 'undone'])
})

test('what was left out on one unit is asked once of the next', async ({ page, request }) => {
  const { url, id } = await seedProject(request, { stages: 1, units: { 'Reed-pikes': 2, 'Eel-netters': 3 } })
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toContainText('Prime')
  await page.keyboard.press('n')
  await expect(page.getByText(/^Left out on .*\. Here too\?/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Leave it out', exact: true }).click()
  await expect(page.getByText('Nothing left to paint')).toBeVisible()
  await expect.poll(() => recordedKinds(request, id)).toEqual(['skipped', 'skipped'])
})

test('a slip may stay as it is: the model is done, and nothing is wet', async ({ page, request }) => {
  const { url, id } = await seedProject(request, { stages: 1 })
  await page.goto(`${url}/bench`)
  await page.getByRole('button', { name: 'All done' }).click()
  await hole(page, /^Prime, Reed-pikes: drying/).press('t')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What').fill('a hair on the cloak')
  await dialog.getByLabel('Reed-pikes 4').check()
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await page.getByRole('button', { name: 'Leave it' }).click()
  await expect(page.getByText('Nothing left to paint')).toBeVisible()
  await expect.poll(() => recordedKinds(request, id)).toEqual(['punched', 'touch-up', 'punched'])
})

test('the evening by keys alone: start, next, done, undo, redo, stop; and after a tap the keys are the desk’s again', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { stages: 3 })
  await page.goto(`${url}/roster`)
  await page.getByRole('link', { name: 'Bench', exact: true }).press('Enter')
  await expect(ticket(page)).toContainText('0 / 6')
  await expect(ticket(page)).toContainText('Spray outdoors or in an extracting booth')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('started')
  await page.keyboard.press('Space')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('2 / 6')
  await page.keyboard.press('z')
  await expect(ticket(page)).toContainText('1 / 6')
  await page.keyboard.press('y')
  await expect(ticket(page)).toContainText('2 / 6')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(ticket(page)).toContainText('1 / 6')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('2 / 6')
  await page.keyboard.press('Escape')
  await expect(ticket(page)).toContainText('not started')
  await page.keyboard.press('Space')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Prime: .* on the clock/).first()).toBeVisible()
  await expect(hole(page, /^Prime, Reed-pikes: drying/)).toBeVisible()
  // A stage’s end starts its drying, and a wet stage warns.
  const drying = page.getByRole('region', { name: 'Drying' })
  await expect(drying).toContainText('prime, 6 models')
  await expect(drying).toContainText(/2[1-3] min/)
  await expect(ticket(page)).toContainText(/Still wet after prime: dry at \d\d:\d\d/)
  await expect
    .poll(() => recordedKinds(request, id))
    .toEqual([
      'clock-started',
      'punched',
      'punched',
      'undone',
      'undone',
      'undone',
      'punched',
      'clock-stopped',
      'clock-started',
      'punched',
      'clock-stopped',
    ])
})

test('a slip becomes a dab to do, with its note and its minutes, and is done by one key', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { stages: 1 })
  await page.goto(`${url}/bench`)
  await page.getByRole('button', { name: 'All done' }).click()
  await hole(page, /^Prime, Reed-pikes: drying/).press('t')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What').fill('bare behind the shield')
  await dialog.getByLabel('Reed-pikes 4').check()
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(ticket(page).getByRole('heading')).toContainText('Touch up: Prime')
  await expect(ticket(page)).toContainText('bare behind the shield. One dab hides the slip.')
  await expect(ticket(page)).toContainText('0 / 1')
  await page.reload()
  await expect(ticket(page).getByRole('heading')).toContainText('Touch up: Prime')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await expect(page.getByText('Touch up: Prime').first()).toBeVisible()
  await page.getByRole('link', { name: 'Bench', exact: true }).click()
  await expect(ticket(page)).toBeVisible()
  await page.getByRole('button', { name: 'All done' }).click()
  await expect(page.getByText('Nothing left to paint')).toBeVisible()
  await expect.poll(() => recordedKinds(request, id)).toEqual(['punched', 'touch-up', 'punched'])
})

test('nothing lies there before it is known what comes first; then it says until when, what the session brings, and that a batch may end at its stop line', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { stages: 14 })
  await setTime(page, beforeTheSession)
  const held: Route[] = []
  await page.route(/planner\.worker/, (route) => void held.push(route))
  await page.goto(`${url}/bench`)
  await expect(page.getByText('Planning …')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Start the clock' })).toBeDisabled()
  await page.unroute(/planner\.worker/)
  await Promise.all(held.map((route) => route.continue()))
  await expect(ticket(page)).toBeVisible()
  const aside = page.getByRole('complementary')
  await expect(aside).toContainText(/from 19:30 to 22:00, work planned until \d\d:\d\d/)
  const stopLine = lineTemplates[0]!.stages.findIndex((stage) => stage.tableReady)
  const grid = page.getByRole('grid')
  await grid.getByRole('gridcell').first().focus()
  for (let stage = 0; stage < stopLine; stage++) await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('Table-ready: this batch may end here. What is left is by choice:')
  await expectAccessible(page)
})

test('a coat that is dry already or still tacky is said so, and teaches the wait', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 2 }, stages: 1 })
  await page.goto(`${url}/bench`)
  const planned = page.locator('dl').getByText('drying afterwards').locator('..')
  await expect(planned).toContainText('min')
  const before = await planned.innerText()
  await page.getByRole('button', { name: 'All done' }).click()
  const drying = page.getByRole('region', { name: 'Drying' })
  await drying.getByRole('button', { name: 'Sound off' }).click()
  await page.reload()
  await expect(drying.getByRole('button', { name: 'Sound on' })).toHaveAttribute('aria-pressed', 'true')
  await drying.getByRole('button', { name: 'Dry already: Pikes, Prime' }).click()
  await expect(drying).toContainText('Nothing is wet.')
  await expect(drying).toContainText('dry since')
  await drying.getByRole('button', { name: 'Still tacky: Pikes, Prime' }).click()
  await expect(drying.getByRole('button', { name: 'Dry already: Pikes, Prime' })).toBeVisible()
  await drying.getByRole('button', { name: 'Dry already: Pikes, Prime' }).click()
  await expect(drying).toContainText('Nothing is wet.')
  await page.keyboard.press('Escape')
  const hole = page.getByRole('gridcell', { name: /^Prime, Pikes: done/ })
  await hole.click()
  await expect(planned).toContainText('min')
  expect(await planned.innerText()).not.toBe(before)
  await expect.poll(() => recordedKinds(request, id)).toEqual(['punched', 'felt', 'felt', 'felt', 'cleared'])
})

test('what has to follow soon is done in groups, each through both, with its limit counting down', async ({
  page,
  request,
}) => {
  const minutes = (count: number) => count * 60
  const dry = { setUpSeconds: 0, dryingMinSeconds: 0, dryingMaxSeconds: 0 }
  const { url } = await seedProject(request, {
    units: { Pikes: 6 },
    stages: 2,
    first: [
      { ...dry, name: 'Wash', handsOnSecondsPerModel: minutes(2), nextWithinSeconds: minutes(5) },
      { ...dry, name: 'Wipe', handsOnSecondsPerModel: minutes(1) },
    ],
  })
  await page.goto(`${url}/bench`)
  const stage = ticket(page).getByRole('heading', { level: 2 })
  await expect(stage).toContainText('Wash')
  await expect(ticket(page)).toContainText('3 models at a time, then wipe within 5 min; 3 more after that.')
  await page.keyboard.press('Enter')
  await expect(stage).toContainText('Wipe')
  const waiting = page.getByRole('region', { name: 'Before it is too late' })
  await expect(waiting).toContainText('Pikes, 3 models')
  await expectAccessible(page)
  await page.keyboard.press('Enter')
  await expect(waiting).toHaveCount(0)
  await page.keyboard.press('m')
  await expect(page.getByRole('dialog', { name: 'Log progress' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(stage).toContainText('Wash')
  await expect(ticket(page)).toContainText('3 / 6')
})

test('while a clock runs the screen stays awake, a pedal is the next model, and a hidden page calls', async ({
  page,
  request,
}) => {
  await page.addInitScript(() => {
    const desk = { awake: 0, notices: [] as string[], hidden: false }
    Object.assign(window, { desk })
    const request = () => {
      desk.awake += 1
      return Promise.resolve({ release: () => Promise.resolve(void (desk.awake -= 1)) })
    }
    Object.defineProperty(navigator, 'wakeLock', { value: { request } })
    Object.defineProperty(document, 'visibilityState', { get: () => (desk.hidden ? 'hidden' : 'visible') })
    class Notice extends EventTarget {
      static readonly permission = 'granted'
      constructor(_: string, { body }: { readonly body: string }) {
        super()
        desk.notices.push(body)
      }
    }
    Object.assign(window, { Notification: Notice })
  })
  const at = (name: 'awake' | 'notices') =>
    page.evaluate((key) => (window as unknown as { desk: Record<string, unknown> }).desk[key], name)
  const { url } = await seedProject(request, { units: { Pikes: 3 }, stages: 1 })
  await setTime(page, '2026-11-24T20:00:00Z')
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toContainText('Prime')
  await page.keyboard.press('?')
  await page.getByRole('button', { name: 'Use a pedal' }).click()
  await page.keyboard.press('PageDown')
  await expect(page.getByText('“Next model” is also Page Down.')).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('dialog')).toBeHidden()

  expect(await at('awake')).toBe(0)
  await page.keyboard.press('PageDown')
  await expect(page.getByText(/^started \d\d:\d\d$/)).toBeVisible()
  await expect.poll(() => at('awake')).toBe(1)
  await page.keyboard.press('PageDown')
  await expect(ticket(page)).toContainText('1 / 3')
  await page.keyboard.press('Escape')
  await expect.poll(() => at('awake')).toBe(0)

  const drying = page.getByRole('region', { name: 'Drying' })
  await drying.getByRole('button', { name: 'Sound off' }).click()
  await page.evaluate(() => Object.assign((window as unknown as { desk: object }).desk, { hidden: true }))
  await moveTime(page, '2026-11-25T20:00:00Z')
  await expect.poll(() => at('notices')).toEqual(['Pikes: dry after prime.'])
})

test('a unit that is done has a page of its own: what it took, and what comes next', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { units: { Pikes: 2 }, stages: 1 })
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toContainText('Prime')
  await page.getByRole('button', { name: /Start the clock/ }).click()
  await page.getByRole('button', { name: 'All done' }).click()
  await expect(page.getByRole('heading', { name: 'Nothing left to paint' })).toBeVisible()
  await page.getByRole('link', { name: 'How it went with Pikes' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Pikes: 2 models done')
  const times = page.getByRole('region', { name: /^Minutes a model/ }).first()
  await expect(times.getByRole('row').nth(1)).toContainText('Prime')
  await expect(page.getByText(/^Such a unit would take .* from now on/)).toBeVisible()
  await expectAccessible(page)
  await page.goto(`${url}/roster`)
  await expect(page.getByRole('link', { name: 'How it went with Pikes' })).toBeVisible()
  await page.goBack()
  await page.getByRole('link', { name: 'The next project' }).click()
  await expect(page).toHaveURL(/\/new$/)
})
