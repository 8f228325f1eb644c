import { describe, expect, it } from 'vitest'
import type { ProgressEvent } from '../progress/event.ts'
import { foldProgress } from '../progress/fold-progress.ts'
import { eventId, noon, project, stage, unit } from '../testing/builders.ts'
import { footRecipe, testShelf } from '../testing/recipes.ts'
import type { RecipeId, StageId, StepId, UnitId } from '../units/ids.ts'
import { addSeconds, type Instant } from '../units/instant.ts'
import { minutes } from '../units/seconds.ts'
import { estimateLine, timesOf, totalOf } from './estimate-line.ts'
import { amountsLeft, besideByBatch } from './amounts-left.ts'
import { paceAt } from './rates.ts'
import { productOf } from '../presets/step-factors.ts'

const recipe = footRecipe(
  [
    ['coat', 'moss green', 'base coat'],
    ['trousers', 'reed grey', 'base coat'],
    ['coat', 'soot wash', 'wash'],
  ],
  { unitIds: ['pikes' as UnitId] },
)
const ref = (step: string) => ({ recipeId: 'recipe' as RecipeId, stepId: step as StepId })
const pikes = { ...unit('pikes', 10), standard: 'tabletop' as const }
const line = [
  stage('moss', { steps: [ref('step 0')], setUpSeconds: minutes(1) }),
  stage('grey', { steps: [ref('step 1')], setUpSeconds: minutes(1) }),
  stage('wash', { steps: [ref('step 2')], setUpSeconds: minutes(1) }),
  stage('by hand', { handsOnSecondsPerModel: minutes(2), technique: 'wash' }),
]
const given = project([pikes], line, { recipes: [recipe] })
const [moss, grey] = line.map((each) => each.id)

function estimateOf(events: readonly ProgressEvent[] = [], some = given) {
  const progress = foldProgress(events)
  return estimateLine({ project: some, shelf: testShelf, progress, now: addSeconds(noon, 86_400) })
}

const at = (estimate: ReturnType<typeof estimateOf>, stageId: StageId | undefined) =>
  estimate.stages.find(({ work }) => work.stageId === stageId)!

/** A clock over these models, each punched at its end. */
function lap(number: number, stageId: StageId, from: Instant, seconds: number, places: readonly number[]) {
  const modelIds = places.map((place) => pikes.models[place]!.id)
  const started = eventId(number * 10)
  const end = addSeconds(from, seconds)
  return [
    { kind: 'clock-started', id: started, at: from, stageId, modelIds },
    { kind: 'punched', id: eventId(number * 10 + 1), at: end, stageId, modelIds },
    { kind: 'clock-stopped', id: eventId(number * 10 + 2), at: end, targetId: started },
  ] as ProgressEvent[]
}

