import { expect, type Page } from '@playwright/test'
import type axe from 'axe-core'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { isProof } from './rounds.ts'

/** Half as long as what the package gives by itself: it is put into every page that is looked at. */
const source = readFileSync(fileURLToPath(import.meta.resolve('axe-core/axe.min.js')), 'utf8')

/** What hangs on how the page is drawn takes longest by far. */
const ofLooks = ['color-contrast', 'target-size']

type Rules = 'all' | 'all but the looks'

/**
 * No finding of axe, and no page that scrolls sideways. Contrast and the size of what is tapped are looked at in every
 * place (`accessible.spec.ts`), and in all that opens there and on the way when everything is tried.
 */
export async function expectAccessible(
  page: Page,
  rules: Rules = isProof ? 'all' : 'all but the looks',
): Promise<void> {
  const without = rules === 'all' ? [] : ofLooks
  await expectNothing(page, Object.fromEntries(without.map((rule) => [rule, { enabled: false }])))
  const overflow = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  )
  expect(overflow).toBeLessThanOrEqual(0)
}

/** One document without frames; where a dialog holds the page, nothing but that can be used. */
async function expectNothing(page: Page, rules: axe.RuleObject): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(source)
  const found = await page.evaluate(async (wanted) => {
    const isHeld = document.querySelector('#root[aria-hidden=true]') !== null
    const { violations } = await window.axe.run(isHeld ? '[role=dialog]' : document, {
      resultTypes: ['violations'],
      rules: wanted,
    })
    return violations.map(
      (each) => `${each.id}: ${each.nodes.map((node) => node.target.join(' ')).join(' | ')}`,
    )
  }, rules)
  expect(found).toEqual([])
}

declare global {
  interface Window {
    axe: typeof axe
  }
}
