import { expect, test } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { seedProject } from '../support/projects.ts'
import { goTo, isPrimed, makeFirstRecipe, primeAll, seeLineFollow } from '../support/recipes.ts'

test('from nothing to a line in a few clicks: school, findings, order', async ({ page, request }) => {
  const { url } = await seedProject(request, { stages: 0 })
  await page.goto(`${url}/recipe`)
  await page.getByRole('button', { name: 'New recipe' }).click()
  // Nine schools side by side, each with what it comes to for these models.
  const dialog = page.getByRole('dialog')
  await expect(dialog.getByText('a model', { exact: false }).first()).toBeVisible()
  await expect(dialog.getByText('Being worked out')).toHaveCount(0)
  await expect(dialog.getByRole('radio', { name: /in all done \w{3} \d/ }).nth(8)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('radio', { name: /^Opaque, wash/ }).check()
  await page.getByRole('button', { name: 'Make the recipe' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('layers')
  await expect(page.getByRole('list', { name: 'Findings' })).toBeHidden()

  // A mistake is named, and its mend takes it away again.
  await page
    .getByRole('button', { name: /bright steel/ })
    .last()
    .click()
  const mix = page.getByLabel('Material or mix')
  await mix.fill('3 heron blue')
  await mix.press('Enter')
  await expect(page.getByText('“heron blue” is not on the shelf.')).toBeVisible()
  await mix.fill('bright red')
  await mix.press('Enter')
  const finding = page.getByRole('list', { name: 'Findings' })
  await expect(finding).toContainText('This wastes. The bright red on the metal is thin')
  await page.getByRole('button', { name: 'Plan 2 coats' }).click()
  await expect(finding).toBeHidden()

  await goTo(page, 'Stages')
  await expect(page.getByRole('heading', { name: /^The recipes come to \d+ stages/ })).toBeVisible()
  await expect(page.getByText('The stages follow this order.')).toBeVisible()
  await page.reload()
  await expect(page.getByText('The stages follow this order.')).toBeVisible()
  await expect(page.getByText('grey primer, spray').first()).toBeVisible()
})

test('the shelf takes a material by form and many by CSV, and says what is wrong at its line', async ({
  page,
}) => {
  const name = `Sedge green ${String(Date.now())}`
  await page.goto('/shelf')
  await page.getByRole('button', { name: 'New material' }).click()
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('Kind').selectOption('translucent')
  await page.getByLabel('Colour').fill('green')
  await page.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByText('Give a colour as #rrggbb.')).toBeVisible()
  await page.getByLabel('Colour').fill('#4f7a3a')
  await page.getByRole('button', { name: 'Put it on the shelf' }).click()
  await expect(page.getByRole('button', { name: new RegExp(name) })).toContainText('15–30 min')

  await page.getByRole('button', { name: 'Shelf from CSV' }).click()
  await page.getByLabel('CSV file').setInputFiles({
    name: 'shelf.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`name,kind,stock ml\n${name},translucent,a lot`),
  })
  await expect(page.getByRole('dialog')).toContainText('“a lot” is not a number')
  await page.getByLabel('Line 2: stock ml').fill('12')
  await page.getByRole('button', { name: 'Take 1 material' }).click()
  await expect(page.getByRole('button', { name: new RegExp(name) })).toContainText('12 ml')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: new RegExp(name) })).not.toContainText('12 ml')
  await page.getByRole('button', { name: new RegExp(name) }).click()
  await page.getByRole('button', { name: 'Take it off the shelf' }).click()
  await expect(page.getByRole('button', { name: new RegExp(name) })).toBeHidden()
})

test('regions change with their layers, a mix tells its drops, and what is short is listed', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await page.getByRole('button', { name: 'Regions' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Name').nth(3).fill('')
  await dialog.getByRole('button', { name: 'Save the regions' }).click()
  await expect(dialog.getByRole('alert')).toHaveText('Region 4 needs a name.')
  await dialog.getByLabel('Name').nth(3).fill('long coat')
  await dialog.getByRole('button', { name: 'Save the regions' }).click()
  await expect(dialog).toBeHidden()

  await page
    .getByRole('button', { name: /moss translucent/ })
    .last()
    .click()
  await expect(page.getByRole('checkbox', { name: 'long coat' })).toBeChecked()
  const mix = page.getByLabel('Material or mix')
  await mix.fill('3:1 translucent medium to moss translucent')
  await mix.press('Enter')
  const card = page.getByRole('region', { name: 'Mix card' })
  await expect(card).toContainText('for 6 models at once')
  await expect(card).toContainText(/\d+ drops\s*translucent medium/)

  await page.getByRole('button', { name: 'What to buy' }).click()
  await expect(page.getByRole('row', { name: /translucent medium/ })).toContainText('1 pot')
})

test('recipe and line say the same minutes, a stage moved against its stack is named, and punches outlast a change', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('a model')
  await seeLineFollow(page)
  const title = page.getByRole('heading', { level: 1 })
  await goTo(page, 'Recipe')
  await expect(title).toHaveText(/layers, .* min a model$/)
  const minutes = /\S+ min a model$/.exec(await title.innerText())?.[0] ?? 'none'
  await goTo(page, 'Stages')
  await expect(title).toContainText('stages')
  await expect(title).toContainText(minutes)

  await page.getByRole('button', { name: /^(Ivory primer: )?zenithal spray/i }).press('Alt+ArrowUp')
  const findings = page.getByRole('list', { name: 'Findings' })
  await expect(findings).toContainText('This spoils.')
  await expect(findings).toContainText('rule R01')
  await findings.getByRole('button', { name: 'Move it below' }).first().click()
  await expect(findings).toBeHidden()

  // A recipe changed half-way keeps the punches of what stays.
  await primeAll(page)
  await goTo(page, 'Recipe')
  await page.getByRole('button', { name: /reed tuft/ }).click()
  await page.getByRole('button', { name: 'Take out' }).click()
  await seeLineFollow(page)
  await goTo(page, 'Bench')
  await isPrimed(page)
})

