import { describe, expect, it } from 'vitest'
import { splitIntoBatches } from '../trade/batches.ts'
import { drying, log, models, noon, project, stage, stageId, unit } from '../testing/builders.ts'
import { footRecipe } from '../testing/recipes.ts'
import { addSeconds, instant } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { batchHole } from './batch-hole.ts'
import { dryingShelf } from './drying-shelf.ts'
import { foldProgress } from './fold-progress.ts'
import { holeState } from './hole-state.ts'
import { workLeft } from '../estimating/work-left.ts'

const a = unit('a', 3)
const line = [
  stage('prime', drying(20)),
  stage('coat', { handsOnSecondsPerModel: minutes(3), tableReady: true }),
  stage('edge', { notNeededBy: [a.id] }),
  stage('matt', { handsOnSecondsPerModel: minutes(2) }),
]
const given = project([a], line)
const punchedPrime = foldProgress(
  log({ kind: 'punched', stageId: stageId('prime'), modelIds: models('a-1', 'a-2') }),
)
const holeOf = (index: number, where: (typeof line)[number], progress = punchedPrime, now = noon) =>
  holeState(progress, a.id, a.models[index - 1]!, where, now)

describe('holeState', () => {
  it('dries from the moment the stage ends for the middle of the range, then is done', () => {
    const at = (seconds: number) => holeOf(1, line[0]!, punchedPrime, addSeconds(noon, seconds))
    expect(at(0)).toEqual({ kind: 'drying', since: noon, until: addSeconds(noon, 1200) })
    expect(at(1199).kind).toBe('drying')
    expect(at(1200).kind).toBe('done')
  })

  it.each([400, 600, 999])('is dry from the moment it was felt dry, %s ms into a second', (part) => {
    const at = instant(addSeconds(noon, 17) + part)
    const [punched, felt] = log(
      { kind: 'punched', stageId: stageId('prime'), modelIds: models('a-1') },
      { kind: 'felt', stageId: stageId('prime'), modelIds: models('a-1'), feels: 'dry' },
    )
    expect(holeOf(1, line[0]!, foldProgress([punched!, { ...felt!, at }]), at).kind).toBe('done')
  })

  it('tells to do, in hand, touch-up and not needed apart', () => {
    const progress = foldProgress(
      log(
        { kind: 'clock-started', stageId: stageId('coat'), modelIds: models('a-1') },
        { kind: 'touch-up', stageId: stageId('prime'), modelIds: models('a-3'), note: 'bare' },
      ),
    )
    expect(holeOf(1, line[1]!, progress).kind).toBe('in-hand')
    expect(holeOf(2, line[1]!, progress).kind).toBe('to-do')
    expect(holeOf(3, line[0]!, progress)).toEqual({ kind: 'touch-up', note: 'bare', region: null })
    expect(holeOf(1, line[2]!, progress).kind).toBe('not-needed')
  })
})

describe('limits', () => {
  const [cloaked, plain] = [{ ...a.models[0]!, variants: ['cloak'] }, a.models[1]!]
  const cloak = stage('cloak', {
    handsOnSecondsPerModel: minutes(4),
    limits: [{ unitId: a.id, roles: ['cloak', 'leader'] }],
  })

  it('let only models of the role or variant take the stage', () => {
    expect(holeState(punchedPrime, a.id, cloaked, cloak, noon).kind).toBe('to-do')
    expect(holeState(punchedPrime, a.id, plain, cloak, noon).kind).toBe('not-needed')
    expect(holeState(punchedPrime, a.id, { ...plain, role: 'leader' }, cloak, noon).kind).toBe('to-do')
    expect(holeState(punchedPrime, unit('b', 1).id, plain, cloak, noon).kind).toBe('to-do')
  })

  it('are left out of the work, and of what makes a model finished', () => {
    const few = project([{ ...a, models: [cloaked, plain] }], [line[0]!, cloak])
    expect(workLeft(few, punchedPrime)).toMatchObject({
      totalSeconds: 360,
      leftSeconds: 240,
      modelsFinished: 1,
    })
  })
})

describe('batchHole', () => {
  const dry = (until: number) => ({ kind: 'drying', since: noon, until: addSeconds(noon, until) }) as const
  it('shows the least finished of its models', () => {
    expect(batchHole([{ kind: 'done' }, { kind: 'to-do' }])).toMatchObject({
      state: { kind: 'in-hand' },
      done: 1,
      of: 2,
    })
    expect(batchHole([{ kind: 'to-do' }, { kind: 'to-do' }]).state.kind).toBe('to-do')
    expect(batchHole([dry(10), dry(30), { kind: 'done' }]).state).toEqual(dry(30))
    expect(batchHole([{ kind: 'done' }, { kind: 'not-needed' }])).toMatchObject({
      state: { kind: 'done' },
      of: 1,
    })
    expect(batchHole([{ kind: 'not-needed' }]).state.kind).toBe('not-needed')
    expect(batchHole([{ kind: 'to-do' }, { kind: 'touch-up', note: '', region: null }]).state.kind).toBe(
      'touch-up',
    )
  })
})

