import { toPlan } from '../plan/to-plan.ts'
import { describe, expect, it } from 'vitest'
import { plainPlanning, type Project, dateOf } from '../trade/project.ts'
import type { HandOver } from '../trade/wishes.ts'
import { estimateLine, timesOf } from '../estimating/estimate-line.ts'
import { forecastFinish } from '../forecasting/forecast-finish.ts'
import { noon, project, stage, unit } from '../testing/builders.ts'
import { solveLine } from '../plan/plan-line.ts'
import { minutes, seconds } from '../units/seconds.ts'
import { handedOverAt, paintedBy } from './due.ts'

const due = (dueOn: string | null, handOver: HandOver | null, timeZone = 'UTC') => {
  const bare = project([unit('a', 2)], [stage('coat', { handsOnSecondsPerModel: minutes(30) })])
  return {
    ...bare,
    dueOn: dueOn as Project['dueOn'],
    evenings: { ...bare.evenings, timeZone },
    planning: { ...plainPlanning, skipShare: 0, handOver },
  }
}
const at = (time: string, cureHours: number, packingMinutes: number): HandOver => ({
  at: time,
  cureSeconds: seconds(cureHours * 3600),
  packingSeconds: minutes(packingMinutes),
})
const dated = (of: Project) => [dateOf(of), of] as const
const iso = (moment: number | null) => (moment === null ? null : new Date(moment).toISOString())

describe('a date with an hour', () => {
  it('is its end without one, and nothing without a date', () => {
    expect(iso(paintedBy(...dated(due('2026-12-05', null))))).toBe('2026-12-06T00:00:00.000Z')
    expect(paintedBy(...dated(due(null, at('10:00', 24, 60))))).toBeNull()
  })

  it('curing and packing lie before it: Saturday at ten is dry by Friday at nine', () => {
    const event = due('2026-12-05', at('10:00', 24, 60))
    expect(iso(handedOverAt(...dated(event)))).toBe('2026-12-05T10:00:00.000Z')
    expect(iso(paintedBy(...dated(event)))).toBe('2026-12-04T09:00:00.000Z')
  })

  it('is a time of the wall clock; curing goes on in real hours while the clocks change', () => {
    const event = due('2027-03-28', at('10:00', 24, 0), 'Europe/Berlin')
    expect(iso(handedOverAt(...dated(event)))).toBe('2027-03-28T08:00:00.000Z')
    expect(iso(paintedBy(...dated(event)))).toBe('2027-03-27T08:00:00.000Z')
  })

  it('the odds are those of being dry in time for it', () => {
    const odds = (handOver: HandOver) => {
      const event = due('2026-11-25', handOver)
      const estimate = estimateLine({ project: event, shelf: new Map(), now: noon })
      const solved = solveLine({ ...toPlan(event), now: noon, times: timesOf(estimate), spare: true })
      if (!solved.ok) throw new Error(solved.error.kind)
      return forecastFinish({ solved: solved.value, estimate, futures: 100 }).odds
    }
    // The only session before is the one of Tuesday evening.
    expect(odds(at('18:00', 0, 0))).toBeGreaterThan(0.5)
    expect(odds(at('18:00', 24, 0))).toBe(0)
  })
})
