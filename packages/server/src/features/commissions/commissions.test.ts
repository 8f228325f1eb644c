import type { Client, ClientLink, KeptQuote, Problem, SharedProgress } from '@seriatim/contract'
import { minor, usualPriceList, type PriceList } from '@seriatim/core/money'
import type { ClientId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import { pino } from 'pino'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../../app.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { newQuote, punched, startTestServer, testNow } from '../../testing/test-server.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

/** What of an answer is looked at. */
type Said = KeptQuote &
  ClientLink &
  SharedProgress &
  Problem & {
    readonly clients: readonly Client[]
    readonly prices: PriceList
    readonly revision: number
    readonly quotes: readonly KeptQuote[]
    readonly links: readonly ClientLink[]
    readonly made: ClientLink
    readonly token: string
  }

const call = async (method: string, path: string, body?: unknown) => {
  const answer = await server.call(method, path, body)
  return { status: answer.status, body: answer.body as Said }
}

const newClient = async (name = 'Maren Voss') => {
  const id = v7() as ClientId
  const own = { name, contact: 'by the lock', note: '' }
  const { body } = await call('PUT', `/clients/${id}`, own)
  return { id, own, clients: body.clients }
}

const commissionOf = (clientId: ClientId, some: object = {}) => ({
  clientId,
  arrivesOn: null,
  received: '3 of 3, built, one spear bent',
  testModel: null,
  deliveredOn: null,
  ...some,
})

const aQuote = newQuote()
const [tier] = aQuote.tiers
const quoted = async (path: string, after = 0, some: object = {}) =>
  call('POST', `${path}/quotes`, { id: v7(), after, quote: { ...aQuote, ...some } })
const kept = async (path: string) => (await call('GET', `${path}/commission`)).body

describe('clients', () => {
  it('are kept by name, changed, put away and brought back', async () => {
    const { id, own, clients } = await newClient('Zeno')
    expect(clients).toContainEqual({ id, ...own })
    const other = await newClient('Ansgar')
    expect(other.clients.map((client) => client.name)).toEqual(['Ansgar', 'Zeno'])
    const changed = { ...own, note: 'pays late' }
    expect((await call('PUT', `/clients/${id}`, changed)).body).toMatchObject({
      clients: [{ name: 'Ansgar' }, { note: 'pays late' }],
    })
    expect((await call('DELETE', `/clients/${id}`)).body).toMatchObject({ clients: [{ name: 'Ansgar' }] })
    expect((await call('DELETE', `/clients/${id}`)).status).toBe(404)
    expect((await call('PUT', `/clients/${id}`, changed)).body).toMatchObject({
      clients: [{ name: 'Ansgar' }, { name: 'Zeno' }],
    })
    const nameless = await server.problem(`/clients/${v7()}`, 'PUT', { ...own, name: ' ' })
    expect(nameless.body.errors).toEqual([{ path: 'name', message: 'Give the client a name.' }])
  })

  it('keep what two changed of them, and say both words where it was the same', async () => {
    const { id, own } = await newClient('Idun')
    const put = (some: object, before: object = own) =>
      call('PUT', `/clients/${id}`, { ...own, ...some, before })
    await put({ note: 'pays late' })
    expect((await put({ contact: 'by the weir' })).body.clients).toContainEqual({
      id,
      name: 'Idun',
      contact: 'by the weir',
      note: 'pays late',
    })
    const clash = await server.problem(`/clients/${id}`, 'PUT', { ...own, note: 'pays early', before: own })
    expect(clash).toMatchObject({
      status: 409,
      body: { errors: [{ path: 'note', message: '“pays late” there, “pays early” here' }] },
    })
  })

  it('stay as long as something is painted for them', async () => {
    const { id } = await newClient()
    const { path } = await server.seed()
    await server.edit(path, (project) => ({ ...project, commission: commissionOf(id) }))
    expect((await server.project(path)).commission).toEqual(commissionOf(id))
    const refused = await server.problem(`/clients/${id}`, 'DELETE')
    expect(refused).toMatchObject({
      status: 409,
      body: { detail: '“Tallow Fen” is painted for this client.' },
    })
    await server.edit(path, (project) => ({ ...project, commission: null }))
    expect((await call('DELETE', `/clients/${id}`)).status).toBe(200)
  })
})

describe('prices', () => {
  it('are the usual until somebody sets them, and of two who do so at once the second hears of it', async () => {
    const read = async () => (await call('GET', '/prices')).body
    expect(await read()).toEqual({ prices: usualPriceList, revision: 0 })
    const own = { ...usualPriceList, hour: minor(2600) }
    expect((await call('PUT', '/prices', { prices: own, revision: 0 })).body).toEqual({
      prices: own,
      revision: 1,
    })
    const late = await server.problem('/prices', 'PUT', { prices: usualPriceList, revision: 0 })
    expect(late).toMatchObject({ status: 409, body: { title: 'Somebody else was first' } })
    expect(await read()).toEqual({ prices: own, revision: 1 })
    expect((await call('PUT', '/prices', { prices: usualPriceList, revision: 1 })).status).toBe(200)
    expect((await server.problem('/prices', 'PUT', { prices: own, revision: 1 })).status).toBe(409)
  })

  it.each([
    ['currency', 'QQQ', 'There is no such currency.'],
    ['hour', -1, 'A price is nothing at least.'],
    ['hour', 20.5, 'Give an amount of money.'],
    ['confidence', 1, 'From 50 to 99 per cent.'],
    ['margin', -1, 'From −90 to 900 per cent.'],
  ])('are refused at their place: %s %s', async (field, value, message) => {
    const prices = { ...usualPriceList, [field]: value }
    const refused = await server.problem('/prices', 'PUT', { prices, revision: 2 })
    expect(refused).toMatchObject({ status: 422, body: { errors: [{ path: `prices.${field}`, message }] } })
  })
})

describe('quotes', () => {
  it('are kept as said, numbered, and once, however often they are sent', async () => {
    const { path } = await server.seed()
    const asked = { id: v7(), after: 0, quote: aQuote }
    const first = await call('POST', `${path}/quotes`, asked)
    expect(first).toMatchObject({
      status: 201,
      body: { number: 1, quote: aQuote, accepted: null, madeBy: null },
    })
    expect((await call('POST', `${path}/quotes`, asked)).body).toEqual(first.body)
    const taken = await call('POST', `${path}/quotes`, { ...asked, quote: { ...aQuote, models: 4 } })
    expect(taken).toMatchObject({ status: 409, body: { title: 'This id names something else' } })
    // Another manager, who does not know of the first.
    expect((await quoted(path, 0)).body.detail).toContain('look at that one first')
    expect((await quoted(path, 1)).body.number).toBe(2)
    expect((await kept(path)).quotes.map((each) => each.number)).toEqual([2, 1])
  })

  it('are accepted for one standard, the newest alone', async () => {
    const { path } = await server.seed()
    const old = (await quoted(path)).body
    const newest = (await quoted(path, 1)).body
    const yes = (id: string, standard: string) => call('POST', `${path}/quotes/${id}/yes`, { standard })
    expect((await yes(old.id, 'tabletop')).status).toBe(409)
    expect((await yes(v7(), 'tabletop')).status).toBe(404)
    expect((await yes(newest.id, 'display')).body.detail).toBe('This quote does not name display.')
    expect((await yes(newest.id, 'tabletop')).body.accepted).toEqual({
      at: new Date(testNow).toISOString(),
      by: null,
      standard: 'tabletop',
    })
    expect((await yes(newest.id, 'tabletop')).status).toBe(200)
    expect((await yes(newest.id, 'display')).status).toBe(409)
    expect((await kept(path)).quotes[0]!.quote).toEqual({ ...aQuote, leftAt: null })
  })

  it('are refused where their sum is wrong, a standard is named twice, or nothing is painted', async () => {
    const { path } = await server.seed()
    const wrong = await quoted(path, 0, { tiers: [{ ...tier, price: 1 }] })
    expect(wrong.body.errors).toEqual([
      { path: 'quote.tiers[0].price', message: 'A price is the sum of its parts.' },
    ])
    expect((await quoted(path, 0, { tiers: [tier, tier] })).status).toBe(422)
    expect((await quoted(path, 0, { models: 0 })).status).toBe(422)
    expect((await quoted(`/projects/${v7()}`)).status).toBe(404)
  })
})

describe('a client’s link', () => {
  const newLink = async (path: string, days = 30) => (await call('POST', `${path}/links`, { days })).body
  const look = (token: string) => call('GET', `/shared/${token}`)

  it('shows how far it is, and nothing else', async () => {
    const { id } = await newClient('Runa Thole')
    const { path, unit, line } = await server.seed()
    await server.edit(path, (project) => ({
      ...project,
      commission: commissionOf(id, {
        testModel: { modelId: unit.models[1]!.id, agreedOn: '2026-11-20' },
      }),
    }))
    await call('POST', `${path}/events`, {
      events: [
        punched(
          line[0]!.id,
          unit.models.map((model) => model.id),
        ),
      ],
    })
    await quoted(path)
    const { token } = await newLink(path)
    const { body } = await look(token)
    expect(body).toMatchObject({
      studio: 'Own desk',
      project: 'Tallow Fen',
      dueOn: '2026-12-12',
      done: 0.5,
      units: [
        { name: 'Reed-pikes', standard: 'tabletop', models: 3, tableReady: 0, finished: 0, strip: [1, 0] },
      ],
      testModel: { name: 'Reed-pike 2', agreedOn: '2026-11-20' },
      lastAt: '2026-11-24T19:41:00.000Z',
    })
    expect(Object.keys(body).sort()).toEqual(
      [
        'photos',
        'deliveredOn',
        'done',
        'dueOn',
        'lastAt',
        'project',
        'studio',
        'testModel',
        'units',
        'validUntil',
      ].sort(),
    )
    const said = JSON.stringify(body)
    for (const secret of ['Runa', 'Prime', 'Coat', 'spear', '20000', 'Seconds', unit.id])
      expect(said).not.toContain(secret)
  })

  it('is told once, and ends when it is ended, runs out, or the project is put away', async () => {
    const { path } = await server.seed()
    const { made, token } = await newLink(path)
    expect(JSON.stringify(await kept(path))).not.toContain(token)
    expect((await kept(path)).links).toMatchObject([{ id: made.id, revokedAt: null, seenAt: null }])
    expect((await look(token)).status).toBe(200)
    expect((await kept(path)).links[0]!.seenAt).not.toBeNull()
    expect((await look(`${token.slice(0, -2)}AA`)).body.detail).toContain('leads nowhere')
    expect((await look('x')).status).toBe(404)
    const short = await newLink(path, 1)
    await server.db.execute(
      sql`update client_link set expires_at = now() - interval '1 year' where id = ${short.made.id}`,
    )
    expect((await look(short.token)).body.detail).toContain('run out')
    expect((await call('DELETE', `${path}/links/${made.id}`)).body.revokedAt).not.toBeNull()
    expect((await look(token)).body.detail).toContain('ended by the studio')
    expect((await call('DELETE', `${path}/links/${v7()}`)).status).toBe(404)
    const open = await newLink(path)
    await call('DELETE', path)
    expect((await look(open.token)).status).toBe(404)
  })

  it('leads to its own studio, whoever else is on the database', async () => {
    const other = v7() as StudioId
    await server.owner.execute(sql`insert into studio (id, name) values (${other}, 'Across the river')`)
    const app = createApp({
      studios: server.studios,
      studio: other,
      log: pino({ level: 'silent' }),
      now: () => testNow,
    })
    const { path } = await server.seed()
    const { token } = await newLink(path)
    const seen = await app.request(`/api/shared/${token}`)
    expect(await seen.json()).toMatchObject({ studio: 'Own desk', project: 'Tallow Fen' })
    // A link that names a studio there is none of.
    const forged = Buffer.concat([Buffer.alloc(16, 7), Buffer.from(token, 'base64url').subarray(16)])
    expect((await app.request(`/api/shared/${forged.toString('base64url')}`)).status).toBe(404)
  })
})
