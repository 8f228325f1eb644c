import { describe, expect, it } from 'vitest'
import { estimateLine, timesOf, type EstimateInput } from '../estimating/estimate-line.ts'
import { createDesk } from '../planning/desk.ts'
import type { PlanInstance, PlanTask } from '../planning/instance.ts'
import { solveLine, type SolvedLine } from '../planning/plan-line.ts'
import { layRow } from '../planning/row.ts'
import type { Project } from '../project/project.ts'
import { plainPlanning } from '../project/planning.ts'
import { drying, noon, project, stage, unit } from '../testing/builders.ts'
import { believed, drawPainter } from '../testing/painters.ts'
import { localDateAt } from '../calendar/sessions.ts'
import { minutes } from '../units/seconds.ts'
import { normalFrom } from '../units/normal.ts'
import { seededRandom } from '../units/random.ts'
import { forecastFinish } from './forecast-finish.ts'
import { offersFor, takeOffer, tryOffer } from './offers.ts'

const line = [
  stage('prime', { technique: 'spray', setUpSeconds: minutes(3), ...drying(20) }),
  stage('coat', {
    technique: 'base coat',
    handsOnSecondsPerModel: minutes(4),
    setUpSeconds: minutes(2),
    ...drying(8),
  }),
  stage('wash', {
    technique: 'wash',
    handsOnSecondsPerModel: minutes(2),
    setUpSeconds: minutes(1),
    ...drying(25),
  }),
  stage('edge', { technique: 'edge', handsOnSecondsPerModel: minutes(5), setUpSeconds: minutes(1) }),
  stage('base', {
    technique: 'spread',
    touch: { kind: 'base' },
    handsOnSecondsPerModel: minutes(1),
    ...drying(60),
  }),
]

const troops = (some: Partial<Project> = {}) =>
  project([unit('a', 12), unit('b', 8)], line, { batchSize: 6, batchesInHand: 3, ...some })

function solved(given: Project): { solved: SolvedLine; estimate: ReturnType<typeof estimateLine> } {
  const estimate = estimateLine({ project: given, shelf: new Map(), now: noon })
  const result = solveLine({
    project: given,
    now: noon,
    times: timesOf(estimate),
    effort: 60_000,
    spare: true,
  })
  if (!result.ok) throw new Error(result.error.kind)
  return { solved: result.value, estimate }
}

const forecast = (given: Project, futures = 300) =>
  forecastFinish({ ...solved(given), project: given, futures })

describe('forecastFinish', () => {
  it('is the same for the same seed, and orders its finishes', () => {
    const given = troops()
    expect(forecast(given)).toEqual(forecast(given))
    const { p50, p80, p95, byDay } = forecast(given)
    expect(p50!).toBeLessThan(p80!)
    expect(p80!).toBeLessThan(p95!)
    expect(byDay.at(-1)!.share).toBeGreaterThanOrEqual(0.98)
    byDay.slice(1).forEach((day, index) => expect(day.share).toBeGreaterThanOrEqual(byDay[index]!.share))
  })

  it('the odds of a date are the share of futures that meet it', () => {
    const given = troops()
    const { p50 } = forecast(given)
    const dueOn = localDateAt(p50!, 'UTC')
    const odds = (due: Project['dueOn']) => forecast({ ...given, dueOn: due }).odds!
    expect(odds(dueOn)).toBeGreaterThanOrEqual(0.5)
    expect(odds('2026-11-24' as Project['dueOn'])).toBe(0)
    expect(odds('2028-03-01' as Project['dueOn'])).toBe(1)
    expect(forecast(given).odds).toBeNull()
  })

  it('a day lost now and then moves the finish, and none lost does not', () => {
    const finish = (skipShare: number) => forecast(troops({ planning: { ...plainPlanning, skipShare } })).p80!
    expect(finish(0.4)).toBeGreaterThan(finish(0))
  })

  it('names the stages that drive the spread, largest first, in shares of one', () => {
    const { drivers } = forecast(troops())
    expect(
      drivers
        .slice(0, 2)
        .map((driver) => driver.stageId)
        .sort(),
    ).toEqual(['coat', 'edge'])
    expect(drivers.reduce((sum, driver) => sum + driver.share, 0)).toBeCloseTo(1, 9)
  })

  it('ends early when asked to', () => {
    const given = troops()
    const early = forecastFinish({ ...solved(given), project: given, futures: 1000, stop: () => true })
    expect(early.futures).toBeLessThan(100)
  })
})

