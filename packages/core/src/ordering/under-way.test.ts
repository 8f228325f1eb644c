import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { log, models, project, stage, stageId, unit } from '../testing/builders.ts'
import { footRecipe, materialNamed, testShelf, type StepRow } from '../testing/recipes.ts'
import type { Recipe } from '../trade/recipe.ts'
import type { RecipeId, StepId } from '../units/ids.ts'
import { minutes } from '../units/seconds.ts'
import { changeUnderWay } from './change-under-way.ts'
import { recipeAsDone } from './recipe-as-done.ts'

const rows: readonly StepRow[] = [
  ['all', 'grey primer, spray', 'spray'],
  ['coat', 'moss green', 'base coat'],
  ['coat', 'soot wash', 'wash'],
  ['leather', 'peat brown', 'base coat'],
  ['coat', 'light moss', 'edge', { standard: 'tabletop plus' }],
]
const pikes = unit('pikes', 4)
const recipe = footRecipe(rows, { unitIds: [pikes.id] })
const names = ['prime', 'coat', 'wash', 'leather', 'edge']
const line = names.map((name, index) =>
  stage(name, {
    handsOnSecondsPerModel: minutes(2),
    steps: [{ recipeId: 'recipe' as RecipeId, stepId: `step ${String(index)}` as StepId }],
  }),
)
const given = { ...project([pikes], line), recipes: [recipe] }
const all = models('pikes-1', 'pikes-2', 'pikes-3', 'pikes-4')
const punched = (name: string, ids = all) => ({
  kind: 'punched' as const,
  stageId: stageId(name),
  modelIds: ids,
})
let next = 0
const newId = () => `new ${String(next++)}`

describe('recipeAsDone', () => {
  const asDone = (events: readonly ProgressEvent[]) =>
    recipeAsDone(given, foldProgress(events), recipe, pikes, testShelf, newId)

  it('is nothing while nothing is done', () => {
    expect(asDone([])).toBeNull()
  })

  it('leaves out what no model had, and takes the order of the record', () => {
    const done = asDone(log(punched('prime'), punched('leather'), punched('wash'), punched('coat')))
    expect(done?.recipe.steps.map((step) => step.technique)).toEqual([
      'spray',
      'base coat',
      'wash',
      'base coat',
    ])
    expect(done?.differences.map((difference) => difference.text)).toEqual([
      'The light moss on the coat is left out.',
      'The soot wash on the coat now comes before the moss green on the coat.',
    ])
    expect(done?.recipe).toMatchObject({
      name: 'Reed-pikes, as the pikes were done',
      unitIds: [],
      versions: [],
    })
    const ids = new Set(recipe.steps.map((step) => step.id))
    expect(done?.recipe.steps.some((step) => ids.has(step.id))).toBe(false)
  })

  it('notes the pace and what had to be touched up', () => {
    const done = asDone(
      log(
        punched('prime'),
        { kind: 'clock-started', stageId: stageId('coat'), modelIds: all },
        punched('coat'),
        { kind: 'clock-started', stageId: stageId('wash'), modelIds: all },
        {
          kind: 'touch-up',
          stageId: stageId('coat'),
          modelIds: models('pikes-2'),
          note: 'bare behind the shield',
        },
      ),
    )
    const coat = done?.recipe.steps.find((step) => step.mix[0]?.materialId === materialNamed('moss green'))
    expect(coat?.note).toBe('0.5 min a model last time. Look out: bare behind the shield')
  })

  it('takes what most models really got instead, with the reason', () => {
    const mix = [{ materialId: materialNamed('slate grey'), parts: 2 }]
    const used = (count: number) => ({
      kind: 'used' as const,
      stageId: stageId('coat'),
      modelIds: pikes.models.slice(0, count).map((model) => model.id),
      mix,
      note: 'the pot was empty',
    })
    const coatOf = (count: number) => {
      const done = asDone(log(punched('prime'), punched('coat'), used(count)))
      return done!.recipe.steps.find((step) => step.on.includes('coat'))!
    }
    const all = coatOf(pikes.models.length)
    expect(all.mix).toEqual(mix)
    expect(all.note).toMatch(/^Instead of .+: the pot was empty/)
    expect(coatOf(1).mix).not.toEqual(mix)
  })

  it('is not led astray by a pilot that went ahead', () => {
    const [pilot, ...others] = all
    const done = asDone(
      log(
        ...names.map((name) => punched(name, [pilot!])),
        ...names.slice(0, 3).map((name) => punched(name, others)),
      ),
    )
    expect(done?.differences).toEqual([])
    expect(done?.unfinished).toBe(3)
  })

  it('follows most of the models where they differ', () => {
    const [first, ...others] = all
    const done = asDone(
      log(punched('prime'), punched('leather', [first!]), punched('coat'), punched('leather', others)),
    )
    expect(done?.recipe.steps.map((step) => step.on)).toEqual(['whole', ['coat'], ['leather']])
  })
})

describe('changeUnderWay', () => {
  const progress = foldProgress(
    log(punched('prime'), punched('coat', all.slice(0, 3)), punched('wash', all.slice(0, 1))),
  )
  const means = (after: Recipe | null, done = progress) =>
    changeUnderWay(given, done, recipe, after, testShelf)
  const without = (index: number): Recipe => ({
    ...recipe,
    steps: recipe.steps.filter((_, place) => place !== index),
  })

  it('has nothing to say while no model is begun, or of what no model has', () => {
    expect(means(null, foldProgress([]))).toEqual([])
    expect(means(without(4))).toEqual([])
    expect(means({ ...recipe, name: 'Other' })).toEqual([])
  })

  it('counts who has a layer that is left out, and who goes without', () => {
    expect(means(without(1))).toEqual([
      'The moss green on the coat is on 3 models already and stays there; the other one goes without.',
    ])
    expect(means(without(0))).toEqual([
      'The grey primer, spray all over is on 4 models already and stays there.',
    ])
  })

  it('tells apart who has the old paint and who gets the new', () => {
    const blue = [{ materialId: materialNamed('river blue'), parts: 1 }]
    const after = {
      ...recipe,
      steps: recipe.steps.map((step, place) => (place === 1 ? { ...step, mix: blue } : step)),
    }
    expect(means(after)).toEqual([
      'The moss green on the coat: river blue instead of moss green. 3 models have it as it was; the other one gets the new one.',
    ])
    const noted = { ...recipe, steps: recipe.steps.map((step) => ({ ...step, note: 'Thin.' })) }
    expect(means(noted)).toEqual([])
  })

  it('says what becomes of models whose recipe is emptied or put away', () => {
    const said = [
      '4 models are under way by Reed-pikes. Its stages leave the stage order where that follows the recipes; what is done stays in the record.',
    ]
    expect(means(null)).toEqual(said)
    expect(means({ ...recipe, steps: [] })).toEqual(said)
  })
})
