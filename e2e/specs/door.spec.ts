import { execFile } from 'node:child_process'
import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test, type Page } from '../support/test.ts'
import { unfold } from '../support/fold.ts'
import { expectAccessible } from '../support/axe.ts'
import { freePort, Instance } from '../support/instance.ts'
import { recordedKinds, seedProject } from '../support/projects.ts'

const root = fileURLToPath(new URL('../..', import.meta.url))
const data = `${root}.cache/e2e-door-data`
const email = 'odile@tallow.test'
const maren = 'maren@tallow.test'
const password = 'reed heron marsh tallow'

test.beforeAll(() => rmSync(data, { recursive: true, force: true }))
test.afterAll(() => rmSync(data, { recursive: true, force: true }))

/** Runs a tool on the test's data. @returns what it said, and how it ended. */
function tool(
  name: 'owner' | 'serve',
  args: readonly string[],
  input = '',
  env: Record<string, string> = {},
) {
  return new Promise<{ readonly code: number; readonly said: string }>((done) => {
    const options = { cwd: root, env: { ...process.env, SERIATIM_DATA: data, ...env } }
    const child = execFile(
      process.execPath,
      [`tools/${name}.mjs`, ...args],
      options,
      (error, stdout, stderr) => {
        done({ code: error ? 1 : 0, said: `${stdout}${stderr}` })
      },
    )
    child.stdin?.end(input)
  })
}

async function signIn(page: Page, who: string, secret: string): Promise<void> {
  await page.getByLabel('E-mail address').fill(who)
  await page.getByLabel('Password').fill(secret)
  await page.getByRole('button', { name: 'Sign in' }).click()
}

