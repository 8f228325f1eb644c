import { unfold } from '../support/fold.ts'
import { expect, test, type Page } from '../support/test.ts'
import { ticket } from '../support/bench.ts'
import { isAlive } from '../support/instance.ts'
import { ownInstance } from '../support/own-instance.ts'

const own = ownInstance('crash')

const place = (page: Page, name: string) =>
  page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name }).click()
const key = (page: Page, name: string) =>
  page.getByRole('group', { name: 'At the desk' }).getByRole('button', { name })

test('from a fresh machine to painted models, through a crash, with nothing lost', async ({ page }) => {
  await test.step('1: the demo project is there', async () => {
    await page.goto(own().origin)
    await expect(page.getByRole('heading', { name: 'Tallow Fen militia' })).toBeVisible()
  })

  await test.step('2: make a project, a unit, and a roster from CSV', async () => {
    await page.getByRole('button', { name: 'New project' }).click()
    await page.getByLabel('Name of the project').fill('Sluice watch')
    await page.getByLabel('Done by').fill('2027-03-06')
    await page.getByLabel('When you paint').fill('Tue, Thu 19:30–22:30')
    await page.getByRole('button', { name: 'Begin without models' }).click()
    await page.getByRole('dialog', { name: 'New unit' }).getByLabel('Name').fill('Eel-netters')
    await page.getByLabel('Models').fill('5')
    await page.getByRole('button', { name: 'Add the unit' }).click()
    await expect(page.getByText('Eel-netter', { exact: false }).first()).toBeVisible()
    await page.getByRole('button', { name: 'Roster from CSV' }).first().click()
    await page
      .getByLabel('Or paste it here')
      .fill(
        'unit,name,count,role,points\nReed-pikes,Pikewarden,1,leader,12\nReed-pikes,Reed-pike,9,trooper,6\nOfficers,Dame Osier,5,character,40',
      )
    await page.getByRole('button', { name: 'Take 3 rows' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toContainText('20 models in 3 units')
  })

  await test.step('3: write the line from the school in one click, and move a stage by keyboard', async () => {
    await place(page, 'Stages')
    await page.getByRole('button', { name: 'Start from “Translucent over bright”' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toContainText('14 stages, 14 pots')
    const leather = page.getByRole('button', { name: /^Leather/ })
    await leather.focus()
    await leather.press('Alt+ArrowUp')
    await expect(page.getByText('Leather is now stage 5.')).toBeVisible()
  })

  await test.step('4: choose a batch size and read the run sheet', async () => {
    await place(page, 'Plan')
    await expect(page.getByRole('heading', { level: 1 })).toContainText(/^Done by .* in 8 of 10 cases; odds/)
    await expect(page.getByText('paint changes').first()).toBeVisible()
    await unfold(page, 'What goes together')
    await page.getByRole('region', { name: 'Batch sizes compared' }).scrollIntoViewIfNeeded()
    const table = page.getByRole('region', { name: 'Batch sizes in figures' })
    await table.getByRole('button', { name: '5', exact: true }).click()
    await expect(page.getByRole('list', { name: 'Batches', exact: true })).toContainText('Reed-pikes B, 5')
    await page.getByRole('button', { name: 'Why in this order?' }).click()
    await unfold(page, 'Later sessions')
    await expect(page.getByText(/while .* (dry|dries) after/).first()).toBeVisible()
  })

  await test.step('5: start the clock, punch models, and kill −9 server and database in mid-session', async () => {
    await place(page, 'Bench')
    await expect(ticket(page)).toContainText('Prime')
    await key(page, 'Start the clock').click()
    await key(page, 'Next model').click()
    await key(page, 'Next model').click()
    await expect(ticket(page)).toContainText('2 /')
    await expect(page.getByRole('region', { name: 'Drying' })).toContainText('2 models')
    await own().killAll()
    await page.keyboard.press('Space')
    await expect(page.getByText('The server does not answer.')).toBeVisible()
    await expect(ticket(page)).toContainText('3 /')
    await own().start()
    await expect(page.getByText('The server does not answer.')).toBeHidden()
  })

  await test.step('6: everything is there, in another browser as well', async () => {
    const { url } = { url: page.url() }
    const other = await page.context().browser()!.newContext()
    const fresh = await other.newPage()
    await fresh.goto(url)
    await expect(ticket(fresh)).toContainText('3 /')
    await expect(key(fresh, 'Next model')).toBeVisible()
    await key(fresh, 'All done').click()
    await expect(fresh.getByText(/on the clock/)).toBeVisible()
    await expect(fresh.getByRole('heading', { level: 1 })).toContainText(/of work left, done by/)
    await other.close()
  })

  await test.step('Ctrl-C stops it all, and a second start keeps the data', async () => {
    const postmaster = own().postmasterPid()
    expect(await own().stop()).toBe(0)
    expect(isAlive(postmaster)).toBe(false)
    await own().start()
    await page.goto(`${own().origin}/projects`)
    await expect(page.getByRole('heading', { name: 'Sluice watch' })).toBeVisible()
  })
})
