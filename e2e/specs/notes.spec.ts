import { expect, test } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { seedProject } from '../support/projects.ts'
import { goTo, makeFirstRecipe, seeLineFollow } from '../support/recipes.ts'

const notes = `black primer; spray from above ivory
moss green on the coat, two thin coats
reed grey on trousers
peat brown on leather, straps and pouches; saddle brown on wood and hair
warm flesh on skin
soot black on metal, then bright steel over it
dark sepia wash over everything but the base
light moss edge on the coat
river mud paste; matt varnish
tuft last`

test('ten lines of notes come to a recipe and a plan; what is not understood is asked at its place', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request, { units: { 'Reed-pikes': 10 }, stages: 0 })
  await page.goto(`${url}/recipe?new`)
  const dialog = page.getByRole('dialog', { name: 'New recipe' })
  const field = dialog.getByLabel(/^Write it as you would say it/)
  await field.fill('lurid pink on the hair\nmoss green on the boots')
  await expect(
    dialog.getByText('Line 1, “lurid pink on the hair”: Which paint is “lurid pink”?'),
  ).toBeVisible()
  await expect(dialog.getByText('No boots on this model.')).toBeVisible()
  await field.fill(notes)
  await expect(dialog.getByText('14 layers read')).toBeVisible()
  await expect(dialog.getByText(/^Line \d/)).toHaveCount(0)
  await expect(dialog.getByRole('radio', { name: /^As you wrote it/ })).toBeChecked()
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Make the recipe' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('14 layers')
  await goTo(page, 'Plan')
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/Done by/)
})

test('a recipe is read as text and changed there, and keeps what is the same', async ({ page, request }) => {
  await makeFirstRecipe(page, request)
  const heading = page.getByRole('heading', { level: 1 })
  await expect(heading).toContainText('20 layers')
  await page.getByRole('button', { name: 'As text' }).click()
  const dialog = page.getByRole('dialog', { name: /as text$/ })
  const field = dialog.getByLabel('The recipe')
  await expect(field).toHaveValue(/^black primer, spray: spray, all over/)
  const text = await field.inputValue()
  await field.fill(`${text}\nchalk white dabs on the straps`)
  await expect(dialog.getByText('36 layers read')).toBeVisible()
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Take it as written' }).click()
  await expect(heading).toContainText('21 layers')
  await seeLineFollow(page)
  await goTo(page, 'Recipe')
  await page.getByRole('button', { name: 'As text' }).click()
  await expect(field).toHaveValue(/chalk white: base coat, straps, in dabs$/)
})

test('from a metre: what shows little for its minutes is left out, or matters', async ({ page, request }) => {
  await makeFirstRecipe(page, request)
  await page.getByText('From a metre').click()
  const shows = page.getByRole('region', { name: /^What shows for its minutes/ })
  await expect(page.getByRole('img', { name: 'By lightness alone' })).toBeVisible()
  const first = shows.getByRole('listitem').first()
  const text = (await first.locator('span').first().textContent()) ?? ''
  await expectAccessible(page)
  await first.getByRole('button', { name: 'It matters to me' }).click()
  await expect(first).not.toContainText(text)
  await shows.getByRole('button', { name: /^The other/ }).click()
  const own = shows.getByRole('listitem').filter({ hasText: text })
  await expect(own.getByRole('button', { name: 'It matters to me', pressed: true })).toBeVisible()
  await expect(own.getByRole('button', { name: 'Leave it out' })).toBeHidden()
  const heading = page.getByRole('heading', { level: 1 })
  await expect(heading).toContainText('20 layers')
  await first.getByRole('button', { name: 'Leave it out' }).click()
  await expect(heading).toContainText('19 layers')
})