test('behind a door everybody signs in, each may what their role may, and nothing recorded is lost when a sign-in ends', async ({
  page,
  browser,
  playwright,
}) => {
  const port = await freePort()
  const origin = `http://127.0.0.1:${String(port)}`
  const nobody = await tool('serve', ['--origin', origin, '--host', '127.0.0.1'])
  expect(nobody.code).toBe(1)
  expect(nobody.said).toContain('npm run owner -- you@example.org makes an owner.')
  expect(await tool('owner', ['no address'], password)).toMatchObject({ code: 1 })
  expect((await tool('owner', [email], 'short')).said).toBe('A password has at least 10 characters.\n')
  expect((await tool('owner', [email, 'Odile'], password)).said).toContain(`${email} owns this studio now`)

  const other = await tool('owner', [maren, 'Maren', '--studio', 'Below the weir'], password)
  expect(other.said).toContain(`${maren} owns Below the weir now, and may sign in.`)

  const instance = new Instance(data, port, { TZ: 'Europe/Berlin', SERIATIM_ORIGIN: origin })
  await instance.start()
  try {
    await page.goto(`${origin}/shelf`)
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await expect(page.getByText('black primer')).toHaveCount(0)
    await expectAccessible(page)
    await signIn(page, email, 'not the password')
    await expect(page.getByRole('alert')).toHaveText('Nobody signs in here with this address and password.')
    await signIn(page, email, password)
    await expect(page.getByRole('heading', { level: 1 })).toContainText('materials on the shelf')

    await page.getByRole('link', { name: 'Studio' }).click()
    const members = page.getByRole('region', { name: 'Who belongs here' })
    await members.getByLabel('Name').fill('Wim')
    await members.getByLabel('E-mail address').fill('wim@tallow.test')
    await members.getByRole('button', { name: 'Add' }).click()
    const told = page.getByRole('dialog', { name: 'The password of Wim' })
    const secret = (await told.locator('.figures').textContent()) ?? ''
    expect(secret).toMatch(/^(\w{4}-){3}\w{4}$/)
    await told.getByRole('button', { name: 'Done' }).click()
    await expect(members.getByRole('row', { name: /Wim/ })).toContainText('wim@tallow.test')
    await expectAccessible(page)

    const request = await playwright.request.newContext({
      baseURL: origin,
      storageState: await page.context().storageState(),
    })
    const { url, id, name } = await seedProject(request, { units: { Pikes: 3 }, stages: 2 })
    const bench = await browser.newContext({ baseURL: origin })
    const desk = await bench.newPage()
    await desk.goto(`${url}/bench`)
    await signIn(desk, 'wim@tallow.test', secret)
    await desk.getByRole('button', { name: 'All done' }).click()
    await expect.poll(() => recordedKinds(request, id)).toEqual(['punched'])

    // What a role may not is refused in words, and does not wait for ever.
    // What a role has no business with is not offered.
    await desk.getByRole('link', { name: 'Roster' }).click()
    await expect(desk.getByRole('button', { name: 'New unit' })).toBeVisible()
    await expect(desk.getByRole('link', { name: 'Commission' })).toHaveCount(0)
    await page.goto(`${origin}/projects`)
    await expect(page.getByRole('button', { name: 'Commissions' })).toBeVisible()
    await page.getByRole('link', { name: 'Studio' }).click()

    await desk.getByRole('link', { name: 'Plan' }).click()
    await unfold(desk, 'What goes together')
    await desk.getByRole('button', { name: 'Together: one less' }).click()
    await expect(desk.getByText('An owner or a manager of the studio does this.').first()).toBeVisible()

    // The owner makes a new password in mid-evening: what is recorded meanwhile waits, and is delivered.
    const planned = desk.waitForResponse(/\/plan$/)
    await desk.goto(`${url}/bench`)
    await planned
    await members.getByRole('row', { name: /Wim/ }).getByRole('button', { name: 'New password' }).click()
    const renewed = (await told.locator('.figures').textContent()) ?? ''
    await desk.getByRole('button', { name: 'All done' }).click()
    await expect(desk.getByRole('heading', { name: 'Your sign-in ran out' })).toBeVisible()
    expect(await recordedKinds(request, id)).toEqual(['punched'])
    await signIn(desk, 'wim@tallow.test', renewed)
    await expect(desk.getByRole('heading', { name: 'Your sign-in ran out' })).toBeHidden()
    await expect.poll(() => recordedKinds(request, id)).toEqual(['punched', 'punched'])

    await desk.getByRole('link', { name: 'Studio' }).click()
    await expect(desk.getByRole('region', { name: 'Who belongs here' })).toHaveCount(0)
    await expectAccessible(desk)
    const keys = desk.getByRole('region', { name: 'Keys for scripts and calendars' })
    await keys.getByLabel('What it is for').fill('My calendar')
    await keys.getByRole('button', { name: 'Make a key' }).click()
    const made = desk.getByRole('dialog', { name: 'The key for My calendar' })
    const key = (await made.locator('.figures').textContent()) ?? ''
    await made.getByRole('button', { name: 'Done' }).click()
    const feed = await fetch(`${origin}/api${url}/calendar.ics?key=${key}`)
    expect(await feed.text()).toContain('BEGIN:VCALENDAR')
    await keys.getByRole('button', { name: 'Take away the key My calendar' }).click()
    await expect(keys.getByRole('listitem')).toHaveCount(0)
    expect((await fetch(`${origin}/api${url}/calendar.ics?key=${key}`)).status).toBe(401)

    // Who has a studio of their own is asked to this one, and comes when they want to.
    await told.getByRole('button', { name: 'Done' }).click()
    await members.getByLabel('Name').fill('Maren')
    await members.getByLabel('E-mail address').fill(maren)
    await members.getByRole('button', { name: 'Add' }).click()
    await page.getByRole('dialog', { name: 'Asked to come' }).getByRole('button', { name: 'Done' }).click()
    await expect(members.getByRole('row', { name: /Asked, not here yet/ })).toContainText(maren)
    const elsewhere = await browser.newContext({ baseURL: origin })
    const guest = await elsewhere.newPage()
    await guest.goto('/studio')
    await signIn(guest, maren, password)
    await expect(guest.getByRole('heading', { name: 'Below the weir' })).toBeVisible()
    const studios = guest.getByRole('region', { name: 'Your other studios' })
    await expect(studios.getByRole('listitem')).toContainText('asks you to come')
    await expectAccessible(guest)
    const tab = await elsewhere.newPage()
    await tab.goto('/shelf')
    await expect(tab.getByRole('heading', { level: 1 })).toContainText('materials on the shelf')
    await studios.getByRole('button', { name: 'Join' }).click()
    await expect(guest.getByRole('heading', { name })).toBeVisible()
    // Every page of that browser goes along.
    await expect(tab.getByRole('heading', { name })).toBeVisible()
    await guest.getByRole('link', { name: 'Studio' }).click()
    await expect(studios.getByRole('listitem')).toHaveText(/^Below the weir/)
    await expect(studios.getByRole('button', { name: 'Go to Below the weir' })).toBeVisible()
    await elsewhere.close()

    await desk.getByRole('button', { name: 'Sign out' }).click()
    await expect(desk.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await bench.close()
    await request.dispose()
  } finally {
    await instance.stop()
  }
})
