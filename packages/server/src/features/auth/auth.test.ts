import { mayAsk, roles, routes, type Me, type Role } from '@seriatim/contract'
import { usualPriceList } from '@seriatim/core/money'
import { sql } from 'drizzle-orm'
import { pino } from 'pino'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../../app.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import {
  newChange,
  newQuote,
  onePixel,
  punched,
  settings,
  startTestServer,
  testNow,
} from '../../testing/test-server.ts'
import { openAuth, type Accounts } from './auth.ts'
import { insertStudio } from './repository.ts'
import { addMember, moveIn } from './service.ts'

const origin = 'http://desk.test:4640'
const secret = 'reed heron marsh tallow'

let server: Awaited<ReturnType<typeof startTestServer>>
let app: ReturnType<typeof createApp>
let accounts: Accounts | undefined
const cookies = new Map<string, string>()

/** What of an answer is looked at. */
interface Said {
  readonly member: { readonly id: string; readonly email: string }
  readonly password: string
  readonly role: Role
  readonly detail: string
  readonly made: { readonly id: string }
  readonly key: string
  readonly token: string
  readonly id: string
  readonly changes: readonly { readonly signedBy: string | null }[]
}

async function ask(
  who: string,
  method: string,
  path: string,
  body?: unknown,
  headers: Record<string, string> = {},
) {
  const cookie = cookies.get(who)
  const answer = await app.request(`${origin}/api${path}`, {
    method,
    headers: {
      host: new URL(origin).host,
      origin,
      ...(cookie === undefined ? {} : { cookie }),
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      ...headers,
    },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })
  const text = await answer.text()
  return {
    status: answer.status,
    headers: answer.headers,
    body: JSON.parse(text || 'null') as Said,
  }
}

async function signIn(who: string, email: string, password: string) {
  const answer = await ask('nobody', 'POST', '/auth/sign-in/email', { email, password })
  const given = answer.headers.getSetCookie().map((each) => each.split(';')[0])
  if (answer.status === 200) cookies.set(who, given.join('; '))
  return answer
}

const address = (role: string) => `${role}@tallow.test`

beforeAll(async () => {
  server = await startTestServer()
  const { owner } = server
  const log = pino({ level: 'silent' })
  const door = await openAuth(owner, origin, log)
  app = createApp({
    studios: server.studios,
    studio: server.studio,
    log,
    now: () => testNow,
    news: server.news,
    door: { door, owner, origin },
  })
  accounts = door.accounts
  const of = { db: server.db, owner, accounts: door.accounts }
  for (const role of roles) await addMember(of, { name: role, email: address(role), role }, secret)
  const other = v7() as StudioId
  await owner.execute(sql`insert into studio (id, name) values (${other}, 'Across the river')`)
  await addMember(
    { ...of, db: server.studios.of(other) },
    { name: 'stranger', email: address('stranger'), role: 'owner' },
    secret,
  )
  for (const who of [...roles, 'stranger']) expect((await signIn(who, address(who), secret)).status).toBe(200)
})
afterAll(() => server.stop())

