import type { Afforded, StandardCosts } from '@seriatim/core/estimating'
import type { Standard, Unit } from '@seriatim/core/trade'
import type { UnitId } from '@seriatim/core/units'
import { cleanup, render, screen, within } from '@testing-library/react'
import { afterEach, expect, test } from 'vitest'
import { StandardTable } from './StandardTable.tsx'

afterEach(cleanup)

const unit = (name: string) =>
  ({ id: name as UnitId, name, standard: 'tabletop', models: [1, 2] }) as unknown as Unit
const range = (likely: number) => ({ low: likely * 0.8, likely, high: likely * 1.3 })
const costs = (unitId: string, some: Partial<Record<Standard, number>>): StandardCosts => ({
  unitId: unitId as UnitId,
  offers: Object.keys(some) as Standard[],
  left: {
    'three-colour': range(some['three-colour'] ?? 0),
    tabletop: range(some.tabletop ?? 0),
    'tabletop plus': range(some['tabletop plus'] ?? 0),
    display: range(some.display ?? 0),
  },
})
const afforded = (unitId: string, standard: Standard | null, seconds: number): Afforded => ({
  unitId: unitId as UnitId,
  standard,
  seconds,
  worthPerHour: 1,
})

function shown(safety = 1) {
  render(
    <StandardTable
      units={[unit('Pikes'), unit('Eels')]}
      costs={[
        costs('Pikes', { tabletop: 3600, 'tabletop plus': 7200 }),
        costs('Eels', { tabletop: 0, display: 5400 }),
      ]}
      afforded={[afforded('Pikes', 'tabletop', 3600 * safety), afforded('Eels', null, 0)]}
      safety={safety}
      overSeconds={1800}
      actions={null}
    />,
  )
  return (name: RegExp) =>
    within(screen.getByRole('row', { name }))
      .getAllByRole('cell')
      .map((cell) => cell.textContent)
}

test('it says which standard is chosen, and by how much the others do not fit', () => {
  const cells = shown()
  // An hour more than what was chosen, half an hour of it left over.
  expect(cells(/Pikes/)).toEqual([
    '– nothing for this standard in its recipe',
    '1 h chosen',
    '2 h30 min too many',
    '– nothing for this standard in its recipe',
    '',
  ])
})

test('what is done is called done, and what does not fit at all is for another time', () => {
  const cells = shown()
  const [, tabletop, , display, later] = cells(/Eels/)
  expect([tabletop, display, later]).toEqual(['done', '1 h 301 h too many', 'for another time'])
})

test('on the safe side every time is longer', () => {
  expect(shown(1.5)(/Pikes/)[1]).toBe('1 h 30 chosen')
})
