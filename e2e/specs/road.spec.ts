import { expect, test, type Page } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { setTime } from '../support/time.ts'
import { seedProject } from '../support/projects.ts'
import { ownInstance } from '../support/own-instance.ts'
import { asProof } from '../support/rounds.ts'
import { goTo, makeFirstRecipe, seeLineFollow } from '../support/recipes.ts'

test.describe('on a machine of its own, since what is told of a last unit teaches every project', () => {
  const own = ownInstance('road')
  test('from nothing to the first evening’s run sheet and the clock in twelve actions', async ({ page }) => {
    await page.goto(`${own().origin}/projects`)
    await inTwelveActions(page)
  })
})

async function inTwelveActions(page: Page): Promise<void> {
  let actions = 0
  const act = async (what: Promise<unknown>) => {
    actions += 1
    await what
  }
  const field = (name: string) => page.getByLabel(name, { exact: true })
  const name = `Weir watch ${String(Date.now())}`
  await act(page.getByRole('button', { name: 'New project' }).click())
  await act(field('What').fill('30 foot in 3 squads red blue green, 5 riders, 1 big beast'))
  await expect(page.getByRole('list', { name: 'Units' })).toContainText('3 × 10 = 30')
  await expect(page.getByText('36 models in all')).toBeVisible()
  await act(field('Name of the project').fill(name))
  await act(field('Done by').fill(inSixWeeks()))
  await act(field('When you paint').fill('Tue, Thu 19:30–22:00, Sat 14:00–18:00'))
  await expect(page.getByText('3 sessions a week, 9 h')).toBeVisible()
  await act(field('It took').fill('about three evenings of two hours'))
  // Each method by what all of it takes; one is chosen.
  await expect(page.getByText('Being worked out …')).toHaveCount(0)
  await act(page.getByRole('radio', { name: /^Dip/ }).check())
  await act(page.getByRole('button', { name: 'Plan it' }).click())
  await expect(page.getByRole('heading', { level: 1 })).toContainText(/^Done by .* in 8 of 10 cases/)
  const tonight = page.getByRole('region', { name: 'The next session' })
  await expect(tonight.getByRole('listitem').first()).toContainText(/Foot|Riders|beast/)
  // All that was taken for granted stands there, and is changed at its place.
  const assumed = page.getByRole('region', { name: 'What this plan assumes' })
  await expect(assumed).toContainText('30 models, foot, dip')
  await expect(assumed).toContainText('Tue, Thu 19:30–22:00, Sat 14:00–18:00')
  await expect(assumed).toContainText('what you remember of your last unit')
  await act(assumed.getByLabel('Standard of Big beast').selectOption('display'))
  await expect(page.getByText('Big beast: display.')).toBeVisible()
  await act(page.getByRole('link', { name: 'Bench', exact: true }).click())
  await act(page.getByRole('button', { name: /Start the clock/ }).click())
  await expect(page.getByText(/on the clock|started \d\d:\d\d/).first()).toBeVisible()
  expect(actions).toBeLessThanOrEqual(12)
}

/** A date for which there is time. */
function inSixWeeks(): string {
  return new Date(Date.now() + 42 * 86_400_000).toISOString().slice(0, 10)
}

test('what cannot be read is asked about at its place, and nothing is made of it', async ({ page }) => {
  await page.goto('/new')
  await page.getByLabel('What', { exact: true }).fill('some riders, 31 foot in 3 squads')
  await expect(page.getByText(/31 models do not go into 3 squads evenly/)).toBeVisible()
  await expect(page.getByText(/“some riders”: how many of which\?/)).toBeVisible()
  await page.getByRole('button', { name: 'Begin without models' }).click()
  await expect(page).toHaveURL(/\/new$/)
  await page.getByLabel('What', { exact: true }).fill('3 foot')
  await page.getByLabel('It took').fill('ages')
  await page.getByRole('button', { name: 'Plan it' }).click()
  await expect(page.getByRole('alert')).toContainText('Say how long')
  await expect(page).toHaveURL(/\/new$/)
})

