import type { FinishForecast } from '@seriatim/core/forecasting'
import type { Project } from '@seriatim/core/trade'
import { instant, type StageId } from '@seriatim/core/units'
import { describe, expect, it } from 'vitest'
import { percentText } from '../../shared/finish-text.ts'
import { offerText, outcomeText } from './offer-text.ts'

const space = '\u00A0'
const day = (date: string) => instant(Date.parse(`${date}T20:00:00Z`))
const forecast = (odds: number | null, p80: string | null): FinishForecast => ({
  futures: 100,
  odds,
  p50: null,
  p80: p80 === null ? null : day(p80),
  p95: null,
  drivers: [],
  byDay: [],
})
const texts = (...of: Parameters<typeof outcomeText>) => outcomeText(...of).replaceAll(space, ' ')

describe('percentText', () => {
  it('is never quite certain and never quite hopeless, unless all or none of the futures are', () => {
    expect([0, 0.001, 0.5, 0.999, 1].map(percentText)).toEqual(
      ['0 %', '< 1 %', '50 %', '> 99 %', '100 %'].map((text) => text.replaceAll(' ', space)),
    )
  })
})

describe('outcomeText', () => {
  it('tells odds where there is a date, and says when nothing changes', () => {
    expect(texts(forecast(0.62, null), forecast(0.81, null), 'UTC')).toBe('62 % → 81 %')
    expect(texts(forecast(0.62, null), forecast(0.62, null), 'UTC')).toBe('62 %, as now')
  })

  it('tells the day that holds where there is no date, or where the odds are nothing either way', () => {
    const days = ['Tue 1 Dec → Sun 29 Nov', 'Tue 1 Dec → Sun 29 Nov']
    expect([
      texts(forecast(null, '2026-12-01'), forecast(null, '2026-11-29'), 'UTC'),
      texts(forecast(0, '2026-12-01'), forecast(0, '2026-11-29'), 'UTC'),
    ]).toEqual(days)
    expect(texts(forecast(null, null), forecast(null, '2026-11-29'), 'UTC')).toBe(
      'beyond the calendar → Sun 29 Nov',
    )
  })
})

describe('offerText', () => {
  const project = { line: [{ id: 's' as StageId, name: 'Edge' }] } as unknown as Pick<Project, 'line'>

  it('says what the painter would do', () => {
    expect([
      offerText({ kind: 'one-more-session' }, project),
      offerText({ kind: 'longer-sessions', bySeconds: 1800 }, project),
      offerText({ kind: 'leave-out', stageId: 's' as StageId }, project),
    ]).toEqual(['One more session', 'Every session 30 min longer', 'Leave out Edge'])
  })
})
