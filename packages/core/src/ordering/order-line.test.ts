import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import type { Standard } from '../trade/recipe.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { seededRandom } from '../units/random.ts'
import type { RecipeId, UnitId } from '../units/ids.ts'
import { applyOffer, offersOfSameness } from './offers.ts'
import { orderLine, type OrderingInput } from './order-line.ts'
import { orderWeights, type OrderedRecipe } from './pieces.ts'
import { rounds } from '../testing/rounds.ts'

const troopers = (
  name: string,
  count: number,
  standard: Standard = 'display',
): OrderedRecipe['units'][number] => ({
  unitId: name as UnitId,
  name,
  standard,
  size: 'foot',
  models: Array.from({ length: count }, () => ({ role: 'trooper', variants: [] })),
})

const ledBy = (count: number) =>
  troopers('x', count).models.map((model, index) => ({ ...model, role: index === 0 ? 'leader' : model.role }))

function fromSchools(
  picks: readonly (readonly [school: number, plan: number])[],
  standard: Standard = 'tabletop plus',
): readonly OrderedRecipe[] {
  return picks.map(([school, plan], index) => {
    let next = 0
    const name = `unit ${String(index)}`
    const recipe = recipeFromSchool(
      recipeSchools[school % recipeSchools.length]!,
      bodyPlans[plan % bodyPlans.length]!,
      name,
      () => `${name} ${String(next++).padStart(3, '0')}`,
    )
    return { recipe, units: [troopers(name, 4 + index, standard)] }
  })
}

const input = (recipes: readonly OrderedRecipe[], some: Partial<OrderingInput> = {}): OrderingInput => ({
  recipes,
  shelf: testShelf,
  weight: 'fewest pots',
  tableReady: 'tabletop',
  effort: { width: 4, expansions: 300 },
  ...some,
})

const single = (rows: readonly StepRow[], count = 6): readonly OrderedRecipe[] => [
  { recipe: footRecipe(rows), units: [troopers('Reed-pikes', count)] },
]

const namesOf = (line: ReturnType<typeof orderLine>) =>
  line.stages.map((stage) =>
    stage.facts
      .map(
        (facts) =>
          `${facts.material?.name ?? '-'} on ${facts.whole ? 'all' : facts.regions.map((r) => r.name).join('+')}`,
      )
      .join(' & '),
  )

