import { describe, expect, it } from 'vitest'
import { project, stage, unit } from '../testing/builders.ts'
import { footRecipe, testShelf, type StepRow } from '../testing/recipes.ts'
import type { RecipeId, StepId } from '../units/ids.ts'
import { lineFindings, mendLine } from './line-findings.ts'

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
const given = (order: readonly number[]) => ({ ...project([pikes], order.map(stageFor)), recipes: [recipe] })

describe('lineFindings', () => {
  it('finds nothing on a line in the order of its stacks', () => {
    expect(lineFindings(given([0, 1, 2]), testShelf)).toEqual([])
  })

  it('names stages moved against their stack, and moves them back', () => {
    const wrong = given([0, 2, 1])
    const [finding] = lineFindings(wrong, testShelf)
    expect(finding).toMatchObject({ rule: 'R01', recipeId: 'recipe' })
    expect(mendLine(wrong.line, finding!)?.map((each) => each.name)).toEqual([
      'stage 0',
      'stage 1',
      'stage 2',
    ])
  })

  it('has nothing to say of stages written by hand', () => {
    expect(lineFindings({ ...project([pikes], [stage('prime')]), recipes: [recipe] }, testShelf)).toEqual([])
    const hand = { ...lineFindings(given([0, 2, 1]), testShelf)[0]!, mend: null }
    expect(mendLine([stage('prime')], hand)).toBeNull()
  })
})
