import { expect, test, type Page } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { newId, recordedKinds, seedProject } from '../support/projects.ts'
import { beginSweep } from '../support/sweep.ts'

const strip = (page: Page, name: string | RegExp) => page.getByRole('gridcell', { name })
const title = (page: Page) => page.getByRole('heading', { level: 1 })

test('a tap opens a model, where its stages are marked, opened again and noted', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 3, Eels: 2 }, stages: 3 })
  await page.goto(`${url}/sheet`)
  await expect(title(page)).toHaveText('0 % of the work done, 0 of 5 table-ready')
  await strip(page, /^Pikes 2, Pikes: 0 of 3/).click()
  const dialog = page.getByRole('dialog', { name: 'Pikes 2' })
  await dialog.getByRole('button', { name: 'Done: Prime' }).click()
  await expect(dialog).toContainText('1 of 3 stages done')
  await dialog.getByRole('button', { name: 'Touch-up: Prime' }).click()
  await dialog.getByLabel('What is to be mended, and where').fill('bare behind the shield')
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(dialog).toContainText('touch-up: bare behind the shield')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Mended: Prime' }).click()
  await dialog.getByRole('button', { name: 'Open again: Prime' }).click()
  await expect(dialog).toContainText('0 of 3 stages done')
  await page.keyboard.press('Escape')
  await expect(dialog).toBeHidden()
  await page.keyboard.press('z')
  await expect(strip(page, /^Pikes 2, Pikes: 1 of 3/)).toBeVisible()
  await expect
    .poll(() => recordedKinds(request, id))
    .toEqual(['punched', 'touch-up', 'punched', 'cleared', 'undone'])
})

test('a sweep marks the chosen stage on many, by pointer and by keys, and a second opens it again', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 12 }, stages: 3 })
  await page.goto(`${url}/sheet`)
  await page.getByLabel('A tap or sweep').selectOption({ label: 'marks 2, Grade' })
  const sweep = async () => {
    await beginSweep(page, 2, 5)
    await page.mouse.up()
  }
  await sweep()
  for (const number of [2, 3, 4, 5])
    await expect(strip(page, new RegExp(`^Pikes ${String(number)}, Pikes: 1 of 3`))).toBeVisible()
  await expect(strip(page, /^Pikes 6, Pikes: 0 of 3/)).toBeVisible()
  await sweep()
  await expect(strip(page, /^Pikes 3, Pikes: 0 of 3/)).toBeVisible()
  await strip(page, /^Pikes 1, /).focus()
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('Space')
  await expect(strip(page, /^Pikes 2, Pikes: 1 of 3/)).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: 'Pikes 2' })).toBeVisible()
  await expect.poll(() => recordedKinds(request, id)).toEqual(['punched', 'cleared', 'punched'])
})

test('it is found by typing, narrowed, and put in other groups', async ({ page, request }) => {
  const { url } = await seedProject(request, { units: { Pikes: 3, Eels: 2 }, stages: 2 })
  await page.goto(`${url}/sheet`)
  await expect(page.getByRole('gridcell')).toHaveCount(5)
  await page.keyboard.press('/')
  await page.keyboard.type('eels 2')
  await expect(page.getByRole('gridcell')).toHaveCount(1)
  await page.getByLabel('Find').fill('nobody')
  await expect(page.getByText('No model is like that.')).toBeVisible()
  await page.getByLabel('Find').fill('')
  await page.getByLabel('In groups by').selectOption('role')
  await expect(page.getByRole('rowheader', { name: /trooper/ })).toBeVisible()
  await page.getByLabel('Show', { exact: true }).selectOption({ label: 'table-ready (0)' })
  await expect(page.getByText('No model is like that.')).toBeVisible()
})

test('touch-ups are gathered by pot and mended in one go', async ({ page, request }) => {
  const { url } = await seedProject(request, { units: { Pikes: 4 }, stages: 3 })
  await page.goto(`${url}/sheet`)
  await page.getByLabel('A tap or sweep').selectOption({ label: 'marks 1, Prime' })
  await strip(page, /^Pikes 1, /).click()
  await strip(page, /^Pikes 3, /).click()
  await page.getByLabel('A tap or sweep').selectOption({ label: 'opens a model' })
  for (const name of ['Pikes 1', 'Pikes 3']) {
    await strip(page, new RegExp(`^${name}, `)).click()
    const dialog = page.getByRole('dialog', { name })
    await dialog.getByRole('button', { name: 'Touch-up: Prime' }).click()
    await dialog.getByLabel('What is to be mended, and where').fill('thin under the arm')
    await dialog.getByRole('button', { name: 'Save', exact: true }).click()
    await page.keyboard.press('Escape')
  }
  await page.getByRole('heading', { name: /^Touch-up round: 2 places in 1 pot/ }).click()
  await expect(page.getByText(/thin under the arm/)).toHaveCount(2)
  await expect(page.getByLabel('Show', { exact: true })).toContainText('waiting for a touch-up (2)')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Mended: Pikes 3, Prime' }).click()
  await expect(page.getByRole('heading', { name: /^Touch-up round: 1 place/ })).toBeVisible()
  await page.getByRole('button', { name: 'Mended: Pikes 1, Prime' }).click()
  await expect(page.getByRole('heading', { name: /^Touch-up round/ })).toBeHidden()
  await page.reload()
  await expect(strip(page, /^Pikes 1, Pikes: 1 of 3/)).toBeVisible()
  await expect(page.getByRole('heading', { name: /^Touch-up round/ })).toBeHidden()
})

