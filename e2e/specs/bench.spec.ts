import { lineTemplates } from '@seriatim/core/presets'
import { expect, test, type Page } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { keepFromWriting } from '../support/hold-back.ts'
import { newId, recordedKinds, recordPunch, seedProject } from '../support/projects.ts'
import { goTo, makeFirstRecipe } from '../support/recipes.ts'
import { setTime } from '../support/time.ts'

/** Tuesday at noon. */
const beforeTheSession = '2026-11-24T11:00:00Z'
const hole = (page: Page, name: string | RegExp) => page.getByRole('gridcell', { name })
const ticket = (page: Page) => page.getByRole('region', { name: 'Do this now' })

test('the evening by keys alone: start, next, done, undo, redo, stop', async ({ page, request }) => {
  const { url, id } = await seedProject(request, { stages: 3 })
  await page.goto(`${url}/roster`)
  await page.getByRole('link', { name: 'Bench', exact: true }).press('Enter')
  await expect(ticket(page)).toContainText('0 / 6')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('started')
  await page.keyboard.press('Space')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('2 / 6')
  await page.keyboard.press('z')
  await expect(ticket(page)).toContainText('1 / 6')
  await page.keyboard.press('y')
  await expect(ticket(page)).toContainText('2 / 6')
  await page.keyboard.press('Escape')
  await expect(ticket(page)).toContainText('not started')
  await page.keyboard.press('Space')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Prime: .* on the clock/).first()).toBeVisible()
  await expect(hole(page, /^Prime, Reed-pikes: drying/)).toBeVisible()
  await expect
    .poll(() => recordedKinds(request, id))
    .toEqual([
      'clock-started',
      'punched',
      'punched',
      'undone',
      'undone',
      'clock-stopped',
      'clock-started',
      'punched',
      'clock-stopped',
    ])
})