describe('the door', () => {
  it('lets nobody in who has not signed in, and tells them so', async () => {
    const me = { door: true, member: null, studio: null, otherStudios: [] }
    expect((await ask('nobody', 'GET', '/me')).body).toEqual(me)
    expect(await ask('nobody', 'GET', '/projects')).toMatchObject({
      status: 401,
      body: { type: 'urn:seriatim:problem:sign-in-needed' },
    })
    expect((await ask('nobody', 'GET', '/openapi.json')).status).toBe(401)
    expect((await ask('nobody', 'GET', '/anything')).status).toBe(401)
    expect((await ask('owner', 'GET', '/me')).body).toMatchObject({
      member: { name: 'owner', role: 'owner' },
    })
  })

  it('does not say whether an address is known, and takes no new account', async () => {
    const wrong = await signIn('x', address('owner'), 'not the password')
    const unknown = await signIn('x', 'nobody@tallow.test', 'not the password')
    expect([wrong.status, unknown.status]).toEqual([401, 401])
    expect(wrong.body).toEqual(unknown.body)
    const made = await ask('nobody', 'POST', '/auth/sign-up/email', {
      name: 'x',
      email: 'x@y.test',
      password: secret,
    })
    expect(made.status).toBeGreaterThanOrEqual(400)
  })

  it('answers of the library only what pages ask, and takes no more than an address and a password', async () => {
    for (const path of ['update-user', 'change-email', 'delete-user', 'list-sessions', 'forget-password'])
      expect((await ask('owner', 'POST', `/auth/${path}`, { name: 'Owner A' })).status).toBe(404)
    expect((await ask('owner', 'GET', '/auth/get-session')).status).toBe(404)
    const long = { email: address('owner'), password: 'x'.repeat(400_000) }
    expect((await ask('nobody', 'POST', '/auth/sign-in/email', long)).status).toBe(413)
  })

  it('answers under its own name and to its own pages alone', async () => {
    const elsewhere = await ask('owner', 'GET', '/projects', undefined, { origin: 'http://elsewhere.test' })
    expect(elsewhere.status).toBe(403)
    const renamed = await app.request('http://127.0.0.1:4640/api/projects', {
      headers: { cookie: cookies.get('owner')! },
    })
    expect(renamed.status).toBe(403)
    const forged = await ask(
      'nobody',
      'POST',
      '/auth/sign-in/email',
      { email: address('owner'), password: secret },
      { origin: 'http://elsewhere.test' },
    )
    expect(forged.status).toBe(403)
  })

  it('opens to each role what is for it, and to a stranger nothing of this studio', async () => {
    const { id, line, unit } = await server.seed()
    const { token } = (await ask('owner', 'POST', `/projects/${id}/links`, { days: 30 })).body
    const photoId = v7()
    const photo = { caption: '', modelId: null, released: true }
    const added = { ...photo, id: photoId, image: await onePixel() }
    expect((await ask('owner', 'POST', `/projects/${id}/photos`, added)).status).toBe(201)
    const bodies: Record<string, unknown> = {
      addPhoto: { ...added, id: v7() },
      setPhoto: photo,
      nameStudio: { name: 'Own desk' },
      putClient: { name: 'Maren Voss', contact: '', note: '' },
      putPrices: { prices: usualPriceList, revision: 7 },
      makeQuote: { id: v7(), after: 0, quote: newQuote() },
      acceptQuote: { standard: 'tabletop' },
      makeLink: { days: 30 },
      createProject: settings(),
      changeProject: newChange(1, [{ kind: 'set', thing: 'project', field: 'name', value: 'Tallow Fen' }]),
      recordEvents: { events: [punched(line[0]!.id, [unit.models[0]!.id])] },
      sayFinish: { doneBy: null, odds: null },
      keepPlan: { revision: 0, batches: [], stretches: [] },
      addMember: { name: '', email: '', role: 'painter' },
      setMemberRole: { role: 'painter' },
      addKey: { name: 'A script', scope: 'look' },
      chooseStudio: { studioId: v7() },
    }
    const table: string[] = []
    for (const [name, route] of Object.entries(routes)) {
      const to = route.path
        .replace(':id', id)
        .replace(':materialId', v7())
        .replace(':memberId', v7())
        .replace(':keyId', v7())
        .replace(':clientId', v7())
        .replace(':quoteId', v7())
        .replace(':linkId', v7())
        .replace(':token', token)
        .replace(':photoId', name === 'removePhoto' ? v7() : photoId)
      // What takes the project away would take it from who comes after.
      if (name === 'removeProject' || name === 'restoreProject') continue
      const statuses: number[] = []
      // Making a project of this id would make a stranger one of their own.
      const all = ['nobody', ...roles, ...(name === 'createProject' ? [] : ['stranger'])]
      for (const who of all) {
        const { status } = await ask(
          who,
          route.method,
          to,
          bodies[name] ?? (route.method === 'GET' || route.method === 'DELETE' ? undefined : {}),
        )
        statuses.push(status)
        const role = who === 'stranger' ? 'owner' : (who as Role)
        if (route.audience === 'anyone') expect(status, `${name} for ${who}`).toBe(200)
        else if (who === 'nobody') expect(status, `${name} for nobody`).toBe(401)
        else if (!mayAsk(role, route.audience)) expect(status, `${name} for ${who}`).toBe(403)
        else expect([401, 403, 500], `${name} for ${who}`).not.toContain(status)
        if (who === 'stranger' && route.path.startsWith('/projects/:id'))
          expect(status, `${name} for a stranger`).toBe(404)
        if (who === 'stranger' && route.path.includes(':memberId')) expect(status).toBe(404)
      }
      table.push(`${name.padEnd(20)} ${route.audience.padEnd(8)} ${statuses.join('  ')}`)
    }
    process.stdout.write(
      `${['route                for      nobody painter manager owner stranger', ...table].join('\n')}\n`,
    )
    expect(table.length).toBe(Object.keys(routes).length - 2)
  })

  it('keeps who changed a project and who quoted and noted the yes, by key too', async () => {
    const { id } = await server.seed()
    const rename = (name: string) =>
      newChange(1, [{ kind: 'set', thing: 'project', field: name, value: 9 } as never])
    expect((await ask('manager', 'POST', `/projects/${id}/changes`, rename('batchSize'))).status).toBe(200)
    const { key } = (await ask('owner', 'POST', '/keys', { name: 'A script', scope: 'change' })).body
    const byKey = await ask('nobody', 'POST', `/projects/${id}/changes`, rename('firstBatch'), {
      authorization: `Bearer ${key}`,
    })
    expect(byKey.status).toBe(200)
    const { changes } = (await ask('painter', 'GET', `/projects/${id}/changes`)).body
    expect(changes.map((change) => change.signedBy)).toEqual(['owner', 'manager', null])
    const quoted = (
      await ask('manager', 'POST', `/projects/${id}/quotes`, { id: v7(), after: 0, quote: newQuote() })
    ).body
    const yes = await ask('owner', 'POST', `/projects/${id}/quotes/${quoted.id}/yes`, {
      standard: 'tabletop',
    })
    expect(yes.body).toMatchObject({ madeBy: 'manager', accepted: { by: 'owner' } })
  })

  it('is kept by its owners: members come, change, get a new password, and go with their sign-ins', async () => {
    const made = await ask('owner', 'POST', '/members', {
      name: 'Second hand',
      email: 'Second@Tallow.test',
      role: 'painter',
    })
    expect(made).toMatchObject({
      status: 201,
      body: { member: { email: 'second@tallow.test', role: 'painter' } },
    })
    const { member, password } = made.body
    expect((await signIn('second', member.email, password)).status).toBe(200)
    expect((await ask('second', 'GET', '/projects')).status).toBe(200)
    expect(
      (await ask('owner', 'POST', '/members', { name: 'Again', email: member.email, role: 'painter' })).body,
    ).toMatchObject({
      errors: [{ path: 'email', message: 'Somebody with this address can sign in here already.' }],
    })
    expect((await ask('second', 'PUT', `/projects/${v7()}`, settings())).status).toBe(403)
    expect((await ask('owner', 'PUT', `/members/${member.id}`, { role: 'manager' })).body.role).toBe(
      'manager',
    )
    expect((await ask('second', 'PUT', `/projects/${v7()}`, settings())).status).toBe(201)
    const renewed = await ask('owner', 'POST', `/members/${member.id}/password`, {})
    expect((await ask('second', 'GET', '/projects')).status).toBe(401)
    expect((await signIn('second', member.email, renewed.body.password)).status).toBe(200)
    const { id } = await server.seed()
    const line = await app.request(`${origin}/api/projects/${id}/news`, {
      headers: { host: new URL(origin).host, cookie: cookies.get('second') ?? '' },
    })
    expect(line.status).toBe(200)
    expect((await ask('owner', 'DELETE', `/members/${member.id}`)).status).toBe(200)
    // Who was let go hears no news any more, though the line stood open: it is over at the next asking.
    const news = line.body!.getReader()
    for (let isOver = false; !isOver;) isOver = (await news.read()).done
    expect((await ask('second', 'GET', '/projects')).status).toBe(401)
    expect((await signIn('second', member.email, renewed.body.password)).status).toBe(401)
  })

  it('asks who has an account elsewhere, who comes by choosing, and whose password is theirs alone', async () => {
    await ask('stranger', 'PUT', '/studio', { name: 'Across the river' })
    const asked = { name: 'Whoever', email: address('stranger'), role: 'manager' }
    const made = await ask('owner', 'POST', '/members', asked)
    // What somebody is called elsewhere is not told, and no password is made.
    expect(made.body).toMatchObject({
      member: { name: asked.email, email: asked.email, role: 'manager', isAsked: true },
      password: null,
    })
    expect((await ask('owner', 'POST', '/members', asked)).status).toBe(409)
    const { id } = made.body.member
    const { studio: here } = (await ask('owner', 'GET', '/me')).body as unknown as { studio: string }
    const meOf = async (who: string) => (await ask(who, 'GET', '/me')).body as unknown as Me
    const before = await meOf('stranger')
    expect(before.studio).toBe('Across the river')
    expect(before.otherStudios).toEqual([{ id: server.studio, name: here, isAsked: true }])
    const { id: project } = await server.seed()
    expect((await ask('stranger', 'GET', `/projects/${project}`)).status).toBe(404)
    // Who is only asked keeps no studio an owner, and is given no password.
    expect((await ask('owner', 'PUT', `/members/${id}`, { role: 'owner' })).status).toBe(200)
    const own = (await ask('owner', 'GET', '/me')).body.member.id
    expect((await ask('owner', 'DELETE', `/members/${own}`)).status).toBe(409)
    expect((await ask('owner', 'POST', `/members/${id}/password`, {})).status).toBe(409)
    await ask('owner', 'PUT', `/members/${id}`, { role: 'manager' })

    // Another device stays where it is; neither goes where nobody asked.
    expect((await signIn('stranger elsewhere', address('stranger'), secret)).status).toBe(200)
    expect((await ask('stranger', 'PUT', '/me/studio', { studioId: v7() })).status).toBe(404)
    expect((await ask('stranger', 'PUT', '/me/studio', { studioId: server.studio })).status).toBe(200)
    const after = await meOf('stranger')
    expect(after).toMatchObject({
      member: { name: 'stranger', role: 'manager', isAsked: false },
      studio: here,
    })
    expect(after.otherStudios).toMatchObject([{ name: 'Across the river', isAsked: false }])
    const [theirs] = after.otherStudios
    expect((await ask('painter', 'PUT', '/me/studio', { studioId: theirs!.id })).status).toBe(404)
    expect((await ask('stranger', 'GET', `/projects/${project}`)).status).toBe(200)
    expect((await ask('stranger elsewhere', 'GET', `/projects/${project}`)).status).toBe(404)
    expect((await meOf('stranger elsewhere')).studio).toBe('Across the river')
    const renewed = await ask('owner', 'POST', `/members/${id}/password`, {})
    expect(renewed).toMatchObject({
      status: 409,
      body: { detail: 'This account belongs to another studio too: only its holder changes its password.' },
    })

    // Let go, they are back where they came from, still signed in.
    expect((await ask('owner', 'DELETE', `/members/${id}`)).status).toBe(200)
    expect(await meOf('stranger')).toMatchObject({ studio: 'Across the river', otherStudios: [] })
    expect((await ask('stranger', 'GET', `/projects/${project}`)).status).toBe(404)
  })

  it('opens a new studio to who has an account, by the word of whoever runs the server', async () => {
    const { owner } = server
    const name = 'Below the weir'
    const studio = await insertStudio(owner, name)
    expect(await insertStudio(owner, name)).toBeNull()
    const of = { db: server.studios.of(studio!), owner, accounts: accounts! }
    const given = { name: 'x', email: address('manager'), role: 'owner' as const }
    const secretsKept = async () =>
      (
        await owner.execute(sql`
          select password from door.credential join door.account on account.id = credential.account_id
          where email = ${given.email}`)
      ).rows
    const secrets = await secretsKept()
    expect(secrets).toHaveLength(1)
    expect(await moveIn(of, given, 'another password')).toEqual({ isNew: false })
    await expect(moveIn(of, given, 'another password')).rejects.toThrow('can sign in here already')
    expect(await moveIn(of, { ...given, email: 'weir@tallow.test' }, secret)).toEqual({ isNew: true })
    expect((await ask('manager', 'PUT', '/me/studio', { studioId: studio })).status).toBe(200)
    expect((await ask('manager', 'GET', '/me')).body).toMatchObject({
      member: { role: 'owner' },
      studio: name,
    })
    expect((await ask('manager', 'GET', '/projects')).body).toEqual({ projects: [] })
    expect((await ask('manager', 'PUT', '/me/studio', { studioId: server.studio })).status).toBe(200)
    expect(await secretsKept()).toEqual(secrets)
  })

  it('gives keys to scripts and calendars: as far as their scope and their maker go, told once, and never more keys', async () => {
    const { id, line, unit } = await server.seed()
    const keyOf = async (who: string, scope: string) => {
      const { status, body } = await ask(who, 'POST', '/keys', { name: `to ${scope}`, scope })
      expect(status).toBe(201)
      return { id: body.made.id, key: body.key }
    }
    const byKey = (key: string, method: string, path: string, body?: unknown) =>
      ask('nobody', method, path, body, { authorization: `Bearer ${key}` })
    const [look, record, change] = [
      await keyOf('manager', 'look'),
      await keyOf('manager', 'record'),
      await keyOf('manager', 'change'),
    ]
    const punch = { events: [punched(line[0]!.id, [unit.models[0]!.id])] }
    const rename = () => newChange(1, [{ kind: 'set', thing: 'project', field: 'name', value: 'By script' }])
    const tried = async (key: string) => [
      (await byKey(key, 'GET', `/projects/${id}`)).status,
      (await byKey(key, 'POST', `/projects/${id}/events`, punch)).status,
      (await byKey(key, 'POST', `/projects/${id}/changes`, rename())).status,
      (await byKey(key, 'GET', '/members')).status,
      (await byKey(key, 'POST', '/keys', { name: 'More', scope: 'look' })).status,
    ]
    expect(await tried(look.key)).toEqual([200, 403, 403, 403, 403])
    expect(await tried(record.key)).toEqual([200, 200, 403, 403, 403])
    expect(await tried(change.key)).toEqual([200, 200, 200, 403, 403])
    expect(await tried('no key at all')).toEqual([401, 401, 401, 401, 401])
    expect((await ask('painter', 'POST', '/keys', { name: 'Too far', scope: 'change' })).status).toBe(403)

    // A calendar can send no header: the feed takes the key in its address, and nothing else does.
    const feed = async (key: string, path: string) =>
      (
        await app.request(`${origin}/api/projects/${id}${path}?key=${key}`, {
          headers: { host: new URL(origin).host },
        })
      ).status
    expect(await feed(look.key, '/calendar.ics')).toBe(200)
    expect(await feed('wrong', '/calendar.ics')).toBe(401)
    expect(await feed(look.key, '')).toBe(401)

    const kept = await server.owner.execute(
      sql`select string_agg(access_key::text, '') as text from access_key`,
    )
    expect(kept.rows[0]!['text']).not.toContain(look.key)
    const listed = (await ask('manager', 'GET', '/keys')).body as unknown as {
      keys: { id: string; name: string; usedAt: string | null }[]
    }
    const own = listed.keys.filter((each) => each.name.startsWith('to '))
    expect(own.map((each) => each.id)).toEqual([look.id, record.id, change.id])
    expect(own[0]!.usedAt).not.toBeNull()
    // Nobody takes away another's, and one that is gone opens nothing.
    expect((await ask('owner', 'DELETE', `/keys/${look.id}`)).status).toBe(404)
    expect((await ask('manager', 'DELETE', `/keys/${look.id}`)).status).toBe(200)
    expect((await tried(look.key))[0]).toBe(401)

    // Whose maker may less opens less, and whose maker is gone opens nothing.
    const { members } = (await ask('owner', 'GET', '/members')).body as unknown as {
      members: { id: string; role: Role }[]
    }
    const maker = members.find((each) => each.role === 'manager')!
    await ask('owner', 'PUT', `/members/${maker.id}`, { role: 'painter' })
    expect((await tried(change.key))[2]).toBe(403)
    await ask('owner', 'DELETE', `/members/${maker.id}`)
    expect((await tried(change.key))[0]).toBe(401)
  })

  it('keeps an owner', async () => {
    const { members } = (await ask('owner', 'GET', '/members')).body as unknown as {
      members: { id: string; role: Role }[]
    }
    const { id } = members.find((each) => each.role === 'owner')!
    for (const refused of [
      await ask('owner', 'DELETE', `/members/${id}`),
      await ask('owner', 'PUT', `/members/${id}`, { role: 'painter' }),
    ]) {
      expect(refused.status).toBe(409)
      expect(refused.body.detail).toBe('The last owner stays one: make somebody else an owner first.')
    }
    expect((await ask('owner', 'GET', '/members')).status).toBe(200)
  })

  it('shuts for a while on whoever guesses', async () => {
    const states: number[] = []
    for (let guess = 0; guess < 14; guess++)
      states.push((await signIn('x', address('manager'), `guess number ${guess}`)).status)
    expect(states.at(-1)).toBe(429)
  })
})
