import { expect, test } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { hole, ticket } from '../support/bench.ts'
import { keepFromWriting } from '../support/hold-back.ts'
import { recordedKinds, seedProject } from '../support/projects.ts'

test('a sweep punches many at once, a tap a model or a batch, and a second takes it back', async ({
  page,
  request,
}) => {
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

  await hole(page, 'Coat, Reed-pikes 3: to do').click()
  await expect(hole(page, 'Coat, Reed-pikes 3: drying')).toBeVisible()
  await expect(hole(page, 'Coat, Reed-pikes: in hand, 1 of 6')).toBeVisible()
  await hole(page, 'Coat, Reed-pikes: in hand, 1 of 6').click()
  await expect(hole(page, 'Coat, Reed-pikes: drying')).toBeVisible()
  await hole(page, 'Coat, Reed-pikes: drying').click()
  await expect(hole(page, 'Coat, Reed-pikes: to do')).toBeVisible()

  // A missed part is noted on its model and mended by a tap.
  await page.keyboard.press('t')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What').fill('bare behind the shield')
  await dialog.getByLabel('Reed-pikes 4').check()
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(hole(page, /^Coat, Reed-pikes: touch-up: bare behind the shield/)).toBeVisible()
  await hole(page, 'Coat, Reed-pikes 4: touch-up: bare behind the shield').click()
  await expect(hole(page, 'Coat, Reed-pikes 4: drying')).toBeVisible()
})

test('arrows with Shift choose a block, Space punches it, Z takes it back; what the plan says next is taken up at once', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { units: { Eels: 2, Pikes: 2 } })
  await page.goto(`${url}/bench`)
  const first = page.getByRole('region', { name: 'Then' }).getByRole('listitem').first()
  const text = (await first.locator('b').innerText()).trim()
  await first.getByRole('button', { name: 'Do it now' }).click()
  await expect(ticket(page).getByRole('heading')).toContainText(text)

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
  await page.getByRole('dialog').getByRole('button', { name: 'Save', exact: true }).click()
  await expect(
    models.getByRole('button', { name: 'Pikes 3: touch-up: bare behind the shield' }),
  ).toBeVisible()
  await expect
    .poll(() => recordedKinds(request, id))
    .toEqual(['clock-started', 'punched', 'cleared', 'punched', 'touch-up'])
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
  for (let step = 0; step < 40; step++) await page.keyboard.press('ArrowDown')
  const focused = page.locator('[role="gridcell"]:focus')
  await expect(focused).toBeInViewport()
  await expect(focused).toHaveAttribute('data-row', '40')
  await expect(focused).toHaveAccessibleName(/ 40: to do$/)
  await page.keyboard.press('Space')
  await expect(focused).toHaveAccessibleName(/ 40: dr/)
})
