import { describe, expect, it } from 'vitest'
import { footRecipe, materialNamed, testShelf, type StepRow } from '../testing/recipes.ts'
import type { UnitId } from '../units/ids.ts'
import { materialsNeeded } from './materials-needed.ts'

const rows: readonly StepRow[] = [
  ['all', 'grey primer, spray', 'spray'],
  ['coat', 'moss green', 'base coat', { coats: 2 }],
  ['coat', 'light moss', 'edge', { roles: ['leader'] }],
  ['base', 'reed tuft', 'stick'],
]
const units = (count: number) => [
  {
    unitId: 'pikes' as UnitId,
    name: 'pikes',
    standard: 'display' as const,
    size: 'foot' as const,
    models: Array.from({ length: count }, (_, index) => ({
      role: index === 0 ? 'leader' : 'trooper',
      variants: [],
    })),
  },
]
const needOf = (name: string, count: number, shelf = testShelf) =>
  materialsNeeded([{ recipe: footRecipe(rows), units: units(count) }], shelf).find(
    (need) => need.material.name === name,
  )

describe('materialsNeeded', () => {
  it('grows with the models, and counts only those that take a step', () => {
    expect(needOf('moss green', 20)?.ml).toBeCloseTo((needOf('moss green', 10)?.ml ?? 0) * 2)
    expect(needOf('light moss', 20)?.ml).toBe(needOf('light moss', 1)?.ml)
  })

  it('shares a mix by its parts', () => {
    const mix = [
      { materialId: materialNamed('translucent medium'), parts: 3 },
      { materialId: materialNamed('moss green'), parts: 1 },
    ]
    const recipe = footRecipe([['coat', 'moss green', 'base coat', { mix }]])
    const [moss, medium] = materialsNeeded([{ recipe, units: units(5) }], testShelf)
    expect(medium?.ml).toBeCloseTo((moss?.ml ?? 0) * 3)
  })

  it('counts what is stuck on, and has nothing to pour of it', () => {
    expect(needOf('reed tuft', 12)).toMatchObject({ pieces: 12, ml: 0, buyPots: 0 })
  })

  it('says how many pots to buy beyond the stock', () => {
    const stocked = new Map([...testShelf].map(([id, each]) => [id, { ...each, stockMl: 500 }]))
    expect(needOf('moss green', 40)?.buyPots).toBe(1)
    expect(needOf('moss green', 40, stocked)).toMatchObject({ shortMl: 0, buyPots: 0 })
  })
})
