import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { freePort, Instance } from '../support/instance.ts'
import { demoId, seedProject } from '../support/projects.ts'

const data = fileURLToPath(new URL('../../.cache/e2e-desk-data', import.meta.url))

test.beforeAll(() => rmSync(data, { recursive: true, force: true }))
test.afterAll(() => rmSync(data, { recursive: true, force: true }))

test('all projects are planned at one desk, by the hours that are chosen, and a rush job says what it costs the others', async ({
  page,
  playwright,
}) => {
  const instance = new Instance(data, await freePort())
  await instance.start()
  const request = await playwright.request.newContext({ baseURL: instance.origin })
  try {
    await request.delete(`/api/projects/${demoId}`)
    const pikes = await seedProject(request, { units: { Pikes: 6 } })
    const eels = await seedProject(request, { units: { Eels: 8 } })
    await page.goto(`${instance.origin}/projects`)
    await page.getByRole('button', { name: 'All at one desk' }).click()
    const jobs = page.getByRole('region', { name: 'The jobs on it' })
    await expect(jobs.getByRole('row')).toHaveCount(3)
    await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Done by .+ in 8 of 10 cases$/)
    await expectAccessible(page)

    const hours = jobs.getByLabel('Hours, people and stations of')
    await hours.selectOption({ label: eels.name })
    await expect(hours).toHaveValue(eels.id)
    await expect
      .poll(async () => (await (await request.get('/api/desk')).json()) as unknown)
      .toEqual({ hoursOf: eels.id })
    await page.reload()
    await expect(hours).toHaveValue(eels.id)

    const row = jobs.getByRole('row', { name: new RegExp(eels.name) })
    await row.getByRole('button', { name: 'Rush' }).click()
    await expect(row.getByText(/sooner|as before/)).toBeVisible()
    await expect(page.getByText('What if: nothing is changed by it.')).toBeVisible()
    await row.getByRole('button', { name: 'Rush' }).click()
    await expect(page.getByText('What if: nothing is changed by it.')).toBeHidden()
    await row.getByRole('button', { name: 'Leave out' }).click()
    await expect(row).toContainText('left out')
    const other = jobs.getByRole('row', { name: new RegExp(pikes.name) })
    await expect(other.getByRole('button', { name: 'Leave out' })).toBeDisabled()
    await expect(other.getByText(/sooner|as before/)).toBeVisible()
  } finally {
    await request.dispose()
    await instance.stop()
  }
})
