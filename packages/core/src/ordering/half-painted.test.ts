import { describe, expect, it } from 'vitest'
import { foldProgress } from '../progress/fold-progress.ts'
import { log, stageId, unit } from '../testing/builders.ts'
import { project } from '../testing/builders.ts'
import { footRecipe, materialNamed, testShelf, type StepRow } from '../testing/recipes.ts'
import { tableReadyStandard, type Project } from '../trade/index.ts'
import type { Recipe } from '../trade/recipe.ts'
import type { RecipeId, StepId } from '../units/ids.ts'
import { followedRecipes, lineOfOrder } from './line-of-order.ts'
import { orderLine } from './order-line.ts'
import { halfPainted, toPaintOver } from './half-painted.ts'

const pikes = unit('pikes', 4)
const ids = pikes.models.map(({ id }) => id)
const rows: readonly StepRow[] = [
  ['all', 'grey primer, spray', 'spray'],
  ['coat', 'moss green', 'base coat'],
  ['leather', 'peat brown', 'base coat'],
]
const recipe = footRecipe(rows, { unitIds: [pikes.id] })

let next = 0
/** With the line that its recipes come to, from the one it has. */
function ordered(given: Project): Project {
  const order = orderLine({
    recipes: followedRecipes(given),
    shelf: testShelf,
    weight: 'fewest pots',
    tableReady: tableReadyStandard,
  })
  return {
    ...given,
    line: lineOfOrder(order, given, testShelf, tableReadyStandard, (name) => `${name} ${String(next++)}`),
  }
}
const given = ordered({ ...project([pikes], []), recipes: [recipe] })
const changed = (to: Recipe) => ordered({ ...given, recipes: [to] })

/** The first models have what is named, by paint. */
const having = (count: number, ...paints: readonly string[]) =>
  foldProgress(
    log(
      ...paints.map((paint) => {
        const stage = given.line.find(({ material }) => material.startsWith(paint))
        if (!stage) throw new Error(paint)
        return { kind: 'punched' as const, stageId: stage.id, modelIds: ids.slice(0, count) }
      }),
    ),
  )
const said = (after: Project, progress = having(3, 'grey primer', 'moss green')) =>
  halfPainted(given, after, progress, testShelf).map(({ begun, onThem, asked }) => ({
    begun: begun.length,
    onThem: onThem.map(({ stage, models }) => `${stage.material} ${String(models.length)}`),
    asked: asked.map(
      ({ stage, models, reason }) => `${stage.material} ${String(models.length)} ${reason ?? 'painted'}`,
    ),
  }))

/** Another recipe for the same unit: every step is new. */
const other = (some: readonly StepRow[]): Recipe => {
  const own = footRecipe(some, { unitIds: [pikes.id] })
  return {
    ...own,
    id: 'other' as RecipeId,
    steps: own.steps.map((step) => ({ ...step, id: `other ${step.id}` as StepId })),
  }
}

describe('halfPainted', () => {
  it('says nothing while nothing is begun, and nothing of what goes on top', () => {
    const after = changed(footRecipe([...rows, ['coat', 'light moss', 'edge']], { unitIds: [pikes.id] }))
    expect(said(after, foldProgress([]))).toEqual([])
    expect(said(after)).toEqual([])
  })

  it('puts no primer over models that are painted, unasked, and no paint that they have', () => {
    const after = changed(
      other([
        ['all', 'black primer, spray', 'spray'],
        ['coat', 'moss green', 'base coat'],
        ['leather', 'peat brown', 'base coat'],
        ['coat', 'soot wash', 'wash'],
      ]),
    )
    expect(said(after)).toEqual([
      {
        begun: 3,
        onThem: ['grey primer, spray 3', 'moss green 3'],
        asked: [
          'black primer, spray 3 underneath',
          'moss green 3 has-it',
          'peat brown 3 painted',
          'soot wash 3 painted',
        ],
      },
    ])
  })

  it('asks about a layer that belongs under what is there', () => {
    const [prime, ...others] = recipe.steps
    const [dark] = footRecipe([['coat', 'slate grey', 'base coat']], {}).steps
    const added = { ...dark!, id: 'dark' as StepId }
    const after = changed({ ...recipe, steps: [prime!, added, ...others] })
    expect(said(after).map(({ asked }) => asked)).toEqual([['slate grey 3 underneath']])
  })

  it('asks about a paint that is changed, and would do again what lies on it too', () => {
    const blue = [{ materialId: materialNamed('river blue'), parts: 1 }]
    const washed = ordered({
      ...given,
      recipes: [footRecipe([...rows, ['coat', 'soot wash', 'wash']], { unitIds: [pikes.id] })],
    })
    const after = ordered({
      ...washed,
      recipes: washed.recipes.map((each) => ({
        ...each,
        steps: each.steps.map((step, place) => (place === 1 ? { ...step, mix: blue } : step)),
      })),
    })
    const done = foldProgress(
      log(
        ...washed.line.map((stage) => ({
          kind: 'punched' as const,
          stageId: stageId(stage.id),
          modelIds: ids.slice(0, 2),
        })),
      ),
    )
    const [half] = halfPainted(washed, after, done, testShelf)
    const [asked] = half?.asked ?? []
    expect(asked).toMatchObject({ reason: 'other-paint', models: ids.slice(0, 2) })
    const again = toPaintOver(after, done, asked!)
    const nameOf = new Map(after.line.map((stage) => [stage.id, stage.material]))
    expect(again.map(({ stageId: id }) => nameOf.get(id))).toEqual(['river blue', 'soot wash'])
  })
})
