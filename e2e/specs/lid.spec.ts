import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '../support/test.ts'
import { ticket } from '../support/bench.ts'
import { changeProject, recordedEvents, recordPunch, seedProject } from '../support/projects.ts'
import { beginSweep } from '../support/sweep.ts'
import { moveTime, setTime } from '../support/time.ts'

const strip = (page: Page, number: number, done: number) =>
  page.getByRole('gridcell', { name: new RegExp(`^Pikes ${String(number)}, Pikes: ${String(done)} of 6`) })

test('a lid closed on a running clock: the night is said, counts for nothing, and the clock is stopped where the work was', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 6 }, stages: 6 })
  await setTime(page, '2026-11-24T18:30:00Z')
  await page.goto(`${url}/bench`)
  await expect(page.getByRole('heading', { name: 'Until 22:00' })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('started 19:30')
  for (const minute of [31, 32]) {
    await moveTime(page, `2026-11-24T18:${String(minute)}:00Z`)
    await page.keyboard.press('Space')
    await expect(ticket(page)).toContainText(`${String(minute - 30)} / 6`)
  }
  await expect(ticket(page)).not.toContainText('Nothing was marked')

  await moveTime(page, '2026-11-25T08:00:00Z')
  await expect(ticket(page)).toContainText(
    'Nothing was marked for 13 h 28, since Tue 24 Nov 19:32, and the clock runs.',
  )
  await page.getByRole('button', { name: 'Stop it at Tue 24 Nov 19:32' }).click()
  await expect(ticket(page)).toContainText('not started')
  await expect
    .poll(async () => (await recordedEvents(request, id)).map((event) => [event.kind, event.at]))
    .toEqual([
      ['clock-started', Date.parse('2026-11-24T18:30:00Z')],
      ['punched', Date.parse('2026-11-24T18:31:00Z')],
      ['punched', Date.parse('2026-11-24T18:32:00Z')],
      ['clock-stopped', Date.parse('2026-11-24T18:32:00Z')],
    ])
  await page.goto(`${url}/logbook`)
  // The list shows the oddest first, those of the tests beside this one among them: the file has them all.
  await expect(page.getByRole('heading', { name: /times?, the oddest first$/ })).toBeVisible()
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save as CSV' }).click()
  const lines = (await readFile(await (await saved).path(), 'utf8')).split(/\r?\n/)
  const own = lines.filter((line) => /^2026-11-24T18:32:00.000Z,[^,]*,Pikes,/.test(line))
  expect(own.map((line) => line.split(',')[7])).toEqual(['120'])
})

test('a lid closed in mid-sweep without a network: all of it is there once, and so is what another did meanwhile', async ({
  page,
  context,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 12 }, stages: 6 })
  await page.goto(`${url}/sheet`)
  await page.getByLabel('A tap or sweep').selectOption({ index: 2 })
  await beginSweep(page, 1, 3)
  await page.mouse.up()
  for (const number of [1, 2, 3]) await expect(strip(page, number, 1)).toBeVisible()
  await expect.poll(async () => (await recordedEvents(request, id)).length).toBe(1)

  await context.setOffline(true)
  await beginSweep(page, 4, 6)
  await page.mouse.up()
  for (const number of [4, 5, 6]) await expect(strip(page, number, 1)).toBeVisible()
  await beginSweep(page, 7, 9)
  const device = await context.newCDPSession(page)
  await device.send('Page.setWebLifecycleState', { state: 'frozen' })
  await recordPunch(request, id)
  await device.send('Page.setWebLifecycleState', { state: 'active' })
  await context.setOffline(false)
  await page.mouse.up()
  await expect(strip(page, 1, 2)).toBeVisible()
  for (const number of [2, 3, 4, 5, 6, 7, 8, 9]) await expect(strip(page, number, 1)).toBeVisible()
  await expect
    .poll(async () =>
      (await recordedEvents(request, id)).map((event) =>
        event.kind === 'punched' ? event.modelIds.length : 0,
      ),
    )
    .toEqual([3, 1, 3, 3])
})

test('a line changed elsewhere in mid-sweep: it is said, and what was marked is there again when its stage is', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 12 }, stages: 6 })
  await page.goto(`${url}/sheet`)
  const stages = page.getByLabel('A tap or sweep').getByRole('option')
  await expect(stages).toHaveCount(7)
  await page.getByLabel('A tap or sweep').selectOption({ index: 2 })
  await beginSweep(page, 1, 3)
  await page.mouse.up()
  for (const number of [1, 2, 3]) await expect(strip(page, number, 1)).toBeVisible()

  const { line } = (await (await request.get(`/api/projects/${id}`)).json()) as {
    readonly line: readonly { readonly id: string; readonly name: string }[]
  }
  const [first, second] = line
  await beginSweep(page, 2, 5)
  await changeProject(request, id, 1, [{ kind: 'take', thing: 'stage', id: second!.id, in: null }])
  await expect(stages).toHaveCount(6)
  await page.mouse.up()
  await expect(
    page.getByText('That stage is not among the stages any more: nothing was marked.'),
  ).toBeVisible()
  await changeProject(request, id, 2, [
    { kind: 'put', thing: 'stage', id: second!.id, in: null, value: second, after: first!.id, before: null },
  ])
  await expect(stages).toHaveCount(7)
  for (const number of [1, 2, 3]) await expect(strip(page, number, 1)).toBeVisible()
  await expect(strip(page, 4, 0)).toBeVisible()
  expect((await recordedEvents(request, id)).map((event) => event.kind)).toEqual(['punched'])
})
