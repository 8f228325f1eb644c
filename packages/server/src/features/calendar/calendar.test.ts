import ICAL from 'ical.js'
import { v7 } from 'uuid'
import { afterAll, describe, expect, it } from 'vitest'
import { punched, startTestServer, testNow } from '../../testing/test-server.ts'

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

  it('rings when a coat is dry, as long as it is wet', async () => {
    const { id, path } = await server.seed()
    const { line, units } = (await server.call('GET', path)).body as {
      line: { id: string; name: string }[]
      units: { models: { id: string }[] }[]
    }
    const [slow] = line
    const model = units[0]!.models[0]!.id
    const at = (seconds: number) => new Date(testNow + seconds * 1000).toISOString()
    const coats = [punched(slow!.id, [model], { at: at(-30), drySeconds: 1200 })]
    await server.call('POST', `${path}/events`, { events: coats })
    const ringing = async () => {
      const calendar = new ICAL.Component(ICAL.parse((await feed(id)).text) as unknown[])
      return calendar
        .getAllSubcomponents('vevent')
        .filter((event) => event.getFirstSubcomponent('valarm') !== null)
    }
    const [alarm, ...others] = await ringing()
    expect(others).toEqual([])
    expect(new ICAL.Event(alarm).startDate.toJSDate().getTime()).toBe(testNow + 1_170_000)
    expect(alarm!.getFirstPropertyValue('summary')).toContain(`: dry, ${slow!.name}`)
    expect(String(alarm!.getFirstSubcomponent('valarm')!.getFirstPropertyValue('trigger'))).toBe('PT0S')
    const cleared = { ...punched(slow!.id, [model], { at: at(0) }), kind: 'cleared' }
    await server.call('POST', `${path}/events`, { events: [cleared] })
    expect(await ringing()).toEqual([])
  })

  it('of a project that is not there is not there', async () => {
    for (const id of [v7(), 'x']) {
      const { response, text } = await feed(id)
      expect(response.status).toBe(404)
      expect(JSON.parse(text)).toMatchObject({ status: 404 })
    }
  })
})
