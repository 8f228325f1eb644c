import type { DeskShown } from '../../shared/worker/index.ts'
import type { Instant, ProjectId } from '@seriatim/core/units'
import { describe, expect, it } from 'vitest'
import { datesToSay, layOutQueue } from './queue-layout.ts'

const at = (text: string) => Date.parse(`${text}Z`) as Instant
const now = at('2026-11-24T12:00')
const [own, theirs] = ['own', 'theirs'] as ProjectId[]

/** What of a plan is drawn. */
function desk(some: { readonly due?: string; readonly doneBy?: string } = {}): DeskShown {
  const stretch = (batchId: string, painter: number, from: string, until: string) => ({
    batchId,
    painter,
    startsAt: at(from),
    endsAt: at(until),
  })
  const job = (projectId: ProjectId, doneAt: string | null) => ({
    projectId,
    doneAt: doneAt === null ? null : at(doneAt),
    due: some.due === undefined ? null : at(some.due),
    doneBy: some.doneBy === undefined ? null : at(some.doneBy),
  })
  return {
    desk: { evenings: { timeZone: 'UTC' } },
    plan: {
      batches: [
        { id: 'a', unitId: 'pikes' },
        { id: 'b', unitId: 'eels' },
      ],
      stretches: [
        stretch('a', 0, '2026-11-24T19:00', '2026-11-24T20:00'),
        stretch('a', 1, '2026-11-24T19:00', '2026-11-24T19:30'),
        stretch('a', 0, '2026-11-24T20:00', '2026-11-24T20:15'),
        stretch('b', 0, '2026-11-26T19:00', '2026-11-26T21:00'),
      ],
    },
    jobs: [job(own!, '2026-11-24T21:00'), job(theirs!, '2026-11-26T22:00')],
  } as unknown as DeskShown
}
const units = new Map([
  ['pikes', own!],
  ['eels', theirs!],
])

describe('the queue', () => {
  it('has a row a job, with who works how long on which day, one above the other', () => {
    const { rows, days, mostSeconds, from } = layOutQueue(desk(), units, now)
    expect(from).toBe('2026-11-24')
    expect(rows.map((row) => row.blocks)).toEqual([
      [
        { day: 0, painter: 0, seconds: 4500, under: 0 },
        { day: 0, painter: 1, seconds: 1800, under: 4500 },
      ],
      [{ day: 2, painter: 0, seconds: 7200, under: 0 }],
    ])
    expect(mostSeconds).toBe(7200)
    expect(days).toBe(3)
  })

  it('says what is late and by how many days; the due day itself is in time', () => {
    const lateOf = (due: string, doneBy: string) => layOutQueue(desk({ due, doneBy }), units, now).rows[0]!
    // Due at the end of the 28th.
    expect(lateOf('2026-11-29T00:00', '2026-11-28T23:00')).toMatchObject({ due: 4, doneBy: 4, lateDays: 0 })
    expect(lateOf('2026-11-29T00:00', '2026-12-01T20:00')).toMatchObject({ due: 4, doneBy: 7, lateDays: 3 })
    expect(layOutQueue(desk({ due: '2026-11-29T00:00' }), units, now).rows[0]).toMatchObject({
      doneBy: null,
      lateDays: 0,
    })
  })

  it('draws a job without work as an empty row', () => {
    const { plan, ...rest } = desk({ due: '2026-11-29T00:00', doneBy: '2026-12-01T20:00' })
    const idle = {
      ...rest,
      plan: { ...plan, stretches: [] },
      jobs: rest.jobs.map((job) => ({ ...job, doneAt: null })),
    }
    const { rows, days } = layOutQueue(idle, units, now)
    expect(rows.map((row) => [row.blocks.length, row.due, row.doneBy])).toEqual([
      [0, null, null],
      [0, null, null],
    ])
    expect(days).toBe(1)
  })

  it('writes Mondays, and fewer where they stand close', () => {
    const { from } = layOutQueue(desk(), units, now)
    expect(datesToSay({ from, days: 15 }, 9)).toEqual([6, 13])
    expect(datesToSay({ from, days: 70 }, 5)).toEqual([6, 20, 34, 48, 62])
  })
})
