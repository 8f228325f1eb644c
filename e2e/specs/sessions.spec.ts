import { expect, test } from '../support/test.ts'
import { unfold } from '../support/fold.ts'
import { expectAccessible } from '../support/axe.ts'
import { ticket } from '../support/bench.ts'
import { seedProject } from '../support/projects.ts'
import { goTo } from '../support/recipes.ts'
import { setTime } from '../support/time.ts'

const calendar = `BEGIN:VCALENDAR
VERSION:2.0
PRODID:-//fen//ferry//EN
BEGIN:VEVENT
UID:1
DTSTART:20261201T180000Z
DTEND:20261201T200000Z
RRULE:FREQ=WEEKLY;COUNT=3
SUMMARY:Ferry watch
END:VEVENT
BEGIN:VEVENT
UID:2
DTSTART;VALUE=DATE:20261224
SUMMARY:Flood feast
END:VEVENT
END:VCALENDAR
`

test('sessions are given as people have them, dropped, moved and read from a calendar', async ({
  page,
  request,
}) => {
  const { url } = await seedProject(request)
  await setTime(page, '2026-11-24T12:00:00Z')
  await page.goto(`${url}/sessions`)
  const you = page.getByRole('region', { name: 'You' })
  await you.getByRole('button', { name: 'My own times' }).click()
  const own = page.getByRole('dialog')
  // They begin as the project's, and nothing is lost unless it is taken out.
  await expect(own.getByLabel('When you paint')).toHaveValue(/^Mon, Tue, /)
  await own.getByLabel('When you paint').fill('Tue')
  await own.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(own.getByRole('alert')).toContainText('Say from when to when')
  await own.getByLabel('When you paint').fill('Tue 19:30–22:00, every other Sat 10:00–14:00')
  await own.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(you.getByText('Tue 19:30–22:00, every other Sat 10:00–14:00')).toBeVisible()

  await you.getByRole('button', { name: 'Drop Tue 1 Dec' }).click()
  await expect(you.getByRole('list', { name: 'Dropped' })).toContainText('Tue 1 Dec')
  await you.getByRole('button', { name: 'Move Tue 8 Dec' }).click()
  const move = page.getByRole('dialog')
  await move.getByLabel('Day').fill('2026-12-09')
  await move.getByRole('button', { name: 'Move it here' }).click()
  await expect(you.getByText('Wed 9 Dec')).toBeVisible()
  await you.getByRole('list', { name: 'Dropped' }).getByRole('button', { name: 'Take back' }).first().click()
  await expect(you.getByRole('button', { name: 'Drop Tue 1 Dec' })).toBeVisible()

  await you.getByRole('button', { name: 'Days off' }).click()
  const off = page.getByRole('dialog')
  await off.getByRole('button', { name: 'No painting then' }).click()
  await expect(off.getByRole('alert').first()).toHaveText('Give a day that exists.')
  await off.getByLabel('First day off').fill('2026-12-14')
  await off.getByLabel('Last day off').fill('2026-12-20')
  await off.getByRole('button', { name: 'No painting then' }).click()
  await expect(you.getByText('Mon 14 Dec 2026 to Sun 20 Dec 2026')).toBeVisible()
  await expect(you.getByText('Tue 15 Dec')).toBeHidden()

  const chooser = you.getByLabel('iCalendar file of You')
  await chooser.setInputFiles({ name: 'no.ics', mimeType: 'text/calendar', buffer: Buffer.from('hello') })
  await expect(page.getByRole('dialog').getByRole('alert')).toContainText('This is not an iCalendar file')
  await page.keyboard.press('Escape')
  await chooser.setInputFiles({ name: 'ferry.ics', mimeType: 'text/calendar', buffer: Buffer.from(calendar) })
  const said = page.getByRole('dialog')
  await expect(said).toContainText('3 times in the next four months; 1 entry for whole days passed over')
  await expectAccessible(page)
  await said.getByRole('button', { name: 'These are taken: sessions in them fall out' }).click()
  await expect(you.getByRole('list', { name: 'Dropped' })).toContainText('Tue 1 Dec')
  await expectAccessible(page)
})

