import { expect, test } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { goTo, makeFirstRecipe, paintAnotherWay, primeAll, seeLineFollow } from '../support/recipes.ts'
import { asProof } from '../support/rounds.ts'

test(
  'hair in three colours spread over the unit: each model passes the other two by',
  asProof,
  async ({ page, request }) => {
    await makeFirstRecipe(page, request)
    await page
      .getByRole('button', { name: /saddle translucent/ })
      .last()
      .click()
    await page.getByLabel('Spread over the models').selectOption('3')
    await expect(page.getByText('Hair in 3 colours: now give each its own.')).toBeVisible()
    await page.getByRole('button', { name: /saddle translucent.*only hair 2/ }).click()
    const mix = page.getByLabel('Material or mix')
    await mix.fill('rust translucent')
    await mix.press('Enter')
    await expect(page.getByRole('region', { name: 'Mix card' })).toContainText('for 2 models')
    await expect(page.getByRole('list', { name: 'Findings' })).toBeHidden()

    await seeLineFollow(page)
    await expect(page.getByText('Reed-pikes: only hair 2')).toBeVisible()
    await goTo(page, 'Bench')
    await page.getByRole('button', { name: 'Reed-pikes, 6 models' }).click()
    const hole = (paint: string, model: number, state: string) =>
      page.getByRole('gridcell', {
        name: new RegExp(`^${paint}: .*, Reed-pikes ${String(model)}: ${state}`, 'i'),
      })
    await expect(hole('saddle translucent', 1, 'to do')).toBeVisible()
    await expect(hole('rust translucent', 1, 'not needed')).toBeVisible()
    await expect(hole('rust translucent', 2, 'to do')).toBeVisible()

    await goTo(page, 'Roster')
    await expect(page.getByText('hair 3').first()).toBeVisible()
    await page.getByRole('button', { name: 'Change Reed-pikes' }).click()
    await expect(page.getByLabel('Model 2: variants, with commas')).toHaveValue('hair 2')
  },
)

test('a version is kept, compared and gone back to', async ({ page, request }) => {
  await makeFirstRecipe(page, request)
  await page.getByText('Versions', { exact: true }).click()
  await page.getByLabel('Note on the present state').fill('Before the pilot')
  await page.getByRole('button', { name: 'Keep this version' }).click()
  await expect(page.getByText('The two are the same.')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Go back to 1' })).toBeDisabled()

  await page.getByRole('button', { name: /reed tuft/ }).click()
  await page.getByRole('button', { name: 'Take out' }).click()
  await expect(page.getByText('The reed tuft on the base is left out.')).toBeVisible()
  await expect(page.getByText(/\d+ layers → \d+ layers/)).toBeVisible()
  await page.reload()
  await page.getByText('1 version kept').click()
  await expect(page.getByLabel('From version')).toContainText('Before the pilot')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Go back to 1' }).click()
  await expect(page.getByRole('button', { name: /reed tuft/ })).toBeVisible()
  await expect(page.getByText('2 versions kept')).toBeVisible()
})

test('painted to a lower standard, a unit goes without the stages it can do without', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await seeLineFollow(page)
  await expect(page.getByRole('button', { name: /^Edge, coat/ })).toBeVisible()
  await page.getByText(/^Every pot is opened once|opened again, and why/).click()
  const standard = page.getByRole('combobox', { name: /^Reed-pikes painted to/ })
  await expect(standard.getByRole('option', { name: /^tabletop, / })).toBeAttached()
  await standard.selectOption('tabletop')
  await expect(page.getByText('The stages follow this order.')).toBeHidden()
  await seeLineFollow(page)
  await expect(page.getByRole('button', { name: /^Edge/ })).toHaveCount(0)
})