test('the line follows the recipe, until somebody moves a stage: then it asks, and says what would change', async ({
  page,
  request,
}) => {
  await makeFirstRecipe(page, request)
  await seeLineFollow(page)
  const stages = page.getByRole('heading', { level: 1 })
  const before = await stages.textContent()
  await goTo(page, 'Recipe')
  await page.getByRole('button', { name: /reed tuft/ }).click()
  await page.getByRole('button', { name: 'Take out' }).click()
  await seeLineFollow(page)
  await expect(stages).not.toHaveText(before ?? '')

  await page.getByRole('button', { name: /^(Ivory primer: )?zenithal spray/i }).press('Alt+ArrowUp')
  await expect(page.getByText(/^Against the stages as they stand: 1 moved/)).toBeVisible()
  await goTo(page, 'Recipe')
  await page
    .getByRole('button', { name: /dry brush/i })
    .first()
    .click()
  await page.getByRole('button', { name: 'Take out' }).click()
  await goTo(page, 'Stages')
  await expect(page.getByText(/^Against the stages as they stand: .*leaving/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Take this order' }).click()
  await expect(page.getByText('The stages follow this order.')).toBeVisible()
})

test(
  'a line follows two changes in a row, and one made before the page has worked anything out',
  asProof,
  async ({ page, request }) => {
    // Everything asked of a worker takes its time, as on a busy machine.
    await page.addInitScript(() => {
      const post = Reflect.get(Worker.prototype, 'postMessage') as (
        message: unknown,
        moved: Transferable[],
      ) => void
      Worker.prototype.postMessage = function (this: Worker, message: unknown, moved: unknown = []) {
        setTimeout(() => post.call(this, message, moved as Transferable[]), 500)
      }
    })
    await makeFirstRecipe(page, request)
    await seeLineFollow(page)
    await goTo(page, 'Recipe')
    await page.reload()
    const takeOut = async (layer: RegExp) => {
      await page.getByRole('button', { name: layer }).first().click()
      await page.getByRole('button', { name: 'Take out' }).click()
    }
    await takeOut(/reed tuft/)
    // The line goes after it, and is not looked at again yet when the next change comes.
    await page.waitForRequest((request) => /"kind":"take","thing":"stage"/.test(request.postData() ?? ''))
    await takeOut(/dry brush/i)
    await seeLineFollow(page)
  },
)

test('a unit is typed as it is said, in squads by their marks', async ({ page, request }) => {
  const { url } = await seedProject(request, { stages: 0 })
  await page.goto(`${url}/roster`)
  await page.getByRole('button', { name: 'New unit' }).click()
  const dialog = page.getByRole('dialog', { name: 'New unit' })
  await dialog.getByLabel('Name').fill('Fen wardens')
  await dialog.getByLabel('Models').fill('10 pikes leader, horn')
  await dialog.getByLabel('Squads').fill('red, blue')
  await dialog.getByLabel('Models').fill('10 pikes 2, horn')
  await dialog.getByRole('button', { name: 'Add the unit' }).click()
  await expect(dialog.getByText('“10 pikes 2”: put a comma between two sets.')).toBeVisible()
  await dialog.getByLabel('Models').fill('10 pikes, leader, horn')
  await dialog.getByRole('button', { name: 'Add the unit' }).click()
  await expect(dialog).toBeHidden()
  await page
    .getByRole('button', { name: /Fen wardens/ })
    .first()
    .click()
  const form = page.getByRole('dialog', { name: 'Fen wardens' })
  await expect(form.getByLabel('Model 11: name')).toHaveValue('Fen wardens red, leader')
  await expect(form.getByLabel('Model 11: role')).toHaveValue('leader')
  await expect(form.getByLabel('Model 24: variants, with commas')).toHaveValue('blue mark')
})

/** The desk is open on Tuesdays and Thursdays from half past seven. */
async function openAt(page: Page, moment: string): Promise<void> {
  await setTime(page, moment)
  await page.goto('/')
}

test('it opens on what matters now: in a session the bench, else the plan', async ({ page, request }) => {
  const { url } = await seedProject(request)
  await page.goto('/')
  await expect(page).toHaveURL(/\/projects$/)
  await page.goto(`${url}/roster`)
  await expect(page.getByRole('heading', { level: 1 })).toContainText('models')
  await openAt(page, '2026-12-01T20:00:00Z')
  await expect(page).toHaveURL(`${url}/bench`)
  await openAt(page, '2026-12-01T10:00:00Z')
  await expect(page).toHaveURL(`${url}/plan`)
})