test('of two thousand models only what is in view is drawn, and the keys reach the rest', async ({
  page,
  request,
}) => {
  const units = Object.fromEntries(
    Array.from({ length: 20 }, (_, index) => [`Unit ${String(index + 1)}`, 100]),
  )
  const { url } = await seedProject(request, { units, stages: 30 })
  await page.goto(`${url}/sheet`)
  await expect(title(page)).toContainText('0 of 2000 table-ready')
  const drawn = await page.getByRole('gridcell').count()
  expect(drawn).toBeGreaterThan(20)
  expect(drawn).toBeLessThan(300)
  await page.getByRole('gridcell').first().focus()
  for (let step = 0; step < 60; step++) await page.keyboard.press('ArrowDown')
  await expect(page.locator('[role="gridcell"]:focus')).toBeInViewport()
  await expect(page.locator('[role="gridcell"]:focus')).toHaveAttribute('data-row', '60')
})

test('models are inspected by keys: passed, touched up by region and paint, left, or done again', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 5 }, stages: 2 })
  const project = (await (await request.get(`/api/projects/${id}`)).json()) as {
    line: { id: string }[]
    units: { models: { id: string }[] }[]
  }
  const modelIds = project.units[0]?.models.map((model) => model.id)
  const long = new Date(Date.now() - 86_400_000).toISOString()
  await request.post(`/api/projects/${id}/events`, {
    data: {
      events: project.line.map((stage) => ({
        id: newId(),
        at: long,
        kind: 'punched',
        stageId: stage.id,
        modelIds,
      })),
    },
  })
  await page.goto(`${url}/sheet`)
  await page.getByRole('button', { name: 'Inspect 5 models' }).click()
  const dialog = (name: string) => page.getByRole('dialog', { name: `Inspect ${name}` })
  await expect(dialog('Pikes 1')).toContainText('no slips over a border')
  await expectAccessible(page)
  await page.keyboard.press('p')
  await expect(dialog('Pikes 2')).toContainText('2 of 5')
  await page.keyboard.press('t')
  await expectAccessible(page)
  await page.getByLabel('What is wrong').fill('slip over a border')
  await page.getByLabel('Mended with the paint of').selectOption({ label: 'Prime' })
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(dialog('Pikes 2')).toContainText('1 touch-up noted')
  await expect(dialog('Pikes 2').getByRole('button', { name: /^Pass/ })).toBeDisabled()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('l')
  await page.getByLabel('What is left as it is, and why').fill('thin inside the cloak')
  await page.keyboard.press('Enter')
  await expect(dialog('Pikes 4')).toBeVisible()
  await page.keyboard.press('r')
  await page.getByLabel('Done again from').selectOption({ label: '2, Grade' })
  await page.getByRole('button', { name: 'Open 1 stage again' }).click()
  await expect(dialog('Pikes 5')).toContainText('5 of 5')
  await page.keyboard.press('p')
  await expect(dialog('Pikes 5')).toBeHidden()
  for (const name of [
    /^Pikes 1, .*; inspected/,
    /^Pikes 3, .*; left so: thin inside/,
    /^Pikes 4, Pikes: 1 of 2/,
  ])
    await expect(strip(page, name)).toBeVisible()
  await expect(page.getByRole('heading', { name: /^Touch-up round: 1 place/ })).toBeVisible()
  await expect(page.getByRole('button', { name: /^Inspect/ })).toBeHidden()
  await page.getByRole('heading', { name: 'Left on purpose: 1 model' }).click()
  await expect(page.getByText(': thin inside the cloak')).toBeVisible()
  await page.reload()
  await page.getByLabel('Show', { exact: true }).selectOption({ label: 'inspected (3)' })
  await expect(page.getByRole('gridcell')).toHaveCount(3)
  await expect
    .poll(() => recordedKinds(request, id))
    .toEqual(['punched', 'punched', 'inspected', 'touch-up', 'inspected', 'cleared', 'inspected'])
})
