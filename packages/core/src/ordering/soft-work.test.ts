import { expect, it } from 'vitest'
import { project, unit } from '../testing/builders.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import { minutes } from '../units/seconds.ts'
import { followedRecipes, lineOfOrder } from './line-of-order.ts'
import { orderLine } from './order-line.ts'

const lineOf = (rows: readonly StepRow[]) => {
  const given = {
    ...project([unit('a', 6)], []),
    recipes: [footRecipe(rows, { unitIds: [unit('a', 6).id] })],
  }
  const recipes = followedRecipes(given)
  const order = orderLine({ recipes, shelf: testShelf, weight: 'fewest pots', tableReady: 'tabletop' })
  return lineOfOrder(order, given, testShelf, 'tabletop', (name) => name)
}
const grey: StepRow = ['all', 'grey primer, spray', 'spray']
const coat: StepRow = ['coat', 'moss green', 'base coat']

it('grit goes into the glue while that holds it, right after it, and dries afterwards', () => {
  const line = lineOf([grey, ['base', 'white glue', 'spread'], ['base', 'river grit', 'sprinkle'], coat])
  const at = line.findIndex(({ material }) => material === 'white glue')
  expect(line[at + 1]?.material).toBe('river grit')
  expect(line[at]).toMatchObject({ dryingMinSeconds: 0, nextWithinSeconds: minutes(8) })
  expect(line[at + 1]).toMatchObject({ nextWithinSeconds: null })
  expect(line[at + 1]!.dryingMinSeconds).toBeGreaterThanOrEqual(minutes(30))
})

it('what is strewn on paste, or glued for something else, waits for nobody', () => {
  const onPaste = lineOf([grey, ['base', 'river mud paste', 'spread'], ['base', 'marsh flock', 'sprinkle']])
  expect(onPaste.every(({ nextWithinSeconds }) => nextWithinSeconds === null)).toBe(true)
  const planted = lineOf([grey, ['base', 'white glue', 'spread'], ['base', 'reed tuft', 'stick']])
  expect(planted.every(({ nextWithinSeconds }) => nextWithinSeconds === null)).toBe(true)
})
