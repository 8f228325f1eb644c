import { describe, expect, it } from 'vitest'
import { factsOf, predictColours, stepText } from '../recipe/index.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { extents } from '../trade/recipe.ts'
import { findFaults } from './find-faults.ts'

const grey: StepRow = ['all', 'grey primer, spray', 'spray']
const shade: StepRow = ['coat', 'dark sepia wash', 'wash']
const base: StepRow = ['coat', 'moss green', 'base coat']
const factsFor = (rows: readonly StepRow[]) => factsOf(footRecipe(rows), testShelf)

describe('how much of its regions a step takes', () => {
  it('takes the less time and paint the less it takes', () => {
    const all = extents.map(
      (extent) => factsFor([grey, ['coat+trousers', 'light moss', 'layer', { extent }]])[1]!,
    )
    const falling = (values: readonly number[]) =>
      values.every((each, index) => index === 0 || each < values[index - 1]!)
    expect(falling(all.map((each) => each.area))).toBe(true)
    expect(falling(all.map((each) => each.handsOnSecondsPerModel))).toBe(true)
    expect(all.map(stepText)[2]).toBe('light moss on half of the coat and trousers')
  })

  it('hides completely only what it takes all of', () => {
    const over = (extent: (typeof extents)[number]): readonly StepRow[] => [
      grey,
      base,
      shade,
      ['coat', 'pale bone', 'base coat', { extent, coats: 2 }],
    ]
    const said = (rows: readonly StepRow[]) => findFaults(footRecipe(rows), testShelf).map(({ rule }) => rule)
    expect(said(over('all of it'))).toContain('R16')
    for (const extent of extents.slice(1)) expect(said(over(extent))).not.toContain('R16')
  })

  it('changes the colour that is seen as far as it goes', () => {
    const seen = (extent: (typeof extents)[number]) => {
      const recipe = footRecipe([grey, base, ['coat', 'pale bone', 'base coat', { extent, coats: 3 }], shade])
      return predictColours(recipe, factsOf(recipe, testShelf), testShelf)
        .get('step 3' as never)
        ?.get('coat')
    }
    expect(new Set(extents.map(seen)).size).toBe(extents.length)
  })

  it('gives translucents nothing to show where it is only dabs', () => {
    const black: StepRow = ['all', 'black primer, spray', 'spray']
    const rows = (extent: (typeof extents)[number]): readonly StepRow[] => [
      black,
      ['coat', 'pale bone', 'base coat', { extent, coats: 2 }],
      ['coat', 'moss translucent', 'base coat'],
    ]
    const rules = (extent: (typeof extents)[number]) =>
      findFaults(footRecipe(rows(extent)), testShelf).map(({ rule }) => rule)
    expect(rules('all of it')).not.toContain('R03')
    expect(rules('dabs')).toContain('R03')
  })
})
