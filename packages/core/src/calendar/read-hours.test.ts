import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { SessionRule } from '../trade/desk.ts'
import { minutes } from '../units/seconds.ts'
import { hoursText, readHours } from './read-hours.ts'

const read = (text: string) => {
  const found = readHours(text)
  return found.ok ? hoursText(found.rules) : found.error
}

describe('hours as people write them', () => {
  it.each([
    ['Tue, Thu 19:30–22:00, Sat 14:00–18:00', 'Tue, Thu 19:30–22:00, Sat 14:00–18:00'],
    [
      'Tuesdays and Thursdays from 7:30pm to 10pm; Saturday 2 pm - 6 pm',
      'Tue, Thu 19:30–22:00, Sat 14:00–18:00',
    ],
    ['mon-fri 20-22', 'Mon, Tue, Wed, Thu, Fri 20:00–22:00'],
    ['Fri–Mon 9.30–12', 'Mon, Fri, Sat, Sun 09:30–12:00'],
    ['weekends 10:00 for 3 h', 'Sat, Sun 10:00–13:00'],
    ['weekdays at 19:30, 2.5 h', 'Mon, Tue, Wed, Thu, Fri 19:30–22:00'],
    ['every day 7–9 pm', 'Mon, Tue, Wed, Thu, Fri, Sat, Sun 19:00–21:00'],
    ['every other Sun 10–13', 'every other Sun 10:00–13:00'],
    ['Sat 22:30–01:00', 'Sat 22:30–01:00'],
    ['Tue 20–22 Thu 19–21', 'Tue 20:00–22:00, Thu 19:00–21:00'],
  ])('%s', (text, as) => {
    expect(read(text)).toBe(as)
  })

  it.each([
    ['', 'Say when you paint, such as Tue, Thu 19:30–22:00.'],
    ['evenings', '“evenings” is no day: write Mon, Tue, weekdays or Sat–Sun.'],
    ['Tue, Thu', 'Say from when to when at the end, such as 19:30–22:00.'],
    ['Tue 19:30–22:00, someday', '“someday” is no day: write Mon, Tue, weekdays or Sat–Sun.'],
    ['Tue 22:00–22:02', '“22:00–22:02”: give times such as 19:30–22:00, from 5 minutes to 16 hours apart.'],
    ['Tue 27:00–28:00', '“27:00–28:00”: give times such as 19:30–22:00, from 5 minutes to 16 hours apart.'],
  ])('“%s” is asked about at its place', (text, said) => {
    expect(read(text)).toBe(said)
  })

  it('are printed as they are read', () => {
    const rule = fc
      .record({
        weekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }),
        start: fc.integer({ min: 0, max: 24 * 60 - 1 }),
        length: fc.integer({ min: 5, max: 16 * 60 }),
        everyWeeks: fc.integer({ min: 1, max: 8 }),
      })
      .map(({ weekdays, start, length, everyWeeks }): SessionRule => ({
        weekdays: weekdays.toSorted((a, b) => a - b),
        startsAt: `${String(Math.floor(start / 60)).padStart(2, '0')}:${String(start % 60).padStart(2, '0')}`,
        lengthSeconds: minutes(length),
        everyWeeks,
        countedFrom: null,
      }))
    fc.assert(
      fc.property(fc.array(rule, { minLength: 1, maxLength: 4 }), (rules) => {
        expect(readHours(hoursText(rules))).toEqual({ ok: true, rules })
      }),
    )
  })

  it('nothing typed throws or hangs', () => {
    fc.assert(
      fc.property(
        fc.string({
          maxLength: 60,
          unit: fc.constantFrom(
            't',
            'u',
            'e',
            ',',
            ' ',
            'thu',
            '19:30',
            '–',
            '22',
            'and',
            'every ',
            'other',
            'pm',
            ';',
            '.',
          ),
        }),
        (text) => {
          expect(readHours(text)).toHaveProperty('ok')
        },
      ),
    )
  })
})
