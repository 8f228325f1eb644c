import { describe, expect, it } from 'vitest'
import { bareBatch, barePlan, bareTask } from './bare-plan.ts'
import { earliestFinish, lowerBound } from './bounds.ts'
import type { PlanBatch } from './instance.ts'
import { searchPlan } from './search.ts'

const evenings = (count: number) =>
  Array.from({ length: count }, (_, day) => ({ start: day * 1000, end: day * 1000 + 100 }))

/** Ten seconds of work on each side of a wait. */
const twoCoats = (wait: number): PlanBatch =>
  bareBatch([bareTask({ perModel: 10, wait }), bareTask({ stage: 1, perModel: 10 })])

describe('the bound of what may be in hand', () => {
  it('adds up batches that have to follow each other', () => {
    const plan = barePlan([twoCoats(80), twoCoats(80), twoCoats(80)], { inHandAtMost: 1 })
    expect(lowerBound(plan).inHand).toBe(300)
    expect(searchPlan(plan, { seed: 1, evaluations: 50 }).cost.finish).toBe(300)
  })

  it('goes through every order of unlike batches, and keeps a long drying for the end', () => {
    const long = bareBatch([bareTask({ perModel: 10, wait: 500 })])
    const plan = barePlan([long, twoCoats(80), twoCoats(30)], { inHandAtMost: 1 })
    // 100 and 50 while the long one dries: 10 + 500 whatever follows; or the long one last: 150 + 510.
    expect(lowerBound(plan).inHand).toBe(510)
  })

  it('lets the next begin when one of several is through', () => {
    const batches = Array.from({ length: 5 }, () => twoCoats(80))
    expect(lowerBound(barePlan(batches, { inHandAtMost: 2 })).inHand).toBe(300)
  })

  it('counts what is in hand already, and not what is made to be joined', () => {
    const begun = bareBatch([bareTask({ perModel: 40 })], { begun: true })
    expect(lowerBound(barePlan([begun, twoCoats(80)], { inHandAtMost: 1 })).inHand).toBe(140)
    const joined = bareBatch([bareTask({ perModel: 10, joins: [0] })])
    expect(lowerBound(barePlan([twoCoats(80), joined], { inHandAtMost: 1 })).inHand).toBe(110)
  })

  it('knows that sessions end', () => {
    const plan = barePlan([twoCoats(200), twoCoats(200)], {
      inHandAtMost: 1,
      painters: [{ sessions: evenings(8), pace: 1 }],
    })
    // First coat, second coat next evening; the same again from there on.
    expect(lowerBound(plan).inHand).toBe(2010)
    expect(searchPlan(plan, { seed: 1, evaluations: 50 }).cost.finish).toBe(2010)
  })
})

describe('the bound of one batch alone', () => {
  it('puts a coat off that has to be followed within the same evening', () => {
    const soon = bareBatch([
      bareTask({ perModel: 30 }),
      bareTask({ stage: 1, perModel: 30, wait: 20, maxWait: 60 }),
      bareTask({ stage: 2, perModel: 30 }),
    ])
    const plan = barePlan([soon], { painters: [{ sessions: evenings(4), pace: 1 }] })
    // 30 + 30 + 20 + 30 do not fit into 100, and the second may not lie over night.
    expect(lowerBound(plan).longestChain).toBe(1080)
    expect(searchPlan(plan, { seed: 1, evaluations: 10 }).cost.finish).toBe(1080)
  })

  it('keeps together what may not be split', () => {
    const six = { models: 6 }
    const models = [0, 1, 2, 3, 4, 5]
    const batch = bareBatch(
      [bareTask({ models, perModel: 10 }), bareTask({ stage: 1, models, perModel: 10 })],
      six,
    )
    const painters = [{ sessions: evenings(4), pace: 1 }]
    expect(lowerBound(barePlan([batch], { painters })).longestChain).toBe(1060)
    expect(lowerBound(barePlan([batch], { painters, maySplit: true })).longestChain).toBe(1020)
  })

  it('gives a task to one of several painters, who may be at different tasks of a batch', () => {
    const models = [0, 1, 2, 3]
    const batch = bareBatch(
      [
        bareTask({ models, perModel: 10, regions: [0] }),
        bareTask({ stage: 1, models, perModel: 10, regions: [0] }),
      ],
      { models: 4 },
    )
    const painters = Array.from({ length: 3 }, () => ({ sessions: null, pace: 1 }))
    const plan = barePlan([batch], { painters, maySplit: true })
    expect(lowerBound(plan).longestChain).toBe(50)
    expect(searchPlan(plan, { seed: 1, evaluations: 10 }).cost.finish).toBe(50)
  })

  it('opens a pot after another one where one painter works', () => {
    const batch = bareBatch([
      bareTask({ perModel: 10, family: 1, setUp: 5 }),
      bareTask({ stage: 1, perModel: 10, family: 2, setUp: 5 }),
    ])
    expect(lowerBound(barePlan([batch])).longestChain).toBe(25)
  })
})

describe('the bound of what is scarce', () => {
  it('adds up what only one painter may do, before which and after which the others work', () => {
    const batch = (): PlanBatch =>
      bareBatch([
        bareTask({ perModel: 5, wait: 20 }),
        bareTask({ stage: 1, perModel: 50, painters: [1] }),
        bareTask({ stage: 2, perModel: 7 }),
      ])
    const plan = barePlan([batch(), batch(), batch()], {
      painters: Array.from({ length: 3 }, () => ({ sessions: null, pace: 1 })),
    })
    expect(lowerBound(plan).scarce).toBe(25 + 150 + 7)
    expect(searchPlan(plan, { seed: 1, evaluations: 200 }).cost.finish).toBe(182)
  })

  it('adds up what keeps to some hours, and the places of a station', () => {
    const painters = Array.from({ length: 4 }, () => ({ sessions: null, pace: 1 }))
    const sprayed = Array.from({ length: 4 }, () => bareBatch([bareTask({ perModel: 30, windows: 0 })]))
    const windows = [
      [
        { start: 100, end: 160 },
        { start: 500, end: 560 },
      ],
    ]
    expect(lowerBound(barePlan(sprayed, { windows, painters: painters.slice(0, 1) })).scarce).toBe(560)
    const booth = Array.from({ length: 4 }, () => bareBatch([bareTask({ perModel: 30, station: 0 })]))
    expect(lowerBound(barePlan(booth, { stations: [2], painters })).scarce).toBe(60)
  })

  it('is what the plan meets on plain work', () => {
    const plan = barePlan([twoCoats(10), twoCoats(10), twoCoats(10)])
    expect(earliestFinish(lowerBound(plan))).toBe(60)
    expect(searchPlan(plan, { seed: 1, evaluations: 50 }).cost.finish).toBe(60)
  })
})