test('a change half-way says what it means, and the record can be repeated for another unit', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await seeLineFollow(page)
  await primeAll(page)
  await goTo(page, 'Recipe')
  await page.getByRole('button', { name: /black primer, spray/ }).click()
  await page.getByRole('button', { name: 'Take out' }).click()
  const means = page.getByText('What this means for models under way').locator('..')
  await expect(means).toContainText(
    'The black primer, spray all over is on 6 models already and stays there.',
  )
  await expectAccessible(page)
  await means.getByRole('button', { name: 'Understood' }).click()
  await expect(means).toBeHidden()
  await page.getByRole('button', { name: 'What was changed' }).click()
  const log = page.getByRole('dialog')
  // The line followed the recipe, in a change of its own.
  const rows = log.getByRole('listitem')
  const takenOut = rows.filter({ hasText: 'A layer of' }).first()
  const close = log.getByRole('button', { name: 'Close' })
  const before = await close.boundingBox()
  await takenOut.getByRole('button', { name: 'Take back' }).click()
  await expect(rows.first()).toContainText('put in')
  // The list grew, and nothing moved under the finger.
  expect(await close.boundingBox()).toEqual(before)
  await close.click()
  await expect(page.getByRole('button', { name: /black primer, spray/ })).toBeVisible()

  await page.getByRole('button', { name: 'Repeat as done' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('The reed tuft on the base is left out.')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Make the recipe' }).click()
  await expect(
    page.getByRole('button', { name: 'Reed-pikes, as the Reed-pikes were done', pressed: true }),
  ).toBeVisible()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('1 layer,')
})

test('what is painted apart wants to be joined, the batch decides between two ways, and a stand-in helps where a pot is missing', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await page.getByRole('button', { name: 'Regions' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Painted apart as').first().fill('head')
  await dialog.getByRole('button', { name: 'Save the regions' }).click()
  const findings = page.getByRole('list', { name: 'Findings' })
  await expect(findings).toContainText('The head is painted apart, and no layer joins it to the model.')
  await findings.getByRole('button', { name: 'Put the missing layer in' }).click()
  await expect(findings).toBeHidden()
  await expect(page.getByRole('button', { name: /super glue, join/ })).toBeVisible()

  await page
    .getByRole('button', { name: /moss translucent/ })
    .last()
    .click()
  await page.getByText('Another way to do it').click()
  await page.getByLabel('Or by').selectOption('airbrush')
  const setUp = page.getByLabel('By airbrush: set-up, minutes')
  await expect(page.getByText(/^airbrush .*, the quickest by itself; base coat/)).toBeVisible()
  await setUp.fill('soon')
  await setUp.blur()
  await expect(page.getByText('Give minutes, such as 4½, up to a day.')).toBeVisible()
  await setUp.fill('60')
  await setUp.blur()
  await expect(page.getByText(/^base coat .*, the quickest by itself; airbrush/)).toBeVisible()

  await page.getByText(/^Roles, wet-in-wet/).click()
  const standIn = page.getByLabel('If the pot is missing')
  await standIn.fill('sedge green')
  await standIn.blur()
  await expect(page.getByText('“sedge green” is not on the shelf.')).toBeVisible()
  await standIn.fill('saddle translucent')
  await standIn.blur()
  const mix = page.getByLabel('Material or mix')
  await mix.fill('bright red')
  await mix.press('Enter')
  await page
    .getByRole('region', { name: 'Mix card' })
    .getByRole('button', { name: 'Use it here' })
    .first()
    .click()
  await expect(mix).toHaveValue('saddle translucent')
})

test('half-painted models keep what is on them when somebody changes how they are painted', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await seeLineFollow(page)
  await primeAll(page)
  await paintAnotherWay(page, request)
  const note = page.getByRole('status').filter({ hasText: '6 models half-painted' })
  await note.getByRole('button', { name: 'Decide' }).click()
  const dialog = page.getByRole('dialog', { name: 'What stays of what is painted?' })
  await expect(dialog.getByRole('list', { name: 'What is on them' })).toContainText('all of them')
  await expect(dialog.getByText(/6 models: it belongs under what is on them/).first()).toBeVisible()
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(note).toBeHidden()
  await page.reload()
  await page.getByRole('button', { name: 'Reed-pikes, 6 models' }).click()
  await expect(page.getByRole('gridcell', { name: /primer.*, Reed-pikes 1: not needed/i })).toBeVisible()
})

test('what a pot did is noted by one choice, done again, and told where the paint is chosen', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await seeLineFollow(page)
  await primeAll(page)
  await page.getByLabel(/^How it went: Reed-pikes, Black primer/).selectOption('another coat')
  await page.getByRole('button', { name: 'From now on too' }).click()
  await expect(page.getByRole('gridcell', { name: /^Black primer.*Reed-pikes: to do/ })).toBeVisible()
  await expectAccessible(page)
  await goTo(page, 'Recipe')
  await page.getByRole('button', { name: /black primer, spray/ }).click()
  await expect(page.getByText('needed another coat.')).toBeVisible()
  await expect(page.getByRole('group', { name: 'Coats' })).toContainText('2')
})