describe('orderLine', () => {
  it('breaks no hard rule, whatever schools and models meet', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(8), fc.nat(6)), { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...orderWeights),
        (picks, weight) => {
          const line = orderLine(input(fromSchools(picks), { weight }))
          expect(line.findings.filter((finding) => finding.severity === 'spoils')).toEqual([])
          const steps = line.stages.flatMap((stage) =>
            stage.steps.map((each) => `${each.recipeId} ${each.stepId}`),
          )
          expect(new Set(steps).size).toBe(steps.length)
          expect(line.bound).toBeLessThanOrEqual(line.cost + 1e-6)
        },
      ),
      { numRuns: rounds(15), seed: 21 },
    )
  })

  it('is the same in whatever order the recipes come', () => {
    const recipes = fromSchools([
      [0, 0],
      [6, 1],
      [1, 4],
    ])
    const random = seededRandom(4)
    const once = orderLine(input(recipes))
    for (let round = 0; round < 5; round++) {
      const shuffled = [...recipes].sort(() => random() - 0.5)
      expect(namesOf(orderLine(input(shuffled)))).toEqual(namesOf(once))
    }
  })

  it('opens each pot once for two units painted alike', () => {
    const one = orderLine(input(fromSchools([[0, 0]], 'tabletop')))
    const two = orderLine(
      input(
        fromSchools(
          [
            [0, 0],
            [0, 0],
          ],
          'tabletop',
        ),
      ),
    )
    expect(two.stages.length).toBe(one.stages.length)
    expect(two.merged).toBe(one.stages.length)
    expect(two.notMerged).toEqual([])
  })

  it('says what keeps a pot from being opened once', () => {
    const line = orderLine(
      input(
        single([
          ['all', 'grey primer, spray', 'spray'],
          ['coat', 'moss green', 'base coat'],
          ['coat', 'soot wash', 'wash'],
          ['coat', 'moss green', 'layer'],
        ]),
      ),
    )
    expect(line.notMerged).toHaveLength(1)
    expect(line.notMerged[0]).toMatchObject({ material: 'moss green' })
    expect(line.notMerged[0]?.why).toBe('The soot wash on the coat has to come between.')
  })

  it('puts light translucents before dark neighbours, unless the school does not care', () => {
    const rows: readonly StepRow[] = [
      ['all', 'ivory primer, spray', 'spray'],
      ['coat', 'moss translucent', 'base coat'],
      ['trousers', 'reed grey translucent', 'base coat'],
    ]
    const light = namesOf(orderLine(input(single(rows))))
    expect(light.slice(1)).toEqual(['reed grey translucent on trousers', 'moss translucent on coat'])
    const [source] = single(rows)
    const careless = {
      ...source!,
      recipe: { ...source!.recipe, preferences: { ...source!.recipe.preferences, lightBeforeDark: false } },
    }
    expect(orderLine(input([careless])).cost).toBeLessThanOrEqual(orderLine(input(single(rows))).cost)
  })

  it('puts optional stages last when table-ready models matter most', () => {
    const recipes = fromSchools([[0, 0]])
    const soonest = orderLine(
      input(recipes, { weight: 'soonest table-ready', effort: { width: 12, expansions: 60_000 } }),
    )
    expect(soonest.proven).toBe(true)
    const [stop] = soonest.stopLines
    const optionalBefore = soonest.stages
      .slice(0, stop?.after.tabletop ?? 0)
      .filter((stage) => stage.optional)
    // Edges lie under the varnish that every model gets, and the base's dry brush under its rim: they alone have to.
    const techniques = optionalBefore.flatMap((stage) => stage.facts.map((facts) => facts.step.technique))
    expect(new Set(techniques)).toEqual(new Set(['dry brush', 'edge']))
    expect(stop?.after['tabletop plus']).toBe(soonest.stages.length - 1)
  })

  it('paints only the models whose role takes a step', () => {
    const rows: readonly StepRow[] = [
      ['all', 'grey primer, spray', 'spray'],
      ['coat', 'moss green', 'base coat'],
      ['coat', 'light moss', 'edge', { roles: ['leader'] }],
    ]
    const [source] = single(rows)
    const led = { ...source!, units: [{ ...source!.units[0]!, models: ledBy(3) }] }
    const seconds = (recipes: readonly OrderedRecipe[]) =>
      orderLine(input(recipes)).stages.map((stage) => stage.handsOnSeconds)
    expect(orderLine(input(single(rows))).stages).toHaveLength(2)
    const [, coat = 0, edge = 0] = seconds([led])
    expect(edge).toBeGreaterThan(0)
    expect(edge).toBeLessThan(coat)
  })

  it('keeps wet-in-wet partners together as one stage', () => {
    const line = orderLine(
      input(
        single([
          ['all', 'grey primer, spray', 'spray'],
          ['coat', 'moss green', 'blend', { wetGroup: 'coat' }],
          ['coat', 'light moss', 'blend', { wetGroup: 'coat' }],
          ['wood', 'moss green', 'base coat'],
        ]),
      ),
    )
    expect(namesOf(line)).toContain('moss green on coat & light moss on coat')
    expect(line.findings.map((finding) => finding.rule)).not.toContain('R25')
  })

  it('has an answer for no recipe and for an empty one', () => {
    expect(orderLine(input([])).stages).toEqual([])
    expect(orderLine(input(single([]))).stages).toEqual([])
  })

  it('offers one pot for two that look alike, with what it saves', () => {
    const recipes = single([
      ['all', 'grey primer, spray', 'spray'],
      ['leather', 'peat brown', 'base coat'],
      ['wood', 'saddle brown', 'base coat'],
    ])
    const given = input(recipes)
    const line = orderLine(given)
    const [offer] = offersOfSameness(given, line)
    expect(offer?.reason).toBe(
      'The peat brown on the leather could be the saddle brown, which is open anyway.',
    )
    const changed = recipes.map((source) => ({ ...source, recipe: applyOffer(source.recipe, offer!) }))
    expect(offer?.secondsSaved).toBe(24)
    expect(line.setUpSeconds - orderLine(input(changed)).setUpSeconds).toBe(24)
  })

  it('offers one under-colour for neighbours where a later layer tells them apart', () => {
    const recipes = single([
      ['all', 'grey primer, spray', 'spray'],
      ['coat', 'moss green', 'base coat'],
      ['metal', 'soot black', 'base coat'],
      ['leather', 'saddle brown', 'base coat'],
      ['hair', 'rust red', 'base coat'],
      ['hair', 'pale bone', 'layer'],
      ['skin', 'warm flesh', 'base coat'],
    ])
    const given = input(recipes)
    const offer = offersOfSameness(given, orderLine(given)).find((each) =>
      each.reason.startsWith('One under'),
    )
    expect(offer?.reason).toBe(
      'One under-colour could lie under the skin and hair: the warm flesh, whose border with the hair then needs no care.',
    )
    const [changed] = recipes.map((source) => applyOffer(source.recipe, offer!))
    expect(changed?.steps[4]?.mix).toEqual(changed?.steps[6]?.mix)
  })

  it('offers to leave a tiny region to the undercoat where it looks much the same', () => {
    const recipes = single([
      ['all', 'leather brown primer, spray', 'spray'],
      ['coat', 'moss green', 'base coat'],
      ['hair', 'peat brown', 'base coat'],
      ['hair', 'dark sepia wash', 'wash'],
    ])
    const given = input(recipes)
    const [offer] = offersOfSameness(given, orderLine(given))
    expect(offer).toMatchObject({ materialId: null })
    expect(offer?.reason).toBe(
      'The hair could do without the peat brown: the leather brown primer, spray under it looks much the same.',
    )
    const changed = applyOffer(recipes[0]!.recipe, offer!)
    expect(changed.steps.map((step) => step.technique)).toEqual(['spray', 'base coat', 'wash'])
    expect(changed.regions.find((region) => region.name === 'hair')?.bare).toBe(true)
    // A pot less, and four models times half a minute.
    expect(offer?.secondsSaved).toBeGreaterThan(60)
    expect(applyOffer({ ...changed, id: 'other' as RecipeId }, offer!).steps).toEqual(changed.steps)
  })
})
