import type { StudioFileJson } from '@seriatim/contract'
import { usualPriceList } from '@seriatim/core/money'
import { sql } from 'drizzle-orm'
import { pino } from 'pino'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../../app.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { newQuote, punched, startTestServer, testNow } from '../../testing/test-server.ts'
import { stockShelfOnce } from '../shelf/service.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
let others: ReturnType<typeof createApp>
beforeAll(async () => {
  server = await startTestServer()
  const other = v7() as StudioId
  await server.owner.execute(sql`insert into studio (id, name) values (${other}, 'Across the river')`)
  others = createApp({
    studios: server.studios,
    studio: other,
    log: pino({ level: 'silent' }),
    now: () => testNow,
  })
  await stockShelfOnce(server.db)
})
afterAll(() => server.stop())

const elsewhere = async (method: string, path: string, body?: unknown) => {
  const answer = await others.request(`/api${path}`, {
    method,
    ...(body === undefined
      ? {}
      : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  })
  return { status: answer.status, body: await answer.json() }
}
const exported = async () => (await server.call('GET', '/studio/file')).body as StudioFileJson

describe('a whole studio as a file', () => {
  it('comes back unchanged in an empty one, and a second time takes nothing', async () => {
    const clientId = v7()
    await server.call('PUT', `/clients/${clientId}`, { name: 'Maren Voss', contact: 'by the mill', note: '' })
    await server.call('PUT', '/prices', { prices: usualPriceList, revision: 0 })
    await server.call('PUT', '/hand/brought', {
      rates: [{ technique: 'wash', size: 'foot', factor: 1.2, laps: 12 }],
    })
    await server.call('PUT', '/air', {
      readings: [
        { at: '2026-11-24T19:41:00.000Z', place: 'indoors', celsius: 19, humidity: 55, source: 'typed' },
      ],
    })
    const plain = await server.seed()
    const { id, path, unit, line } = await server.seed()
    await server.edit(path, (project) => ({
      ...project,
      commission: { clientId, arrivesOn: null, received: '', testModel: null, deliveredOn: null },
    }))
    await server.call('POST', `${path}/events`, { events: [punched(line[0]!.id, [unit.models[0]!.id])] })
    const first = v7()
    await server.call('POST', `${path}/quotes`, { id: first, after: 0, quote: newQuote() })
    await server.call('POST', `${path}/quotes`, { id: v7(), after: 1, quote: newQuote() })
    await server.call('PUT', '/desk', { hoursOf: plain.id })
    // What was put away is no part of it.
    const gone = await server.seed()
    await server.call('DELETE', gone.path)

    const file = await exported()
    expect(file.projects.map((each) => each.file.project.id).sort()).toEqual([plain.id, id].sort())
    const counts = {
      projects: 2,
      clients: 1,
      materials: file.shelf.length,
      readings: 1,
      rates: 1,
    }
    const none = { projects: 0, clients: 0, materials: 0, readings: 0, rates: 0 }
    expect(await elsewhere('POST', '/studio/import', file)).toEqual({
      status: 200,
      body: { taken: counts, here: none },
    })
    expect((await elsewhere('GET', '/studio/file')).body).toEqual({ ...file, name: 'Across the river' })
    expect((await elsewhere('POST', '/studio/import', file)).body).toEqual({ taken: none, here: counts })
    expect((await elsewhere('GET', '/studio/file')).body).toEqual({ ...file, name: 'Across the river' })
  })

  it('with a fault is refused whole, at its place', async () => {
    const file = await exported()
    const project = structuredClone(file.projects[0]!)
    Object.assign(project.file.project, { id: v7(), batchSize: 0 })
    const answer = await server.problem('/studio/import', 'POST', { ...file, projects: [project] })
    expect(answer.status).toBe(422)
    expect(answer.body.errors?.[0]?.path).toBe('projects[0].file.project.batchSize')
    const nobody = structuredClone(file)
    nobody.clients = []
    expect((await server.problem('/studio/import', 'POST', nobody)).body.errors?.[0]).toMatchObject({
      path: expect.stringMatching(/commission\.clientId$/) as string,
      message: 'No client of this file has this id.',
    })
    expect((await server.problem('/studio/import', 'POST', { format: 'x' })).body.errors?.[0]?.message).toBe(
      'This is not a Seriatim studio file.',
    )
    // What is in the way further down takes back what was taken before.
    const clash = structuredClone(file)
    const [one, two] = clash.projects
    one!.file.project.id = v7()
    clash.clients = [...clash.clients, { ...clash.clients[0]!, id: v7(), name: 'Somebody else' }]
    clash.projects = [two!, one!]
    clash.hoursOf = null
    expect((await server.problem('/studio/import', 'POST', clash)).status).toBe(422)
    expect((await exported()).clients).toHaveLength(1)
  })

  it('of an earlier version has its projects brought up to date', async () => {
    const file = await exported()
    const old = structuredClone(file.projects[0]!)
    const before = { ...old.file, version: 1 }
    const { status, body } = await server.call('POST', '/studio/import', {
      ...file,
      projects: [{ ...old, file: before }],
      hoursOf: null,
    })
    expect([status, body]).toMatchObject([200, { here: { projects: 1 } }])
  })
})