describe('offers', () => {
  const due = troops({
    dueOn: '2026-11-25' as Project['dueOn'],
    line: [...line.slice(0, 3), { ...line[3]!, tableReady: true }, line[4]!],
  })
  const estimateInput: EstimateInput = { project: due, shelf: new Map(), now: noon }
  const input = { project: due, now: noon, estimateInput, effort: 40_000, futures: 200 }

  it('are what a painter could do, each worked out by running it', () => {
    const offers = offersFor(due, estimateLine(estimateInput))
    expect(offers.map((offer) => offer.kind)).toEqual([
      'one-more-session',
      'longer-sessions',
      'leave-out',
      'batch-size',
      'batch-size',
      'in-hand',
    ])
    const before = tryOffer(input, null)!
    const longer = tryOffer(input, { kind: 'longer-sessions', bySeconds: 3600 })!
    expect(longer.odds!).toBeGreaterThan(before.odds!)
    const less = tryOffer(input, { kind: 'leave-out', stageId: line[3]!.id })!
    expect(less.odds!).toBeGreaterThan(before.odds!)
  })

  it('one more session lies on the first day without one', () => {
    const weekly = { ...due, evenings: { ...due.evenings, weekdays: [2, 3] } }
    const { planning } = takeOffer(weekly, { kind: 'one-more-session' }, noon)
    expect(planning.painters[0]!.extra).toEqual([
      { on: '2026-11-26', at: '19:30', lengthSeconds: weekly.evenings.lengthSeconds },
    ])
  })

  it('have no forecast where there is no plan', () => {
    const none = { ...due, line: [] }
    expect(tryOffer({ ...input, project: none }, null)).toBeNull()
  })
})

describe('calibration over simulated painters', () => {
  /** What really happens to a painter who keeps the plan's order: drawn apart from the forecast. */
  function truth(plan: SolvedLine, given: Project, seed: number): number {
    const random = seededRandom(seed)
    const normal = normalFrom(random)
    const painter = drawPainter({ ...believed, learningRate: 1 }, random)
    const estimate = estimateLine({ project: given, shelf: new Map(), now: noon })
    const done = new Map<string, number>()
    const batches = plan.instance.batches.map((batch, index) => ({
      ...batch,
      tasks: batch.tasks.map((task): PlanTask => {
        const own = given.line[task.stage]!
        const { unitId } = plan.batches[index]!
        const { work, size } = estimate.stages.find(
          (each) => each.work.stageId === own.id && each.work.unitId === unitId,
        )!
        const name = `${own.id} ${unitId}`
        const before = done.get(name) ?? 0
        const total = painter.paint(work, size, before, task.models.length)
        done.set(name, before + task.models.length)
        // A slip now and then is done again.
        const slips = task.models.filter(() => random() < 0.02).length
        const perModel = Math.round((total / task.models.length) * (1 + slips / task.models.length))
        const setUp = Math.round(task.setUp * Math.exp(0.3 * normal()))
        const wait = Math.round(
          own.dryingMinSeconds + (own.dryingMaxSeconds - own.dryingMinSeconds) * random(),
        )
        return { ...task, perModel, setUp, again: Math.min(task.again, setUp), wait }
      }),
    }))
    const instance: PlanInstance = {
      ...plan.instance,
      batches,
      painters: plan.instance.painters.map((each) => ({
        ...each,
        sessions: each.sessions!.filter(() => random() >= given.planning.skipShare),
      })),
    }
    return layRow(createDesk(instance), batches.length, plan.found.row, plan.found.policy).finish
  }

  it.each([
    ['two evenings a week', troops({ evenings: { ...troops().evenings, weekdays: [2, 4] } })],
    ['every evening, more to do', project([unit('a', 30), unit('b', 20)], line, { batchSize: 10 })],
  ])('the date given with 80 % holds in 80 ± 5 %: %s', (_, given) => {
    const known = solved(given)
    const { p80 } = forecastFinish({ ...known, project: given, futures: 4000 })
    const runs = 2000
    const limit = (p80! - noon) / 1000
    const met = Array.from({ length: runs }, (__, seed) => truth(known.solved, given, 7000 + seed)).filter(
      (finish) => finish <= limit,
    ).length
    expect(met / runs).toBeGreaterThan(0.75)
    expect(met / runs).toBeLessThan(0.85)
  })
})
