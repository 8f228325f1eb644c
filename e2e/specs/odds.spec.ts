import { expect, test, type Page } from '../support/test.ts'
import { unfold } from '../support/fold.ts'
import { expectAccessible } from '../support/axe.ts'
import { seedProject } from '../support/projects.ts'
import { setTime } from '../support/time.ts'

const inTime = (page: Page) => page.getByRole('region', { name: /to be done by|in 8 of 10 cases/ })

test('the plan gives odds and what would help, taken with one click; its figures open, and follow the batch size', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { units: { 'Reed-pikes': 6, 'Lock-keepers': 6 }, stages: 28 })
  // At noon: what helps depends on how much of today's session is left.
  await setTime(page, '2026-11-23T12:00:00Z')
  await page.goto(`${url}/plan`)
  await unfold(page, 'How sure it is')
  const odds = inTime(page)
  // What would help is tried when somebody comes to see it.
  await odds.scrollIntoViewIfNeeded()
  await expect(odds).toContainText('What moves the date most:')
  await expect(odds.getByRole('img', { name: /^Done by the end of: / })).toBeVisible()
  const evenings = page.getByRole('button', { name: /^Mon, Tue/ })
  await expect(evenings).toContainText('19:30–22:00')
  // Only what helps can be taken; what would cost stands apart.
  await odds.getByRole('button', { name: 'Take it: Every session 30 min longer' }).click()
  await expect(evenings).toContainText('19:30–22:30')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(evenings).toContainText('19:30–22:00')
  await odds.getByRole('button', { name: /simulations$/ }).click()
  await expect(page.getByRole('dialog', { name: /Where the odds come from/ })).toContainText(
    'sessions falling out',
  )
  await page.keyboard.press('Escape')
  await expectAccessible(page)

  const pots = page.getByRole('button', { name: /^\d+ paint changes/ })
  const before = await pots.innerText()
  await unfold(page, 'What goes together')
  const size = page.getByRole('group', { name: 'Together' })
  for (const value of ['5', '4', '3']) {
    await size.getByRole('button', { name: 'one less' }).click()
    await expect(size.getByRole('status')).toHaveText(value)
  }
  await expect(pots).not.toHaveText(before)
  await pots.click()
  await expect(page.getByRole('dialog', { name: 'How “Paint changes” came about' })).toContainText(
    'anew every session',
  )
  await page.keyboard.press('Escape')
  await expect(page.getByRole('list', { name: 'Batches', exact: true }).getByRole('listitem')).toHaveCount(4)

  await unfold(page, 'What matters most')
  // What matters most, and which batch comes first, by keys.
  const aims = page.getByRole('list', { name: 'Aims, the most wanted first' })
  await aims.getByRole('button', { name: /^Variety.*: up$/ }).click()
  await expect(aims.getByRole('listitem').nth(3)).toContainText('Variety')
  const batches = page.getByRole('list', { name: 'Batches, the first to be finished on top' })
  await batches
    .getByRole('button', { name: /^Lock-keepers.*: up$/ })
    .first()
    .click()
  await expect(page.getByRole('button', { name: 'Let the plan choose' })).toBeVisible()
  await page.getByRole('button', { name: 'Let the plan choose' }).click()
  await expect(page.getByRole('button', { name: 'Let the plan choose' })).toBeHidden()
})

test('the chart is walked by keys, a stretch says why it lies there, and is pinned to another session', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { units: { 'Reed-pikes': 12 }, stages: 14 })
  await page.goto(`${url}/plan`)
  const chart = page.getByRole('group', { name: /^Stretches of work/ })
  await chart.focus()
  await page.keyboard.press('ArrowRight')
  const told = page.getByRole('figure')
  await expect(told.getByText(/because the session begins\./)).toBeVisible()
  await page.keyboard.press('ArrowRight')
  await expect(told.getByText(/(because the hands come from|Not sooner, because)/)).toBeVisible()
  await page.keyboard.press('Home')
  const where = told.getByLabel('Pin to')
  const second = await where.locator('option').nth(2).innerText()
  await where.selectOption({ index: 2 })
  await expect(page.getByText('because it is pinned to this session.')).toBeVisible()
  await expect(told.getByText(second.slice(0, 10)).first()).toBeVisible()
  await expectAccessible(page)
  await told.getByRole('button', { name: 'Take the pin back' }).click()
  await expect(page.getByText('because the session begins.')).toBeVisible()
  await unfold(page, 'The plan as a table')
  await expect(
    page.getByRole('region', { name: 'The plan as a table' }).getByRole('row').nth(1),
  ).toContainText('Reed-pikes')
})

test('a stretch dragged to another session is pinned there', async ({ page, request }) => {
  const { url } = await seedProject(request, { units: { 'Reed-pikes': 12 }, stages: 14 })
  await page.goto(`${url}/plan`)
  const figure = page.getByRole('figure')
  const strand = figure.locator('line[stroke="transparent"]').first()
  const box = (await strand.boundingBox())!
  const bands = figure.locator('svg[role="img"] rect')
  const other = (await bands.nth(1).boundingBox())!
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(other.x + other.width / 2, y, { steps: 8 })
  await page.mouse.up()
  await expect(page.getByText(/ is pinned to \w{3} \d/)).toBeVisible()
  await expect(figure.getByText('because it is pinned to this session.')).toBeVisible()
})

test('tomorrow the plan tells what became of today’s', async ({ page, request }) => {
  const { url } = await seedProject(request)
  await setTime(page, '2026-11-24T12:00:00Z')
  await page.goto(`${url}/plan`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Done by')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('in 8 of 10 cases')
  await setTime(page, '2026-11-25T12:00:00Z')
  await page.goto(`${url}/plan`)
  await unfold(page, 'What has changed')
  const since = page.getByRole('region', { name: /^Since the plan of Tue 24 Nov/ })
  await expect(since).toContainText('The session of Tue 24 Nov fell out: nothing planned for it was done.')
})
