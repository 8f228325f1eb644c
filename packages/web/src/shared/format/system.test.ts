import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { SessionRule } from '@seriatim/core/trade'
import type { Instant, LocalDate } from '@seriatim/core/units'
import { readHours } from '@seriatim/core/calendar'

const evening = 1_764_786_900_000 as Instant

/** The texts as a reader of this language has them. */
async function readBy(language: string) {
  vi.stubGlobal('navigator', { language })
  const [{ clockText, dayText, dateText, plural }, { firstWeekday, decimalText }, { hoursText }] =
    await Promise.all([import('./moments.ts'), import('./system.ts'), import('./hours.ts')])
  const read = readHours('Tue 19:30–22:00')
  const rules: readonly SessionRule[] = read.ok ? read.rules : []
  return {
    clock: clockText(evening, 'UTC'),
    day: dayText(evening, 'UTC'),
    date: dateText('2026-12-12' as LocalDate),
    many: plural(1200, 'model'),
    decimal: decimalText(2.5, 1),
    first: firstWeekday,
    hours: hoursText(rules),
    back: readHours(hoursText(rules)),
    rules,
  }
}

describe('texts follow the reader’s system', () => {
  beforeEach(() => vi.resetModules())
  afterEach(() => vi.unstubAllGlobals())

  it('in Britain', async () => {
    expect(await readBy('en-GB')).toMatchObject({
      clock: '18:35',
      day: 'Wed 3 Dec',
      date: 'Sat 12 Dec 2026',
      many: '1,200 models',
      decimal: '2.5',
      hours: 'Tue 19:30–22:00',
    })
  })

  it('in the United States, and what is printed there can be typed', async () => {
    const found = await readBy('en-US')
    expect(found).toMatchObject({
      clock: '6:35 PM',
      day: 'Wed Dec 3',
      date: 'Sat Dec 12, 2026',
      hours: 'Tue 7:30 pm–10:00 pm',
    })
    expect(found.back).toEqual({ ok: true, rules: found.rules })
  })

  it('in Germany: English words, a clock to twenty-four, a comma', async () => {
    expect(await readBy('de-DE')).toMatchObject({
      clock: '18:35',
      day: 'Wed 3 Dec',
      many: '1.200 models',
      decimal: '2,5',
      first: 1,
    })
  })
})
