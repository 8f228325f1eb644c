import { describe, expect, it } from 'vitest'
import { factsOf } from './step-facts.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { lightness } from '../colour/colour.ts'
import { predictColours } from './predict-colours.ts'

function colourOn(region: string, rows: readonly StepRow[]) {
  const recipe = footRecipe(rows)
  const colours = predictColours(recipe, factsOf(recipe, testShelf), testShelf)
  return colours.get(recipe.steps.at(-1)!.id)?.get(region) ?? '#000000'
}
const coat: StepRow = ['coat', 'moss translucent', 'base coat']

describe('predictColours', () => {
  it('the same translucent paint gets darker from light to mid to dark undercoats', () => {
    const over = (primer: string) => lightness(colourOn('coat', [['all', primer, 'spray'], coat]))
    expect(over('ivory primer, spray')).toBeGreaterThan(over('grey primer, spray') + 5)
    expect(over('grey primer, spray')).toBeGreaterThan(over('black primer, spray') + 5)
  })

  it('varnish shows what lies under it', () => {
    const rows: readonly StepRow[] = [
      ['all', 'grey primer, spray', 'spray'],
      ['coat', 'moss green', 'base coat'],
    ]
    expect(colourOn('coat', [...rows, ['all', 'matt varnish, spray', 'spray']])).toBe(colourOn('coat', rows))
  })

  it('a second coat hides more', () => {
    const rows = (coats: number): readonly StepRow[] => [
      ['all', 'black primer, spray', 'spray'],
      ['coat', 'lantern yellow', 'base coat', { coats }],
    ]
    expect(lightness(colourOn('coat', rows(2)))).toBeGreaterThan(lightness(colourOn('coat', rows(1))) + 5)
  })
})
