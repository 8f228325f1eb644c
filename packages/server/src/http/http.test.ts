import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gunzipSync, gzipSync } from 'node:zlib'
import { pino } from 'pino'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../app.ts'
import { settings, startTestServer, testNow } from '../testing/test-server.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

const json = { 'content-type': 'application/json' }

describe('a page elsewhere', () => {
  const put = (host: string, headers: Record<string, string>) =>
    server.app.request(`http://${host}/api/projects/${v7()}`, {
      method: 'PUT',
      body: JSON.stringify(settings()),
      headers: { ...json, ...headers },
    })

  it.each([
    ['a foreign name mapped to this machine', 'fen.example:4640', {}],
    ['that name, saying it is its own', 'fen.example:4640', { origin: 'http://fen.example:4640' }],
    ['a foreign page', '127.0.0.1:4640', { origin: 'https://fen.example' }],
    ['a page of another program here', '127.0.0.1:4640', { origin: 'http://127.0.0.1:3000' }],
    ['a page without an origin', '127.0.0.1:4640', { origin: 'null' }],
    ['a frame', '127.0.0.1:4640', { 'sec-fetch-site': 'cross-site' }],
  ])('%s can neither write nor read', async (_, host, headers) => {
    expect((await put(host, headers as unknown as Record<string, string>)).status).toBe(403)
    const read = await server.app.request(`http://${host}/api/projects`, {
      headers: headers as unknown as Record<string, string>,
    })
    expect(read.status).toBe(403)
    expect(await read.text()).not.toContain('projects')
  })

  it.each([
    ['localhost:4640', { origin: 'http://localhost:4640' }],
    ['127.0.0.1:4640', { origin: 'http://127.0.0.1:4640', 'sec-fetch-site': 'same-origin' }],
    ['[::1]:4640', {}],
  ])('our own at %s can', async (host, headers) => {
    expect((await put(host, headers as unknown as Record<string, string>)).status).toBe(201)
  })

  it('what is nested deeper than anything here is refused before it is walked', async () => {
    const put = (body: string) => server.app.request('/api/shelf', { method: 'PUT', body, headers: json })
    const deep = (times: number) => `{"materials":${'['.repeat(times)}${']'.repeat(times)}}`
    const refused = await put(deep(6000))
    expect(refused.status).toBe(422)
    expect(((await refused.json()) as { detail: string }).detail).toBe('This is nested more than 64 times.')
    // Brackets within a text are letters.
    const told = (await (await put(`{"materials":"${'[{'.repeat(500)}\\""}`)).json()) as { detail: string }
    expect(told.detail).not.toContain('nested')
  })

  it('a form or text is no request', async () => {
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data', '']) {
      const response = await server.app.request(`/api/projects/${v7()}`, {
        method: 'PUT',
        body: JSON.stringify(settings()),
        headers: { 'content-type': type },
      })
      expect(response.status).toBe(422)
    }
  })
})

describe('answers', () => {
  it('allow no script that is not ours, no frame and no keeping of data', async () => {
    const response = await server.app.request('/api/projects')
    const policy = response.headers.get('content-security-policy') ?? ''
    expect(policy).toContain("default-src 'self'")
    expect(policy).toContain("frame-ancestors 'none'")
    expect(policy).not.toContain('unsafe')
    expect(policy).toMatch(/style-src 'self' 'nonce-[^']{16,}'/)
    expect(response.headers.get('cache-control')).toBe('no-store')
    expect(response.headers.get('x-content-type-options')).toBe('nosniff')
  })

  it('are pressed for who can read that', async () => {
    const { path } = await server.seed()
    const response = await server.app.request(`/api${path}`, { headers: { 'accept-encoding': 'gzip' } })
    expect(response.headers.get('content-encoding')).toBe('gzip')
    const text = gunzipSync(Buffer.from(await response.arrayBuffer())).toString()
    expect(JSON.parse(text)).toMatchObject({ name: 'Tallow Fen' })
  })
})

describe('requests', () => {
  it('larger than a megabyte are refused unread, but for a file', async () => {
    const weekdays = Array<number>(600_000).fill(1)
    const huge = { ...settings(), evenings: { ...settings().evenings, weekdays } }
    expect(await server.problem(`/projects/${v7()}`, 'PUT', huge)).toMatchObject({
      status: 413,
      body: { detail: 'This is larger than 1 MB, the most that is taken here.' },
    })
    expect((await server.call('POST', '/projects/import', huge)).status).toBe(422)
  })

  it.each([
    ['a NUL', 'Fen\0'],
    ['half a surrogate pair', 'Fen \uD800'],
  ])('with text that cannot be kept (%s) are refused at its place', async (_, name) => {
    expect(await server.problem(`/projects/${v7()}`, 'PUT', { ...settings(), name })).toMatchObject({
      status: 422,
      body: { errors: [{ path: 'name' }] },
    })
  })

  it.each(['0000-01-01', '1969-12-31', '2200-01-01'])('name no day like %s', async (dueOn) => {
    expect(await server.problem(`/projects/${v7()}`, 'PUT', { ...settings(), dueOn })).toMatchObject({
      status: 422,
      body: { errors: expect.arrayContaining([expect.objectContaining({ path: 'dueOn' })]) as object },
    })
  })

  it.each(['0000-01-01T00:00:00Z', '9999-12-31T23:59:59-14:00', '0001-01-01T00:00:00+14:00'])(
    'name no moment like %s',
    async (at) => {
      const readings = [{ at, celsius: 20, humidity: 50, place: 'indoors', source: 'typed' }]
      expect((await server.call('PUT', '/air', { readings })).status).toBe(422)
    },
  )
})

