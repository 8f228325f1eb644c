import type { APIRequestContext } from '@playwright/test'
import { expect, test, type Page } from '../support/test.ts'
import { unfold } from '../support/fold.ts'
import { expectAccessible } from '../support/axe.ts'
import { hole } from '../support/bench.ts'
import { keepFromWriting } from '../support/hold-back.ts'
import { changeProject, recordedKinds, seedProject } from '../support/projects.ts'
import { goTo } from '../support/recipes.ts'
import { asProof } from '../support/rounds.ts'

const headline = (page: Page) => page.getByRole('heading', { level: 1 })
const lineNames = (page: Page) => page.getByRole('button', { name: /^Move / })

/** Nothing of what is written here reaches the server until the page is let go. */
async function holdWrites(page: Page): Promise<() => Promise<void>> {
  await page
    .context()
    .route('**/api/**', (route) => (route.request().method() === 'GET' ? route.continue() : route.abort()))
  return () => page.context().unroute('**/api/**')
}

test('what the screen showed is there after a reload before the server had it', async ({ page, request }) => {
  const { url, id } = await seedProject(request, { stages: 3 })
  await page.goto(`${url}/line`)
  const letGo = await holdWrites(page)
  await page.getByRole('button', { name: /^Skin/ }).press('Alt+ArrowUp')
  await expect(lineNames(page).nth(1)).toHaveAccessibleName('Move Skin')
  await page.reload()
  await expect(headline(page)).toContainText('3 stages')
  await expect(lineNames(page).nth(1)).toHaveAccessibleName('Move Skin')
  await letGo()
  await expect
    .poll(async () => {
      const project = (await (await request.get(`/api/projects/${id}`)).json()) as {
        line: { name: string }[]
      }
      return project.line.map((stage) => stage.name)
    })
    .toEqual(['Prime', 'Skin', 'Grade'])
})

test('three quick steps from 4 end at 7, and survive a closed tab while the server is away', async ({
  page,
  request,
  context,
}) => {
  const { url } = await seedProject(request, { units: { 'Reed-pikes': 12 }, batchSize: 4 })
  await page.goto(`${url}/plan`)
  await unfold(page, 'What goes together')
  const more = page.getByRole('button', { name: 'Together: one more' })
  await expect(more).toBeVisible()
  await keepFromWriting(page)
  await more.click()
  await more.click()
  await more.click()
  await expect(page.getByText('Something other than').or(page.getByText('does not answer'))).toBeVisible()
  await expectAccessible(page)
  await page.close()
  const again = await context.newPage()
  await again.goto(`${url}/plan`)
  await unfold(again, 'What goes together')
  await expect(again.getByRole('group', { name: 'Together' })).toContainText('7')
})

test('a form opened before somebody else wrote shows both, and the person chooses', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { batchSize: 4 })
  await page.goto(`${url}/plan`)
  await page.getByRole('button', { name: /^Mon, / }).click()
  const dialog = page.getByRole('dialog', { name: 'Date and evenings' })
  await dialog.getByLabel('Name').fill('Fen by the weir')
  await changeProject(request, id, 1, [
    { kind: 'set', thing: 'project', field: 'name', value: 'Fen under water' },
    { kind: 'set', thing: 'project', field: 'dueOn', value: '2027-03-01' },
  ])
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await page.getByRole('button', { name: 'Look at it' }).click()
  const list = page.getByRole('dialog', { name: 'Not delivered' })
  const row = list.getByRole('row', { name: /^Name/ })
  await expect(row).toContainText('Fen by the weir')
  await expect(row).toContainText('Fen under water')
  await expectAccessible(page)
  const stored = async () => {
    const project = (await (await request.get(`/api/projects/${id}`)).json()) as {
      name: string
      dueOn: string
    }
    return [project.name, project.dueOn]
  }
  // What was not touched in the form was not written over either.
  expect(await stored()).toEqual(['Fen under water', '2027-03-01'])
  await list.getByRole('button', { name: 'Put mine in its place' }).click()
  await expect.poll(stored).toEqual(['Fen by the weir', '2027-03-01'])
  await expect(page.getByText('did not take')).toBeHidden()
})

