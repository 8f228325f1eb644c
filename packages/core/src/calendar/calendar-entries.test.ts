import { describe, expect, it } from 'vitest'
import { noon, project } from '../testing/builders.ts'
import { plainPlanning } from '../trade/project.ts'
import { addSeconds } from '../units/instant.ts'
import type { LocalDate } from '../units/local-date.ts'
import { minutes, seconds } from '../units/seconds.ts'
import { calendarEntries } from './calendar-entries.ts'
import { localDateAt } from './sessions.ts'

const [you] = plainPlanning.painters
const evenings = {
  weekdays: [1, 3],
  startsAt: '19:30',
  lengthSeconds: minutes(150),
  also: [],
  timeZone: 'Europe/Berlin',
}
const given = (some: Partial<NonNullable<typeof you>> = {}, more: object = {}) => ({
  ...project([], []),
  evenings,
  planning: { ...plainPlanning, painters: [{ ...you!, ...some }] },
  ...more,
})
const sessions = (some: Parameters<typeof given>[0] = {}, now = noon) =>
  calendarEntries(given(some), now, 30).flatMap((each) => (each.kind === 'session' ? [each] : []))

describe('calendar entries', () => {
  it('are the sessions ahead, each with a key of its own that stays', () => {
    const today = sessions()
    expect(today.length).toBeGreaterThan(7)
    expect(new Set(today.map(({ key }) => key)).size).toBe(today.length)
    expect(today.every(({ isCancelled }) => !isCancelled)).toBe(true)
    // Asked an hour or a day later they are the same ones.
    for (const later of [3600, 86_400]) {
      const then = sessions({}, addSeconds(noon, later))
      const kept = then.filter(({ startsAt }) => today.some((each) => each.startsAt === startsAt))
      expect(kept.length).toBeGreaterThan(5)
      for (const each of kept) expect(today).toContainEqual(each)
    }
  })

  it('cancel what is dropped or lies on a day off, under the same key', () => {
    const [, second, third] = sessions()
    const on = (moment: number) => localDateAt(moment as never, evenings.timeZone)
    const changed = sessions({
      dropped: [{ on: on(second!.startsAt), at: '19:30' }],
      off: [{ from: on(third!.startsAt), until: on(third!.startsAt) }],
    })
    expect(changed.flatMap(({ key, isCancelled }) => (isCancelled ? [key] : [])).sort()).toEqual(
      [second!.key, third!.key].sort(),
    )
    expect(changed).toHaveLength(sessions().length)
  })

  it('have single sessions, and who paints where there are several', () => {
    const extra = [{ on: '2026-12-05' as LocalDate, at: '10:00', lengthSeconds: seconds(3600) }]
    const alone = sessions({ extra }, Date.parse('2026-11-26T12:00:00Z') as never)
    expect(alone.find(({ startsAt }) => startsAt === Date.parse('2026-12-05T09:00:00Z'))).toMatchObject({
      endsAt: Date.parse('2026-12-05T10:00:00Z'),
      painter: '',
    })
    const two = {
      ...given(),
      planning: { ...plainPlanning, painters: [you!, { ...you!, id: 'mara' as never, name: 'Mara' }] },
    }
    const names = calendarEntries(two, noon, 10).map((each) => (each.kind === 'session' ? each.painter : ''))
    expect(new Set(names)).toEqual(new Set([you!.name, 'Mara']))
  })

  it('have the date, with its hour where it has one', () => {
    const dueOn = '2027-03-06' as LocalDate
    const due = (planning: object) =>
      calendarEntries({ ...given(), dueOn, planning: { ...given().planning, ...planning } }, noon, 1).at(-1)
    expect(due({})).toEqual({ kind: 'due', key: 'due', on: dueOn, at: null })
    const handOver = { at: '10:00', cureSeconds: seconds(0), packingSeconds: seconds(0) }
    expect(due({ handOver })).toMatchObject({ at: Date.parse('2027-03-06T09:00:00Z') })
    expect(calendarEntries(given(), noon, 1).some(({ kind }) => kind === 'due')).toBe(false)
  })
})
