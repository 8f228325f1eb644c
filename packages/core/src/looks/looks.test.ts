import { describe, expect, it } from 'vitest'
import { asRedGreenBlind, colourDifference, greyOf, lightness } from '../colour/index.ts'
import { bodyPlans, recipeFromSchool, recipeSchools } from '../recipe/index.ts'
import { project, unit } from '../testing/builders.ts'
import { figuresOf } from '../testing/figures-of.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { whatReads } from './what-reads.ts'
import { whatShows } from './what-shows.ts'

const grey: StepRow = ['all', 'grey primer, spray', 'spray']
const coat: StepRow = ['coat', 'moss green', 'base coat', { coats: 2 }]
const pikes = { ...unit('pikes', 12), standard: 'display' as const }
const shown = (rows: readonly StepRow[]) =>
  whatShows(figuresOf(project([pikes], [])), footRecipe(rows), [pikes])

describe('what reads', () => {
  it('names neighbours that merge, and a paint on the shelf that reads beside all its own', () => {
    const merging: readonly StepRow[] = [grey, coat, ['trousers', 'reed grey', 'base coat', { coats: 2 }]]
    const near = footRecipe([
      grey,
      ['coat', 'deep flesh', 'base coat', { coats: 2 }],
      ['trousers', 'rust red', 'base coat', { coats: 2 }],
    ])
    expect(whatReads(footRecipe(merging), testShelf)).toEqual([])
    const [pair] = whatReads(near, testShelf).filter(({ regions }) => regions.includes('trousers'))
    expect(pair?.regions).toEqual(['trousers', 'coat'])
    expect(pair!.difference).toBeLessThan(12)
    const { swap } = pair!
    expect(swap?.from.name).toBe('rust red')
    expect(colourDifference(swap!.to.colour, '#7d4a34')).toBeGreaterThan(11)
    expect(whatReads(swap!.recipe, testShelf).some(({ regions }) => regions.includes('trousers'))).toBe(false)
  })

  it('says nothing of what is one paint on purpose, nor of metal beside cloth', () => {
    const same: readonly StepRow[] = [grey, ['leather+straps+pouches', 'peat brown', 'base coat']]
    expect(whatReads(footRecipe(same), testShelf)).toEqual([])
    const metal: readonly StepRow[] = [
      grey,
      ['coat', 'reed grey', 'base coat', { coats: 2 }],
      ['metal', 'bright steel', 'base coat', { coats: 2 }],
    ]
    const named = whatReads(footRecipe(metal), testShelf).map(({ regions }) => regions.join())
    expect(named.filter((pair) => pair.includes('metal') && pair.includes('coat'))).toEqual([])
  })

  it('is at rest about what the schools make', () => {
    for (const school of recipeSchools) {
      const recipe = recipeFromSchool(school, bodyPlans[0]!, 'x', () => 'an id')
      expect(whatReads(recipe, testShelf).length, school.id).toBeLessThanOrEqual(2)
    }
  })
})

describe('what shows for its minutes', () => {
  it('puts what does nothing before what is seen, and what is hidden first of all', () => {
    const all = shown([
      grey,
      coat,
      ['straps', 'peat brown', 'base coat'],
      ['coat', 'light moss', 'edge'],
      ['leather', 'dark sepia wash', 'wash'],
      ['leather', 'pale bone', 'base coat', { coats: 2 }],
    ])
    expect(all[0]!.text).toBe('dark sepia wash on the leather')
    expect(all[0]!.share).toBe(0)
    const share = (text: string) => all.find((each) => each.text.startsWith(text))!.share
    expect(share('moss green')).toBeGreaterThan(share('peat brown on the straps'))
    expect(all.reduce((sum, each) => sum + each.share, 0)).toBeCloseTo(1)
    expect(all.every((each) => each.seconds > 0)).toBe(true)
    expect(all.find((each) => each.text.startsWith('light moss'))!.optional).toBe(true)
    expect(all.find((each) => each.text.startsWith('moss green'))!.optional).toBe(false)
  })

  it('leaves alone what something else stands on: the dark under metal', () => {
    const all = shown([grey, ['metal', 'soot black', 'base coat'], ['metal', 'bright steel', 'base coat']])
    expect(all.find((each) => each.text.startsWith('soot black'))).toMatchObject({
      share: 0,
      optional: false,
    })
  })

  it('shows less where it takes less of it', () => {
    const layer = (extent: 'all of it' | 'dabs') =>
      shown([grey, coat, ['coat', 'pale bone', 'layer', { extent }]]).find((each) =>
        each.text.startsWith('pale'),
      )!
    expect(layer('dabs').share).toBeLessThan(layer('all of it').share)
    expect(layer('dabs').seconds).toBeLessThan(layer('all of it').seconds)
  })
})

describe('a colour in other eyes', () => {
  it('is as light without hue, and red is near green where green is not seen', () => {
    const [red, green] = ['#b8281f', '#5f7b46'] as const
    expect(lightness(greyOf(green))).toBeCloseTo(lightness(green), 0)
    const before = colourDifference(red, green)
    expect(colourDifference(asRedGreenBlind(red), asRedGreenBlind(green))).toBeLessThan(before / 1.5)
  })
})
