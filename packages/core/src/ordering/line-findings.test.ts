import { describe, expect, it } from 'vitest'
import { project, stage, unit } from '../testing/builders.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import type { RecipeId, StepId } from '../units/ids.ts'
import { followedRecipes, lineOfOrder } from './line-of-order.ts'
import { orderLine } from './order-line.ts'
import { orderWeights } from './pieces.ts'
import { lineJudge, mendProject } from './line-findings.ts'

const rows: readonly StepRow[] = [
  ['all', 'grey primer, spray', 'spray'],
  ['leather', 'peat brown', 'base coat'],
  ['leather', 'dark sepia wash', 'wash'],
]
const pikes = unit('pikes', 3)
const recipe = footRecipe(rows, { unitIds: [pikes.id] })
const stageFor = (index: number) =>
  stage(`stage ${String(index)}`, {
    steps: [{ recipeId: 'recipe' as RecipeId, stepId: `step ${String(index)}` as StepId }],
  })
const wish = { shelf: testShelf, weight: 'fewest pots', tableReady: 'tabletop' } as const
const lineFindings = (given: ReturnType<typeof project>) =>
  lineJudge({ ...wish, recipes: followedRecipes(given) })(given.line)
const given = (order: readonly number[]) => ({ ...project([pikes], order.map(stageFor)), recipes: [recipe] })

describe('lineFindings', () => {
  it('finds nothing on a line in the order of its stacks', () => {
    expect(lineFindings(given([0, 1, 2]))).toEqual([])
  })

  it('names stages moved against their stack, and moves them back', () => {
    const wrong = given([0, 2, 1])
    const [finding] = lineFindings(wrong)
    expect(finding).toMatchObject({ rule: 'R01', recipeId: 'recipe' })
    const mended = mendProject(wrong, testShelf, finding!, () => 'new')
    expect(mended.line.map((each) => each.name)).toEqual(['stage 0', 'stage 1', 'stage 2'])
  })

  it('says of a line what is wrong with its recipe, and mends both at once', () => {
    const rows: readonly StepRow[] = [
      ['all', 'black primer, spray', 'spray'],
      ['hair', 'saddle brown', 'base coat'],
      ['hair', 'wet gloss gel', 'detail'],
      ['all', 'matt varnish, spray', 'spray'],
    ]
    const flawed = {
      ...project([pikes], [0, 1, 2, 3].map(stageFor)),
      recipes: [footRecipe(rows, { unitIds: [pikes.id] })],
    }
    const [finding] = lineFindings(flawed)
    expect(finding).toMatchObject({ rule: 'R10', inRecipe: true })
    const mended = mendProject(flawed, testShelf, finding!, () => 'new')
    expect(mended.recipes).not.toEqual(flawed.recipes)
    expect(lineFindings(mended)).toEqual([])
  })

  it('says what two layers share once, and counts their models once', () => {
    const rows: readonly StepRow[] = [
      ['metal', 'bright steel', 'edge'],
      ['metal', 'bright steel', 'base coat'],
      ['base', 'river grit', 'sprinkle'],
      ['all', 'black primer, spray', 'spray'],
    ]
    const shared = {
      ...project([pikes], [3, 0, 1, 2].map(stageFor)),
      recipes: [footRecipe(rows, { unitIds: [pikes.id] })],
    }
    const found = lineFindings(shared)
    expect(found.map((each) => each.reason)).toEqual([...new Set(found.map((each) => each.reason))])
    expect(found.filter((each) => each.rule === 'R01').map((each) => each.models)).toEqual([3, 3])
    // One of the two moved alone would leave the other, and bare metal beside it.
    const spoilt = (given: typeof shared) =>
      lineFindings(given).filter((each) => each.severity === 'spoils').length
    const mended = mendProject(
      shared,
      testShelf,
      found.find((each) => each.mend)!,
      () => 'new',
    )
    expect(spoilt(mended)).toBeLessThanOrEqual(spoilt(shared))
  })

  it('leaves out what the recipe keeps for a standard that no unit has', () => {
    const rows: readonly StepRow[] = [
      ['all', 'grey primer, spray', 'spray'],
      ['coat', 'bright red', 'base coat', { standard: 'display' }],
    ]
    const flawed = (standard: 'tabletop' | 'display') => {
      const own = { ...pikes, standard }
      const kept = footRecipe(rows, { unitIds: [pikes.id] })
      const whole = { ...project([own], [0, 1].map(stageFor)), recipes: [kept] }
      return orderLine({ ...wish, recipes: followedRecipes(whole) }).findings.map((each) => each.rule)
    }
    expect(flawed('display')).toEqual(['R19'])
    expect(flawed('tabletop')).toEqual([])
  })

  it('has nothing to say of stages written by hand', () => {
    expect(lineFindings({ ...project([pikes], [stage('prime')]), recipes: [recipe] })).toEqual([])
    const hand = { ...lineFindings(given([0, 2, 1]))[0]!, mend: null }
    const byHand = given([0])
    expect(mendProject(byHand, testShelf, hand, () => 'new')).toBe(byHand)
  })

  it('are silent about what would cost more to mend than it saves, and speak of what would not', () => {
    const translucents: readonly StepRow[] = [
      ['all', 'ivory primer, spray', 'spray'],
      ['coat', 'moss translucent', 'base coat'],
      ['leather', 'peat brown translucent', 'base coat'],
      ['trousers', 'moss translucent', 'base coat'],
    ]
    const light = {
      ...project([pikes], [0, 1, 3, 2].map(stageFor)),
      recipes: [footRecipe(translucents, { unitIds: [pikes.id] })],
    }
    // Moss is lighter than peat: in this order nothing is wrong.
    expect(lineFindings(light)).toEqual([])
    const apart = { ...light, line: [0, 1, 2, 3].map(stageFor) }
    // The trousers are lighter than the leather, and their pot is open already.
    expect(lineFindings(apart).map((finding) => finding.rule)).toEqual(['R02'])
  })

  it('find nothing that is worth mending on an order found for the same weight', () => {
    for (const school of recipeSchools) {
      let next = 0
      const made = recipeFromSchool(school, bodyPlans[1]!, 'x', () => `id ${String(next++)}`)
      const whole = { ...project([pikes], []), recipes: [{ ...made, unitIds: [pikes.id] }] }
      for (const weight of orderWeights) {
        const input = { ...wish, weight, recipes: followedRecipes(whole) }
        const order = orderLine({ ...input, effort: { width: 4, expansions: 300 } })
        const line = lineOfOrder(order, whole, testShelf, 'tabletop', () => `stage ${String(next++)}`)
        const grave = lineJudge(input)(line).filter((finding) => finding.severity !== 'your call')
        expect(
          grave.map((finding) => `${finding.rule} ${finding.reason}`),
          `${school.name}, ${weight}`,
        ).toEqual([])
      }
    }
  })
})
