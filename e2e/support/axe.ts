import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** No finding of axe, by all its rules or all but the slowest, and no page that scrolls sideways. */
export async function expectAccessible(page: Page, without?: 'not the contrast'): Promise<void> {
  const builder = await builderFor(page)
  await expectNothing(page, without ? builder.disableRules('color-contrast') : builder)
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect(overflow).toBeLessThanOrEqual(0)
}

/** For the same page in other colours. */
export async function expectContrast(page: Page): Promise<void> {
  await expectNothing(page, (await builderFor(page)).withRules('color-contrast'))
}

/** One document without frames, so its quick mode will do; where a dialog is open, nothing but that can be used. */
async function builderFor(page: Page): Promise<AxeBuilder> {
  const builder = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  return (await page.getByRole('dialog').isVisible()) ? builder.include('[role=dialog]') : builder
}

async function expectNothing(page: Page, builder: AxeBuilder): Promise<void> {
  // A toast that comes or goes is half there for a moment, and so are its colours; without motion it is there or not.
  await page.emulateMedia({ reducedMotion: 'reduce' })
  const { violations } = await builder.analyze()
  await page.emulateMedia({ reducedMotion: null })
  expect(
    violations.map((each) => `${each.id}: ${each.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
  ).toEqual([])
}