describe('estimateLine', () => {
  it('is the product of factors that are all there to be read', () => {
    const { work, perModel, learning } = at(estimateOf(), moss)
    const [part] = work.parts
    expect(part!.factors.map((factor) => factor.name)).toEqual([
      'base coat, a whole foot model',
      'of the surface, in 1 piece',
      // Trousers and the rest are still to come over its slips.
      'slips are covered later',
      'a second coat, 8 % of the time',
    ])
    expect(part!.seconds).toBeCloseTo(productOf(part!.factors) * 60, 9)
    // In whole seconds, as plans lay them.
    expect(perModel.likely).toBe(Math.round((part!.seconds + work.handlingSeconds) * learning))
    expect(perModel.low).toBeLessThan(perModel.likely)
    expect(perModel.high).toBeGreaterThan(perModel.likely)
  })

  it('grows with size, detail and standard, and falls when models share a holder', () => {
    const of = (some: object) =>
      at(estimateOf([], project([{ ...pikes, ...some }], line, { recipes: [recipe] })), moss).perModel.likely
    const usual = of({})
    expect(of({ size: 'large' })).toBeGreaterThan(usual * 1.5)
    expect(of({ size: 'small' })).toBeLessThan(usual)
    expect(of({ detail: 'ornate' })).toBeGreaterThan(usual)
    expect(of({ standard: 'three-colour' })).toBeGreaterThan(0)
    expect(of({ perHolder: 8 })).toBeLessThan(usual)
  })

  it('takes minutes written by hand as they are, without learning, for a foot model', () => {
    const written = at(estimateOf(), 'by hand' as StageId)
    expect(written).toMatchObject({ source: 'written', learning: 1, pace: 1 })
    expect(written.perModel.likely).toBe(120)
    const large = project([{ ...pikes, size: 'large' }], line, { recipes: [recipe] })
    expect(at(estimateOf([], large), 'by hand' as StageId).perModel.likely).toBe(240)
  })

  it('takes three points where they are typed, and the range of them', () => {
    const typed = {
      unitId: pikes.id,
      bestSeconds: minutes(2),
      likelySeconds: minutes(4),
      worstSeconds: minutes(12),
    }
    const known = project([pikes], [{ ...line[0]!, typed: [typed] }, ...line.slice(1)], { recipes: [recipe] })
    const { source, perModel } = at(estimateOf([], known), moss)
    expect(source).toBe('typed')
    expect(perModel.likely).toBe(300)
    expect(perModel.low).toBeGreaterThan(60)
    expect(perModel.high).toBeLessThan(900)
  })

  it('lets laps of the stage take over from what was typed', () => {
    const typed = {
      unitId: pikes.id,
      bestSeconds: minutes(4),
      likelySeconds: minutes(5),
      worstSeconds: minutes(6),
    }
    const known = project([pikes], [{ ...line[0]!, typed: [typed] }, ...line.slice(1)], { recipes: [recipe] })
    const likely = (...events: readonly ProgressEvent[]) =>
      at(estimateOf(events, known), moss).perModel.likely
    const slow = (count: number) =>
      Array.from({ length: count }, (_, index) =>
        lap(index + 1, moss!, addSeconds(noon, index * 3600), minutes(10), [index]),
      ).flat()
    expect(likely()).toBe(minutes(5))
    expect(likely(...slow(2))).toBeGreaterThan(minutes(5))
    expect(likely(...slow(8))).toBeGreaterThan(likely(...slow(2)))
  })

  it('shares a lap over the models of two units between both', () => {
    const eels = { ...unit('eels', 4), size: 'large' as const }
    const both = project([pikes, eels], line, { recipes: [{ ...recipe, unitIds: [pikes.id, eels.id] }] })
    const models = [pikes.models[0]!.id, eels.models[0]!.id]
    const events = lap(1, moss!, noon, 1200, []).map((event) =>
      'modelIds' in event ? { ...event, modelIds: models } : event,
    )
    const { observed } = estimateOf(events, both)
    const cells = observed.flatMap((each) => each.observations.map((one) => [one.size, one.models]))
    expect(cells).toEqual([
      ['foot', 1],
      ['large', 1],
    ])
    const [small, large] = observed[0]!.observations
    expect(large!.laps).toBeGreaterThan(small!.laps)
    expect(large!.factor).toBe(small!.factor)
  })

  it('moves with one lap, at its stage most, at the neighbours too, and says where from', () => {
    const before = estimateOf()
    const slow = at(before, moss).perModel.likely * 2
    const after = estimateOf(lap(1, moss!, noon, slow + 60, [0]))
    const moved = (stageId: StageId | undefined) =>
      at(after, stageId).perModel.likely / at(before, stageId).perModel.likely
    expect(at(after, moss)).toMatchObject({ source: 'laps', done: 1, left: 9 })
    expect(at(after, moss).lapsHere).toBeGreaterThan(0.5)
    expect(moved(moss)).toBeGreaterThan(moved(grey))
    expect(moved(grey)).toBeGreaterThan(1.05)
    expect(moved('wash' as StageId)).toBeGreaterThan(1)
    expect(at(after, grey).perModel.high / at(after, grey).perModel.low).toBeLessThan(
      at(before, grey).perModel.high / at(before, grey).perModel.low,
    )
  })

  it('makes nothing of laps of no time, of no model, or backwards, and little of fourteen hours', () => {
    const before = estimateOf()
    const none = estimateOf([
      ...lap(1, moss!, noon, 0, [0]),
      // The device's clock was put back in between.
      {
        kind: 'clock-started',
        id: eventId(30),
        at: addSeconds(noon, 50),
        stageId: grey!,
        modelIds: [pikes.models[1]!.id],
      },
      { kind: 'clock-stopped', id: eventId(31), at: addSeconds(noon, 60), targetId: eventId(30) },
    ])
    expect(none.observed.map((each) => each.silent)).toEqual(['no time', 'no models'])
    expect(at(none, grey).perModel.likely).toBeCloseTo(at(before, grey).perModel.likely, 9)
    const asleep = estimateOf(lap(1, moss!, noon, 14 * 3600, [0]))
    expect(at(asleep, grey).perModel.likely).toBeLessThan(at(before, grey).perModel.likely * 1.5)
    for (const { perModel } of [...none.stages, ...asleep.stages]) {
      expect(Number.isFinite(perModel.low + perModel.likely + perModel.high)).toBe(true)
    }
  })

  it('learns nothing from taps in a burst, and from the same lap once a person gives it a time', () => {
    const before = estimateOf()
    const ticked = estimateOf(lap(1, moss!, noon, 5, [0, 1, 2, 3, 4]))
    expect(ticked.observed.map((each) => each.silent)).toEqual(['too short'])
    expect(at(ticked, moss).pace).toBeCloseTo(at(before, moss).pace, 9)
    const said = estimateOf([
      ...lap(1, moss!, noon, 5, [0, 1, 2, 3, 4]),
      {
        kind: 'lap-corrected',
        id: eventId(90),
        at: addSeconds(noon, 60_000),
        targetId: ticked.observed[0]!.eventId,
        workSeconds: minutes(30),
        note: 'forgot the clock',
      },
    ])
    expect(said.observed.map((each) => each.silent)).toEqual([null])
    expect(at(said, moss).pace).toBeGreaterThan(at(before, moss).pace)
  })

  it('learns nothing from models ticked off evenly, and of a forgotten clock only the time to its last model', () => {
    const before = estimateOf()
    const clock = (every: number, stopped: number) => {
      const modelIds = pikes.models.map((model) => model.id)
      return [
        { kind: 'clock-started', id: eventId(10), at: noon, stageId: moss!, modelIds },
        ...modelIds.map((modelId, index) => ({
          kind: 'punched',
          id: eventId(11 + index),
          at: addSeconds(noon, every * (index + 1) + (index % 2)),
          stageId: moss!,
          modelIds: [modelId],
        })),
        { kind: 'clock-stopped', id: eventId(80), at: addSeconds(noon, stopped), targetId: eventId(10) },
      ] as ProgressEvent[]
    }
    const pace = at(before, moss).perModel.likely
    const ticked = estimateOf(clock(Math.round(pace * 0.3), Math.round(pace * 0.3) * pikes.models.length))
    expect(ticked.observed.map((each) => each.silent)).toEqual(['even taps'])
    expect(at(ticked, moss).pace).toBeCloseTo(at(before, moss).pace, 9)
    const worked = Math.round(pace) * pikes.models.length
    const [forgotten] = estimateOf(clock(Math.round(pace), worked + 9 * 3600)).observed
    expect(forgotten).toMatchObject({ silent: null, clockSeconds: worked + 9 * 3600 })
    expect(Math.abs(forgotten!.countedSeconds - worked)).toBeLessThanOrEqual(1)
  })

  it('learns from a corrected time as corrected, and not from one that is left out', () => {
    const asleep = lap(1, moss!, noon, 14 * 3600, [0])
    const said = (workSeconds: number | null) =>
      ({
        kind: 'lap-corrected',
        id: eventId(90),
        at: addSeconds(noon, 60_000),
        targetId: eventId(10),
        workSeconds,
        note: 'slept',
      }) as ProgressEvent
    const [leftOut] = estimateOf([...asleep, said(null)]).observed
    expect(leftOut).toMatchObject({ silent: 'left out', observations: [], clockSeconds: 50_400 })
    const [mended] = estimateOf([...asleep, said(300)]).observed
    expect(mended).toMatchObject({ silent: null, clockSeconds: 50_400, countedSeconds: 300 })
    const undone = {
      kind: 'undone',
      id: eventId(95),
      at: addSeconds(noon, 60_001),
      targetId: eventId(90),
    } as const
    expect(estimateOf([...asleep, said(null), undone]).observed[0]!.silent).toBeNull()
  })

  it('a milestone whose stage has left the line loses the share of that stage', () => {
    const reached = {
      kind: 'milestone',
      id: eventId(1),
      at: addSeconds(noon, 9000),
      stageIds: [moss!, 'wash' as StageId],
      modelIds: pikes.models.map((model) => model.id),
      workSeconds: minutes(100),
    } as ProgressEvent
    const whole = estimateOf([reached]).observed[0]!
    const shorter = { ...given, line: given.line.filter((each) => each.id !== 'wash') }
    const partly = estimateOf([reached], shorter).observed[0]!
    expect(partly.countedSeconds).toBe(whole.countedSeconds / 2)
    expect(partly.observations.map((each) => each.cell)).toHaveLength(1)
    expect(partly.observations[0]!.laps).toBeLessThanOrEqual(0.5)
  })

  it('slow small parts do not teach the technique on broad regions', () => {
    const claws = footRecipe(
      [
        ['straps', 'peat brown', 'base coat'],
        ['coat', 'moss green', 'base coat'],
      ],
      { unitIds: [pikes.id] },
    )
    const own = (step: string) => [{ recipeId: claws.id, stepId: step as StepId }]
    const small = project(
      [pikes],
      [stage('straps', { steps: own('step 0') }), stage('coat', { steps: own('step 1') })],
      { recipes: [claws] },
    )
    const before = estimateOf([], small)
    expect(before.stages.map((each) => each.work.small)).toEqual([true, false])
    const expected = before.stages[0]!.work.secondsPerModel
    const slow = [1, 2, 3, 4].flatMap((number) =>
      lap(number, 'straps' as StageId, addSeconds(noon, number * 7200), 3 * expected, [number]),
    )
    const after = estimateOf(slow, small)
    const pace = (which: number, of = after) => Math.log(of.stages[which]!.pace)
    expect(pace(0)).toBeGreaterThan(0.5)
    // The painter may be slow at everything, but the coat follows no further than any other technique would.
    expect(pace(1)).toBeLessThan(0.75 * pace(0))
    const wash = paceAt(after.rates, { technique: 'wash', size: 'foot', cell: '' })
    expect(pace(1)).toBeCloseTo(wash.mean, 9)
  })

  it('learns from a milestone, shared over its stages, and punches what it says', () => {
    const before = estimateOf()
    const modelIds = pikes.models.slice(0, 5).map((model) => model.id)
    const stamp = {
      kind: 'milestone',
      id: eventId(1),
      at: noon,
      stageIds: [moss!, grey!],
      modelIds,
      workSeconds: minutes(90),
    } as ProgressEvent
    const after = estimateOf([stamp])
    expect(at(after, moss)).toMatchObject({ done: 5, left: 5 })
    const [observed] = after.observed
    expect(observed!.observations).toHaveLength(2)
    const laps = observed!.observations.reduce((sum, each) => sum + each.laps, 0)
    expect(laps).toBeGreaterThan(0.8)
    expect(laps).toBeLessThanOrEqual(1)
    expect(at(after, 'wash' as StageId).pace).toBeGreaterThan(at(before, 'wash' as StageId).pace)
  })

  it('takes the set-up off a lap where it was on the clock, and not where it was not', () => {
    const expected = at(estimateOf(), moss).work.secondsPerModel
    const factor = (seconds: number) =>
      estimateOf(lap(1, moss!, noon, seconds, [0])).observed[0]!.observations[0]!.factor
    expect(factor(Math.round(expected) + 60)).toBeCloseTo(1, 1)
    expect(factor(60)).toBeCloseTo(60 / expected, 9)
  })
})

