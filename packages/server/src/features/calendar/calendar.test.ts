import ICAL from 'ical.js'
import { v7 } from 'uuid'
import { afterAll, describe, expect, it } from 'vitest'
import { startTestServer, testNow } from '../../testing/test-server.ts'

const server = await startTestServer()
afterAll(() => server.stop())

async function feed(id: string) {
  const response = await server.app.request(`/api/projects/${id}/calendar.ics`)
  const text = await response.text()
  return { response, text }
}

function eventsOf(text: string) {
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
  return calendar.getAllSubcomponents('vevent').map((component) => {
    const event = new ICAL.Event(component)
    return {
      uid: event.uid,
      sequence: event.sequence,
      startsAt: event.startDate.toJSDate().getTime(),
      endsAt: event.endDate.toJSDate().getTime(),
      summary: event.summary,
      status: component.getFirstPropertyValue('status'),
    }
  })
}

describe('the calendar of a project', () => {
  it('has sessions and the date; a dropped session is cancelled under the same name and a higher sequence', async () => {
    const { id, path } = await server.seed()
    await server.edit(path, (project) => ({ ...project, dueOn: '2027-03-06', name: 'Fen; pikes, eels' }))
    const { response, text } = await feed(id)
    expect(response.headers.get('content-type')).toBe('text/calendar; charset=utf-8')
    expect(text.split('\r\n').every((line) => Buffer.byteLength(line) <= 75)).toBe(true)
    const before = eventsOf(text)
    const sessions = before.filter(({ summary }) => summary === 'Fen; pikes, eels: painting')
    expect(sessions.length).toBeGreaterThan(10)
    expect(sessions.every(({ endsAt }) => endsAt > testNow - 86_400_000)).toBe(true)
    expect(before.at(-1)).toMatchObject({ summary: 'Fen; pikes, eels: due', status: 'CONFIRMED' })

    const dropped = sessions[3]!
    const stored = (await server.call('GET', path)).body as {
      evenings: { startsAt: string; timeZone: string }
    }
    const on = new Intl.DateTimeFormat('en-CA', { timeZone: stored.evenings.timeZone }).format(
      dropped.startsAt,
    )
    await server.edit(path, (project) => ({
      ...project,
      planning: {
        ...project.planning,
        painters: project.planning.painters.map((painter) => ({
          ...painter,
          dropped: [{ on, at: stored.evenings.startsAt }],
        })),
      },
    }))
    const after = eventsOf((await feed(id)).text)
    expect(after.map(({ uid }) => uid).sort()).toEqual(before.map(({ uid }) => uid).sort())
    const [cancelled, ...others] = after.filter(({ status }) => status === 'CANCELLED')
    expect(others).toEqual([])
    expect(cancelled).toMatchObject({ uid: dropped.uid, startsAt: dropped.startsAt })
    expect(cancelled!.sequence).toBeGreaterThan(dropped.sequence)
  })

  it('of a project that is not there is not there', async () => {
    for (const id of [v7(), 'x']) {
      const { response, text } = await feed(id)
      expect(response.status).toBe(404)
      expect(JSON.parse(text)).toMatchObject({ status: 404 })
    }
  })
})