test('a judgement call is taken, regions keep what they touch under another name, and a wash spares a finished base', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request, { unbuilt: true })
  // It comes when it is worked out: nothing lies below that it could push from under the pointer.
  await expect(page.getByRole('main').locator('details').last()).toContainText('Judgement calls')
  await page.getByText('Judgement calls').click()
  const calls = page.getByRole('listitem').filter({ hasText: 'Now: paint the pouches' })
  await expect(calls).toContainText(/\d+½? min less/)
  await calls.getByRole('button', { name: /^Change it/ }).click()
  await expect(page.getByText('Instead: leave the pouches off the sculpt.').first()).toBeVisible()
  await expect(calls).toBeHidden()

  await test.step('a region whose name is cleared and typed again', async () => {
    await page.getByRole('button', { name: 'Regions', exact: true }).click()
    const dialog = page.getByRole('dialog', { name: 'Regions' })
    const first = dialog.getByRole('listitem').first()
    const touched = await first.getByRole('group').getByRole('checkbox', { checked: true }).count()
    expect(touched).toBeGreaterThan(0)
    const name = first.getByLabel('Name')
    const before = await name.inputValue()
    await name.fill('')
    await name.pressSequentially('weathered hide')
    await expect(first.getByRole('group').getByRole('checkbox', { checked: true })).toHaveCount(touched)
    await dialog.getByLabel('Area, %').first().fill('40')
    await dialog.getByRole('button', { name: 'Save the regions' }).click()
    await expect(dialog).toBeHidden()
    await expect(page.getByText(/^All regions but the base add up to \d+ %/)).toBeVisible()
    await page.getByRole('button', { name: 'Scale them' }).click()
    await expect(page.getByText(/^All regions but the base add up/)).toBeHidden()
    await expect(page.getByRole('heading', { level: 1 })).toContainText('layers')
    await page.getByRole('button', { name: 'Regions', exact: true }).click()
    await expect(first.getByLabel('Name')).toHaveValue('weathered hide')
    await expect(first.getByRole('group').getByRole('checkbox', { checked: true })).toHaveCount(touched)
    const others = dialog.getByRole('checkbox', { name: 'weathered hide', checked: true })
    await expect(others).toHaveCount(touched)
    await expect(dialog.getByRole('checkbox', { name: before })).toHaveCount(0)
    await page.keyboard.press('Escape')
  })

  await test.step('a wash all over', async () => {
    await page.getByRole('button', { name: 'Add a layer' }).click()
    const mix = page.getByLabel('Material or mix')
    await mix.fill('soot wash')
    await mix.press('Enter')
    await page.getByLabel('Technique').selectOption('wash')
    await page.getByRole('checkbox', { name: 'all over' }).check()
    const findings = page.getByRole('list', { name: 'Findings' })
    await expect(findings).toContainText('lands on the finished base as well')
    await page.getByRole('checkbox', { name: 'base' }).uncheck()
    await expect(findings.getByText('lands on the finished base as well')).toBeHidden()
    await expect(page.getByRole('checkbox', { name: /^all over but/ })).toBeChecked()
  })
})

test('a recipe goes into a file and comes back in another project, on another kind of model', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  const written = page.waitForEvent('download')
  await page.getByRole('button', { name: /^Write the recipe/ }).click()
  const path = await (await written).path()
  const { url } = await seedProject(request, { stages: 0, units: { Sledges: 2 } })
  await page.goto(`${url}/recipe`)
  await page.getByRole('button', { name: 'New recipe' }).click()
  await page.getByLabel('Kind of model').selectOption('vehicle')
  const file = page.getByLabel('Or bring a recipe out of a file')
  await file.setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{}') })
  await expect(page.getByText('This is not a recipe file.')).toBeVisible()
  await file.setInputFiles(path)
  const way = page.getByRole('radio', { name: /^As Reed-pikes.*Kept in a file/ })
  await expect(way).toHaveAccessibleName(/No coat on this model: what goes there is left out/)
  await way.check()
  await page.getByRole('button', { name: 'Make the recipe' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('layers')
  await expect(page.getByRole('button', { name: 'Sledges', exact: true })).toBeVisible()
})