describe('workLeft', () => {
  it('counts work in minutes, not in boxes', () => {
    expect(workLeft(given, foldProgress([]))).toMatchObject({
      totalSeconds: 18 * 60,
      leftSeconds: 18 * 60,
      models: 3,
    })
    expect(workLeft(given, punchedPrime)).toMatchObject({ leftSeconds: 16 * 60, modelsTableReady: 0 })
  })

  it('a model is table-ready at the stop line and finished after its last stage', () => {
    const punch = (name: string) => ({
      kind: 'punched' as const,
      stageId: stageId(name),
      modelIds: models('a-1'),
    })
    expect(workLeft(given, foldProgress(log(punch('prime'), punch('coat'))))).toMatchObject({
      modelsTableReady: 1,
      modelsFinished: 0,
    })
    expect(workLeft(given, foldProgress(log(punch('prime'), punch('coat'), punch('matt'))))).toMatchObject({
      modelsTableReady: 1,
      modelsFinished: 1,
    })
  })

  it('nothing to do is nothing left, and nobody is finished by an empty line', () => {
    expect(workLeft(project([a], []), foldProgress([]))).toMatchObject({
      totalSeconds: 0,
      modelsFinished: 0,
      modelsTableReady: 0,
    })
  })
})

describe('dryingShelf', () => {
  it('lists what is wet, the soonest dry first, until it is dry', () => {
    const two = [stage('prime', drying(60)), stage('wash', { touch: { kind: 'base' }, ...drying(10) })]
    const batches = splitIntoBatches(
      { units: [a], planning: { batches: [] } },
      { batchSize: 3, firstBatch: null },
    )
    const progress = foldProgress(
      log(
        { kind: 'punched', stageId: stageId('prime'), modelIds: models('a-1') },
        { kind: 'punched', stageId: stageId('wash'), modelIds: models('a-1', 'a-2') },
      ),
    )
    const shelf = (seconds: number) =>
      dryingShelf({ line: two }, batches, progress, addSeconds(noon, seconds)).map((entry) => [
        entry.stage.name,
        entry.modelIds.length,
      ])
    expect(shelf(120)).toEqual([
      ['wash', 2],
      ['prime', 1],
    ])
    expect(shelf(1200)).toEqual([['prime', 1]])
    expect(shelf(4000)).toEqual([])
  })
})

describe('table-ready', () => {
  const pikes = unit('pikes', 2)
  const recipe = footRecipe(
    [
      ['all', 'grey primer, spray', 'spray'],
      ['base', 'reed tuft', 'stick', { standard: 'tabletop plus' }],
      ['coat', 'moss green', 'base coat'],
    ],
    { unitIds: [pikes.id] },
  )
  const byRecipe = ['prime', 'tuft', 'coat'].map((name, index) =>
    stage(name, {
      steps: [{ recipeId: recipe.id, stepId: recipe.steps[index]!.id }],
      tableReady: name === 'coat',
    }),
  )
  const done = (...names: readonly string[]) =>
    foldProgress(
      log(
        ...names.map((name) => ({
          kind: 'punched' as const,
          stageId: stageId(name),
          modelIds: models('pikes-1', 'other-1'),
        })),
      ),
    )
  const readyOf = (some: ReturnType<typeof project>, ...names: readonly string[]) =>
    workLeft(some, done(...names)).modelsTableReady

  it('is a model that has all its recipe needs for tabletop, wherever finer stages stand', () => {
    const own = project([pikes], byRecipe, { recipes: [recipe] })
    expect(readyOf(own, 'prime')).toBe(0)
    expect(readyOf(own, 'prime', 'coat')).toBe(1)
  })

  it('goes by the stop line where no recipe speaks', () => {
    const other = project([unit('other', 1)], byRecipe, { recipes: [recipe] })
    expect(readyOf(other, 'prime', 'coat')).toBe(0)
    expect(readyOf(other, 'prime', 'tuft', 'coat')).toBe(1)
    expect(readyOf(project([pikes], [...byRecipe, stage('matt')]), 'prime', 'tuft', 'coat')).toBe(1)
  })

  it('is a finished model where there is no stop line', () => {
    const line = [stage('prime'), stage('coat')]
    expect(readyOf(project([pikes], line), 'prime')).toBe(0)
    expect(readyOf(project([pikes], line), 'prime', 'coat')).toBe(1)
  })
})
