import { expect, test } from '../support/test.ts'
import { unfold } from '../support/fold.ts'
import { expectAccessible } from '../support/axe.ts'
import { ticket } from '../support/bench.ts'
import { newId, recordedKinds, recordPunch, seedProject } from '../support/projects.ts'
import { goTo, makeFirstRecipe } from '../support/recipes.ts'
import { setTime } from '../support/time.ts'

/** Tuesday at noon. */
const beforeTheSession = '2026-11-24T11:00:00Z'

test('another paint than the recipe says is noted where it was used, once the shelf can be read', async ({
  page,
  request,
}) => {
  const { url, id } = await seedProject(request, { stages: 2 })
  let asked = 0
  await page.route('**/api/shelf', (route) => {
    asked += 1
    const problem = {
      type: 'unexpected',
      title: 'Something went wrong here',
      status: 500,
      detail: 'Try again.',
    }
    return route.fulfill({ status: 500, json: problem })
  })
  await page.goto(`${url}/bench`)
  // While the shelf cannot be read there is the work all the same.
  await expect(ticket(page)).toContainText('Another paint')
  await page.keyboard.press('u')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What was used').fill('2:1 moss green to sedge')
  await expect(dialog.getByRole('button', { name: 'Save', exact: true })).toBeDisabled()
  await expect(dialog.getByRole('alert')).toContainText('This did not work')
  expect(asked).toBeLessThan(10)
  await page.unroute('**/api/shelf')
  await dialog.getByRole('button', { name: 'Try again' }).click()
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(dialog.getByRole('alert')).toContainText('“sedge” is not on the shelf.')
  await dialog.getByLabel('What was used').fill('2:1 moss green to pale bone')
  await dialog.getByLabel('Why').fill('the pot was empty')
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(ticket(page)).toContainText(/On these models: .*moss green.*pale bone, the pot was empty\./)
  await page.reload()
  await expect(ticket(page)).toContainText('the pot was empty')
  await expect.poll(() => recordedKinds(request, id)).toEqual(['used'])
  await page.keyboard.press('z')
  await expect(ticket(page)).not.toContainText('the pot was empty')
})

test('it says what to get ready, and where the colour hides before the pot is closed', async ({
  page,
  request,
}) => {
  await setTime(page, beforeTheSession)
  await makeFirstRecipe(page, request)
  // Else the plan may take the base first, or the skin.
  await goTo(page, 'Plan')
  await unfold(page, 'What matters most')
  await page.getByLabel('Always follow the stage order').check()
  await expect(page.getByText('Every batch follows the stage order.')).toBeVisible()
  await goTo(page, 'Recipe')
  await page.getByRole('button', { name: 'Regions' }).click()
  await page.getByLabel('Where a colour hides on the skin').fill('behind the ears, under the chin')
  await page.getByRole('button', { name: 'Save the regions' }).click()
  await goTo(page, 'Bench')
  const setUp = ticket(page).getByLabel('Set up')
  await expect(setUp).toContainText('Shake the can well')
  await expect(setUp).toContainText('the can, held as far off as its sheet says')
  const stage = ticket(page).getByRole('heading', { level: 2 })
  await page.getByRole('button', { name: 'All done' }).click()
  await expect(stage).toContainText('Zenithal spray')
  await page.getByRole('button', { name: 'All done' }).click()
  await expect(stage).toContainText('Glue base')
  // Any of what comes can be taken up; where a session ends within it, from either of its halves.
  const then = page.getByRole('region', { name: 'Then' })
  await then.getByRole('button', { name: /^All \d+ that come/ }).click()
  await then
    .getByRole('listitem')
    .filter({ hasText: 'Base coat, skin' })
    .getByRole('button', { name: 'Do it now' })
    .first()
    .click()
  await expect(stage).toContainText('Base coat, skin')
  await expect(setUp).toContainText(/\d+ drops? .*, for 6 models/)
  await expect(setUp).toContainText('brush')

  const look = ticket(page).getByRole('group').filter({ hasText: 'Before the pot is closed' })
  await look.getByText('Before the pot is closed').click()
  await expect(look).toContainText('skin: behind the ears, under the chin')
  await expect(look).toContainText('Nobody else needs this pot. Opening it once more takes 24 s.')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('started')
  await page.keyboard.press('Space')
  await expect(ticket(page)).toContainText('1 / 6')
  await expect(setUp).toContainText('for 5 models')
  await page.keyboard.press('t')
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('What').fill('left ear')
  await dialog.getByLabel('Reed-pikes 1').check()
  await dialog.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(stage).toContainText('Touch up')
  await page.keyboard.press('Space')
  await expect(look).toContainText('Missed before: left ear')
  await expectAccessible(page)
})

test('what was noted of a pot in one project is said again where it is opened in another', async ({
  page,
  request,
}) => {
  const first = [{ material: `bog wash ${newId().slice(-6)}` }]
  const before = await seedProject(request, { stages: 3, first })
  await recordPunch(request, before.id, newId(), { kind: 'touch-up', note: 'left ear' })

  const { url } = await seedProject(request, { stages: 3, first })
  await page.goto(`${url}/line`)
  const again = page.getByRole('region', { name: 'Noted of these pots in other projects' })
  await expect(again).toContainText(`Prime, slip: left ear ${before.name}`)
  await expectAccessible(page)
  await goTo(page, 'Bench')
  const look = ticket(page).getByRole('group').filter({ hasText: 'Before the pot is closed' })
  await look.getByText('Before the pot is closed').click()
  await expect(look).toContainText(`Missed before: left ear ${before.name}`)
})
