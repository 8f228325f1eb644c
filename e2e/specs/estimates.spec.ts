import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { ownInstance } from '../support/own-instance.ts'
import { demoId, newId, recordedKinds, seedProject } from '../support/projects.ts'
import { goTo, makeFirstRecipe } from '../support/recipes.ts'

// Rates and air belong to the desk, not to a project: a Seriatim of its own, so that no other journey feels them.
const own = ownInstance('estimates')

test.describe.configure({ mode: 'serial' })

const open = (page: Page, place: string) => page.goto(`${own().origin}/projects/${demoId}/${place}`)
const file = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

test('the minutes of a stage open to what they are made of, and give way to who knows better', async ({
  page,
}) => {
  await open(page, 'line')
  await page.getByRole('button', { name: /^Base coat, coat and saddle/ }).click()
  const minutes = page.getByRole('region', { name: 'Minutes a model, by unit' })
  const riders = minutes.getByRole('listitem').filter({ hasText: 'Stilt-riders' }).first()
  await expect(riders).toContainText('preset')
  await riders.getByRole('button', { name: /^How the minutes/ }).click()
  await expect(riders).toContainText('common practice')
  await expect(riders).toContainText('size: mounted')
  await expect(riders).toContainText('your pace')
  await expectAccessible(page)

  await riders.getByRole('button', { name: /^Type the minutes/ }).click()
  const form = page.getByRole('form', { name: 'Minutes of Stilt-riders' })
  await form.getByLabel('At best').fill('9')
  await form.getByLabel('Likely').fill('4')
  await form.getByLabel('At worst').fill('12')
  await form.getByRole('button', { name: 'Use these' }).click()
  await expect(form.getByText('The best time comes first')).toBeVisible()
  await form.getByLabel('At best').fill('2')
  await form.getByRole('button', { name: 'Use these' }).click()
  await expect(riders).toContainText('typed')
  // (2 + 4 · 4 + 12) / 6 = 5 min.
  await expect(riders).toContainText('5:00')
  await riders.getByRole('button', { name: /^How the minutes/ }).click()
  await expect(riders).toContainText('÷ 6')
  await page.reload()
  await page.getByRole('button', { name: /^Base coat, coat and saddle/ }).click()
  await expect(riders).toContainText('5:00')
  await riders.getByRole('button', { name: /^Type the minutes/ }).click()
  await page.getByRole('button', { name: 'Estimate it again' }).click()
  await expect(riders).toContainText('preset')
})

test('odd laps stand first; one is left out with a reason, and taken back', async ({ page }) => {
  await open(page, 'logbook')
  await expect(
    page.getByRole('region', { name: 'The biggest surprises' }).getByRole('listitem').first(),
  ).toContainText('expected')
  const times = page.getByRole('region', { name: /times, the oddest first/ })
  const oddest = times.getByRole('listitem').first()
  await expect(oddest).toContainText('39:00')
  await expect(oddest).toContainText('odd: counts')
  await oddest.getByRole('button', { name: 'Leave out or mend' }).click()
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByText('Say why, in a word')).toBeVisible()
  await page.getByLabel('Count another time').check()
  await page.getByLabel('Time at the work').fill('0')
  await page.getByLabel('Why', { exact: true }).fill('telephone')
  await page.getByRole('button', { name: 'Count this instead' }).click()
  await expect(page.getByText('Give minutes of more than zero')).toBeVisible()
  await page.getByLabel('Time at the work').fill('11')
  await page.getByRole('button', { name: 'Count this instead' }).click()
  const mended = times.getByRole('listitem').filter({ hasText: 'telephone' })
  await expect(mended).toContainText('11:00')
  await expectAccessible(page)
  await mended.getByRole('button', { name: 'Take it as it was' }).click()
  await expect(times.getByText('telephone')).toHaveCount(0)
  await expect(times.getByRole('listitem').first()).toContainText('39:00')
})

