import type { Page, Route } from '@playwright/test'

const moments = new WeakMap<Page, string>()

/**
 * Page and server at one moment: a page whose clock differs from the server's goes by the server's.
 * What was open is left first: a page that asked between the two would take the difference for its clock's fault, and keep it.
 */
export async function setTime(page: Page, moment: string): Promise<void> {
  await page.goto('about:blank')
  if (!moments.has(page)) await page.route('**/events*', (route) => answerAt(page, route))
  await moveTime(page, moment)
}

/**
 * Time goes on for a page that was set to a moment before, and stays open. No answer is given between its clock and the
 * server's: one that is under way seems to take so long, and says nothing of the clock.
 */
export async function moveTime(page: Page, moment: string): Promise<void> {
  await alone(page, async () => {
    moments.set(page, moment)
    await page.clock.setFixedTime(moment)
  })
}

const turns = new WeakMap<Page, Promise<void>>()

/** One after the other: moving the time, and answering. */
function alone(page: Page, act: () => Promise<void>): Promise<void> {
  const turn = (turns.get(page) ?? Promise.resolve()).then(act)
  turns.set(
    page,
    turn.catch(() => undefined),
  )
  return turn
}

/** The server's answer with the moment that is set; a page that is left no longer waits for one. */
async function answerAt(page: Page, route: Route): Promise<void> {
  try {
    const response = await route.fetch()
    const body = (await response.json()) as object
    await alone(page, () => route.fulfill({ response, json: { ...body, now: moments.get(page) } }))
  } catch {
    await route.abort().catch(() => undefined)
  }
}
