import { expect, test, type Page } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { seedProject } from '../support/projects.ts'

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
  await page.goto(`${url}/paper`)
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
