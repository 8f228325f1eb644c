import { demoProjectId, type Hand } from '@seriatim/contract'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoFile, startTestServer } from '../../testing/test-server.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

const handBeside = async (id: string) => (await server.call('GET', `/hand/beside/${id}`)).body as Hand

describe('the painter’s hand', () => {
  it('is known from the laps of every other project, but not of the demo', async () => {
    await server.call('POST', '/projects/import', demoFile())
    const { id, path, line, unit } = await server.seed()
    const over = { stageId: line[0]!.id, modelIds: [unit.models[0]!.id] }
    const started = { id: v7(), kind: 'clock-started', at: '2026-11-24T20:00:00.000Z', ...over }
    const events = [
      started,
      { id: v7(), kind: 'punched', at: '2026-11-24T20:03:00.000Z', ...over },
      { id: v7(), kind: 'clock-stopped', at: '2026-11-24T20:04:00.000Z', targetId: started.id },
    ]
    await server.call('POST', `${path}/events`, { events })
    expect((await handBeside(id)).elsewhere).toEqual([])
    const other = await server.seed()
    const [time] = (await handBeside(other.id)).elsewhere
    expect(time).toMatchObject({ unit: 'Reed-pikes', models: 1, countedSeconds: 240, eventId: started.id })
    expect(time!.observations).toHaveLength(1)
    expect((await handBeside(demoProjectId)).elsewhere).toHaveLength(1)
  })

  it('says again what was noted of a pot in other projects, and no more once that project is put away', async () => {
    const { id, path, line, unit } = await server.seed()
    const noted = { id: v7(), kind: 'touch-up', at: '2026-11-24T20:02:00.000Z', note: 'left ear' }
    const events = [{ ...noted, stageId: line[0]!.id, modelIds: [unit.models[0]!.id] }]
    await server.call('POST', `${path}/events`, { events })
    expect((await handBeside(id)).lessons).toEqual([])
    const other = await server.seed()
    expect((await handBeside(other.id)).lessons).toEqual([
      {
        project: expect.any(String) as string,
        stage: line[0]!.name,
        pot: line[0]!.material.toLowerCase(),
        kind: 'missed',
        text: 'left ear',
        at: '2026-11-24T20:02:00.000Z',
        times: 1,
      },
    ])
    await server.call('POST', `${path}/events`, { events: [{ ...events[0], id: v7() }] })
    expect((await handBeside(other.id)).lessons.map(({ times }) => times)).toEqual([2])
    await server.call('DELETE', path)
    expect((await handBeside(other.id)).lessons).toEqual([])
  })

  it('renews the rates that are brought, puts away those that are named, and leaves all others', async () => {
    const wash = { technique: 'wash', size: 'foot', factor: 1.25, laps: 12.5 }
    const glaze = { technique: 'glaze', size: 'foot', factor: 0.8, laps: 4 }
    const bring = (body: object) => server.call('PUT', '/hand/brought', body)
    const brought = async () => (await handBeside(v7())).brought
    expect((await bring({ rates: [wash] })).body).toEqual({ brought: [wash] })
    expect((await bring({ rates: [glaze] })).body).toEqual({ brought: [glaze, wash] })
    expect(await brought()).toEqual([glaze, wash])
    const slower = { ...wash, factor: 1.5 }
    await bring({ rates: [slower], putAway: [{ technique: 'glaze', size: 'foot' }] })
    expect(await brought()).toEqual([slower])
    await bring({ putAway: [{ technique: 'wash', size: 'foot' }] })
    expect(await brought()).toEqual([])
  })

  it('refuses impossible rates at their place', async () => {
    const rate = { technique: 'wash', size: 'foot', factor: 1.25, laps: 12.5 }
    expect((await server.call('PUT', '/hand/brought', { rates: [rate] })).status).toBe(200)
    expect((await handBeside(v7())).brought).toEqual([rate])
    const problem = await server.problem('/hand/brought', 'PUT', {
      rates: [
        { ...rate, factor: 0 },
        { ...rate, technique: 'guess' },
      ],
    })
    expect(problem.status).toBe(422)
    expect(JSON.stringify(problem.body)).toContain('rates[0].factor')
    expect(JSON.stringify(problem.body)).toContain('rates[1].technique')
    const twins = await server.problem('/hand/brought', 'PUT', { rates: [rate, rate] })
    expect(JSON.stringify(twins.body)).toContain('Two rates are of this technique and size.')
    expect((await handBeside(v7())).brought).toEqual([rate])
  })
})

