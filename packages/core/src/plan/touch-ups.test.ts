import { toPlan } from './to-plan.ts'
import { describe, expect, it } from 'vitest'
import { estimateLine, timesOf, totalOf } from '../estimating/estimate-line.ts'
import { amountsLeft, besideByBatch } from '../estimating/amounts-left.ts'
import { touchUpTime, touchUpWork } from '../estimating/touch-up.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { workLeft } from '../estimating/work-left.ts'
import type { ProgressEvent } from '../progress/event.ts'
import { footRecipe, testShelf } from '../testing/recipes.ts'
import { log, models, noon, project, stage, stageId, unit } from '../testing/builders.ts'
import { addSeconds } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import type { StepId } from '../units/ids.ts'
import { planLine } from './plan-line.ts'

const recipe = footRecipe(
  [
    ['all', 'ivory primer, spray', 'spray'],
    ['trousers', 'reed grey', 'base coat'],
    ['coat', 'moss translucent', 'base coat'],
    ['all', 'matt varnish, spray', 'spray'],
  ],
  { unitIds: [unit('a', 4).id] },
)
const own = (index: number) => [{ recipeId: recipe.id, stepId: `step ${String(index)}` as StepId }]
const on = (region: string) => ({ touch: { kind: 'regions', regions: [region] } as const })
const wait = { dryingMinSeconds: minutes(20), dryingMaxSeconds: minutes(20), setUpSeconds: minutes(2) }
const line = [
  stage('primer', { steps: own(0), ...wait }),
  stage('trousers', { steps: own(1), ...on('trousers'), ...wait }),
  stage('coat', { steps: own(2), ...on('coat'), ...wait }),
  stage('matt', { steps: own(3), ...wait }),
]
const given = project([{ ...unit('a', 4), standard: 'tabletop' }], line, { recipes: [recipe] })
const all = models('a-1', 'a-2', 'a-3', 'a-4')
const through = (...names: readonly string[]) =>
  names.map((name) => ({ kind: 'punched' as const, stageId: stageId(name), modelIds: all }))
const slip = (name: string) => ({
  kind: 'touch-up' as const,
  stageId: stageId(name),
  modelIds: models('a-1', 'a-3'),
  note: 'over the border',
})
const now = addSeconds(noon, 24 * 3600)

function planned(events: readonly ProgressEvent[]) {
  const progress = foldProgress(events)
  const estimate = estimateLine({ project: given, shelf: testShelf, progress, now })
  const times = timesOf(estimate)
  const plan = planLine({ ...toPlan(given), progress, times, now })
  if (!plan.ok) throw new Error(plan.error.kind)
  const left = totalOf(estimate.rates, amountsLeft(estimate, besideByBatch(given, estimate))).likely
  return { plan: plan.value, work: workLeft(given, progress, times), left, times }
}
const words = (plan: ReturnType<typeof planned>['plan']) =>
  plan.stretches.map(
    ({ stageId: id, touchUp, modelIds }) => `${id}${touchUp ? ` ${touchUp}` : ''} ${String(modelIds.length)}`,
  )

describe('touch-ups cost time', () => {
  it('an opaque slip is one dab and a pot, before the next coat all over the model', () => {
    const sound = planned(log(...through('primer', 'trousers', 'coat')))
    const slipped = planned(log(...through('primer', 'trousers', 'coat'), slip('trousers')))
    expect(words(sound.plan)).toEqual(['matt 4'])
    expect(words(slipped.plan)).toEqual(['trousers colour 2', 'matt 4'])
    const { touchUp } = slipped.times.get(stageId('trousers'))!.get(given.units[0]!.id)!
    expect(touchUp.undercoat).toBeNull()
    const { setUpSeconds, touchUpSeconds } = touchUpWork(touchUp, 2)
    expect(slipped.plan.handsOnSeconds - sound.plan.handsOnSeconds).toBe(setUpSeconds + touchUpSeconds)
    expect(slipped.left - sound.left).toBeCloseTo(setUpSeconds + touchUpSeconds)
    expect(slipped.work.leftSeconds - sound.work.leftSeconds).toBe(2 * touchUp.dabSeconds)
  })

  it('a translucent one is the ground, its drying and the tint: two pots', () => {
    const slipped = planned(log(...through('primer', 'trousers', 'coat', 'matt'), slip('coat')))
    expect(words(slipped.plan)).toEqual(['coat undercoat 2', 'coat colour 2'])
    const [ground, tint] = slipped.plan.stretches
    expect(slipped.plan.potOpenings).toBe(2)
    const { undercoat } = slipped.times.get(stageId('coat'))!.get(given.units[0]!.id)!.touchUp
    expect(tint!.startsAt + tint!.setUpSeconds * 1000).toBeGreaterThanOrEqual(
      addSeconds(ground!.endsAt, undercoat!.drySeconds - undercoat!.dabSeconds),
    )
  })

  it('grounds of several tints are laid from one pot', () => {
    const slipped = planned(
      log(...through('primer', 'trousers', 'coat'), slip('coat'), slip('trousers'), slip('primer')),
    )
    expect(words(slipped.plan)[0]).toBe('coat undercoat 2')
    expect(words(slipped.plan).at(-1)).toBe('matt 4')
    expect(slipped.plan.stretches).toHaveLength(5)
  })

  it('a touch-up that is done is through like the rest, and its lap teaches nothing of the stage', () => {
    const events = log(
      ...through('primer', 'trousers', 'coat', 'matt'),
      slip('coat'),
      { kind: 'clock-started', stageId: stageId('coat'), modelIds: models('a-1', 'a-3') },
      { kind: 'punched', stageId: stageId('coat'), modelIds: models('a-1', 'a-3') },
    )
    const stop = { kind: 'clock-stopped', targetId: events[5]!.id, id: 'stop', at: addSeconds(noon, 3600) }
    const progress = foldProgress([...events, stop as ProgressEvent])
    expect(progress.laps.map((lap) => lap.done)).toEqual([[]])
    expect(workLeft(given, progress).leftSeconds).toBe(0)
  })

  it('on larger and more ornate models the dab is longer, and on a stick it is shorter', () => {
    const foot = { size: 'foot', detail: 'usual', perHolder: 1 } as const
    const { dabSeconds } = touchUpTime('opaque', foot)
    expect(touchUpTime('opaque', { ...foot, size: 'huge' }).dabSeconds).toBeGreaterThan(dabSeconds)
    expect(touchUpTime('opaque', { ...foot, perHolder: 10 }).dabSeconds).toBeLessThan(dabSeconds)
    expect(touchUpTime('opaque', foot, 2).dabSeconds).toBeGreaterThan(dabSeconds)
  })
})
