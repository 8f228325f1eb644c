import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'

/** No finding of axe, by all its rules (one document without frames, so its quick mode will do), and no page that scrolls sideways. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .setLegacyMode()
    .options({ resultTypes: ['violations'] })
    .analyze()
  expect(
    violations.map((each) => `${each.id}: ${each.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
  ).toEqual([])
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect(overflow).toBeLessThanOrEqual(0)
}
