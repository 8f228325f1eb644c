import { minor, usualPriceList } from '@seriatim/core/money'
import type { QuoteWish } from '../../shared/worker/index.ts'
import type { Standard } from '@seriatim/core/trade'
import type { LocalDate } from '@seriatim/core/units'
import { cleanup, render, screen, within } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import { afterEach, expect, test, vi } from 'vitest'
import { TierTable } from './TierTable.tsx'
import type { PromisedTier } from './use-quote-now.ts'

afterEach(cleanup)

const input = { prices: usualPriceList } as unknown as QuoteWish
const tier = (standard: Standard, painting: number, promisedOn: PromisedTier['promisedOn']): PromisedTier => {
  const parts = {
    painting: minor(painting),
    preparation: minor(1205),
    materials: minor(310),
    basing: minor(400),
    packing: minor(150),
    contingency: minor(99),
    margin: minor(1),
  }
  const price = minor(Object.values(parts).reduce((sum, part) => sum + part, 0))
  return {
    standard,
    hours: { low: 3000, likely: 3600, high: 4800 },
    chargedSeconds: 4200,
    hour: minor(2000),
    parts,
    price,
    promisedOn,
    potsSaved: 0,
  }
}

const cells = (name: RegExp) =>
  within(screen.getByRole('row', { name }))
    .getAllByRole('cell')
    .map((cell) => cell.textContent)
const amount = (text: string | null) => Math.round(Number((text ?? '').replaceAll(/[^\d.]/g, '')) * 100)

test('the parts that are shown come to the price that is shown', () => {
  render(
    <TierTable
      input={input}
      tiers={[tier('tabletop', 2333, undefined), tier('display', 9001, null)]}
      chosen="tabletop"
      onChoose={() => undefined}
    />,
  )
  const parts = [/Painting/, /Preparation/, /Materials/, /Basing/, /Packing/, /Contingency/, /Margin/]
  for (const at of [0, 1]) {
    const sum = parts.reduce((all, part) => all + amount(cells(part)[at] ?? null), 0)
    expect(sum).toBe(amount(cells(/^Price/)[at] ?? null))
  }
})

test('a day that is being worked out, one that cannot be promised, and one that can', async () => {
  const onChoose = vi.fn<(standard: Standard) => void>()
  render(
    <TierTable
      input={input}
      tiers={[
        tier('three-colour', 1000, '2027-01-07' as LocalDate),
        tier('tabletop', 2000, undefined),
        tier('display', 3000, null),
      ]}
      chosen="tabletop"
      onChoose={onChoose}
    />,
  )
  expect(cells(/Could be promised for/).map((text) => text.replace(/^\w+ /, ''))).toEqual([
    '7 Jan 2027',
    '…',
    'plan holds',
  ])
  await userEvent.setup().click(screen.getByRole('radio', { name: 'display' }))
  expect(onChoose).toHaveBeenCalledExactlyOnceWith('display')
})
