import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { freePort, Instance } from '../support/instance.ts'
import { demoId, recordPunch, seedProject } from '../support/projects.ts'

const data = fileURLToPath(new URL('../../.cache/e2e-commissions-data', import.meta.url))

test.beforeAll(() => rmSync(data, { recursive: true, force: true }))
test.afterAll(() => rmSync(data, { recursive: true, force: true }))

test('a commission goes from its client over the quote to the page that the client sees', async ({
  page,
  browser,
  playwright,
}) => {
  const instance = new Instance(data, await freePort())
  await instance.start()
  const request = await playwright.request.newContext({ baseURL: instance.origin })
  try {
    // The queue is short: this one job.
    await request.delete(`/api/projects/${demoId}`)
    const { id, name } = await seedProject(request, { units: { 'Eel-netters': 3 }, stages: 14 })
    await page.goto(`${instance.origin}/projects/${id}/roster`)
    await page.getByRole('link', { name: 'Commission' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText('Painted for your own table')
    await page.getByRole('button', { name: 'Somebody new' }).click()
    await page.getByRole('button', { name: 'Keep', exact: true }).click()
    await expect(page.getByText('Give the client a name.')).toBeVisible()
    await page.getByLabel('Name', { exact: true }).fill('Maren Voss')
    await page.getByRole('button', { name: 'Keep', exact: true }).click()
    await expect(page.getByLabel('Client', { exact: true })).toHaveValue(/./)
    await page.getByLabel('Test model').selectOption('Eel-netters 2')

    // Two prices, and a date for each from the queue.
    const tiers = page.getByRole('region', { name: 'Standards and prices' })
    const keep = page.getByRole('button', { name: 'Keep as a quote' })
    await expect(keep).toBeEnabled()
    const prices = async () =>
      (
        await tiers.getByRole('row', { name: 'Price', exact: false }).last().getByRole('cell').allInnerTexts()
      ).map((text) => Number(text.replace(/[^\d.]/g, '')))
    const [plainer, finer] = await prices()
    expect(plainer).toBeGreaterThan(0)
    expect(finer).toBeGreaterThan(plainer!)

    // One stage of one model is done already: what is left costs less, and that is what is agreed on.
    await recordPunch(request, id)
    await page.getByLabel('What is left to be painted').check()
    await expect.poll(async () => (await prices())[0]).toBeLessThan(plainer!)
    await expect(keep).toBeEnabled()
    await keep.click()
    const quotes = page.getByRole('region', { name: 'Quotes as they were said' })
    await expect(quotes.getByRole('heading', { name: /^Quote 1.*, what was left on / })).toBeVisible()
    await quotes.getByRole('button', { name: 'The client said yes to tabletop', exact: true }).click()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Agreed: tabletop at €[\d.]+, by /)

    // More to paint is a change against what was agreed.
    await page.goto(`${instance.origin}/commissions`)
    await expect(page.getByRole('cell', { name: 'Maren Voss' })).toBeVisible()
    await expectAccessible(page)
    await page.getByLabel('An hour at the desk').fill('twenty')
    await page.getByRole('button', { name: 'Keep these prices' }).click()
    await expect(page.getByText('Give an amount: 20.00.')).toBeVisible()
    await page.getByLabel('An hour at the desk').fill('30.00')
    await page.getByRole('button', { name: 'Keep these prices' }).click()
    await expect(page.getByText('The prices are kept.')).toBeVisible()
    await page.getByRole('link', { name }).click()
    await expect(page.getByText(/^For what was left on .*, as was agreed\.$/)).toBeVisible()
    await expect(keep).toBeEnabled()
    await keep.click()
    await expect(quotes.getByText(/\(\+€[\d.]+ against quote 1\)/)).toBeVisible()
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Agreed: tabletop/)

    // On paper the studio's margin is nobody's business.
    await quotes.getByRole('link', { name: /^On paper.*quote 1$/ }).click()
    const paper = page.getByRole('region', { name })
    await expect(paper.getByText('For Maren Voss.')).toBeVisible()
    await expect(paper.getByText('For what was left to be painted on')).toBeVisible()
    await expect(paper.getByText('Margin')).toBeHidden()
    for (const format of ['A4', 'Letter'] as const) {
      const pdf = (await page.pdf({ format })).toString('latin1')
      expect(pdf.match(/\/Type \/Page\b/g)).toHaveLength(1)
    }
    await expectAccessible(page)

    // The client sees how far it is, without signing in; and nothing once the link is ended.
    await page.goBack()
    await recordPunch(request, id)
    await expect(keep).toBeEnabled()
    await expectAccessible(page)
    await page.getByRole('button', { name: 'Make a link' }).click()
    const link = await page.getByRole('dialog').getByText('/look/').innerText()
    await page.getByRole('button', { name: 'Done' }).click()

    // A picture, and what is none.
    const pictures = page.getByRole('region', { name: 'Pictures' })
    const file = (fileName: string, mimeType: string, buffer: Buffer) =>
      pictures.getByLabel('Add pictures').setInputFiles({ name: fileName, mimeType, buffer })
    await file('notes.png', 'image/png', Buffer.from('no picture'))
    await expect(pictures.getByRole('alert')).toContainText('notes.png: This is no picture')
    await file('eels.png', 'image/png', await page.screenshot())
    await pictures.getByLabel('What it shows').fill('The first two')
    await pictures.getByLabel('What it shows').blur()
    await expect(pictures.getByRole('img', { name: 'The first two' })).toBeVisible()
    await pictures.getByLabel('The client sees it').check()
    await pictures.getByLabel('Model').selectOption('Eel-netters 2')

    const guest = await browser.newPage()
    await guest.goto(link)
    await expect(guest.getByRole('heading', { level: 1 })).toHaveText(name)
    await expect(guest.getByText(/of the work is done; 0 of 3 models finished/)).toBeVisible()
    await expect(guest.getByText('Eel-netters 2, waits for your yes')).toBeVisible()
    await expect(guest.getByText('Eel-netters: 3 models ready for the table')).toBeVisible()
    await expect(guest.getByRole('figure', { name: 'The first two' }).locator('img')).toBeVisible()
    await expect(guest.getByText('Maren')).toBeHidden()
    await expectAccessible(guest)
    // At the desk the test model says what the others are to look like.
    const yes = page.getByLabel('The client said yes to it on')
    await yes.fill('2026-11-20')
    await yes.blur()
    await page.getByRole('link', { name: 'Bench', exact: true }).click()
    await expect(page.getByRole('figure', { name: 'as agreed' }).locator('img')).toBeVisible()
    // After the stage in hand, better still.
    await page.goBack()
    await pictures.getByLabel('After stage').selectOption('Prime')
    await page.getByRole('link', { name: 'Bench', exact: true }).click()
    await expect(page.getByRole('figure', { name: 'after prime' }).locator('img')).toBeVisible()
    await page.goBack()
    await page.getByRole('button', { name: /^End it/ }).click()
    await expect(page.getByText('The link is ended.')).toBeVisible()
    await guest.reload()
    await expect(guest.getByRole('alert')).toContainText('This link was ended by the studio.')
    await guest.close()
  } finally {
    await request.dispose()
    await instance.stop()
  }
})
