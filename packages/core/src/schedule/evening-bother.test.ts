import { describe, expect, it } from 'vitest'
import { laidOut } from '../testing/laid-out.ts'
import { bareBatch, barePlan, bareTask } from './bare-plan.ts'
import type { EveningPrices, PlanTask } from './instance.ts'
import { searchPlan } from './search.ts'
import { inTurn } from './task-sequence.ts'

const free: EveningPrices = {
  paintChange: 0,
  sprayTrip: 0,
  airbrush: 0,
  shortStretch: 0,
  short: 300,
  potForOne: 0,
  unitChange: 0,
}

function bother(prices: Partial<EveningPrices>, tasks: readonly Partial<PlanTask>[], kinds = false) {
  const batches = tasks.map((task, index) =>
    bareBatch([bareTask({ perModel: 600, ...task })], { kind: kinds ? index : 0 }),
  )
  const plan = barePlan(batches, { prices: { ...free, ...prices }, stations: [1, 1] })
  return laidOut(plan, { sequence: inTurn(plan, []), policy: 'fill' }).cost.bother
}

describe('what people dislike in an evening', () => {
  it('counts every change of paint, and one for a single model more', () => {
    expect(bother({ paintChange: 60 }, [{ family: 1 }, { family: 1 }, { family: 2 }])).toBe(120)
    expect(bother({ potForOne: 120 }, [{ family: 1 }, { family: 1 }])).toBe(120)
  })

  it('goes once to the cans as long as nothing else is done, and cleans the airbrush after each run', () => {
    expect(bother({ sprayTrip: 300 }, [{ station: 0 }, { station: 0 }, {}, { station: 0 }])).toBe(600)
    expect(bother({ airbrush: 240 }, [{ station: 1 }, {}, { station: 1 }])).toBe(480)
  })

  it('minds a stretch the more the shorter it is, and another unit', () => {
    const apart = [
      { family: 1, perModel: 100 },
      { family: 2, perModel: 300 },
    ]
    expect(bother({ shortStretch: 180 }, apart)).toBeCloseTo(120)
    const together = [{ perModel: 100 }, { perModel: 50 }, { perModel: 50 }]
    expect(bother({ shortStretch: 180 }, together)).toBeCloseTo(60)
    expect(bother({ unitChange: 60 }, [{}, {}, {}], true)).toBe(120)
  })

  it('leads the search, where no evening is won otherwise', () => {
    const batch = (index: number) =>
      bareBatch(
        [0, 1, 2].map((stage) =>
          bareTask({ stage, family: (stage + index) % 3, regions: [stage], perModel: 60 }),
        ),
        { comesAfter: [[], [], []] },
      )
    const evening = [{ start: 0, end: 9000 }]
    const plan = barePlan([0, 1, 2].map(batch), {
      prices: { ...free, paintChange: 60 },
      painters: [{ sessions: evening, pace: 1 }],
    })
    expect(searchPlan(plan, { seed: 1, evaluations: 2000 }).cost.bother).toBe(180)
  })
})
