import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** No finding of axe, by all its rules or all but the slowest, and no page that scrolls sideways. */
export async function expectAccessible(page: Page, without?: 'not the contrast'): Promise<void> {
  const builder = builderFor(page)
  await expectNothing(without ? builder.disableRules('color-contrast') : builder)
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect(overflow).toBeLessThanOrEqual(0)
}

/** For the same page in other colours. */
export async function expectContrast(page: Page): Promise<void> {
  await expectNothing(builderFor(page).withRules('color-contrast'))
}

/** One document without frames, so its quick mode will do. */
function builderFor(page: Page): AxeBuilder {
  return new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
}

async function expectNothing(builder: AxeBuilder): Promise<void> {
  const { violations } = await builder.analyze()
  expect(
    violations.map((each) => `${each.id}: ${each.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
  ).toEqual([])
}