test('a record that the server refuses is shown with its reason, kept, and can be sent again', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request)
  await page.goto(`${url}/bench`)
  await page.route('**/events', async (route) => {
    if (route.request().method() === 'GET') return route.continue()
    const { events } = route.request().postDataJSON() as { events: { id: string }[] }
    const verdicts = events.map((event) => ({
      id: event.id,
      verdict: 'refused',
      reason: 'There is no such stage.',
    }))
    await route.fulfill({ json: { verdicts, now: new Date().toISOString() } })
  })
  await hole(page, 'Prime, Reed-pikes: to do').click()
  await expect(page.getByText('1 entry the server did not take.')).toBeVisible()
  await expect(hole(page, 'Prime, Reed-pikes: to do')).toBeVisible()
  // The list is looked at before the project is there to name the stage.
  let look: () => void = () => undefined
  const looked = new Promise<void>((resolve) => (look = resolve))
  await page.route(`**/api/projects/${id}`, async (route) => {
    await looked
    await route.continue()
  })
  await page.reload()
  await page.getByRole('button', { name: 'Look at it' }).click()
  const list = page.getByRole('dialog', { name: 'Not delivered' })
  await expect(list.getByText('6 models painted', { exact: true })).toBeVisible()
  look()
  await expect(list.getByText('6 models painted at Prime')).toBeVisible()
  await expect(list.getByText('There is no such stage.')).toBeVisible()
  await expectAccessible(page)
  const download = page.waitForEvent('download')
  await list.getByRole('button', { name: 'Write all to a file' }).click()
  expect((await download).suggestedFilename()).toBe('seriatim-not-delivered.json')
  await page.unroute('**/events')
  await list.getByRole('button', { name: 'Send again' }).click()
  await expect.poll(() => recordedKinds(request, id)).toEqual(['punched'])
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
  await expect(hole(page, 'Prime, Reed-pikes: drying')).toBeVisible()
})

for (const [what, answer, when] of [
  ['somebody else’s page', { status: 200, contentType: 'text/html', body: '<h1>Sign in</h1>' }, {}],
  ['too many requests', { status: 429, body: 'slow down' }, asProof],
  ['a request that timed out', { status: 408, body: '' }, asProof],
] as const) {
  test(
    `an answer that is no verdict (${what}) makes a record wait, not vanish`,
    when,
    async ({ page, request }) => {
      const { url, id } = await seedProject(request)
      await page.goto(`${url}/bench`)
      await page.route('**/events', (route) =>
        route.request().method() === 'GET' ? route.continue() : route.fulfill(answer),
      )
      await hole(page, 'Prime, Reed-pikes: to do').click()
      await expect(page.getByText('1 entry is kept in this browser')).toBeVisible()
      await expect(hole(page, 'Prime, Reed-pikes: drying')).toBeVisible()
      await page.unroute('**/events')
      await expect.poll(() => recordedKinds(request, id)).toEqual(['punched'])
      await expect(page.getByText('kept in this browser')).toBeHidden()
    },
  )
}

/** A bench in a browser whose plain storage takes no more. */
async function benchAtFullStorage(page: Page, request: APIRequestContext): Promise<string> {
  const { url, id } = await seedProject(request)
  await page.goto(`${url}/bench`)
  await expect(hole(page, 'Prime, Reed-pikes: to do')).toBeVisible()
  await page.evaluate(() => {
    let size = 4_000_000
    for (let part = 0; size >= 1; part += 1) {
      try {
        localStorage.setItem(`filler ${String(part)}`, 'x'.repeat(size))
      } catch {
        size = Math.floor(size / 2)
      }
    }
  })
  return id
}

test('a full storage loses nothing, not even with the page: there is a second one', async ({
  page,
  request,
}) => {
  const id = await benchAtFullStorage(page, request)
  const letGo = await holdWrites(page)
  await hole(page, 'Prime, Reed-pikes: to do').click()
  await expect(page.getByText('1 entry is kept in this browser')).toBeVisible()
  await page.reload()
  await expect(page.getByText('1 entry is kept in this browser')).toBeVisible()
  await expect(hole(page, /^Prime, Reed-pikes: drying/)).toBeVisible()
  await letGo()
  await expect.poll(() => recordedKinds(request, id)).toEqual(['punched'])
})

