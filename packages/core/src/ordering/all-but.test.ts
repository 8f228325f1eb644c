import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { figuresOf } from '../testing/figures-of.ts'
import { project, unit } from '../testing/builders.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { regionsOfStep, type Recipe, type Step } from '../trade/recipe.ts'
import { findFaults } from './find-faults.ts'
import { followedRecipes, lineOfOrder } from './line-of-order.ts'
import { orderLine } from './order-line.ts'

const lineOf = (recipe: Recipe) => {
  const given = { ...project([unit('a', 5)], []), recipes: [recipe] }
  const recipes = followedRecipes(given)
  const order = orderLine({ recipes, shelf: testShelf, weight: 'fewest pots', tableReady: 'tabletop' })
  return { given, line: lineOfOrder(order, given, testShelf, 'tabletop', (name) => name) }
}

function comesTo(recipe: Recipe) {
  const { given, line } = lineOf(recipe)
  const { estimate } = figuresOf({ ...given, line })
  return {
    order: line.map(({ steps }) => steps),
    minutes: estimate.stages.map(({ perModel }) => perModel.likely),
    findings: findFaults(recipe, testShelf).map(({ rule, reason, secondsAtStake }) => [
      rule,
      reason,
      secondsAtStake,
    ]),
  }
}

describe('all over but for some', () => {
  it('comes to the same as the names of what is left: minutes, order and findings', () => {
    const drawn = fc.record({
      school: fc.constantFrom(...recipeSchools),
      plan: fc.constantFrom(...bodyPlans),
      left: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }),
      share: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
      which: fc.nat(),
    })
    fc.assert(
      fc.property(drawn, ({ school, plan, left, share, which }) => {
        let next = 0
        const made = recipeFromSchool(school, plan, 'x', () => `s${String(next++)}`)
        const recipe = { ...made, unitIds: [unit('a', 5).id] }
        const at = which % recipe.steps.length
        const step = recipe.steps[at]!
        const names = recipe.regions.map(({ name }) => name)
        const except = names.filter((_, index) => left[index]! > share)
        fc.pre(except.length > 0 && except.length < names.length)
        const written = (some: Partial<Step>) => ({
          ...recipe,
          steps: recipe.steps.with(at, { ...step, ...some }),
        })
        const allBut = written({ on: 'whole', except })
        const named = written({ on: regionsOfStep(allBut, allBut.steps[at]!), except: [] })
        expect(comesTo(named)).toEqual(comesTo(allBut))
      }),
      { numRuns: 40, seed: 36 },
    )
  })

  const rows: readonly StepRow[] = [
    ['all', 'grey primer, spray', 'spray'],
    ['skin', 'warm flesh', 'base coat'],
    ['all', 'soot wash', 'wash', { except: ['skin', 'base'] }],
  ]
  const washOf = (given: readonly StepRow[]) => {
    const recipe = footRecipe(given, { unitIds: [unit('a', 5).id] })
    const { given: made, line } = lineOf(recipe)
    const { estimate } = figuresOf({ ...made, line })
    const wash = line.find(({ material }) => material === 'soot wash')
    return estimate.stages.find(({ work }) => work.stageId === wash?.id)!.perModel.likely
  }

  it('keeps to the borders of what is finished, and floods where nothing is', () => {
    const beside = washOf(rows)
    const [grey, skin, wash] = rows as [StepRow, StepRow, StepRow]
    const everywhere = washOf([grey, skin, [wash[0], wash[1], wash[2]]])
    expect(beside).toBeGreaterThan(2 * everywhere)
    // What is not painted yet has no border to keep.
    expect(washOf([grey, wash])).toBeLessThan(everywhere)
  })
})
