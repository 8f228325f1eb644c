import { expect, test, type Page } from '../support/test.ts'
import { expectAccessible } from '../support/axe.ts'
import { demoId } from '../support/projects.ts'
import { isProof } from '../support/rounds.ts'

interface View {
  readonly path: string
  /** Text that is there when the rest is. */
  readonly ready: string
  /** What opens on it, by name; a dialog is closed again before the next. */
  readonly opens?: Readonly<Record<string, (page: Page) => Promise<void>>>
}

const isOpen = (page: Page) => expect(page.getByRole('dialog')).toBeVisible()

const views = {
  projects: {
    path: '/',
    ready: 'Tallow Fen militia',
    opens: {
      'a form with a fault': async (page) => {
        await page.getByRole('button', { name: 'New project' }).click()
        await page.getByLabel('What', { exact: true }).fill('3 foot, 2 riders, some beasts')
        await page.getByLabel('When you paint').fill('soon')
        await page.getByRole('button', { name: 'Plan it' }).click()
        await expect(page.getByRole('alert')).toHaveCount(2)
      },
    },
  },
  roster: {
    path: `/projects/${demoId}/roster`,
    ready: 'Lockmaster Bream',
    opens: {
      'a unit’s models': async (page) => {
        await page.getByRole('button', { name: 'Change Officers' }).click()
        await isOpen(page)
      },
    },
  },
  shelf: {
    path: '/shelf',
    ready: 'walnut dip',
    opens: {
      'a material': async (page) => {
        await page.getByRole('button', { name: /walnut dip/ }).click()
        await isOpen(page)
      },
    },
  },
  recipe: {
    path: `/projects/${demoId}/recipe`,
    ready: 'bright steel',
    opens: {
      'its regions': async (page) => {
        await page.getByRole('button', { name: 'Regions' }).click()
        await isOpen(page)
      },
      'what to buy': async (page) => {
        await page.getByRole('button', { name: 'What to buy' }).click()
        await expect(page.getByRole('row').first()).toBeVisible()
      },
      'a new recipe': async (page) => {
        await page.getByRole('button', { name: 'New recipe' }).click()
        await isOpen(page)
      },
      'a layer': async (page) => {
        await page.getByRole('button', { name: 'Officers', exact: true }).click()
        await expect(page.getByText('turns silver')).toBeVisible()
        await page
          .getByRole('button', { name: /soot black/ })
          .last()
          .click()
        await page.getByText('Roles, wet-in-wet, drying').click()
        await expect(page.getByLabel('Only for the roles')).toBeVisible()
        await page.getByText('Ways of this recipe').click()
        await expect(page.getByLabel('Main colour')).toBeVisible()
      },
    },
  },
  line: {
    path: `/projects/${demoId}/line`,
    ready: 'Glue the parts on',
    opens: {
      'an order’s reasons': async (page) => {
        await page.getByText('opened again, and why').click()
        await expect(page.getByText('has to come between').first()).toBeVisible()
      },
      'a stage': async (page) => {
        await page.getByRole('button', { name: /^Warm flesh translucent: base coat, skin/ }).click()
        await expect(page.getByLabel('Minutes a model')).toBeVisible()
      },
    },
  },
  hours: { path: `/projects/${demoId}/hours`, ready: 'most worth an hour first' },
  logbook: { path: `/projects/${demoId}/logbook`, ready: 'spray from above' },
  help: { path: '/help', ready: 'Words of the desk' },
  air: { path: '/air', ready: 'What the device shows now' },
  plan: {
    path: `/projects/${demoId}/plan`,
    ready: 'of 10 cases',
    opens: {
      'a figure’s explanation': async (page) => {
        await page.getByRole('button', { name: /days? sooner|best possible|proved best/ }).click()
        await expect(page.getByText('By hand habit')).toBeVisible()
      },
    },
  },
  bench: {
    path: `/projects/${demoId}/bench`,
    ready: 'of work left',
    opens: {
      'a touch-up': async (page) => {
        await page.getByRole('button', { name: 'Touch-up' }).click()
        await isOpen(page)
      },
      'strips a model': async (page) => {
        await page.getByRole('button', { name: /^Officers/ }).click()
        await expect(page.getByRole('gridcell', { name: /Provost Quill/ }).first()).toBeVisible()
      },
    },
  },
  sheet: { path: `/projects/${demoId}/sheet`, ready: 'of the work done' },
} satisfies Readonly<Record<string, View>>

/** Gone through on one page each, by the links that lead from place to place. */
const rounds = [
  ['projects', 'shelf', 'air', 'help'],
  ['roster', 'recipe', 'line', 'hours'],
  ['plan', 'bench', 'sheet', 'logbook'],
] as const

const [desk, tablet, phone] = [
  { width: 1280, height: 800 },
  { width: 820, height: 1180 },
  { width: 390, height: 844 },
]
const [byDay, inTheDark] = [{ colorScheme: 'light' }, { colorScheme: 'dark' }] as const

/** Each theme and each end of the widths; every width in every theme when everything is tried. What opens, opens in the last. */
const looks = isProof
  ? [phone, tablet, desk].flatMap((each) => [inTheDark, byDay].map((theme) => ({ ...each, ...theme })))
  : [
      { ...phone, ...byDay },
      { ...desk, ...inTheDark },
    ]

for (const names of rounds) {
  test(`axe finds nothing in ${names.join(', ')}, from phone to desk, by day and in the dark`, async ({
    page,
  }) => {
    for (const name of names)
      await test.step(name, async () => {
        const { path, ready, opens = {} }: View = views[name]
        const link = page.getByRole('link', { name: new RegExp(`^${name}$`, 'i') })
        if (name !== names[0] && (await link.count()) > 0) await link.click()
        else await page.goto(path)
        await expectNothingIn(page, ready)
        for (const [what, open] of Object.entries(opens))
          await test.step(`and in ${what}`, async () => {
            await open(page)
            await expectAccessible(page)
            const dialog = page.getByRole('dialog')
            if (!(await dialog.isVisible())) return
            await page.keyboard.press('Escape')
            await expect(dialog).toBeHidden()
          })
      })
  })
}

async function expectNothingIn(page: Page, ready: string): Promise<void> {
  for (const { width, height, colorScheme } of looks) {
    await page.emulateMedia({ colorScheme })
    await page.setViewportSize({ width, height })
    await expect(page.getByText(ready).first()).toBeVisible()
    await expectAccessible(page, 'all')
  }
}
