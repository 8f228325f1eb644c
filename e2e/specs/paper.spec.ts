import { expect, test, type Page } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { holdBack } from '../support/hold-back.ts'
import { newId, recordPunch, seedProject } from '../support/projects.ts'

/** Pages of a PDF, and what of it is too wide: printing shrinks a page that is. */
async function printed(page: Page, format: 'A4' | 'Letter') {
  const pdf = (await page.pdf({ format })).toString('latin1')
  return pdf.match(/\/Type \/Page\b/g)?.length ?? 0
}

test('run sheet, tickets, cards and touch-ups come on sheets of their own, nothing cut off, in black on white', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, {
    units: { Pikes: 14, Horn: 1 },
    stages: 14,
    batchSize: 14,
  })
  const comes = await holdBack(page, '**/api/shelf')
  await page.goto(`${url}/paper`)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Loading the sheets …')
  comes()
  await expect(page.getByRole('heading', { name: /^Pikes, 1 of 2/ })).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: 'Pikes' }).first()).toBeVisible()
  await expectAccessible(page)
  // The run sheet, the pikes on two sheets, the horn.
  for (const format of ['A4', 'Letter'] as const) expect(await printed(page, format)).toBe(4)
  await page.getByLabel('Recipe cards').check()
  await page.getByLabel('Run sheet of the next evening').uncheck()
  await page.getByLabel('Tickets for the trays').uncheck()
  expect(await printed(page, 'A4')).toBe(2)
  await page.getByLabel('Tickets for the trays').check()

  await page.emulateMedia({ media: 'print', colorScheme: 'dark' })
  // An A4 sheet within its margins.
  await page.setViewportSize({ width: 703, height: 1031 })
  await expect(page.getByRole('banner')).toBeHidden()
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden()
  const width = await page.evaluate(() => document.documentElement.scrollWidth)
  expect(width).toBeLessThanOrEqual(703)
  const ground = await page.evaluate(() => getComputedStyle(document.body).backgroundColor)
  expect(ground).toBe('rgb(255, 255, 255)')
  const ink = await page
    .getByRole('heading', { name: /^Horn/ })
    .first()
    .evaluate((heading) => getComputedStyle(heading).color)
  expect(ink).toBe('rgb(0, 0, 0)')
})

test('a batch that is begun goes to other hands with its mixes, its notes and a box for each hole', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 6 }, stages: 14 })
  await recordPunch(request, id)
  await recordPunch(request, id, newId(), { kind: 'touch-up', note: 'left ear' })
  await page.goto(`${url}/sessions`)
  await page.getByRole('button', { name: 'Another painter' }).click()
  await page.getByRole('button', { name: 'Add the painter' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('2 painters')
  await page.getByRole('link', { name: 'Plan', exact: true }).click()
  const chart = page.getByRole('group', { name: /^Stretches of work/ })
  await chart.focus()
  await page.keyboard.press('ArrowRight')
  const told = page.getByRole('figure')
  await told.getByLabel('In whose hands: Pikes').selectOption('Painter 2')
  await expect(page.getByText('Pikes is in Painter 2’s hands.')).toBeVisible()
  await expect(told.getByText(', by Painter 2')).toBeVisible()
  await expectAccessible(page)
  await told.getByRole('link', { name: 'The hand-over sheet' }).click()

  const sheet = page.getByRole('region', { name: 'Hand-over of Pikes' })
  await expect(sheet).toContainText('0 of 14 stages done. Now in Painter 2’s hands.')
  await expect(sheet).toContainText('To mend: Pikes 1, Prime, left ear')
  await expect(sheet.getByRole('img', { name: 'done' })).toHaveCount(1)
  await expect(page.getByRole('region', { name: /^Hand-over of/ })).toHaveCount(1)
  await expectAccessible(page)
  // What is left, stage by stage, and the boxes.
  expect(await printed(page, 'A4')).toBe(2)

  await page.goto(`${url}/sessions`)
  await page.getByRole('button', { name: 'Take Painter 2 off' }).click()
  await expect(page.getByText('1 batch in Painter 2’s hands goes to whoever is free.')).toBeVisible()
})