describe('totalOf', () => {
  it('is the sum, its range wider than parts that know nothing of each other would have it', () => {
    const estimate = estimateOf()
    const amounts = amountsLeft(estimate, besideByBatch({ ...given, batchSize: 5 }, estimate))
    const total = totalOf(estimate.rates, amounts)
    const sum = amounts.reduce(
      (all, { stage: each, models, setUpSeconds }) => all + models * each.perModel.likely + setUpSeconds,
      0,
    )
    expect(total.likely).toBeCloseTo(sum, 6)
    const apart = Math.hypot(
      ...amounts.map((each) => {
        const range = totalOf(estimate.rates, [each])
        return (range.high - range.low) / 2
      }),
    )
    expect((total.high - total.low) / 2).toBeGreaterThan(apart)
    expect(totalOf(estimate.rates, [])).toEqual({ low: 0, likely: 0, high: 0 })
  })

  it('gives the planner whole seconds, with a colour on the palette quick to wake', () => {
    const times = timesOf(estimateOf()).get(moss!)?.get(pikes.id)
    expect(times).toMatchObject({ setUpSeconds: 60, againSeconds: 15 })
    expect(Number.isInteger(times!.secondsPerModel)).toBe(true)
  })
})

it('goes to another thread as it is: it holds nothing but data', () => {
  const estimate = estimateLine({
    project: project([unit('a', 3)], [stage('coat')]),
    shelf: testShelf,
    now: noon,
  })
  expect(structuredClone(estimate)).toEqual(estimate)
})
