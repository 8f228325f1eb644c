import { goTo, makeFirstRecipe, seeLineFollow } from '../support/recipes.ts'
import { unfold } from '../support/fold.ts'
import { expectAccessible } from '../support/axe.ts'
import { expect, test } from '../support/test.ts'
import { demoId, recordPunch, seedProject } from '../support/projects.ts'
import { asProof } from '../support/rounds.ts'

test('a batch that is begun stays together whatever the size, and one is made by hand', async ({
  page,
  request,
}) => {
  const { id, url } = await seedProject(request, { units: { 'Reed-pikes': 12 }, batchSize: 4 })
  await recordPunch(request, id)
  await page.goto(`${url}/plan`)
  await unfold(page, 'What goes together')
  const together = page.getByRole('region', { name: 'What goes together' })
  const rows = together.getByRole('list', { name: 'Batches and their models' }).getByRole('listitem')
  await expect(rows).toContainText(['A1–4', 'B5–8', 'C9–12'])
  const size = page.getByRole('group', { name: 'Together' })
  for (const value of ['5', '6', '7', '8']) {
    await size.getByRole('button', { name: 'one more' }).click()
    await expect(size.getByRole('status')).toHaveText(value)
  }
  await expect(rows).toHaveText([/A1–4kept together/, /B5–12as planned/])
  await together.getByRole('button', { name: 'A batch of my own' }).click()
  const dialog = page.getByRole('dialog', { name: 'A batch of my own' })
  await dialog.getByLabel('Reed-pikes 6', { exact: true }).check()
  await dialog.getByLabel('Reed-pikes 8', { exact: true }).check()
  await dialog.getByRole('button', { name: '2 models together' }).click()
  await expect(rows).toHaveText([/A1–4kept/, /B5, 7, 9–12as planned/, /C6, 8kept together/])
  await page.reload()
  await expect(rows).toHaveText([/A1–4kept/, /B5, 7, 9–12as planned/, /C6, 8kept together/])
  const kept = together.getByRole('button', { name: 'Keep Reed-pikes C together', pressed: true })
  await kept.click()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(rows).toHaveText([/A1–4kept/, /B5, 7, 9–12as planned/, /C6, 8kept together/])
  await kept.click()
  await expect(rows).toHaveText([/A1–4kept/, /B5–12as planned/])
})

test('all batch sizes are compared in one chart, and one is chosen from it', async ({ page, request }) => {
  const { url } = await seedProject(request, { units: { 'Reed-pikes': 8 } })
  await page.goto(`${url}/plan`)
  await unfold(page, 'What goes together')
  await page.getByRole('region', { name: 'Batch sizes compared' }).scrollIntoViewIfNeeded()
  const table = page.getByRole('region', { name: 'Batch sizes in figures' })
  await expect(table.getByRole('row')).toHaveCount(8)
  await expect(page.getByRole('heading', { name: /^Batches of [\d+]+ are done first/ })).toBeVisible()
  await expect(page.locator('.recharts-bar-rectangle path').first()).toBeAttached()
  // Of the size in use both say the same.
  const figures = await page.locator('p').filter({ hasText: 'idle waits' }).innerText()
  const [, handsOn, waits, hidden, pots] =
    /hands-on (.*?) *idle waits (.*?), (.*?) covered by other work *together .*? (\d+) paint changes/.exec(
      figures.replace(/\s+/g, ' '),
    ) ?? []
  const inUse = table.getByRole('row').filter({ has: page.getByRole('button', { pressed: true }) })
  await expect(inUse.getByRole('cell')).toContainText([/^2$/, handsOn!, waits!, hidden!, pots!])
  await expectAccessible(page)
  await table.getByRole('button', { name: '2', exact: true }).click()
  await expect(page.getByRole('group', { name: 'Together' }).getByRole('status')).toHaveText('2')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('group', { name: 'Together' }).getByRole('status')).toHaveText('6')
})

test(
  'a long comparison shows how far it is and can be stopped and taken up again',
  asProof,
  async ({ page, request }) => {
    const { url } = await seedProject(request, { units: { Horde: 120, Mob: 97 }, stages: 14 })
    await page.goto(`${url}/plan`)
    await unfold(page, 'What goes together')
    await page.getByRole('region', { name: 'Batch sizes compared' }).scrollIntoViewIfNeeded()
    const sizes = page.getByRole('region', { name: 'Comparing batch sizes' })
    await expect(sizes.getByRole('progressbar')).toBeVisible()
    await sizes.getByRole('button', { name: 'Stop' }).click()
    const tried = page.getByRole('progressbar', { name: 'Batch sizes tried' })
    await expect(tried).toBeHidden()
    await page.getByRole('button', { name: 'Compare the sizes' }).click()
    await expect(tried).toBeVisible()
  },
)

test('a string tells what it is when pointed at, and a batch is picked out by its name', async ({ page }) => {
  await page.goto(`/projects/${demoId}/plan`)
  const chart = page.getByRole('figure')
  // The run sheet stands beside the chart, and the figures above it: until they are there it has not its place yet.
  await expect(
    page.getByRole('region', { name: 'The next session' }).getByRole('listitem').first(),
  ).toBeVisible()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('of 10 cases')
  await chart.locator('line[stroke="transparent"]').first().hover({ force: true })
  await expect(chart.getByText(/hands on \d+ models?/)).toBeVisible()
  const batch = page.getByRole('list', { name: 'Batches', exact: true }).getByRole('button').first()
  await batch.press('Enter')
  await expect(batch).toHaveAttribute('aria-pressed', 'true')
})

test('date and evenings are changed where they matter, and a stage longer than an evening is named with the way out', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request)
  await page.goto(`${url}/plan`)
  await page.getByRole('button', { name: /Mon, Tue/ }).click()
  const dialog = page.getByRole('dialog')
  for (const day of ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'])
    await dialog.getByRole('button', { name: day, pressed: true }).click()
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(dialog.getByRole('alert')).toHaveText('Say when you paint, such as Tue, Thu 19:30–22:00.')
  await dialog.getByLabel('When you paint').fill('Sun 19:30–22:00')
  await dialog.getByLabel('Date due').fill('2020-01-01')
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText(
    /^Done by \w{3} .* in 8 of 10 cases; odds of the date/,
  )
  await expect(page.getByRole('button', { name: 'Sun 19:30–22:00' })).toBeVisible()

  await goTo(page, 'Stages')
  await page.getByRole('button', { name: /^Grade/ }).click()
  await page.getByLabel('Minutes a foot model').fill('3 h')
  await page.getByRole('button', { name: 'Save the stage' }).click()
  await goTo(page, 'Plan')
  await expect(
    page.getByText(
      '“Grade” needs 184 min for its set-up and one model, but the longest session it may take has 150 min.',
    ),
  ).toBeVisible()
})

test('a batch takes its stages in any sound order, says why, and keeps to the row when it is told to', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await seeLineFollow(page)
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  await page.getByRole('button', { name: 'Why in this order?' }).click()
  await unfold(page, 'Later sessions')
  await unfold(page, 'What matters most')
  await expect(page.getByText(/^ahead of .*: that is wet after .* to \d\d:\d\d$/).first()).toBeVisible()
  await page.getByRole('checkbox', { name: /^Always follow the stage order/ }).check()
  await expect(page.getByText('Every batch follows the stage order.')).toBeVisible()
  await expect(page.getByText(/^ahead of /)).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('checkbox', { name: /^Always follow the stage order/ })).toBeChecked()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('in 8 of 10 cases')
  await expect(page.getByText(/^ahead of /)).toHaveCount(0)
})
