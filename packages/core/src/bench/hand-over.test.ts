import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { footRecipe, materialNamed, testShelf } from '../testing/recipes.ts'
import { splitIntoBatches } from '../trade/batches.ts'
import type { RecipeId, StepId } from '../units/ids.ts'
import { addSeconds } from '../units/instant.ts'
import { batchHandOver } from './hand-over.ts'

const pikes = unit('pikes', 6)
const recipe = footRecipe(
  [
    ['coat', 'moss green', 'base coat'],
    ['straps', 'moss green', 'detail'],
  ],
  { unitIds: [pikes.id] },
)
const on = (region: string, step: number) =>
  stage(region, {
    material: 'moss green',
    touch: { kind: 'regions', regions: [region] },
    steps: [{ recipeId: 'recipe' as RecipeId, stepId: `step ${String(step)}` as StepId }],
  })
const coat = on('coat', 0)
const straps = on('straps', 1)
const given = project([pikes], [coat, straps], { recipes: [recipe], batchSize: 3 })
const [first, second] = splitIntoBatches(given, given)
const [one, two] = pikes.models.map((model) => model.id)

let number = 0
const event = (kind: string, stageId: string, modelIds: readonly unknown[], some: object = {}) =>
  ({
    id: eventId((number += 1)),
    at: addSeconds(noon, number),
    kind,
    stageId,
    modelIds,
    ...some,
  }) as ProgressEvent
const rust = [{ materialId: materialNamed('moss green'), parts: 2 }]
const progress = foldProgress([
  event(
    'punched',
    coat.id,
    first!.models.map((model) => model.id),
  ),
  event('used', coat.id, [one], { mix: rust, note: 'two parts, the pot had thickened' }),
  event('touch-up', coat.id, [two], { note: 'hem', region: 'coat' }),
  event('punched', straps.id, [one]),
  event('judged', straps.id, [one], { verdict: 'worth it', note: 'one pass is enough' }),
])

describe('a batch that goes to other hands', () => {
  it('takes along what is on it, what is left and how it is done', () => {
    const over = batchHandOver(given, progress, testShelf, first!)
    expect([over.stagesDone, over.stages]).toEqual([1, 2])
    expect(over.usedBefore).toEqual([{ stage: coat, mix: rust, note: 'two parts, the pot had thickened' }])
    expect(over.slips.map(({ model, text }) => [model.id, text])).toEqual([[two, 'coat, hem']])
    expect(over.left.map(({ stage: each, models }) => [each.id, models.length])).toEqual([[straps.id, 2]])
    expect(over.left[0]?.card.said?.note).toBe('one pass is enough')
  })

  it('mixes what is left of what was really used on it, and nothing that was used on another', () => {
    const more = foldProgress([event('used', straps.id, [one], { mix: rust, note: '' })])
    expect(batchHandOver(given, more, testShelf, first!).left[1]?.used?.mix).toEqual(rust)
    const other = batchHandOver(given, more, testShelf, second!)
    expect(other.left.map((each) => each.used)).toEqual([null, null])
    expect(other.usedBefore).toEqual([])
  })

  it('has nothing left when all is done', () => {
    const all = [coat, straps].map((each) =>
      event(
        'punched',
        each.id,
        pikes.models.map((model) => model.id),
      ),
    )
    const over = batchHandOver(given, foldProgress(all), testShelf, second!)
    expect([over.stagesDone, over.left]).toEqual([2, []])
  })
})
