import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bodyPlans, recipeFromSchool, recipeSchools } from '../recipe/index.ts'
import { materialNamed, testShelf } from '../testing/recipes.ts'
import { extents, standards, techniques, type Step } from '../trade/index.ts'
import { seconds } from '../units/index.ts'
import { notesOfRecipe } from './notes-of-recipe.ts'
import { recipeOfNotes } from './recipe-of-notes.ts'

const foot = bodyPlans[0]!.regions
const beast = bodyPlans.find((plan) => plan.id === 'large-creature')!.regions
const newId = () => 'an id'
const bare = (steps: readonly Step[]) => steps.map(({ id: _, ...step }) => step)
const read = (text: string, regions = foot) => recipeOfNotes(text, { regions, shelf: testShelf }, newId)
const said = (text: string, regions = foot) =>
  notesOfRecipe({ steps: read(text, regions).steps }, testShelf).split('\n')

describe('a recipe as text', () => {
  it.each(
    recipeSchools.flatMap((school) => bodyPlans.map((plan) => [school.id, plan.id, school, plan] as const)),
  )('%s on %s comes back the same, and is shorter than a page', (_, __, school, plan) => {
    const recipe = recipeFromSchool(school, plan, 'x', newId, { unbuilt: true })
    const text = notesOfRecipe(recipe, testShelf)
    const { steps, questions } = read(text, recipe.regions)
    expect(questions).toEqual([])
    expect(bare(steps)).toEqual(bare(recipe.steps))
    expect(text.split('\n').length).toBeLessThan(60)
  })

  it('comes back the same whatever stands in it', () => {
    const names = foot.map((region) => region.name)
    const materials = ['moss green', 'black primer, spray', 'translucent medium', 'soot wash'].map(
      materialNamed,
    )
    const some = fc.subarray(names, { minLength: 1, maxLength: 9 })
    const number = fc.integer({ min: 1, max: 400 }).map((each) => each / 100)
    const minutes = fc.integer({ min: 0, max: 90_000 }).map(seconds)
    const words = fc.string({ maxLength: 30 }).map((each) => each.trim())
    const step = fc.record({
      on: fc.oneof(fc.constant('whole' as const), some),
      mix: fc.uniqueArray(fc.record({ materialId: fc.constantFrom(...materials), parts: number }), {
        maxLength: 3,
        selector: (part) => part.materialId,
      }),
      technique: fc.constantFrom(...techniques),
      extent: fc.constantFrom(...extents),
      matters: fc.boolean(),
      coats: fc.integer({ min: 1, max: 9 }),
      count: fc.option(fc.integer({ min: 1, max: 500 })),
      note: words,
      standard: fc.constantFrom(...standards),
      roles: fc.array(words, { maxLength: 2 }),
      wetGroup: fc.option(words),
      dryingSeconds: fc.option(fc.record({ min: minutes, max: minutes })),
      spray: fc.option(
        fc.record({
          from: fc.constantFrom('all round' as const, 'above' as const, 'below' as const),
          bar: fc.option(number),
          nozzleMm: fc.option(number),
          thinning: fc.option(number),
        }),
      ),
      otherModes: fc.array(fc.record({ technique: fc.constantFrom(...techniques), setUpSeconds: minutes }), {
        maxLength: 2,
      }),
      substitutes: fc.subarray(materials),
      except: fc.constant([]),
    })
    const alone = (mix: Step['mix']) => mix.map((part) => (mix.length === 1 ? { ...part, parts: 1 } : part))
    fc.assert(
      fc.property(fc.array(step, { maxLength: 4 }), fc.subarray(names, { maxLength: 5 }), (drawn, left) => {
        const steps = drawn.map((each) => ({
          ...each,
          id: newId() as Step['id'],
          mix: alone(each.mix),
          except: each.on === 'whole' ? left : [],
        }))
        const back = read(notesOfRecipe({ steps }, testShelf))
        expect(back.questions).toEqual([])
        expect(bare(back.steps)).toEqual(bare(steps))
      }),
      { numRuns: 400, seed: 36 },
    )
  })

  it('is read as it is said', () => {
    const text =
      'sepia wash over hide and belly, a little on the teeth; a drop of soot black in it; pale bone dry brush all over but the eyes, twice; marsh flock last'
    expect(said(text, beast)).toEqual([
      '10 dark sepia wash to 1 soot black: wash, hide and belly',
      '10 dark sepia wash to 1 soot black: wash, teeth, in dabs',
      'pale bone: dry brush, all over but eyes, twice',
      'marsh flock: sprinkle, base',
    ])
    expect(read(text, beast).questions.map((each) => each.text)).toEqual([
      'A drop of soot black in how much? It is taken as one in 10.',
    ])
  })

  it.each([
    [
      'Black primer, spray from above ivory.',
      'black primer, spray: spray, all over',
      'ivory primer, spray: spray from above, all over',
    ],
    [
      'marsh flock last\nmoss green on the coat',
      'moss green: base coat, coat',
      'marsh flock: sprinkle, base',
    ],
    ['dry-brush pale bone all over', 'pale bone: dry brush, all over'],
    ['60-40 pale bone to moss green on the coat', '60 pale bone to 40 moss green: base coat, coat'],
    ['3:1 medium to moss translucent on coat', '3 translucent medium to 1 moss translucent: base coat, coat'],
    [
      'steel on the metal, then soot wash over it',
      'bright steel: base coat, metal',
      'soot wash: wash, metal',
    ],
    ['eyes white for display', 'chalk white: detail, eyes, for display'],
    ['coat in moss green, two thin coats', 'moss green: base coat, coat, twice'],
    ['edge highlight light moss on half of the coat', 'light moss: edge, coat, half of it'],
    ['chalk white dabs on the straps', 'chalk white: base coat, straps, in dabs'],
    ['pale bone dry brush on the tips of the hair', 'pale bone: dry brush, hair, in dabs'],
    ['grit on the base; tuft', 'river grit: sprinkle, base', 'reed tuft: stick, base'],
    ['wash everything with soot wash', 'soot wash: wash, all over'],
  ])('reads “%s”', (text, ...lines) => {
    expect(said(text)).toEqual(lines)
    expect(read(text).questions).toEqual([])
  })

  it.each([
    ['lurid pink on the hair', 1, 'Which paint is “lurid pink”?'],
    ['grey primer\ndark peat: boots', 2, 'No boots on this model.'],
    ['bone to moss 60:40 on the coat', 1, 'is not on the shelf'],
    ['moss green', 1, 'Where does it go?'],
  ])('asks at its place: “%s”', (text, line, question) => {
    const [first] = read(text).questions
    expect(first?.line).toBe(line)
    expect(first?.text).toContain(question)
  })

  it('never throws, and puts nothing where there is nothing', () => {
    const word = fc.constantFrom(
      'moss',
      'wash',
      'over',
      'the',
      'coat',
      ',',
      ';',
      '3:1',
      'but',
      'twice',
      ':',
      'it',
      '"',
      'all over',
    )
    const text = fc.oneof(
      fc.string(),
      fc.array(word, { maxLength: 14 }).map((words) => words.join(' ')),
    )
    fc.assert(
      fc.property(text, (notes) => {
        for (const step of read(notes).steps) {
          expect(step.on === 'whole' || step.on.length > 0).toBe(true)
          expect(
            step.on === 'whole' || step.on.every((name) => foot.some((region) => region.name === name)),
          ).toBe(true)
          expect(step.coats).toBeGreaterThan(0)
        }
      }),
      { numRuns: 1500, seed: 37 },
    )
  })
})
