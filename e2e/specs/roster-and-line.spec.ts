import { expect, test } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { seedProject } from '../support/projects.ts'

test('good rows of a roster are taken, and faulty ones stay until they are mended', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request)
  await page.goto(`${url}/roster`)
  await page.getByRole('button', { name: 'Roster from CSV' }).click()
  const text = page.getByLabel('Or paste it here')
  await text.fill('Model,Qty,points\nEel-netter,ten,5\nNetmother,1,-2\nLamprey,2,3')
  await page.getByLabel('Unit for lines that name none').fill('Eel-netters')
  const dialog = page.getByRole('dialog')
  await expect(page.getByLabel('Line 2: count')).toHaveAccessibleDescription(
    /“ten” is not a number of models/,
  )
  await expect(page.getByLabel('Line 3: points')).toHaveAccessibleDescription(
    /“-2” is not a number of points/,
  )
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take 1 row' }).click()
  await expect(dialog.getByRole('status')).toHaveText('1 row taken. 2 rows to be mended stay here.')
  await page.getByLabel('Line 2: count').fill('10')
  await page.getByLabel('Line 3: points').fill('2')
  await page.getByRole('button', { name: 'Take 2 rows' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('19 models in 2 units')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('8 models in 2 units')
})

test('a roster comes from a file, too', async ({ page, request }) => {
  const { url } = await seedProject(request, { units: {} })
  await page.goto(`${url}/roster`)
  await page.getByRole('button', { name: 'Roster from CSV' }).click()
  await page.getByLabel('CSV file').setInputFiles({
    name: 'roster.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name;count\r\nLock-keeper;40\r\n'),
  })
  await expect(page.getByRole('dialog').getByRole('status')).toHaveText('40 models in 1 unit.')
  await page.getByRole('button', { name: 'Take 1 row' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('40 models in 1 unit')
})

test('a unit is changed model by model, removed, and brought back by Undo', async ({ page, request }) => {
  const { url } = await seedProject(request)
  await page.goto(`${url}/roster`)
  await page.getByRole('button', { name: 'Change Reed-pikes' }).click()
  await page.getByLabel('Model 1: name').fill('Pikewarden Sedge')
  await page.getByLabel('Model 1: role').fill('leader')
  await page.getByLabel('Model 2: points').fill('many')
  await page.getByRole('button', { name: 'Take model 6 off' }).click()
  await page.getByRole('button', { name: 'Save the unit' }).click()
  await expect(page.getByRole('alert')).toContainText('Give a number.')
  await page.getByLabel('Model 2: points').fill('7,5')
  await page.getByRole('button', { name: 'Save the unit' }).click()
  await expect(page.getByText('Pikewarden Sedge')).toBeVisible()
  await expect(page.getByText('5 models, tabletop plus, 27.5 points')).toBeVisible()
  await page.getByRole('button', { name: 'Remove Reed-pikes' }).click()
  await expect(page.getByRole('heading', { name: 'The roster is empty' })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Pikewarden Sedge')).toBeVisible()
})

test('stages move by drag, by the handle’s keys, and back by Undo', async ({ page, request }) => {
  const { url } = await seedProject(request, { stages: 5 })
  await page.goto(`${url}/line`)
  const names = () => page.locator('ol > li [aria-expanded] > :first-child').allInnerTexts()
  await expect.poll(names).toEqual(['Prime', 'Grade', 'Skin', 'Coat', 'Trousers'])
  const handle = page.getByRole('button', { name: 'Move Skin' })
  const from = (await handle.boundingBox())!
  const to = (await page.getByRole('button', { name: 'Move Trousers' }).boundingBox())!
  await page.mouse.move(from.x + 10, from.y + 10)
  await page.mouse.down()
  await page.mouse.move(from.x + 10, from.y + 40, { steps: 4 })
  await page.mouse.move(to.x + 10, to.y + to.height - 4, { steps: 8 })
  await page.mouse.up()
  await expect.poll(names).toEqual(['Prime', 'Grade', 'Coat', 'Trousers', 'Skin'])
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(names).toEqual(['Prime', 'Grade', 'Skin', 'Coat', 'Trousers'])
  const grade = page.getByRole('button', { name: 'Move Grade' })
  await grade.focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowUp')
  await expect(page.getByText('Grade is now stage 3.').first()).toBeAttached()
  await expect(grade).toBeFocused()
  await expect.poll(names).toEqual(['Prime', 'Skin', 'Grade', 'Coat', 'Trousers'])
  await page.reload()
  await expect.poll(names).toEqual(['Prime', 'Skin', 'Grade', 'Coat', 'Trousers'])
})

test('a stage is written with minutes as people type them; faults stand at their field', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { stages: 0 })
  await page.goto(`${url}/line`)
  await page.getByRole('button', { name: 'Write the first stage' }).click()
  await page.getByLabel('Stage', { exact: true }).fill('Skin')
  await page.getByLabel('Material').fill('warm flesh translucent')
  await page.getByLabel('Named regions').check()
  await page.getByLabel('Minutes a foot model').fill('a while')
  await page.getByLabel('Dry after, at least').fill('30')
  await page.getByLabel('Dry after, at most').fill('15')
  await page.getByRole('button', { name: 'Save the stage' }).click()
  await expect(page.getByText('Give minutes, such as 4½, 1:30 or 2 h.')).toBeVisible()
  await page.getByLabel('Minutes a foot model').fill('4½')
  await expect(page.getByText('Give minutes, such as 4½, 1:30 or 2 h.')).toBeHidden()
  await page.getByRole('button', { name: 'Save the stage' }).click()
  await expect(page.getByText('Name at least one region')).toBeVisible()
  await expect(page.getByText('The longest drying cannot be shorter')).toBeVisible()
  await page.getByLabel('Regions', { exact: true }).fill('skin, hands')
  await page.getByLabel('Dry after, at most').fill('1 h')
  await page.getByLabel('A stop line').check()
  // What is mended goes, and the button comes up: who presses waits for that.
  await expect(page.getByText('Name at least one region')).toBeHidden()
  await expect(page.getByText('The longest drying cannot be shorter')).toBeHidden()
  await page.getByRole('button', { name: 'Save the stage' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('1 stage, 1 pot, 4½ min a model')
  await expect(page.getByText('table-ready from here')).toBeVisible()
  await expect(page.getByText('dry 30 min – 1 h')).toBeVisible()
})

test('a unit grows, is split and joined again, and what was done stays done', async ({ page, request }) => {
  const { url } = await seedProject(request)
  await page.goto(`${url}/bench`)
  await page.getByRole('button', { name: 'All done' }).click()
  await page.goto(`${url}/roster`)
  const open = () => page.getByRole('button', { name: 'Change Reed-pikes', exact: true }).click()
  const unit = (name: string) =>
    page.getByRole('article').filter({ has: page.getByRole('heading', { name, exact: true }) })
  await open()
  await page.getByLabel('More models').fill('+2, horn')
  await page.getByLabel('More models').press('Enter')
  await page.getByLabel('Tick model 5').check()
  await page.getByLabel('Tick model 6').check()
  await page.getByLabel('A unit of its own for the 2 ticked models').fill('Reed-pikes for sale')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Split them off' }).click()
  await expect(unit('Reed-pikes')).toContainText('7 models')
  await expect(unit('Reed-pikes for sale')).toContainText('2 models')
  await page.reload()
  await expect(unit('Reed-pikes for sale').getByLabel(/Reed-pikes 5: 1 of \d+ stages done/)).toBeVisible()
  await open()
  await page.getByLabel('Take another unit in').selectOption('Reed-pikes for sale')
  await expect(unit('Reed-pikes')).toContainText('9 models')
  await expect(unit('Reed-pikes for sale')).toHaveCount(0)
  await page.reload()
  await expect(unit('Reed-pikes').getByLabel(/Reed-pikes 5: 1 of \d+ stages done/)).toBeVisible()
})
