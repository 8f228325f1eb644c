import { describe, expect, it } from 'vitest'
import { foldProgress, type ProgressEvent, type RememberedUnit } from '../progress/index.ts'
import { bodyPlans } from '../recipe/body-plans.ts'
import { recipeFromSchool } from '../recipe/recipe-from-school.ts'
import { recipeSchools } from '../recipe/schools.ts'
import { noon, project, unit } from '../testing/builders.ts'
import { believed, drawPainter } from '../testing/painters.ts'
import { testShelf } from '../testing/recipes.ts'
import type { Standard } from '../trade/recipe.ts'
import type { EventId } from '../units/ids.ts'
import { seededRandom } from '../units/random.ts'
import { estimateLine, totalOf } from './estimate-line.ts'
import { bareStageOf } from './line-for-standard.ts'
import { nothingBeside } from './touch-up.ts'

const usual: RememberedUnit = {
  models: 10,
  school: 'translucent-over-bright',
  size: 'foot',
  standard: 'tabletop',
  told: 'about three evenings of two hours',
}
const remembered = (some: Partial<RememberedUnit> = {}, id = 'remembered'): ProgressEvent => ({
  id: id as EventId,
  at: noon,
  kind: 'remembered',
  ...usual,
  ...some,
})

/** Models of a school that are still to paint. */
function jobBy(schoolId: string, models: number, standard: Standard) {
  let next = 0
  const own = { ...unit('pikes', models), standard }
  const school = recipeSchools.find((each) => each.id === schoolId)!
  const written = recipeFromSchool(school, bodyPlans[0]!, 'pikes', () => `id ${String(next++)}`)
  const recipe = { ...written, unitIds: [own.id] }
  const line = recipe.steps.map((step) => bareStageOf(recipe, step, { units: [own] }))
  return project([own], line, { recipes: [recipe] })
}

function estimated(job: ReturnType<typeof jobBy>, events: readonly ProgressEvent[]) {
  const estimate = estimateLine({ project: job, shelf: testShelf, now: noon, progress: foldProgress(events) })
  const amounts = estimate.stages.map((stage) => ({
    stage,
    models: stage.left,
    ...nothingBeside,
    setUpSeconds: stage.work.setUpSeconds,
  }))
  return { estimate, total: totalOf(estimate.rates, amounts) }
}

const job = jobBy('translucent-over-bright', 10, 'tabletop')
const told = (seconds: number) => `${String(Math.round(seconds / 60))} min`
const untaught = estimated(job, []).total

describe('a remembered unit', () => {
  it('moves the estimate of one alike most of the way to what was told, and narrows its range', () => {
    const { total, estimate } = estimated(job, [remembered({ told: told(2 * untaught.likely) })])
    expect(total.likely / untaught.likely).toBeGreaterThan(1.7)
    expect(total.likely / untaught.likely).toBeLessThan(2.05)
    expect(total.high / total.low).toBeLessThan(0.8 * (untaught.high / untaught.low))
    expect(estimate.stages.every((stage) => stage.source === 'remembered')).toBe(true)
    expect(estimate.stages.every((stage) => stage.laps === 0)).toBe(true)
  })

  it('says the less the vaguer it was told, and the more there are', () => {
    const long = 2 * untaught.likely
    const width = (events: readonly ProgressEvent[]) => {
      const { low, high } = estimated(job, events).total
      return high / low
    }
    const sure = width([remembered({ told: told(long) })])
    expect(width([remembered({ told: `about ${told(long)}` })])).toBeGreaterThan(sure)
    const other = remembered({ models: 5, told: told(long / 2) }, 'another')
    expect(width([remembered({ told: told(long) }), other])).toBeLessThan(sure)
  })

  it('is gone when it is taken back, and says nothing without a time or a school', () => {
    const { total } = estimated(job, [
      remembered({ told: told(2 * untaught.likely) }),
      { id: 'undo' as EventId, at: noon, kind: 'undone', targetId: 'remembered' as EventId },
    ])
    expect(total).toEqual(untaught)
    for (const some of [{ told: 'no idea' }, { school: 'of long ago' }])
      expect(estimated(job, [remembered(some)]).total).toEqual(untaught)
  })

  it('brings other units of the same person within a quarter in 7 of 10, and into the range in 8 of 10', () => {
    const schools = ['translucent-over-bright', 'opaque-wash-rehighlight', 'layers-over-colour']
    const pairs = schools.flatMap((first) =>
      schools.map(
        (second) => [jobBy(first, 10, 'tabletop'), jobBy(second, 15, 'tabletop plus'), first] as const,
      ),
    )
    const random = seededRandom(36)
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    let [near, inside, all, nearBefore] = [0, 0, 0, 0]
    for (const [before, next, school] of pairs) {
      const works = [before, next].map((each) => estimated(each, []).estimate.stages)
      for (let painter = 0; painter < 60; painter++) {
        const hand = drawPainter(believed, random)
        const [took = 0, takes = 0] = works.map((stages) =>
          stages.reduce(
            (sum, { work, size, left }) => sum + hand.paint(work, size, 0, left) + work.setUpSeconds,
            0,
          ),
        )
        // As it is remembered: to a tenth or two.
        const said = took * Math.exp(0.15 * normal())
        const { total } = estimated(next, [remembered({ school, told: `about ${told(said)}` })])
        const plain = estimated(next, []).total
        all += 1
        if (Math.abs(total.likely / takes - 1) <= 0.25) near += 1
        if (Math.abs(plain.likely / takes - 1) <= 0.25) nearBefore += 1
        if (total.low <= takes && takes <= total.high) inside += 1
      }
    }
    expect(near / all).toBeGreaterThan(0.7)
    expect(near / all).toBeGreaterThan(1.3 * (nearBefore / all))
    expect(inside / all).toBeGreaterThan(0.8)
  })
})
