import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { footRecipe, materialNamed, testShelf, type StepRow } from '../testing/recipes.ts'
import type { LocalDate } from '../units/local-date.ts'
import { compareRecipes, recipeFigures } from './compare-recipes.ts'
import type { Recipe } from '../trade/recipe.ts'
import { backToVersion, isSameState, keepVersion } from './versions.ts'

const rows: readonly StepRow[] = [
  ['all', 'grey primer, spray', 'spray'],
  ['coat', 'moss green', 'base coat'],
  ['coat', 'soot wash', 'wash'],
  ['leather', 'peat brown', 'base coat'],
]
const recipe = footRecipe(rows)
const texts = (before: Recipe, after: Recipe) =>
  compareRecipes(before, after, testShelf).map((difference) => difference.text)
const withStep = (index: number, some: Partial<Recipe['steps'][number]>): Recipe => ({
  ...recipe,
  steps: recipe.steps.map((step, place) => (place === index ? { ...step, ...some } : step)),
})

describe('compareRecipes', () => {
  it('finds nothing between a recipe and itself', () => {
    expect(texts(recipe, recipe)).toEqual([])
  })

  it('names layers that are new and those left out', () => {
    const less = { ...recipe, steps: recipe.steps.slice(0, 3) }
    expect(texts(recipe, less)).toEqual(['The peat brown on the leather is left out.'])
    expect(texts(less, recipe)).toEqual(['The peat brown on the leather is new.'])
  })

  it('says of a layer what is there instead of what', () => {
    expect(
      texts(
        recipe,
        withStep(1, {
          mix: [
            { materialId: materialNamed('translucent medium'), parts: 3 },
            { materialId: materialNamed('moss green'), parts: 1 },
          ],
          coats: 2,
          roles: ['leader'],
        }),
      ),
    ).toEqual([
      'The moss green on the coat: 3 translucent medium : 1 moss green instead of moss green, 2 coats instead of one coat and only for leader instead of for all.',
    ])
    expect(texts(recipe, withStep(3, { note: 'Thin.' }))).toEqual([
      'The peat brown on the leather: the note says “Thin.”.',
    ])
  })

  it('sees layers change places where they lie on each other, and only there', () => {
    const [primer, coat, wash, leather] = recipe.steps
    const turned = { ...recipe, steps: [primer!, wash!, coat!, leather!] }
    expect(texts(recipe, turned)).toEqual([
      'The soot wash on the coat now comes before the moss green on the coat.',
    ])
    expect(texts(recipe, { ...recipe, steps: [primer!, leather!, coat!, wash!] })).toEqual([])
  })

  it('sees regions and ways', () => {
    const regions = recipe.regions
      .filter((region) => region.name !== 'wood')
      .map((region) => (region.name === 'metal' ? { ...region, areaShare: 0.2, apart: 'rider' } : region))
    const other = { ...recipe, regions, preferences: { ...recipe.preferences, careful: true } }
    expect(texts(recipe, other)).toEqual([
      'The region wood is gone.',
      'The region metal: 20 % of the surface instead of 12 % of the surface and apart as the rider instead of on the model.',
      'Careful throughout instead of slop first.',
    ])
  })

  it('finds as many layers new one way as left out the other', () => {
    const some = fc.subarray([...recipe.steps])
    fc.assert(
      fc.property(some, some, (a, b) => {
        const [one, two] = [
          { ...recipe, steps: a },
          { ...recipe, steps: b },
        ]
        const count = (before: Recipe, after: Recipe, kind: string) =>
          compareRecipes(before, after, testShelf).filter((each) => each.kind === kind).length
        expect(count(one, two, 'added')).toBe(count(two, one, 'left out'))
      }),
    )
  })

  it('counts layers, pots and minutes', () => {
    const figures = recipeFigures(recipe, testShelf)
    expect(figures).toMatchObject({ layers: 4, pots: 4 })
    expect(figures.secondsPerModel).toBeGreaterThan(0)
  })
})

describe('versions', () => {
  const day = (number: number) => `2026-11-${String(number).padStart(2, '0')}` as LocalDate

  it('are kept with a number, a day and a note, and change nothing else', () => {
    const kept = keepVersion(keepVersion(recipe, day(1), 'pilot'), day(2), '')
    expect(kept.versions.map(({ number, keptOn, note }) => [number, keptOn, note])).toEqual([
      [1, day(1), 'pilot'],
      [2, day(2), ''],
    ])
    expect(isSameState(kept, recipe)).toBe(true)
  })

  it('come back, and what was there before is kept first', () => {
    const kept = keepVersion(recipe, day(1), 'pilot')
    const changed = { ...kept, steps: kept.steps.slice(0, 2) }
    const back = backToVersion(changed, changed.versions[0]!, day(3))
    expect(isSameState(back, recipe)).toBe(true)
    expect(back.versions.map((version) => version.steps.length)).toEqual([4, 2])
    const again = backToVersion(back, back.versions[1]!, day(4))
    expect(again.steps).toHaveLength(2)
    expect(again.versions).toHaveLength(2)
  })

  it('are fifty at most', () => {
    let many = recipe
    for (let count = 0; count < 60; count++) many = keepVersion(many, day(1), '')
    expect(many.versions).toHaveLength(50)
    expect(many.versions.at(-1)?.number).toBe(60)
  })
})