test(
  'when there is no room at all it is said, and nothing recorded while the page is open is lost',
  asProof,
  async ({ page, request }) => {
    const id = await benchAtFullStorage(page, request)
    await page.evaluate(() => {
      IDBObjectStore.prototype.put = () => {
        throw new DOMException('full', 'QuotaExceededError')
      }
    })
    const letGo = await holdWrites(page)
    await hole(page, 'Prime, Reed-pikes: to do').click()
    await expect(page.getByText('This browser’s storage is full.')).toBeVisible()
    await letGo()
    await expect.poll(() => recordedKinds(request, id)).toEqual(['punched'])
    await expect(page.getByText('This browser’s storage is full.')).toBeHidden()
  },
)

test('what one device does the other shows without asking, and what was changed is taken back from the log', async ({
  browser,
  request,
}) => {
  const { url, id } = await seedProject(request, { stages: 3 })
  const [tablet, phone] = [await browser.newPage(), await browser.newPage()]
  // While the line of news is open, it is asked by the clock once a minute: longer than anything here waits.
  const opened = tablet.waitForResponse((answer) => answer.url().endsWith('/news'))
  await tablet.goto(`${url}/bench`)
  await expect(hole(tablet, 'Prime, Reed-pikes: to do')).toBeVisible()
  expect((await opened).status()).toBe(200)
  await phone.goto(`${url}/bench`)
  await phone.getByRole('button', { name: 'All done' }).click()
  await expect(hole(tablet, /^Prime, Reed-pikes: drying/)).toBeVisible()
  await hole(tablet, 'Grade, Reed-pikes: to do').click()
  await expect(hole(phone, 'Grade, Reed-pikes: drying')).toBeVisible()
  const { revision } = (await (await request.get(`/api/projects/${id}`)).json()) as { revision: number }
  const rename = { kind: 'set', thing: 'project', field: 'name', value: 'Otter mere' }
  await changeProject(request, id, revision, [rename])
  await expect(tablet.getByText('Otter mere').first()).toBeVisible()

  await goTo(tablet, 'Stages')
  await tablet.getByRole('button', { name: /^Skin/ }).press('Alt+ArrowUp')
  await goTo(phone, 'Stages')
  await expect(lineNames(phone).nth(1)).toHaveAccessibleName('Move Skin')
  await phone.getByRole('button', { name: 'What was changed' }).click()
  const first = phone.getByRole('dialog').getByRole('listitem').first()
  await expect(first).toContainText('moved')
  await expect(first).toContainText('at another device')
  await expectAccessible(phone)
  await first.getByRole('button', { name: 'Take back' }).click()
  await phone.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
  await expect(lineNames(phone).nth(2)).toHaveAccessibleName('Move Skin')
  await expect(lineNames(tablet).nth(2)).toHaveAccessibleName('Move Skin')
  await tablet.context().close()
  await phone.context().close()
})

test('a project put away on one device and brought back is there again where its page stood', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { stages: 3 })
  await request.delete(`/api/projects/${id}`)
  await page.goto(`${url}/bench`)
  await expect(headline(page)).toHaveText('Nothing lies here')
  await request.post(`/api/projects/${id}/restore`)
  await expect(page.getByRole('button', { name: 'Touch-up' })).toBeVisible()
})

test('a plan is kept with its project: after a reload and on another device it is kept to, not made anew', async ({
  page,
  browser,
  request,
}) => {
  const { url, id } = await seedProject(request, { units: { Pikes: 9 } })
  const kept = async () => {
    const answer = await request.get(`/api/projects/${id}/plan`)
    return ((await answer.json()) as { plan: { batches: { modelIds: string[] }[] } | null }).plan
  }
  const sent: string[] = []
  const opened = async (on: Page) => {
    on.on('request', (asked) => {
      if (asked.method() === 'PUT' && asked.url().endsWith('/plan')) sent.push(asked.url())
    })
    await on.goto(`${url}/plan`)
    await expect(on.getByRole('region', { name: 'The next session' }).getByRole('listitem')).not.toHaveCount(
      0,
    )
  }
  await opened(page)
  const sizes = async () => (await kept())?.batches.map((batch) => batch.modelIds.length).sort()
  await expect.poll(sizes).toEqual([4, 5])
  const first = await kept()
  expect(sent).toHaveLength(1)
  await page.reload()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('of 10 cases')
  const other = await browser.newPage()
  await opened(other)
  await expect(other.getByRole('heading', { level: 1 })).toContainText('of 10 cases')
  expect(sent).toHaveLength(1)
  expect(await kept()).toEqual(first)
  await other.close()
})