test('a stage’s end starts its drying, and a wet stage warns', async ({ page, request }) => {
  const { url } = await seedProject(request, { stages: 2 })
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toContainText('Spray outdoors or in an extracting booth')
  await page.getByRole('button', { name: 'All done' }).click()
  const shelf = page.getByRole('region', { name: 'Drying' })
  await expect(shelf).toContainText('prime, 6 models')
  await expect(shelf).toContainText(/2[12]:\d\d/)
  await expect(ticket(page)).toContainText(/Still wet after prime: dry at \d\d:\d\d/)
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
  await dialog.getByRole('button', { name: 'Note it' }).click()
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

test('another paint than the recipe says is noted where it was used', async ({ page, request }) => {
  const { url, id } = await seedProject(request, { stages: 2 })
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toContainText('Another paint')
  await page.keyboard.press('u')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What was used').fill('2:1 moss green to sedge')
  await dialog.getByRole('button', { name: 'Note it' }).click()
  await expect(dialog.getByRole('alert')).toContainText('“sedge” is not on the shelf.')
  await dialog.getByLabel('What was used').fill('2:1 moss green to pale bone')
  await dialog.getByLabel('Why').fill('the pot was empty')
  await dialog.getByRole('button', { name: 'Note it' }).click()
  await expect(ticket(page)).toContainText(/On these models: .*moss green.*pale bone, the pot was empty\./)
  await page.reload()
  await expect(ticket(page)).toContainText('the pot was empty')
  await expect.poll(() => recordedKinds(request, id)).toEqual(['used'])
  await page.keyboard.press('z')
  await expect(ticket(page)).not.toContainText('the pot was empty')
})

test('while the shelf cannot be read there is the work all the same', async ({ page, request }) => {
  const { url } = await seedProject(request, { stages: 2 })
  let asked = 0
  await page.route('**/api/shelf', (route) => {
    asked += 1
    const problem = {
      type: 'unexpected',
      title: 'Something went wrong here',
      status: 500,
      detail: 'Try again.',
    }
    return route.fulfill({ status: 500, json: problem })
  })
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toContainText('Another paint')
  await page.keyboard.press('u')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What was used').fill('sedge')
  await expect(dialog.getByRole('button', { name: 'Note it' })).toBeDisabled()
  await expect(dialog.getByRole('alert')).toContainText('This did not work')
  expect(asked).toBeLessThan(10)
  await page.unroute('**/api/shelf')
  await dialog.getByRole('button', { name: 'Try again' }).click()
  await dialog.getByRole('button', { name: 'Note it' }).click()
  await expect(dialog.getByRole('alert')).toContainText('“sedge” is not on the shelf.')
})

test('one tap punches a batch or a model, and a second takes it back', async ({ page, request }) => {
  const { url } = await seedProject(request)
  await page.goto(`${url}/bench`)
  await page.getByRole('button', { name: 'Reed-pikes, 6 models' }).click()
  await hole(page, 'Coat, Reed-pikes 3: to do').click()
  await expect(hole(page, 'Coat, Reed-pikes 3: drying')).toBeVisible()
  await expect(hole(page, 'Coat, Reed-pikes: in hand, 1 of 6')).toBeVisible()
  await hole(page, 'Coat, Reed-pikes: in hand, 1 of 6').click()
  await expect(hole(page, 'Coat, Reed-pikes: drying')).toBeVisible()
  await hole(page, 'Coat, Reed-pikes: drying').click()
  await expect(hole(page, 'Coat, Reed-pikes: to do')).toBeVisible()
})

test('after a tap the keys are the desk’s again', async ({ page, request }) => {
  const { url } = await seedProject(request, { stages: 1 })
  await page.goto(`${url}/bench`)
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await page.keyboard.press('Space')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('2 / 6')
  await page.getByRole('button', { name: /^Undo/ }).click()
  await expect(ticket(page)).toContainText('1 / 6')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('2 / 6')
})

test('a sweep of the pointer punches many at once', async ({ page, request }) => {
  const { url, id } = await seedProject(request)
  await page.goto(`${url}/bench`)
  await page.getByRole('button', { name: 'Reed-pikes, 6 models' }).click()
  const [from, to] = [hole(page, 'Skin, Reed-pikes 2: to do'), hole(page, 'Skin, Reed-pikes 5: to do')]
  // What stands above the strips has come, and pushes them down no more.
  await expect(page.getByRole('heading', { level: 1 })).toContainText('in 8 of 10 cases')
  await to.scrollIntoViewIfNeeded()
  const [a, b] = [(await from.boundingBox())!, (await to.boundingBox())!]
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2)
  await page.mouse.down()
  await page.mouse.move(b.x + b.width / 2, b.y + b.height / 2, { steps: 12 })
  await page.mouse.up()
  for (const number of [2, 3, 4, 5])
    await expect(hole(page, `Skin, Reed-pikes ${number}: drying`)).toBeVisible()
  await expect(hole(page, 'Skin, Reed-pikes 1: to do')).toBeVisible()
  await expect.poll(() => recordedKinds(request, id)).toEqual(['punched'])
})

test('arrows with Shift choose a block, Space punches it, Z takes it back', async ({ page, request }) => {
  const { url } = await seedProject(request, { units: { Eels: 2, Pikes: 2 } })
  await page.goto(`${url}/bench`)
  await hole(page, 'Prime, Eels: to do').focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('Shift+ArrowDown')
  await expect(page.getByRole('gridcell', { selected: true })).toHaveCount(4)
  await page.keyboard.press('Space')
  for (const name of ['Grade, Eels', 'Skin, Eels', 'Grade, Pikes', 'Skin, Pikes']) {
    await expect(hole(page, `${name}: drying`)).toBeVisible()
  }
  await page.keyboard.press('z')
  await expect(hole(page, 'Skin, Pikes: to do')).toBeVisible()
  await expect(hole(page, 'Grade, Pikes: drying')).toBeVisible()
})

test('a missed part is noted on its model and mended by a tap', async ({ page, request }) => {
  const { url } = await seedProject(request)
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toBeVisible()
  await page.keyboard.press('t')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What').fill('bare behind the shield')
  await dialog.getByLabel('Reed-pikes 4').check()
  await dialog.getByRole('button', { name: 'Note it' }).click()
  const slip = hole(page, /^Prime, Reed-pikes: touch-up: bare behind the shield/)
  await expect(slip).toBeVisible()
  await page.getByRole('button', { name: 'Reed-pikes, 6 models' }).click()
  await hole(page, 'Prime, Reed-pikes 4: touch-up: bare behind the shield').click()
  await expect(hole(page, 'Prime, Reed-pikes 4: drying')).toBeVisible()
})

test('what the plan says next can be taken up at once', async ({ page, request }) => {
  const { url } = await seedProject(request, { units: { Eels: 2, Pikes: 2 } })
  await page.goto(`${url}/bench`)
  const then = page.getByRole('region', { name: 'Then' })
  const first = then.getByRole('listitem').first()
  const text = (await first.locator('b').innerText()).trim()
  await first.getByRole('button', { name: 'Do it now' }).click()
  await expect(ticket(page).getByRole('heading')).toContainText(text)
})

test('punches made while the server is away are kept through a closed tab and sent later', async ({
  page,
  request,
  context,
}) => {
  const { url, id } = await seedProject(request)
  await page.goto(`${url}/bench`)
  await expect(ticket(page)).toBeVisible()
  await keepFromWriting(page)
  await hole(page, 'Prime, Reed-pikes: to do').click()
  await expect(page.getByText('1 entry is kept in this browser')).toBeVisible()
  await page.close()
  expect(await recordedKinds(request, id)).toEqual([])
  const reopened = await context.newPage()
  // The answer that was read before the record arrived comes last: it must not hide the punch.
  const recorded = reopened.waitForResponse((response) => response.request().method() === 'POST')
  let read: () => void = () => undefined
  const isRead = new Promise<void>((resolve) => (read = resolve))
  await reopened.route('**/events*', async (route) => {
    if (route.request().method() !== 'GET') {
      await isRead
      return route.continue()
    }
    const early = await route.fetch()
    read()
    await recorded
    return route.fulfill({ response: early })
  })
  await reopened.goto(`${url}/bench`)
  await expect(hole(reopened, 'Prime, Reed-pikes: drying')).toBeVisible()
  await expect.poll(() => recordedKinds(request, id)).toEqual(['punched'])
  // What was asked meanwhile gets its answer before the page goes.
  await reopened.unrouteAll({ behavior: 'wait' })
})

test('it says until when, what the session brings, and that a batch may end at its stop line', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { stages: 14 })
  await setTime(page, beforeTheSession)
  await page.goto(`${url}/bench`)
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

test('it says what to get ready, and where the colour hides before the pot is closed', async ({
  page,
  request,
}) => {
  await setTime(page, beforeTheSession)
  await makeFirstRecipe(page, request)
  // Else the plan may take the base first, or the skin.
  await goTo(page, 'Plan')
  await page.getByLabel('Keep every batch to the row of the line').check()
  await expect(page.getByText('Every batch keeps to the row of the line.')).toBeVisible()
  await goTo(page, 'Recipe')
  await page.getByRole('button', { name: 'Regions' }).click()
  await page.getByLabel('Where a colour hides on the skin').fill('behind the ears, under the chin')
  await page.getByRole('button', { name: 'Save the regions' }).click()
  await goTo(page, 'Bench')
  const setUp = ticket(page).getByLabel('Set up')
  await expect(setUp).toContainText('Shake the can well')
  await expect(setUp).toContainText('the can, held as far off as its sheet says')
  const stage = ticket(page).getByRole('heading', { level: 2 })
  await page.getByRole('button', { name: 'All done' }).click()
  await expect(stage).toContainText('Spray from above')
  await page.getByRole('button', { name: 'All done' }).click()
  await expect(stage).toContainText('Spread, base')
  // Any of what comes can be taken up.
  const then = page.getByRole('region', { name: 'Then' })
  await then.getByRole('button', { name: /^All \d+ that come/ }).click()
  await then
    .getByRole('listitem')
    .filter({ hasText: 'Base coat, skin' })
    .getByRole('button', { name: 'Do it now' })
    .click()
  await expect(stage).toContainText('Base coat, skin')
  await expect(setUp).toContainText(/\d+ drops? .*, for 6 models/)
  await expect(setUp).toContainText('brush')

  const look = ticket(page).getByRole('group').filter({ hasText: 'Before the pot is closed' })
  await look.getByText('Before the pot is closed').click()
  await expect(look).toContainText('skin: behind the ears, under the chin')
  await expect(look).toContainText('Nobody else needs this pot. Opening it once more takes 1 min.')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('started')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('1 / 6')
  await expect(setUp).toContainText('for 5 models')
  await page.keyboard.press('t')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What').fill('left ear')
  await dialog.getByLabel('Reed-pikes 1').check()
  await dialog.getByRole('button', { name: 'Note it' }).click()
  await expect(stage).toContainText('Touch up')
  await page.keyboard.press('Space')
  await expect(look).toContainText('Missed before: left ear')
  await expectAccessible(page)
})

test('what was noted of a pot in one project is said again where it is opened in another', async ({
  page,
  request,
}) => {
  const first = [{ material: `bog wash ${newId().slice(-6)}` }]
  const before = await seedProject(request, { stages: 3, first })
  await recordPunch(request, before.id, newId(), { kind: 'touch-up', note: 'left ear' })

  const { url } = await seedProject(request, { stages: 3, first })
  await page.goto(`${url}/line`)
  const again = page.getByRole('region', { name: 'Noted of these pots in other projects' })
  await expect(again).toContainText(`Prime, slip: left ear ${before.name}`)
  await expectAccessible(page)
  await goTo(page, 'Bench')
  const look = ticket(page).getByRole('group').filter({ hasText: 'Before the pot is closed' })
  await look.getByText('Before the pot is closed').click()
  await expect(look).toContainText(`Missed before: left ear ${before.name}`)
})

test('a tap on a model skips it, asks for another coat, or notes where it slipped', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 3 }, stages: 1 })
  await page.goto(`${url}/bench`)
  const models = page.getByRole('list', { name: 'Models of this batch' })
  const choose = async (model: RegExp, what: string) => {
    await models.getByRole('button', { name: model }).click()
    await page.getByRole('menuitem', { name: what }).click()
  }
  await expect(models.getByRole('button', { name: 'Pikes 1: to do, next' })).toBeVisible()
  await choose(/^Pikes 1/, 'Skip for now')
  await expect(models.getByRole('button', { name: 'Pikes 2: to do, next' })).toBeVisible()
  await page.getByRole('button', { name: 'Start the clock' }).click()
  await page.keyboard.press('Space')
  await expect(models.getByRole('button', { name: 'Pikes 2: drying' })).toBeVisible()
  await expect(models.getByRole('button', { name: 'Pikes 3: in hand, next' })).toBeVisible()
  await models.getByRole('button', { name: /^Pikes 2/ }).click()
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await choose(/^Pikes 2/, 'Another coat')
  await expect(models.getByRole('button', { name: 'Pikes 2: in hand' })).toBeVisible()
  await choose(/^Pikes 3/, 'Done')
  await choose(/^Pikes 3/, 'Slip or missed part')
  await page.getByRole('dialog').getByLabel('What').fill('bare behind the shield')
  await page.getByRole('dialog').getByRole('button', { name: 'Note it' }).click()
  await expect(
    models.getByRole('button', { name: 'Pikes 3: touch-up: bare behind the shield' }),
  ).toBeVisible()
  await expect
    .poll(() => recordedKinds(request, id))
    .toEqual(['clock-started', 'punched', 'cleared', 'punched', 'touch-up'])
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
  await expect(page.getByRole('dialog', { name: 'Stamp a milestone' })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(stage).toContainText('Wash')
  await expect(ticket(page)).toContainText('3 / 6')
})

test('of a batch with many models only the strips in view are drawn, and the keys reach the rest', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { units: { Pikes: 120 }, stages: 6, batchSize: 120 })
  await page.goto(`${url}/bench`)
  await page.getByRole('button', { name: 'Pikes, 120 models' }).click()
  const row = page.getByRole('grid').getByRole('row')
  await expect(row.nth(5)).toBeVisible()
  expect(await row.count()).toBeLessThan(60)
  await hole(page, /^Prime, Pikes: to do/).focus()
  for (let step = 0; step < 100; step++) await page.keyboard.press('ArrowDown')
  const focused = page.locator('[role="gridcell"]:focus')
  await expect(focused).toBeInViewport()
  await expect(focused).toHaveAttribute('data-row', '100')
  await expect(focused).toHaveAccessibleName(/ 100: to do$/)
  await page.keyboard.press('Space')
  await expect(focused).toHaveAccessibleName(/ 100: dr/)
})