describe('the air', () => {
  const reading = (at: string, celsius: number, source: string, place = 'indoors') => ({
    at,
    celsius,
    humidity: 50,
    place,
    source,
  })

  it('keeps readings, the later word for a moment, and lets go of what was simulated', async () => {
    const soon = new Date(Date.now() + 3_600_000).toISOString()
    const now = new Date(Math.floor(Date.now() / 1000) * 1000).toISOString()
    await server.call('PUT', '/air', { readings: [reading(now, 18, 'typed'), reading(soon, 9, 'simulated')] })
    await server.call('PUT', '/air', { readings: [reading(now, 19.5, 'typed')] })
    const all = (await server.call('GET', '/air')).body as { readings: unknown[] }
    expect(all.readings).toEqual([reading(now, 19.5, 'typed'), reading(soon, 9, 'simulated')])
    const left = (await server.call('DELETE', '/air/simulated')).body as { readings: unknown[] }
    expect(left.readings).toEqual([reading(now, 19.5, 'typed')])
  })

  it('keeps the desk and the outside of one moment apart', async () => {
    const now = new Date(Math.floor(Date.now() / 1000) * 1000 - 60_000).toISOString()
    const [desk, outside] = [reading(now, 21, 'typed'), reading(now, 4, 'typed', 'outdoors')]
    await server.call('PUT', '/air', { readings: [outside, desk] })
    const all = (await server.call('GET', '/air')).body as { readings: { at: string }[] }
    expect(all.readings.filter((each) => each.at === now)).toEqual([desk, outside])
    const nowhere = await server.problem('/air', 'PUT', { readings: [reading(now, 20, 'typed', 'attic')] })
    expect(nowhere.status).toBe(422)
    expect(JSON.stringify(nowhere.body)).toContain('readings[0].place')
  })

  it('takes readings back for those before them, but not what was changed since', async () => {
    const at = (minutes: number) =>
      new Date(Math.floor(Date.now() / 1000) * 1000 - minutes * 60_000).toISOString()
    const [first, second, third] = [31, 32, 33].map(at) as [string, string, string]
    const standing = async () =>
      ((await server.call('GET', '/air')).body as { readings: { at: string }[] }).readings.filter((each) =>
        [first, second, third].includes(each.at),
      )
    const before = reading(first, 18, 'typed')
    await server.call('PUT', '/air', { readings: [before] })
    const taken = [reading(first, 19.1, 'file'), reading(second, 19.2, 'file'), reading(third, 19.3, 'file')]
    await server.call('PUT', '/air', { readings: taken })
    const since = reading(third, 25, 'typed')
    await server.call('PUT', '/air', { readings: [since] })
    const takenBack = taken.map((each) => ({
      reading: each,
      before: each.at === second ? null : { celsius: 18, humidity: 50, source: 'typed' },
    }))
    expect((await server.call('PUT', '/air', { readings: [], takenBack })).status).toBe(200)
    expect(await standing()).toEqual([since, before])
  })

  it('refuses air that cannot be', async () => {
    const problem = await server.problem('/air', 'PUT', {
      readings: [{ ...reading('2026-11-24T20:00:00Z', 20, 'typed'), humidity: 0 }],
    })
    expect(problem.status).toBe(422)
    expect(JSON.stringify(problem.body)).toContain('Humidity goes from 1 to 100 %.')
  })
})