test('several painters share the work, and the ways to share it stand side by side', async ({
  page,
  request,
}) => {
  await setTime(page, '2026-11-24T12:00:00Z')
  const { url } = await seedProject(request, { units: { 'Reed-pikes': 4, 'Lock-keepers': 4 }, stages: 6 })
  await page.goto(`${url}/sessions`)
  await page.getByRole('button', { name: 'Another painter' }).click()
  await page.getByRole('button', { name: 'Add the painter' }).click()
  const second = page.getByRole('region', { name: 'Painter 2' })
  await second.getByLabel('Pace').fill('nine')
  await second.getByLabel('Pace').blur()
  await expect(second.getByRole('alert')).toHaveText('Give a number from 0.2 to 5.')
  await second.getByLabel('Pace').fill('1.5')
  await second.getByLabel('Pace').press('Enter')
  await second.getByLabel('Painter', { exact: true }).fill('Tiss')
  await second.getByLabel('Painter', { exact: true }).press('Enter')
  const tiss = page.getByRole('region', { name: 'Tiss' })
  await tiss.getByText('Does every stage').click()
  await tiss.getByLabel('edge').uncheck()
  await expect(tiss.getByText('Is not asked to edge')).toBeVisible()

  await page.getByRole('link', { name: 'To the plan' }).click()
  await unfold(page, 'Who does what')
  const shared = page.getByRole('region', { name: 'Who does what' })
  await expect(shared.getByRole('row')).toHaveCount(4)
  await expect(shared.getByRole('columnheader', { name: 'Tiss' })).toBeVisible()
  await shared.getByRole('button', { name: 'Each a batch, start to end' }).click()
  await expect(shared.getByRole('button', { name: 'Each a batch, start to end' })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
  await unfold(page, 'Later sessions')
  await expect(page.getByText(', Tiss').first()).toBeVisible()
  await expectAccessible(page)

  // At the bench everybody has a batch of their own before them, and sees whose the rest is.
  await goTo(page, 'Bench')
  await expect(ticket(page)).toContainText(/Reed-pikes|Lock-keepers/)
  const units = ['Reed-pikes', 'Lock-keepers']
  const text = await ticket(page).textContent()
  const [own = '', other = ''] = text?.includes('Reed-pikes') ? units : units.toReversed()
  const then = page.getByRole('region', { name: 'Then' })
  const comes = then.getByRole('listitem')
  await expect(comes.first()).toContainText(`${own} (4)`)
  await expect(then).not.toContainText('Tiss')
  await then.getByRole('button', { name: /^All \d+ that come/ }).click()
  await expect(comes.filter({ hasText: `${other} (4), Tiss` }).first()).toBeVisible()
  await page.getByLabel('Painting at this device').selectOption('Tiss')
  await expect(ticket(page)).toContainText(other)
  await expect(comes.filter({ hasText: `${own} (4), You` }).first()).toBeVisible()

  // And on paper a run sheet each.
  await page.goto(`${url}/paper`)
  const sheets = page.getByRole('article').filter({ hasText: '19:30–' })
  await expect(sheets.filter({ hasText: `${own} (4)` })).toHaveCount(1)
  await expect(sheets.filter({ hasText: ', Tiss' })).toContainText(`${other} (4)`)
})

test('what nobody can keep is named with the way out', async ({ page, request }) => {
  const { url } = await seedProject(request)
  await page.goto(`${url}/sessions`)
  const desk = page.getByRole('region', { name: 'At the desk' })
  await desk.getByLabel('Drying rack, models').fill('2')
  await desk.getByLabel('Drying rack, models').press('Enter')
  await page.getByRole('link', { name: 'To the plan' }).click()
  // Batches are as small as the rack asks for.
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Done by')
  await page.goBack()
  await expect(desk.getByLabel('Drying rack, models')).toHaveValue('2')
  await desk.getByLabel('Drying rack, models').fill('')
  await desk.getByLabel('Drying rack, models').press('Enter')
  await desk.getByLabel(/Only in these hours/).check()
  await desk.getByLabel('Spray from').fill('17:00')
  await desk.getByLabel('Spray from').blur()
  await expect(desk.getByRole('alert')).toHaveText('Begin before the end.')
  await expectAccessible(page)
})
