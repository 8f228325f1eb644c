import { describe, expect, it } from 'vitest'
import { colourDifference } from '../colour/colour.ts'
import { materialNamed, testShelf } from '../testing/recipes.ts'
import { nearestPaints } from './nearest-paint.ts'

const moss = testShelf.get(materialNamed('moss green'))!

describe('nearestPaints', () => {
  it('names the paint itself where it is there', () => {
    const [nearest] = nearestPaints(moss.colour, 'opaque', testShelf)
    expect(nearest).toMatchObject({ mix: [{ materialId: moss.id, parts: 1 }], difference: 0 })
  })

  it('finds a mix of two that comes nearer than any one, and says how near', () => {
    const found = nearestPaints(moss.colour, 'opaque', testShelf, [moss.id])
    expect(found[0]!.mix.length).toBe(2)
    const single = Math.min(
      ...[...testShelf.values()]
        .filter((each) => each.kind === 'opaque' && each.id !== moss.id)
        .map((each) => colourDifference(each.colour, moss.colour)),
    )
    expect(found[0]!.difference).toBeLessThan(single)
    expect(found[0]!.difference).toBeCloseTo(colourDifference(found[0]!.colour, moss.colour), 9)
    expect(found.map((each) => each.difference)).toEqual(
      found.map((each) => each.difference).toSorted((a, b) => a - b),
    )
  })

  it('takes what is in stock before what is not, and nothing of another kind', () => {
    const stocked = new Map(
      [...testShelf].map(([id, each]) => [id, each.name === 'slate grey' ? { ...each, stockMl: 5 } : each]),
    )
    expect(nearestPaints(moss.colour, 'opaque', stocked)).toMatchObject([
      { mix: [{ materialId: materialNamed('slate grey') }] },
    ])
    expect(nearestPaints(moss.colour, 'decal', testShelf, [materialNamed('delta heron decal')])).toEqual([])
  })
})
