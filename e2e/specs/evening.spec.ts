import { expect, test, type Page } from '../support/test.ts'
import { ticket } from '../support/bench.ts'
import { recordedEvents, seedProject } from '../support/projects.ts'
import { asProof, isProof } from '../support/rounds.ts'
import { moveTime, setTime } from '../support/time.ts'

/** Half past seven in the evening of Berlin, and two and a half hours of it, or the first of them. */
const begins = Date.parse('2026-11-24T18:30:00Z')
const hours = isProof ? 2.5 : 1
const ends = begins + hours * 3_600_000
/** A model takes so long, more or less; getting up and mixing take a while before a stage. */
const secondsOf = (lap: number) => 40 + 17 * (lap % 5)
const betweenStages = 120

const iso = (moment: number) => new Date(moment).toISOString()

interface Hands {
  readonly start: (page: Page) => Promise<void>
  readonly next: (page: Page) => Promise<void>
  readonly stop: (page: Page) => Promise<void>
}

const byKeys: Hands = {
  start: (page) => page.keyboard.press('Space'),
  next: (page) => page.keyboard.press('Space'),
  stop: (page) => page.keyboard.press('Escape'),
}
const byTaps: Hands = {
  start: (page) => page.getByRole('button', { name: 'Start the clock' }).tap(),
  next: (page) => page.getByRole('button', { name: 'Next model' }).tap(),
  stop: (page) => page.getByRole('button', { name: 'Stop here' }).tap(),
}

/** Paints from the first minute to the last, whatever the bench says next. @returns when each model was done. */
async function paint(page: Page, hands: Hands): Promise<readonly number[]> {
  const laps: number[] = []
  let at = begins
  const pass = async (seconds: number) => {
    at += seconds * 1000
    await moveTime(page, iso(at))
  }
  while (at + betweenStages * 1000 < ends) {
    await pass(betweenStages)
    const left = page.getByText('models done').locator('..').locator('dd')
    const [done = 0, all = 0] = (await left.innerText()).split('/').map(Number)
    await hands.start(page)
    await expect(ticket(page)).toContainText(/started \d\d:\d\d/)
    for (let model = done; model < all; model++) {
      const seconds = secondsOf(laps.length)
      if (at + seconds * 1000 >= ends) break
      await pass(seconds)
      await hands.next(page)
      laps.push(at)
      if (model + 1 < all) await expect(left).toHaveText(new RegExp(`^${String(model + 1)} `))
      else await expect(ticket(page)).toContainText('not started')
    }
    if (await page.getByRole('button', { name: 'Next model' }).isVisible()) {
      await hands.stop(page)
      await expect(ticket(page)).toContainText('not started')
    }
  }
  return laps
}

for (const [how, hands, when] of [
  ['keys', byKeys, {}],
  ['taps', byTaps, asProof],
] as const) {
  test.describe(`by ${how} alone`, () => {
    test.use({ hasTouch: how === 'taps' })
    test(
      `an evening by ${how} alone is recorded to the second, and says at its end what it brought`,
      when,
      async ({ page, request }) => {
        const { url, id } = await seedProject(request, {
          units: { 'Reed-pikes': 6, 'Lock-keepers': 6 },
          stages: 14,
        })
        await setTime(page, iso(begins))
        await page.goto(`${url}/bench`)
        await expect(page.getByRole('heading', { name: 'Until 22:00' })).toBeVisible()
        const laps = await paint(page, hands)
        expect(laps.length).toBeGreaterThan(24 * hours)

        // Every model is recorded at its second, once.
        const punched = async () =>
          (await recordedEvents(request, id)).filter((each) => each.kind === 'punched')
        await expect.poll(async () => (await punched()).map((each) => each.at)).toEqual(laps)
        const holes = (await punched()).flatMap((each) =>
          each.modelIds.map((model) => `${model} ${each.stageId}`),
        )
        expect(new Set(holes).size).toBe(laps.length)
        await expect(page.getByRole('button', { name: 'Start the clock' })).toBeVisible()

        // A reload knows the evening as one sitting.
        await page.goto(`${url}/sheet`)
        await expect(page.getByText(/^this session: .* of work/)).toBeVisible()
      },
    )
  })
}
