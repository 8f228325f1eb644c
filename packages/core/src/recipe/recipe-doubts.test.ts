import { describe, expect, it } from 'vitest'
import { lightness } from '../colour/colour.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { bodyPlans } from './body-plans.ts'
import { recipeDoubts, scaledShares } from './recipe-doubts.ts'
import { recipeFromSchool } from './recipe-from-school.ts'
import { recipeSchools } from './schools.ts'

const kinds = (rows: readonly StepRow[], shelf = testShelf) =>
  recipeDoubts(footRecipe(rows), shelf).map((each) => each.kind)

describe('recipe doubts', () => {
  it('no school on any body plan raises one', () => {
    let next = 0
    for (const school of recipeSchools)
      for (const plan of bodyPlans)
        expect(
          recipeDoubts(
            recipeFromSchool(school, plan, '', () => String(next++)),
            testShelf,
          ),
        ).toEqual([])
  })

  it('shares that do not add up are said, and scaled on demand', () => {
    const recipe = footRecipe([['coat', 'moss green', 'base coat']])
    const regions = recipe.regions.filter((region) => region.name !== 'coat')
    const [doubt] = recipeDoubts({ ...recipe, regions, steps: [] }, testShelf)
    expect(doubt!.text).toMatch(/^All regions but the base add up to 67 % .* too small\./)
    expect(recipeDoubts({ ...recipe, regions: scaledShares(regions), steps: [] }, testShelf)).toEqual([])
    expect(scaledShares(regions).at(-1)).toEqual(regions.at(-1))
    const cloak = { ...regions[0]!, name: 'cloak', areaShare: 0.2 }
    const few = footRecipe([['cloak', 'moss green', 'base coat', { roles: ['cloak'] }]])
    expect(recipeDoubts({ ...few, regions: [...recipe.regions, cloak] }, testShelf)).toEqual([])
    const all = footRecipe([['cloak', 'moss green', 'base coat']])
    expect(recipeDoubts({ ...all, regions: [...recipe.regions, cloak] }, testShelf)).toHaveLength(1)
    const base = regions.filter((region) => region.finish === 'base')
    expect(recipeDoubts({ ...recipe, regions: base, steps: [] }, testShelf)).toEqual([])
  })

  it('a wipe wants something wet under it, on the same region', () => {
    expect(kinds([['all', 'white spirit', 'wipe']])).toEqual(['wipe'])
    expect(
      kinds([
        ['coat', 'umber oil', 'wash'],
        ['coat', 'white spirit', 'wipe'],
      ]),
    ).toEqual([])
    expect(
      kinds([
        ['coat', 'umber oil', 'wash'],
        ['leather', 'white spirit', 'wipe'],
      ]),
    ).toEqual(['wipe'])
  })

  it('translucents want a bright ground on the shelf', () => {
    const dark = new Map([...testShelf].filter(([, each]) => lightness(each.colour) < 70))
    expect(kinds([['coat', 'moss translucent', 'base coat']], dark)).toEqual(['no bright ground'])
    expect(kinds([['coat', 'moss green', 'base coat']], dark)).toEqual([])
    expect(kinds([['coat', 'moss translucent', 'base coat']])).toEqual([])
  })
})
