import { figuresOf } from '../testing/figures-of.ts'
import { describe, expect, it } from 'vitest'
import { recipeSchools } from '../recipe/schools.ts'
import { promisesKept, worlds } from '../testing/lived-plans.ts'
import { asJob, schoolJob } from '../testing/school-jobs.ts'
import { deskOf, plainPlanning } from '../trade/project.ts'
import type { PainterId } from '../units/ids.ts'
import { minutes } from '../units/seconds.ts'

describe('a promise', () => {
  it('of ten commissions shared by three painters, of whom some fall ill, holds as often as it says', () => {
    const hours = {
      weekdays: [1, 2, 3, 4, 5],
      startsAt: '09:00',
      lengthSeconds: minutes(240),
      also: [],
      timeZone: 'UTC',
    }
    const [you] = plainPlanning.painters
    const painters = ['odile', 'brann', 'maren'].map((name) => ({ ...you!, id: name as PainterId, name }))
    const jobs = Array.from({ length: 10 }, (_, index) => {
      const school = recipeSchools[index % recipeSchools.length]!
      const given = schoolJob(school.id, 'foot', 1 + (index % 3), { evenings: hours })
      return figuresOf(asJob(given, `job ${String(index)}`))
    })
    const [first, ...others] = jobs
    const input = {
      desk: { ...deskOf(first!.project), painters, batchesInHand: 8 },
      jobs: [first!, ...others] as const,
      effort: 400_000,
    }
    const kept = promisesKept(input, worlds.otherwise, { studios: 300, futures: 800, seed: 4000 })
    expect(kept).toBeGreaterThan(0.75)
    expect(kept).toBeLessThan(0.85)
  })
})
