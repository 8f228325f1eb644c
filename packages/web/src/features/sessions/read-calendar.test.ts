import { instant } from '@seriatim/core/units'
import { describe, expect, it } from 'vitest'
import { clockText } from '../../shared/format/index.ts'
import { readCalendar, sittingOf } from './read-calendar.ts'

const from = instant(Date.parse('2026-11-24T12:00:00Z'))
const until = instant(Date.parse('2027-03-01T00:00:00Z'))
const calendar = (...events: readonly string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//fen//test//EN', ...events, 'END:VCALENDAR'].join('\r\n')
const event = (...lines: readonly string[]) => ['BEGIN:VEVENT', 'UID:u', ...lines, 'END:VEVENT'].join('\r\n')

function starts(text: string) {
  const read = readCalendar({ text, from, until, timeZone: 'Europe/Berlin' })
  if (!read.ok) throw new Error(read.error)
  return read.appointments.map((each) => new Date(each.startsAt).toISOString().slice(0, 16))
}

describe('readCalendar (RFC 5545)', () => {
  it('reads single times, with a zone of the file’s own', () => {
    const zone = [
      'BEGIN:VTIMEZONE',
      'TZID:Fen/Standard',
      'BEGIN:STANDARD',
      'DTSTART:19700101T000000',
      'TZOFFSETFROM:+0200',
      'TZOFFSETTO:+0200',
      'END:STANDARD',
      'END:VTIMEZONE',
    ].join('\r\n')
    const own = event('DTSTART;TZID=Fen/Standard:20261126T200000', 'DURATION:PT2H')
    expect(starts(calendar(zone, own))).toEqual(['2026-11-26T18:00'])
  })

  it('tells repeated times one by one, without those taken out, and none beyond the end', () => {
    const weekly = (...more: readonly string[]) =>
      calendar(event('DTSTART:20261103T180000Z', 'DTEND:20261103T200000Z', ...more))
    expect(starts(weekly('RRULE:FREQ=WEEKLY;COUNT=6', 'EXDATE:20261201T180000Z'))).toEqual([
      '2026-11-24T18:00',
      '2026-12-08T18:00',
    ])
    const endless = starts(weekly('RRULE:FREQ=WEEKLY'))
    expect(endless).toHaveLength(14)
    expect(endless.at(-1)).toBe('2027-02-23T18:00')
  })

  it('passes over what is cancelled, over, and whole days, which it counts', () => {
    const text = calendar(
      event('DTSTART:20261201T180000Z', 'DTEND:20261201T200000Z', 'STATUS:CANCELLED'),
      event('DTSTART:20261101T180000Z', 'DTEND:20261101T200000Z'),
      event('DTSTART;VALUE=DATE:20261224'),
    )
    const read = readCalendar({ text, from, until, timeZone: 'Europe/Berlin' })
    expect(read).toEqual({ ok: true, appointments: [], allDay: 1 })
  })

  describe('of a repeated entry', () => {
    const weekly = event('DTSTART:20261124T180000Z', 'DTEND:20261124T200000Z', 'RRULE:FREQ=WEEKLY;COUNT=4')
    const change = (...lines: readonly string[]) =>
      starts(calendar(weekly, event('RECURRENCE-ID:20261201T180000Z', ...lines)))

    it('one that was moved counts once, where it was moved to', () => {
      const moved = change('DTSTART:20261203T190000Z', 'DTEND:20261203T210000Z')
      expect(moved).toEqual(['2026-11-24T18:00', '2026-12-03T19:00', '2026-12-08T18:00', '2026-12-15T18:00'])
    })

    it('one that was cancelled does not count', () => {
      const left = change('DTSTART:20261201T180000Z', 'DTEND:20261201T200000Z', 'STATUS:CANCELLED')
      expect(left).toEqual(['2026-11-24T18:00', '2026-12-08T18:00', '2026-12-15T18:00'])
    })

    it('a change of all later ones moves them all', () => {
      const range = 'RECURRENCE-ID;RANGE=THISANDFUTURE:20261201T180000Z'
      const later = event(range, 'DTSTART:20261201T200000Z', 'DTEND:20261201T210000Z')
      expect(starts(calendar(weekly, later))).toEqual([
        '2026-11-24T18:00',
        '2026-12-01T20:00',
        '2026-12-08T20:00',
        '2026-12-15T20:00',
      ])
    })
  })

  it('reads a zone that is named and not defined by its name, and a time without one by the desk’s clock', () => {
    const named = calendar(event('DTSTART;TZID=America/New_York:20261126T130000', 'DURATION:PT2H'))
    expect(starts(named)).toEqual(['2026-11-26T18:00'])
    expect(starts(calendar(event('DTSTART:20261126T190000', 'DURATION:PT2H')))).toEqual(['2026-11-26T18:00'])
    const weekly = event('DTSTART;TZID=Europe/Berlin:20261001T190000', 'DURATION:PT2H', 'RRULE:FREQ=WEEKLY')
    expect(starts(calendar(weekly))[0]).toBe('2026-11-26T18:00')
    const unknown = calendar(event('DTSTART;TZID=Delta Standard Time:20261126T190000', 'DURATION:PT2H'))
    const read = readCalendar({ text: unknown, from, until, timeZone: 'Europe/Berlin' })
    expect(read.ok ? '' : read.error).toBe(
      'This calendar names a time zone that it does not define: “Delta Standard Time”.',
    )
  })

  it.each([
    ['daily since 1970', 'DTSTART:19700101T180000Z', 'FREQ=DAILY', 97],
    ['daily in a zone, across clock changes', 'DTSTART;TZID=Europe/Berlin:19700101T190000', 'FREQ=DAILY', 97],
    ['every third week since 1990', 'DTSTART:19900102T180000Z', 'FREQ=WEEKLY;INTERVAL=3', 5],
    ['hourly since 2016, on the 1st', 'DTSTART:20160101T180000Z', 'FREQ=HOURLY;INTERVAL=24;BYMONTHDAY=1', 3],
    ['yearly on 31 February', 'DTSTART:20160101T180000Z', 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=31', 0],
  ])('looks where the window is: %s', (_, start, rule, count) => {
    expect(starts(calendar(event(start, 'DURATION:PT1H', `RRULE:${rule}`)))).toHaveLength(count)
  })

  it.each([
    ['more times than a painter has', 'FREQ=MINUTELY;INTERVAL=10', 'more than 1,000 times'],
    ['a rule counted through for ages', 'FREQ=MINUTELY;COUNT=9000000', 'repeats too often'],
  ])('refuses %s with a sentence', (_, rule, sentence) => {
    const text = calendar(
      event('DTSTART:20160101T180000Z', 'SUMMARY:Ferry', 'DURATION:PT1M', `RRULE:${rule}`),
    )
    const read = readCalendar({ text, from, until, timeZone: 'Europe/Berlin' })
    expect(read.ok ? '' : read.error).toContain(sentence)
  })

  it.each([
    ['other text', 'hello'],
    ['nothing', ''],
    ['half a calendar', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:whenever'],
    ['a time nobody can read', calendar(event('DTSTART:whenever', 'DURATION:PT1H'))],
    ['an event without a beginning', calendar(event('SUMMARY:Ferry'))],
    ['a card', 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Bream\r\nEND:VCARD'],
  ])('refuses %s with a sentence', (_, text) => {
    const read = readCalendar({ text, from, until, timeZone: 'Europe/Berlin' })
    expect(read.ok ? '' : read.error).toMatch(/[Cc]alendar/)
  })
})

describe('sittingOf', () => {
  const sitting = (hours: number) =>
    sittingOf(
      { startsAt: from, endsAt: instant(from + hours * 3_600_000), title: '' },
      'Europe/Berlin',
      clockText,
    )

  it('is on the wall clock of the zone', () => {
    expect(sitting(2)).toEqual({ on: '2026-11-24', at: '13:00', lengthSeconds: 7200 })
  })

  it('is none when it is too short or too long', () => {
    expect([sitting(0.05), sitting(17)]).toEqual([null, null])
  })
})
