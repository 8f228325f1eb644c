import { describe, expect, it } from 'vitest'
import { project, unit } from '../testing/builders.ts'
import { eveningLine, troops } from '../testing/evening-job.ts'
import { datesHeld, worlds } from '../testing/lived-plans.ts'

describe('calibration over simulated painters', () => {
  const months = project([unit('a', 60), unit('b', 60)], eveningLine, {
    batchSize: 10,
    batchesInHand: 3,
    evenings: { ...troops().evenings, weekdays: [2, 4] },
  })
  const jobs = {
    'two evenings a week': troops({ evenings: { ...troops().evenings, weekdays: [2, 4] } }),
    'every evening, more to do': project([unit('a', 30), unit('b', 20)], eveningLine, { batchSize: 10 }),
    'months of it': months,
  }

  it.each([
    ['two evenings a week', 'as the forecast has them'],
    ['every evening, more to do', 'as the forecast has them'],
    ['two evenings a week', 'otherwise'],
    ['every evening, more to do', 'otherwise'],
    ['months of it', 'otherwise'],
  ] as const)('what is given with 80 percent holds in 80 ± 5: %s, painters %s', (job, world) => {
    const held = datesHeld(jobs[job], worlds[world], { painters: 2000, times: 1, laps: 0, seed: 7000 })
    expect(held).toBeGreaterThan(0.75)
    expect(held).toBeLessThan(0.85)
  })

  it('of a painter with forty laps behind as well', () => {
    const how = { painters: 60, times: 20, laps: 40, seed: 9000 }
    const held = datesHeld(jobs['two evenings a week'], worlds.otherwise, how)
    expect(held).toBeGreaterThan(0.75)
    expect(held).toBeLessThan(0.85)
  })
})
