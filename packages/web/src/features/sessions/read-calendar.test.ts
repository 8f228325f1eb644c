import { instant } from '@seriatim/core'
import { describe, expect, it } from 'vitest'
import { clockText } from '../../shared/format/index.ts'
import { readCalendar, sittingOf } from './read-calendar.ts'

const from = instant(Date.parse('2026-11-24T12:00:00Z'))
const until = instant(Date.parse('2027-03-01T00:00:00Z'))
const calendar = (...events: readonly string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//fen//test//EN', ...events, 'END:VCALENDAR'].join('\r\n')
const event = (...lines: readonly string[]) => ['BEGIN:VEVENT', 'UID:u', ...lines, 'END:VEVENT'].join('\r\n')

function starts(text: string) {
  const read = readCalendar(text, from, until)
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
    const read = readCalendar(
      calendar(
        event('DTSTART:20261201T180000Z', 'DTEND:20261201T200000Z', 'STATUS:CANCELLED'),
        event('DTSTART:20261101T180000Z', 'DTEND:20261101T200000Z'),
        event('DTSTART;VALUE=DATE:20261224'),
      ),
      from,
      until,
    )
    expect(read).toEqual({ ok: true, appointments: [], allDay: 1 })
  })

  it.each([
    ['other text', 'hello'],
    ['nothing', ''],
    ['half a calendar', 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nDTSTART:whenever'],
    ['a time nobody can read', calendar(event('DTSTART:whenever', 'DURATION:PT1H'))],
    ['an event without a beginning', calendar(event('SUMMARY:Ferry'))],
    ['a card', 'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Bream\r\nEND:VCARD'],
  ])('refuses %s with a sentence', (_, text) => {
    const read = readCalendar(text, from, until)
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
