import { describe, expect, it } from 'vitest'
import type { PlanInstance, PlanSegment } from './instance.ts'
import { validatePlan } from './validate-plan.ts'

const instance: PlanInstance = {
  regionCount: 1,
  sessions: [
    { start: 0, end: 100 },
    { start: 200, end: 300 },
  ],
  potsCloseBetweenSessions: true,
  maySplit: true,
  inHandAtMost: 1,
  openFamily: null,
  batches: [0, 1].map(() => ({
    models: 2,
    begun: false,
    drying: [],
    tasks: [
      {
        stage: 0,
        family: 0,
        setUp: 5,
        again: 5,
        perModel: 10,
        wait: 20,
        regions: 'whole' as const,
        models: [0, 1],
      },
      { stage: 1, family: 1, setUp: 5, again: 5, perModel: 10, wait: 0, regions: [0], models: [0, 1] },
    ],
  })),
}

const segment = (some: Partial<PlanSegment>): PlanSegment => ({
  batch: 0,
  task: 0,
  from: 0,
  count: 2,
  start: 0,
  setUp: 5,
  opensPot: true,
  end: 25,
  session: 0,
  ...some,
})

const sound = [
  segment({}),
  segment({ task: 1, start: 30, end: 55 }),
  segment({ batch: 1, start: 55, end: 80 }),
  segment({ batch: 1, task: 1, start: 200, end: 225, session: 1 }),
]

const kinds = (...segments: PlanSegment[]) => [
  ...new Set(validatePlan(instance, segments).map((breach) => breach.kind)),
]
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

  it('names a split where none is allowed', () => {
    const halves = [
      segment({ count: 1, end: 15 }),
      segment({ from: 1, count: 1, setUp: 0, start: 15, end: 25 }),
    ]
    const breaches = validatePlan({ ...instance, maySplit: false }, [...halves, ...sound.slice(1)])
    expect(breaches.map((breach) => breach.kind)).toContain('split-not-allowed')
  })
})
