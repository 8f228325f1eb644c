import { describe, expect, it } from 'vitest'
import type { Evenings } from '../trade/desk.ts'
import { instant } from '../units/instant.ts'
import type { LocalDate } from '../units/local-date.ts'
import { minutes } from '../units/seconds.ts'
import { plainPlanning } from '../trade/project.ts'
import { painterSessions } from './painter-sessions.ts'
import { endOfDay, localDateAt } from './sessions.ts'

const evenings = (some: Partial<Evenings> = {}): Evenings => ({
  weekdays: [2, 4],
  startsAt: '19:30',
  lengthSeconds: minutes(150),
  also: [],
  timeZone: 'Europe/Berlin',
  ...some,
})

const at = (text: string) => instant(Date.parse(text))
const nextSessions = (given: Evenings, from: string, count: number) =>
  painterSessions(plainPlanning.painters[0]!, given, at(from), count).sessions
const texts = (given: Evenings, from: string, count: number) =>
  nextSessions(given, from, count).map(
    (session) =>
      `${new Date(session.startsAt).toISOString().slice(0, 16)} ${String((session.endsAt - session.startsAt) / 60_000)}`,
  )

describe('the evenings of a project', () => {
  it('gives the next evenings on their weekdays, at their wall-clock time', () => {
    expect(texts(evenings(), '2026-11-24T10:00:00Z', 3)).toEqual([
      '2026-11-24T18:30 150',
      '2026-11-26T18:30 150',
      '2026-12-01T18:30 150',
    ])
  })

  it('takes the rest of the session that is going on, and none that is over', () => {
    expect(texts(evenings(), '2026-11-24T20:00:00Z', 2)).toEqual([
      '2026-11-24T20:00 60',
      '2026-11-26T18:30 150',
    ])
    expect(texts(evenings(), '2026-11-24T21:00:00Z', 1)).toEqual(['2026-11-26T18:30 150'])
  })

  it('a session that began yesterday may go on past midnight', () => {
    const late = evenings({ startsAt: '23:00', lengthSeconds: minutes(180) })
    expect(texts(late, '2026-11-24T23:30:00Z', 1)).toEqual(['2026-11-24T23:30 90'])
  })

  it('on other days at other hours are sessions like any', () => {
    const saturdays = {
      weekdays: [6],
      startsAt: '14:00',
      lengthSeconds: minutes(240),
      everyWeeks: 1,
      countedFrom: null,
    }
    expect(texts(evenings({ also: [saturdays] }), '2026-11-24T10:00:00Z', 4)).toEqual([
      '2026-11-24T18:30 150',
      '2026-11-26T18:30 150',
      '2026-11-28T13:00 240',
      '2026-12-01T18:30 150',
    ])
  })

  it('keeps its wall-clock time and its real length over a change of daylight saving', () => {
    // Clocks go back on Sunday 25 October 2026, 03:00 to 02:00, in this zone (EU Directive 2000/84/EC).
    expect(texts(evenings(), '2026-10-22T10:00:00Z', 2)).toEqual([
      '2026-10-22T17:30 150',
      '2026-10-27T18:30 150',
    ])
    const night = evenings({ weekdays: [6], startsAt: '23:30', lengthSeconds: minutes(300) })
    expect(texts(night, '2026-10-24T10:00:00Z', 1)).toEqual(['2026-10-24T21:30 300'])
  })

  it('a time that does not exist is moved past the gap, one that exists twice is the first', () => {
    const sunday = (startsAt: string) => evenings({ weekdays: [7], startsAt })
    // Clocks go forward on Sunday 28 March 2027, 02:00 to 03:00.
    expect(texts(sunday('02:30'), '2027-03-27T10:00:00Z', 1)).toEqual(['2027-03-28T01:30 150'])
    expect(texts(sunday('02:30'), '2026-10-24T10:00:00Z', 1)).toEqual(['2026-10-25T00:30 150'])
  })
})

describe('localDateAt and endOfDay', () => {
  it('go by the zone', () => {
    expect(localDateAt(at('2026-11-24T23:30:00Z'), 'Europe/Berlin')).toBe('2026-11-25')
    expect(localDateAt(at('2026-11-24T23:30:00Z'), 'America/New_York')).toBe('2026-11-24')
    expect(endOfDay('2026-11-24' as LocalDate, 'Europe/Berlin')).toBe(at('2026-11-24T23:00:00Z'))
  })
})