describe('pages', () => {
  const root = mkdtempSync(join(tmpdir(), 'seriatim-web-'))
  afterAll(() => rmSync(root, { recursive: true }))
  mkdirSync(join(root, 'assets'))
  writeFileSync(join(root, 'index.html'), '<p>the page</p>')
  writeFileSync(join(root, 'assets', 'app-1.js'), 'ours')
  writeFileSync(join(root, 'assets', 'app-1.js.gz'), gzipSync('ours, pressed at the build'))
  const get = (path: string, headers: Record<string, string> = {}) =>
    createApp({
      studios: server.studios,
      studio: server.studio,
      log: pino({ level: 'silent' }),
      now: () => testNow,
      webRoot: root,
    }).request(path, { headers })

  it('a place of the application is the page, and asked for anew each time', async () => {
    const response = await get('/projects/x/plan')
    expect(await response.text()).toContain('the page')
    expect(response.headers.get('cache-control')).toBe('no-cache')
  })

  it('an asset comes as the build pressed it, for who can read that', async () => {
    const response = await get('/assets/app-1.js', { 'accept-encoding': 'gzip' })
    expect(response.headers.get('content-encoding')).toBe('gzip')
    expect(response.headers.get('content-type')).toContain('javascript')
    expect(response.headers.get('cache-control')).toContain('immutable')
    const text = gunzipSync(Buffer.from(await response.arrayBuffer())).toString()
    expect(text).toBe('ours, pressed at the build')
    expect(await (await get('/assets/app-1.js')).text()).toBe('ours')
  })

  it('an asset is kept for good; one that is not there is not there', async () => {
    expect((await get('/assets/app-1.js')).headers.get('cache-control')).toContain('immutable')
    for (const path of ['/assets/app-2.js', '/assets/nothing', '/missing.png'])
      expect((await get(path)).status).toBe(404)
  })
})

describe('limits hold on what there is, with a sentence', () => {
  it('for readings of the air and for the shelf', async () => {
    const from = testNow
    const readings = (hour: number) =>
      Array.from({ length: 10_000 }, (_, index) => ({
        at: new Date(from + (hour * 10_000 + index) * 1000).toISOString(),
        celsius: 20,
        humidity: 50,
        place: 'outdoors',
        source: 'file',
      }))
    for (const part of [0, 1])
      expect((await server.call('PUT', '/air', { readings: readings(part) })).status).toBe(200)
    expect(await server.problem('/air', 'PUT', { readings: readings(2) })).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('more than 20,000 readings') as string },
    })
    const all = (await server.call('GET', '/air')).body as { readings: unknown[] }
    expect(all.readings).toHaveLength(20_000)
    const material = (index: number) => ({
      id: v7(),
      name: `paint ${String(index)}`,
      kind: 'opaque',
      colour: '#112233',
      carrier: 'water',
      opacity: 1,
      dryingMinSeconds: 0,
      dryingMaxSeconds: 0,
      coverage: 1,
      reactivates: false,
      stockMl: 0,
      potMl: 0,
    })
    const shelf = Array.from({ length: 5000 }, (_, index) => material(index))
    expect((await server.call('PUT', '/shelf', { materials: shelf })).status).toBe(200)
    expect(await server.problem('/shelf', 'PUT', { materials: [material(5000)] })).toMatchObject({
      status: 422,
      body: { detail: expect.stringContaining('up to 5,000 materials') as string },
    })
  })
})

describe('a database that breaks under way', () => {
  it('ends a transaction and not the server', async () => {
    const other = await startTestServer()
    const { path } = await other.seed()
    await other.owner.execute(`create function cut() returns trigger language plpgsql security definer as
      $$ begin perform pg_terminate_backend(pg_backend_pid()); perform pg_sleep(0.2); return new; end $$`)
    await other.owner.execute(
      'create trigger cut before insert on project_change for each row execute function cut()',
    )
    const answer = await other.edit(path, (project) => ({ ...project, name: 'Weir' }))
    expect(answer.status).toBe(503)
    await other.owner.execute('drop trigger cut on project_change')
    expect((await other.edit(path, (project) => ({ ...project, name: 'Weir' }))).status).toBe(200)
    await other.stop()
  })
})
