import { describe, expect, it } from 'vitest'
import { bareBatch, bareTask } from './bare-plan.ts'
import type { PlanInstance, PlanSegment, PlanTask } from './instance.ts'
import { validatePlan } from './validate-plan.ts'

const instance: PlanInstance = {
  regionCount: 1,
  painters: [
    {
      sessions: [
        { start: 0, end: 100 },
        { start: 200, end: 300 },
      ],
      pace: 1,
    },
    { sessions: null, pace: 2 },
  ],
  stations: [1],
  windows: [[{ start: 0, end: 60 }]],
  rack: 3,
  potsCloseBetweenSessions: true,
  maySplit: true,
  inHandAtMost: 1,
  bores: { stage: 1800, kind: 5400 },
  openFamily: null,
  batches: [0, 1].map((kind) =>
    bareBatch(
      [
        bareTask({ setUp: 5, perModel: 10, wait: 20, models: [0, 1] }),
        bareTask({ stage: 1, family: 1, setUp: 5, perModel: 10, regions: [0], models: [0, 1] }),
      ],
      { models: 2, kind },
    ),
  ),
}

const segment = (some: Partial<PlanSegment>): PlanSegment => ({
  batch: 0,
  task: 0,
  way: 0,
  painter: 0,
  from: 0,
  count: 2,
  start: 0,
  setUp: 5,
  opensPot: true,
  end: 25,
  session: 0,
  putOff: false,
  ...some,
})

const sound = [
  segment({}),
  segment({ task: 1, start: 30, end: 55 }),
  segment({ batch: 1, start: 55, end: 80 }),
  segment({ batch: 1, task: 1, start: 200, end: 225, session: 1 }),
]

const kindsIn = (given: PlanInstance, segments: readonly PlanSegment[]) => [
  ...new Set(validatePlan(given, segments).map((breach) => breach.kind)),
]
const kinds = (...segments: PlanSegment[]) => kindsIn(instance, segments)
/** The instance with something changed about every first task. */
const withFirst = (some: Partial<PlanTask>): PlanInstance => ({
  ...instance,
  batches: instance.batches.map((batch) => ({
    ...batch,
    tasks: batch.tasks.map((task, index) => (index === 0 ? { ...task, ...some } : task)),
  })),
})
const changed = (index: number, some: Partial<PlanSegment>) =>
  sound.map((each, at) => (at === index ? { ...each, ...some } : each))

describe('validatePlan', () => {
  it('finds nothing wrong with a sound plan', () => {
    expect(kinds(...sound)).toEqual([])
  })

  it.each([
    ['hands-overlap', changed(2, { start: 50, end: 75 })],
    ['outside-session', changed(3, { start: 190, end: 215 })],
    ['wet-region', changed(1, { start: 25, end: 50 })],
    ['wrong-length', changed(0, { end: 24 })],
    ['missing-set-up', changed(1, { setUp: 0, end: 50 })],
    ['model-missed', changed(3, { count: 1, end: 215 })],
    [
      'too-many-in-hand',
      [
        sound[0]!,
        segment({ batch: 1, setUp: 0, start: 25, end: 45 }),
        segment({ task: 1, start: 45, end: 70 }),
        segment({ batch: 1, task: 1, setUp: 0, start: 70, end: 90 }),
      ],
    ],
  ])('names %s', (kind, segments) => {
    expect(kinds(...segments)).toContain(kind)
  })

  it('names a stage done before the one below it', () => {
    const swapped = [segment({ task: 1 }), segment({ task: 0, start: 50, end: 75 })]
    expect(kinds(...swapped, ...sound.slice(2))).toContain('out-of-order')
  })

  it('names a task that two painters share', () => {
    const shared = [
      segment({ count: 1, end: 15 }),
      segment({ painter: 1, from: 1, count: 1, start: 0, end: 25 }),
    ]
    expect(kindsIn(instance, [...shared, ...sound.slice(1)])).toEqual(['wrong-painter'])
  })

  it('names a split where none is allowed', () => {
    const halves = [
      segment({ count: 1, end: 15 }),
      segment({ from: 1, count: 1, setUp: 0, start: 15, end: 25 }),
    ]
    const breaches = validatePlan({ ...instance, maySplit: false }, [...halves, ...sound.slice(1)])
    expect(breaches.map((breach) => breach.kind)).toContain('split-not-allowed')
  })

  it('names what keeps to no window, to no station and to no rack', () => {
    expect(kindsIn(withFirst({ windows: 0 }), sound)).toContain('outside-window')
    const beside = sound.map((each, index) =>
      index === 2 ? { ...each, painter: 1, start: 0, setUp: 5, end: 45 } : each,
    )
    const two = { ...withFirst({ station: 0, onRack: true }), inHandAtMost: null }
    expect(kindsIn(two, beside)).toEqual(expect.arrayContaining(['station-full', 'rack-full']))
    expect(kindsIn({ ...two, stations: [2], rack: 4 }, beside)).toEqual([])
  })

  it('names what comes too late, and what is joined too soon', () => {
    // Each model of the first batch waits 20 s, those of the second overnight.
    const tooLate = (maxWait: number) =>
      validatePlan(withFirst({ maxWait }), sound).filter(({ kind }) => kind === 'too-late')
    expect(tooLate(15).map(({ segment: at }) => at)).toEqual([1, 1, 3, 3])
    expect(tooLate(20).map(({ segment: at }) => at)).toEqual([3, 3])
    const joined = {
      ...instance,
      batches: instance.batches.map((batch, index) => ({
        ...batch,
        tasks: batch.tasks.map((task, at) =>
          index === 1 && at === 0 ? { ...task, joins: [0], wait: 0 } : task,
        ),
      })),
    }
    const late = sound.map((each, index) => (index === 1 ? { ...each, start: 80, end: 105 } : each))
    expect(kindsIn(joined, late)).toContain('joined-too-soon')
  })

  it('names a painter who may not do it, and a pace that is not theirs', () => {
    expect(kindsIn(withFirst({ painters: [1] }), sound)).toContain('wrong-painter')
    expect(kinds(...changed(0, { painter: 1 }))).toContain('wrong-length')
  })
})
