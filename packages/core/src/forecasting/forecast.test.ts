import { figuresOf } from '../testing/figures-of.ts'
import { describe, expect, it } from 'vitest'
import { localDateAt } from '../calendar/sessions.ts'
import type { Painter } from '../trade/desk.ts'
import { type Project, plainPlanning } from '../trade/project.ts'
import { noon } from '../testing/builders.ts'
import { eveningLine, troops } from '../testing/evening-job.ts'
import { datesHeld, knownPlan, worlds } from '../testing/lived-plans.ts'
import { rounds } from '../testing/rounds.ts'
import { forecastFinish } from './forecast-finish.ts'
import { forecastFigures, offersFor, takeOffer, tryOffer } from './offers.ts'

const forecast = (given: Project, futures = 300) => forecastFinish({ ...knownPlan(given), futures })

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
    const early = forecastFinish({ ...knownPlan(given), futures: 1000, stop: () => true })
    expect(early.futures).toBeLessThan(100)
  })
})

describe('offers', () => {
  const due = troops({
    dueOn: '2026-11-25' as Project['dueOn'],
    line: [...eveningLine.slice(0, 3), { ...eveningLine[3]!, tableReady: true }, eveningLine[4]!],
  })
  const figures = figuresOf(due, { shelf: new Map() })
  const wish = { effort: 40_000, futures: 200 }

  it('are what a painter could do, each worked out by running it', () => {
    const offers = offersFor(due, figures.estimate)
    expect(offers.map((offer) => offer.kind)).toEqual(['one-more-session', 'longer-sessions', 'leave-out'])
    const before = forecastFigures(figures, wish)!
    const longer = tryOffer(figures, { kind: 'longer-sessions', bySeconds: 3600 }, wish)!
    expect(longer.odds!).toBeGreaterThan(before.odds!)
    const less = tryOffer(figures, { kind: 'leave-out', stageId: eveningLine[3]!.id }, wish)!
    expect(less.odds!).toBeGreaterThan(before.odds!)
  })

  it('one more session lies on the first day without one', () => {
    const weekly = { ...due, evenings: { ...due.evenings, weekdays: [2, 3] } }
    const { planning } = takeOffer(weekly, { kind: 'one-more-session' }, noon)
    expect(planning.painters[0]!.extra).toEqual([
      { on: '2026-11-26', at: '19:30', lengthSeconds: weekly.evenings.lengthSeconds },
    ])
  })

  it('and never on a day off', () => {
    const off = [{ from: '2026-11-25', until: '2026-11-29' } as const]
    const [painter] = due.planning.painters
    const away = {
      ...due,
      evenings: { ...due.evenings, weekdays: [2, 3] },
      planning: { ...due.planning, painters: [{ ...painter!, off: off as unknown as Painter['off'] }] },
    }
    const { planning } = takeOffer(away, { kind: 'one-more-session' }, noon)
    expect(planning.painters[0]!.extra.map((each) => each.on)).toEqual(['2026-11-30'])
  })

  it('have no forecast where there is no plan', () => {
    const none = { ...due, line: [] }
    expect(forecastFigures(figuresOf(none), wish)).toBeNull()
  })
})

describe('calibration over simulated painters', () => {
  // More jobs and more painters: `forecast.proof.ts`.
  it('what is given with 80 percent holds in 80 ± 5: two evenings a week, painters otherwise', () => {
    const job = troops({ evenings: { ...troops().evenings, weekdays: [2, 4] } })
    const held = datesHeld(job, worlds.otherwise, { painters: rounds(1000), times: 1, laps: 0, seed: 7000 })
    expect(held).toBeGreaterThan(0.75)
    expect(held).toBeLessThan(0.85)
  })
})
