import { describe, expect, it } from 'vitest'
import type { Painter, Evenings } from '../trade/desk.ts'
import { plainPlanning } from '../trade/project.ts'
import { instant } from '../units/instant.ts'
import type { LocalDate } from '../units/local-date.ts'
import { minutes } from '../units/seconds.ts'
import { dailyWindows, painterSessions } from './painter-sessions.ts'

const evenings: Evenings = {
  weekdays: [2, 4],
  startsAt: '19:30',
  lengthSeconds: minutes(150),
  also: [],
  timeZone: 'Europe/Berlin',
}
const date = (text: string) => text as LocalDate
const at = (text: string) => instant(Date.parse(text))
/** A Tuesday morning. */
const from = at('2026-11-24T09:00:00Z')

function sessions(some: Partial<Painter>, count = 4, now = from) {
  const painter = { ...plainPlanning.painters[0]!, ...some }
  const found = painterSessions(painter, evenings, now, count)
  return {
    notes: found.notes.map((note) => note.kind),
    texts: found.sessions.map(
      ({ startsAt, endsAt }) =>
        `${new Date(startsAt).toISOString().slice(5, 16)} ${String((endsAt - startsAt) / 60_000)}`,
    ),
  }
}

describe('painterSessions', () => {
  it('are the project’s evenings where a painter has no sittings of their own', () => {
    expect(sessions({}, 2).texts).toEqual(['11-24T18:30 150', '11-26T18:30 150'])
  })

  it('come every other week from the week they are counted from', () => {
    const rule = { weekdays: [6, 7], startsAt: '10:00', lengthSeconds: minutes(240), everyWeeks: 2 }
    const weekends = (day: string) => sessions({ rules: [{ ...rule, countedFrom: date(day) }] }).texts
    expect(weekends('2026-11-24')).toEqual([
      '11-28T09:00 240',
      '11-29T09:00 240',
      '12-12T09:00 240',
      '12-13T09:00 240',
    ])
    expect(weekends('2026-12-01')[0]).toBe('12-05T09:00 240')
    // Counted from a week to come, the weeks before count back.
    expect(weekends('2027-01-05')[0]).toBe('11-28T09:00 240')
  })

  it('leave out holidays and what is dropped, and take in what is added', () => {
    const found = sessions({
      off: [{ from: date('2026-12-01'), until: date('2026-12-06') }],
      dropped: [{ on: date('2026-11-26'), at: '19:30' }],
      extra: [{ on: date('2026-11-28'), at: '14:00', lengthSeconds: minutes(60) }],
    })
    expect(found.texts).toEqual(['11-24T18:30 150', '11-28T13:00 60', '12-08T18:30 150', '12-10T18:30 150'])
    expect(found.notes).toEqual([])
  })

  it('that overlap are one, and are noted; those that touch are one', () => {
    const added = (start: string) =>
      sessions({ extra: [{ on: date('2026-11-24'), at: start, lengthSeconds: minutes(120) }] }, 1)
    expect(added('21:00')).toEqual({ texts: ['11-24T18:30 210'], notes: ['overlapping-sessions'] })
    expect(added('22:00')).toEqual({ texts: ['11-24T18:30 270'], notes: [] })
  })

  it('keep their length when the clocks change in them, and that is noted', () => {
    // Clocks go back on Sunday 25 October 2026, 03:00 to 02:00, in this zone (EU Directive 2000/84/EC).
    const night = {
      weekdays: [6],
      startsAt: '23:30',
      lengthSeconds: minutes(300),
      everyWeeks: 1,
      countedFrom: null,
    }
    const found = sessions({ rules: [night] }, 1, at('2026-10-24T10:00:00Z'))
    expect(found).toEqual({ texts: ['10-24T21:30 300'], notes: ['clocks-change-in-session'] })
  })

  it('the one going on can be dropped as well', () => {
    const now = at('2026-11-24T19:00:00Z')
    const dropped = [{ on: date('2026-11-24'), at: '20:00' }]
    expect(sessions({ dropped }, 1, now).texts).toEqual(['11-26T18:30 150'])
  })

  it('the one going on starts now, and none is found for who is always away', () => {
    expect(sessions({}, 1, at('2026-11-24T19:00:00Z')).texts).toEqual(['11-24T19:00 120'])
    expect(sessions({ off: [{ from: date('2026-01-01'), until: date('2099-01-01') }] }, 3).texts).toEqual([])
  })
})

describe('dailyWindows', () => {
  it('repeat by the wall clock, over a change of the clocks as well', () => {
    const start = at('2026-10-24T00:00:00Z')
    const windows = dailyWindows(
      { from: '10:00', until: '16:00' },
      'Europe/Berlin',
      start,
      at('2026-10-26T00:00:00Z'),
    )
    expect(windows.map((window) => window.start / 3600)).toEqual([8, 33])
    expect(windows.every((window) => window.end - window.start === 6 * 3600)).toBe(true)
  })
})
