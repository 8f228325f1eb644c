import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { isProof } from './rounds.ts'

type Rules = 'all' | 'all but the contrast'

/**
 * No finding of axe, and no page that scrolls sideways. The contrast takes longest by far: it is looked at in every place
 * (`views.spec.ts`), and in all that opens there and on the way when everything is tried.
 */
export async function expectAccessible(
  page: Page,
  rules: Rules = isProof ? 'all' : 'all but the contrast',
): Promise<void> {
  const builder = await builderFor(page)
  await expectNothing(rules === 'all' ? builder : builder.disableRules('color-contrast'))
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect(overflow).toBeLessThanOrEqual(0)
}

/** For the same page in other colours. */
export async function expectContrast(page: Page): Promise<void> {
  await expectNothing((await builderFor(page)).withRules('color-contrast'))
}

/** One document without frames, so its quick mode will do; where a dialog is open, nothing but that can be used. */
async function builderFor(page: Page): Promise<AxeBuilder> {
  const builder = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })
  return (await page.getByRole('dialog').isVisible()) ? builder.include('[role=dialog]') : builder
}

async function expectNothing(builder: AxeBuilder): Promise<void> {
  const { violations } = await builder.analyze()
  expect(
    violations.map((each) => `${each.id}: ${each.nodes.map((node) => node.target.join(' ')).join(' | ')}`),
  ).toEqual([])
}
