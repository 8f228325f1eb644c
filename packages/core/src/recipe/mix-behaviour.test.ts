import { dropsPerMl, millilitresFor } from '../mixing/mix-card.ts'
import { surfacePresets } from '../presets/presets.ts'
import { describe, expect, it } from 'vitest'
import { findFaults } from '../ordering/find-faults.ts'
import { footRecipe, materialNamed, testShelf, type StepRow } from '../testing/recipes.ts'
import type { MaterialId } from '../units/ids.ts'
import { behaviourOf } from './mix-behaviour.ts'

const mixOf = (parts: Readonly<Record<string, number>>) =>
  Object.entries(parts).map(([name, count]) => ({ materialId: materialNamed(name), parts: count }))
const of = (parts: Readonly<Record<string, number>>) => behaviourOf(mixOf(parts), testShelf)

/** `moss green` as somebody has it who typed how much it hides, and of which colour. */
const shelfWith = (some: object) => {
  const id = materialNamed('moss green')
  return new Map(testShelf).set(id, { ...testShelf.get(id)!, ...some })
}

describe('a mix behaves as its strongest paint', () => {
  it('a wash that is mostly medium runs further: three drops in ten do four small models', () => {
    const { material } = of({ 'dark sepia wash': 3, 'translucent medium': 10 })
    const drops = millilitresFor(material!, surfacePresets.small, 4, 1) * dropsPerMl
    expect(drops).toBeGreaterThan(11)
    expect(drops).toBeLessThan(15)
    expect(of({ 'dark sepia wash': 10, 'translucent medium': 3 }).material).toEqual(
      of({ 'dark sepia wash': 1 }).material,
    )
  })

  it.each([
    ['moss translucent', 'translucent'],
    ['soot wash', 'wash'],
    ['white ink', 'ink'],
  ])('%s stays what it is, however much medium and water is in it', (name, kind) => {
    const alone = of({ [name]: 1 })
    const thinned = of({ [name]: 1, 'translucent medium': 10, water: 5 })
    expect({ ...thinned.material, coverage: 0 }).toEqual({ ...alone.material, coverage: 0 })
    expect(thinned.hiding).toBe(alone.hiding)
    expect(alone.material?.kind).toBe(kind)
  })

  it('opaque paint with much medium is a translucent one that hides as much as there is paint in it', () => {
    const { material, hiding } = of({ 'moss green': 1, 'translucent medium': 3 })
    expect(material).toMatchObject({ kind: 'translucent', name: 'moss green' })
    expect(hiding).toBeCloseTo(of({ 'moss green': 1 }).hiding / 4)
    expect(of({ 'moss green': 3, 'translucent medium': 1 }).material?.kind).toBe('opaque')
  })

  it('water and improver thin it: two to one is usual, more may need another coat', () => {
    const pot = of({ 'moss green': 1 }).hiding
    expect(of({ 'moss green': 2, water: 1 }).hiding).toBeGreaterThan(0.7)
    const half = of({ 'moss green': 1, 'flow improver': 1 })
    expect(half.material?.kind).toBe('opaque')
    expect(half.hiding).toBeLessThan(0.7)
    expect(half.hiding).toBeCloseTo((pot * 0.5) / 0.75)
  })
})

describe('how much of the ground a coat hides', () => {
  const rules = (
    rows: readonly StepRow[],
    shelf: ReadonlyMap<MaterialId, NonNullable<ReturnType<typeof testShelf.get>>> = testShelf,
  ) => findFaults(footRecipe(rows), shelf).map(({ rule }) => rule)
  const black: StepRow = ['all', 'black primer, spray', 'spray']
  const coat: StepRow = ['coat', 'moss green', 'base coat']

  it.each(['#e8c21a', '#c8201c', '#f6f5f0'])(
    'is less than usual for %s, unless somebody typed it',
    (colour) => {
      expect(rules([black, coat], shelfWith({ colour }))).toContain('R19')
      expect(rules([black, coat], shelfWith({ colour, opacity: 0.9 }))).not.toContain('R19')
      expect(rules([black, coat], shelfWith({ colour, opacity: 0.5 }))).toContain('R19')
    },
  )

  it('opaque paint in much medium wants a bright ground, and no third layer', () => {
    const mix = mixOf({ 'moss green': 1, 'translucent medium': 3 })
    expect(rules([black, ['coat', '-', 'base coat', { mix }]])).toContain('R03')
    const grounded: StepRow = ['all', 'ivory primer, spray', 'spray']
    expect(rules([grounded, ['coat', '-', 'base coat', { mix, coats: 3 }]])).toContain('R20')
    expect(rules([grounded, ['coat', '-', 'base coat', { mix }]])).not.toContain('R20')
  })
})
