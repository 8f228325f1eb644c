import { describe, expect, it } from 'vitest'
import { starterShelf } from '../presets/starter-shelf.ts'
import { footRecipe, materialNamed, testShelf } from '../testing/recipes.ts'
import type { MaterialId } from '../units/ids.ts'
import type { LocalDate } from '../units/local-date.ts'
import { fitToShelf, materialsOf, namedMaterials, withMaterials } from './recipe-materials.ts'
import { keepVersion } from './versions.ts'

const first = footRecipe([['coat', 'rust red', 'base coat']])
const recipe = {
  ...keepVersion(first, '2026-11-25' as LocalDate, ''),
  steps: footRecipe([['coat', 'moss green', 'base coat', { substitutes: [materialNamed('light moss')] }]])
    .steps,
}

describe('materialsOf and withMaterials', () => {
  it('reach mixes, substitutes and versions', () => {
    const named = ['moss green', 'light moss', 'rust red'].map(materialNamed)
    expect([...materialsOf(recipe)]).toEqual(named)
    expect(namedMaterials(recipe).map(({ path }) => path.join('.'))).toEqual([
      'steps.0.mix.0.materialId',
      'steps.0.substitutes.0',
      'versions.0.steps.0.mix.0.materialId',
    ])
    const others = withMaterials(recipe, (id) => `other ${id}` as MaterialId)
    expect([...materialsOf(others)]).toEqual(named.map((id) => `other ${id}`))
    expect(withMaterials(others, (id) => id.replace('other ', '') as MaterialId)).toEqual(recipe)
  })
})

describe('fitToShelf', () => {
  const moss = testShelf.get(materialNamed('moss green'))!

  it('changes nothing where everything is there', () => {
    expect(fitToShelf(recipe, starterShelf, testShelf)).toEqual({ recipe, missing: [] })
  })

  it('takes what the shelf has under the same name, and names what is missing', () => {
    const own = { ...moss, id: 'own moss' as MaterialId, name: 'Moss Green' }
    const { recipe: fitted, missing } = fitToShelf(recipe, starterShelf, new Map([[own.id, own]]))
    expect(fitted.steps[0]?.mix[0]?.materialId).toBe(own.id)
    expect(missing.map((material) => material.name)).toEqual(['light moss', 'rust red'])
  })
})