test('a milestone punches several stages at once and teaches the rates', async ({ page }) => {
  await open(page, 'logbook')
  const wash = page.getByRole('row', { name: /^layer/ })
  await expect(wash).toHaveCount(0)
  await page.getByRole('button', { name: 'Log progress' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Unit').selectOption({ label: 'Sluice gun' })
  await dialog.getByLabel('Models done').fill('2')
  await dialog.getByLabel('Through everything up to').selectOption({ index: 6 })
  await dialog.getByLabel('Time at the desk for it').fill('a while')
  await dialog.getByRole('button', { name: 'Stamp it' }).click()
  await expect(dialog.getByText('Give the time at the desk')).toBeVisible()
  await expectAccessible(page)
  await dialog.getByLabel('Time at the desk for it').fill('1 h 10')
  await dialog.getByRole('button', { name: 'Stamp it' }).click()
  await page.getByRole('button', { name: 'Newest first' }).click()
  const newest = page
    .getByRole('region', { name: /times, the newest first/ })
    .getByRole('listitem')
    .first()
  await expect(newest).toContainText('Milestone')
  await expect(newest).toContainText('1:10:00')
  await expect(page.getByRole('row', { name: /base coat large/ })).toBeVisible()
})

test('rates go out and come back as CSV, and a faulty row changes nothing', async ({ page }) => {
  await open(page, 'logbook')
  const rates = page.getByRole('region', { name: 'Rates in figures' })
  await expect(rates.getByRole('row', { name: /^spray from above/ })).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Rates as CSV' }).click()
  const saved = readFileSync(await (await download).path(), 'utf8')
  expect(saved.split(/\r?\n/)[0]).toBe('technique,size,pace,laps')

  await page.getByRole('button', { name: 'Rates from CSV' }).click()
  const chooser = page.getByLabel('CSV file')
  const dialog = page.getByRole('dialog')
  await chooser.setInputFiles(
    file('bad.csv', 'technique,size,pace,laps\nwash,giant,1.2,-3\nglaze,foot,1,1,2\n'),
  )
  await expect(dialog).toContainText('“giant” is not a size')
  await expect(dialog).toContainText('“-3” is not a number of laps above 0.')
  await expect(dialog).toContainText('a decimal comma needs semicolons or quotes')
  await expect(page.getByRole('button', { name: 'Take the rates' })).toBeDisabled()
  await chooser.setInputFiles(file('rates.csv', 'technique;size;pace;laps\nglaze;foot;1,25;40\n'))
  await page.getByRole('button', { name: 'Take 1 rate' }).click()
  await expect(page.getByText('1 rate brought', { exact: false }).first()).toBeVisible()
  await expect(rates.getByRole('row', { name: /^glaze/ })).toContainText('40.0')
  await page.getByRole('button', { name: 'Put the brought ones away' }).click()
  await expect(rates.getByRole('row', { name: /^glaze/ })).toHaveCount(0)
  const said = page.getByRole('listitem').filter({ hasText: 'The brought rates are put away.' })
  await said.getByRole('button', { name: 'Undo' }).click()
  await expect(rates.getByRole('row', { name: /^glaze/ })).toContainText('40.0')
  await page.getByRole('button', { name: 'Rates from CSV' }).click()
  await chooser.setInputFiles(file('own.csv', saved))
  await page.getByRole('button', { name: /^Take \d+ rates$/ }).click()
  await expect(page.getByText('rates brought', { exact: false }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Put the brought ones away' }).click()
  await expect(page.getByRole('button', { name: 'Put the brought ones away' })).toHaveCount(0)
})

test('a pilot is chosen, timed, judged, and its proposals taken up', async ({ page }) => {
  await open(page, 'roster')
  await page.getByRole('link', { name: 'The pilot of Lock-keepers' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('a pilot model')
  await expect(page.getByRole('heading', { name: 'What the pilot asks for' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Leave it out' }).click()
  await expect(page.getByText('Wash, base is left out.')).toBeVisible()
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText('The highlights are in the recipe', { exact: false })).toBeVisible()
  await expect(page.getByRole('heading', { name: 'The pilot asks for no change' })).toBeVisible()
  await page.getByRole('button', { name: 'Keep it as the reference' }).click()
  await expect(page.getByText('The pilot is the reference: version', { exact: false })).toBeVisible()

  await open(page, 'roster')
  await page.getByRole('link', { name: 'Paint a test model of Eel-netters' }).click()
  await page.getByRole('checkbox', { name: 'Eel-netter 8' }).check()
  await page.getByRole('button', { name: '1 model first' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('before the first lap')
  await page.getByRole('button', { name: /^Say it of .*base coat, skin$/i }).click()
  await page.getByLabel('did nothing').check()
  await page.getByLabel('Note').fill('as the primer')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('“as the primer”', { exact: false })).toBeVisible()
})

test('hours say which standards fit, and the roster takes them', async ({ page }) => {
  await open(page, 'hours')
  await expect(page.getByRole('heading', { level: 1 })).toContainText('table-ready')
  const hours = page.getByLabel('Hours there are')
  await hours.fill('soon')
  await expect(page.getByText('Give a time such as 6 h')).toBeVisible()
  await hours.fill('6 h')
  const table = page.getByRole('region', { name: 'Standards in hours' })
  await expect(table.getByText('too many').first()).toBeVisible()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('6 h:')
  const pikes = table
    .getByRole('row', { name: /Reed-pikes/ })
    .getByRole('button')
    .first()
  const likely = await pikes.textContent()
  await page.getByLabel('On the safe side').check()
  await expect(pikes).not.toHaveText(likely ?? '')
  await page.getByLabel('On the safe side').uncheck()
  await page.getByLabel('points').check()
  await page.getByLabel('Sluice gun').uncheck()
  await expect(table.getByRole('row', { name: /Sluice gun/ })).toHaveCount(0)
  await expectAccessible(page)
  const first = table.getByRole('row').nth(1)
  await first.getByRole('button').first().click()
  await expect(page.getByText('pots opened once a batch')).toBeVisible()
  await page.keyboard.press('Escape')
  await hours.fill('40 h')
  await page.getByRole('button', { name: 'Take these standards' }).click()
  await expect(page.getByRole('button', { name: 'The roster has these standards' })).toBeDisabled()
  await expect(table.getByRole('row', { name: /Reed-pikes/ })).toContainText('now tabletop plus')
})

test('waits follow the air that is read, from a form, a file or the simulated devices', async ({ page }) => {
  await page.goto(`${own().origin}/air`)
  await expect(page.getByText('Without a reading')).toBeVisible()
  await page.getByLabel('Temperature, °C').fill('warm')
  await page.getByLabel('Humidity, %').fill('180')
  await page.getByRole('button', { name: 'Take the reading' }).click()
  await expect(page.getByText('Give a temperature from')).toBeVisible()
  await expect(page.getByText('Give a humidity from')).toBeVisible()
  await page.getByLabel('Temperature, °C').fill('20,0')
  await page.getByLabel('Humidity, %').fill('75')
  await page.getByRole('button', { name: 'Take the reading' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('waits 2.0 times as long')
  await expect(page.getByText('15.4 °C')).toBeVisible()

  await page.getByLabel('Outdoors: spray weather').check()
  await page.getByLabel('Temperature, °C').fill('4')
  await page.getByLabel('Humidity, %').fill('90')
  await page.getByRole('button', { name: 'Take the reading' }).click()
  await expect(page.getByText('Outdoors, where cans are used: 4.0 °C and 90 %.')).toBeVisible()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('waits 2.0 times as long')
  const said = page.getByRole('listitem').filter({ hasText: 'Spray weather follows this air.' })
  await said.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('1 reading taken back.')).toBeVisible()
  await expect(page.getByText('Outdoors, where cans are used: 4.0 °C and 90 %.')).toBeHidden()

  await page.getByRole('button', { name: 'Hourly CSV' }).click()
  await page
    .getByLabel('CSV file')
    .setInputFiles(file('bad.csv', 'time,temperature,humidity\nyesterday,12,40\n2026-11-24 10:00,12,140\n'))
  await expect(page.getByRole('dialog')).toContainText('“yesterday” is not a time')
  await expect(page.getByRole('dialog')).toContainText('“140” is not a humidity')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Run the simulated thermo-hygrometers' }).click()
  await expect(page.getByRole('img', { name: /Hours of spray weather/ })).toBeVisible()
  await expectAccessible(page)
  // By a key: a toast that came up under the pointer stays there as long as the pointer does.
  await page.getByText('In words').press('Enter')
  await expect(
    page
      .getByRole('listitem')
      .filter({ hasText: /spray|too (cold|damp)/ })
      .first(),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Switch the simulated devices off' }).click()
  await expect(page.getByRole('button', { name: 'Run the simulated thermo-hygrometers' })).toBeVisible()
})

test('models ticked off are asked about once, in the logbook, and silence means no', async ({
  page,
  playwright,
}) => {
  const request = await playwright.request.newContext({ baseURL: own().origin })
  const { id, url } = await seedProject(request, { units: { Horde: 12 } })
  const project = (await (await request.get(`/api/projects/${id}`)).json()) as {
    line: { id: string; name: string }[]
    units: { models: { id: string }[] }[]
  }
  const stageId = project.line.find((stage) => stage.name === 'Skin')?.id
  const modelIds = project.units[0]?.models.map((model) => model.id) ?? []
  const started = Date.now() - 3_600_000
  const at = (seconds: number) => new Date(started + seconds * 1000).toISOString()
  const clock = newId()
  const events = [
    { id: clock, at: at(0), kind: 'clock-started', stageId, modelIds },
    ...modelIds.map((model, index) => ({
      id: newId(),
      at: at(1 + index),
      kind: 'punched',
      stageId,
      modelIds: [model],
    })),
    { id: newId(), at: at(14), kind: 'clock-stopped', targetId: clock },
  ]
  await request.post(`/api/projects/${id}/events`, { data: { events } })
  await page.goto(`${own().origin}${url}/logbook`)
  await expect(page.getByRole('heading', { level: 1 })).not.toContainText('less than the preset')
  const asked = page.getByRole('region', { name: 'Was this timed, or ticked off?' })
  await expect(asked).toContainText('12 models in 0:14')
  await expectAccessible(page)
  await asked.getByRole('button', { name: 'Ticked off' }).click()
  await expect(asked).toBeHidden()
  await page.reload()
  await expect(page.getByText('left out: ticked, not timed')).toBeVisible()
  await expect(asked).toBeHidden()
  await request.dispose()
})

test('a unit that is remembered moves the first estimate, is told among the reasons and taken back', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await goTo(page, 'Plan')
  const asked = page.getByRole('region', { name: 'How long did your last unit take?' })
  await expect(asked.getByLabel('Models')).toHaveValue('6')
  const told = asked.getByLabel('It took')
  await told.fill('ages')
  await told.press('Enter')
  await expect(asked.getByText('Say how long: 6 hours')).toBeVisible()
  await told.fill('about four evenings of two hours')
  await expect(asked.getByText('8 h in all')).toBeVisible()
  await expectAccessible(page)
  await told.press('Enter')
  await expect(asked).toBeHidden()
  await expect
    .poll(() => recordedKinds(request, /projects\/([^/]+)/.exec(page.url())![1]!))
    .toEqual(['remembered'])

  await page.goto(page.url().replace(/plan$/, 'logbook'))
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/longer than the preset/)
  const row = page.getByRole('listitem').filter({ hasText: 'translucent over bright to tabletop plus' })
  await expect(row).toContainText('about four evenings of two hours')
  await row.getByRole('button', { name: 'Take it back' }).click()
  await expect(row).toBeHidden()

  await page.getByRole('button', { name: 'A unit I remember' }).click()
  await page.getByLabel('It took').fill('half an hour')
  await page.getByLabel('It took').press('Escape')
  await expect(page.getByRole('form', { name: 'A unit you remember' })).toBeHidden()
})

test('who skips the question is not asked again', async ({ page, request }) => {
  await makeFirstRecipe(page, request)
  await goTo(page, 'Plan')
  const asked = page.getByRole('region', { name: 'How long did your last unit take?' })
  await asked.getByLabel('It took').press('Escape')
  await expect(asked).toBeHidden()
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/\d/)
  await expect(asked).toBeHidden()
})
