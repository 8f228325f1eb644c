import { routes } from '@seriatim/contract'
import { usualPriceList } from '@seriatim/core/money'
import { getTableName, is, sql } from 'drizzle-orm'
import { PgTable } from 'drizzle-orm/pg-core'
import { pino } from 'pino'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createApp } from '../app.ts'
import { stockShelfOnce } from '../features/shelf/service.ts'
import {
  demoFile,
  newChange,
  newQuote,
  punched,
  settings,
  startTestServer,
  testNow,
} from '../testing/test-server.ts'
import type { StudioId } from './schema/columns.ts'
import * as commissions from './schema/commissions.ts'
import * as desk from './schema/desk.ts'
import * as line from './schema/line.ts'
import * as photos from './schema/photo.ts'
import * as plans from './schema/plan.ts'
import * as progress from './schema/progress.ts'
import * as projects from './schema/project.ts'
import * as roster from './schema/roster.ts'
import { accessKey, membership } from './schema/door.ts'
import { studio } from './schema/studio.ts'

/** Every table but the one row that names the database. */
const tables = [
  commissions,
  desk,
  photos,
  plans,
  line,
  progress,
  projects,
  roster,
  { accessKey, membership, studio },
].flatMap((area) => Object.values(area).filter((each): each is PgTable => is(each, PgTable)))

let server: Awaited<ReturnType<typeof startTestServer>>
let other: StudioId
let others: ReturnType<typeof createApp>
/** The demo, with rows in every table. */
const demo = demoFile()
const demoPath = `/projects/${demo.project.id}`

const ask = (app: ReturnType<typeof createApp>, method: string, path: string, body?: unknown) =>
  app.request(`/api${path}`, {
    method,
    ...(body === undefined
      ? {}
      : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  })

beforeAll(async () => {
  server = await startTestServer()
  other = v7() as StudioId
  await server.owner.execute(sql`insert into studio (id, name) values (${other}, 'Across the river')`)
  others = createApp({
    studios: server.studios,
    studio: other,
    log: pino({ level: 'silent' }),
    now: () => testNow,
  })
  await stockShelfOnce(server.db)
  expect((await server.call('POST', '/projects/import', demo)).status).toBe(201)
  const {
    line: [stage],
    units: [unit],
  } = await server.project(demoPath)
  await server.edit(demoPath, (project) => ({
    ...project,
    name: 'Renamed',
    line: project.line.map((each) => (each.id === stage!.id ? { ...each, notNeededBy: [unit!.id] } : each)),
  }))
  const milestone = {
    id: v7(),
    at: '2026-11-24T19:41:00.000Z',
    kind: 'milestone',
    stageIds: [stage!.id],
    modelIds: [unit!.models[0]!.id],
    workSeconds: 600,
  }
  await server.call('POST', `${demoPath}/events`, { events: [milestone] })
  await server.call('PUT', '/air', {
    readings: [
      { at: '2026-11-24T19:41:00.000Z', place: 'indoors', celsius: 19, humidity: 55, source: 'typed' },
    ],
  })
  await server.call('PUT', '/hand/brought', {
    rates: [{ technique: 'wash', size: 'foot', factor: 1.2, laps: 12 }],
  })
  await server.owner.execute(
    sql`insert into door.account (id, name, email) values ('odile', 'Odile', 'odile@tallow.test')`,
  )
  await server.db.execute(sql`insert into membership (account_id, role) values ('odile', 'owner')`)
  await server.db.execute(sql`
    insert into access_key (id, account_id, name, scope, hash) values ('key', 'odile', 'Feed', 'look', 'none')`)
  await server.call('PUT', `/clients/${v7()}`, { name: 'Maren Voss', contact: '', note: '' })
  await server.call('PUT', '/prices', { prices: usualPriceList, revision: 0 })
  await server.call('PUT', `${demoPath}/plan`, {
    revision: (await server.project(demoPath)).revision,
    batches: [{ id: 'Officers A', unitId: unit!.id, modelIds: [unit!.models[0]!.id] }],
    stretches: [],
  })
  await server.call('POST', `${demoPath}/links`, { days: 30 })
  await server.db.execute(sql`
    insert into photo (id, project_id, caption, width, height, body, made_at)
    values (${v7()}, ${demo.project.id}, '', 1, 1, '', now())`)
  await server.db.execute(sql`
    insert into quote (id, project_id, number, document, made_at) values (${v7()}, ${demo.project.id}, 1, '{}', now())`)
  await server.call('GET', '/projects')
  await server.call('GET', `${demoPath}/events?after=0`)
  await server.db.execute(sql`
    insert into packed_log (project_id, last, body) values (${demo.project.id}, 1, convert_to('', 'utf8')) on conflict do nothing`)
})
afterAll(() => server.stop())

const count = async (db: typeof server.db, table: PgTable) => db.$count(table)

describe('two studios in one database', () => {
  it('have every table under row-level security, but the one that names the database', async () => {
    const { rows } = await server.owner.execute<{ name: string; bound: boolean }>(sql`
      select relname as name, relrowsecurity as bound from pg_class
      where relnamespace = 'public'::regnamespace and relkind = 'r' order by relname`)
    expect(rows.filter((row) => !row.bound).map((row) => row.name)).toEqual(['installation'])
    expect(rows.filter((row) => row.bound).map((row) => row.name)).toEqual(tables.map(getTableName).sort())
  })

  it('do not meet where every filter is forgotten', async () => {
    const theirs = server.studios.of(other)
    for (const table of tables) {
      const name = getTableName(table)
      const own = await count(server.db, table)
      expect(own, `rows of ${name} to look for`).toBeGreaterThan(0)
      expect(await count(theirs, table), `rows of ${name} that the other studio sees`).toBe(
        table === studio ? 1 : 0,
      )
      // What only grows refuses by itself; of all else nothing is reached.
      const reached = await theirs
        .execute(sql`delete from ${table} where true returning 1`)
        .catch(() => ({ rows: [] }))
      expect(reached.rows, `rows of ${name} that the other studio takes away`).toHaveLength(0)
      expect(await count(server.db, table)).toBe(own)
    }
  })

  it('cannot hang a row of theirs on one of the other', async () => {
    const theirs = server.studios.of(other)
    const { units, line: stages } = await server.project(demoPath)
    const [unit] = units
    await expect(
      theirs.execute(sql`
        insert into model (id, unit_id, position, document)
        values (${v7()}, ${unit!.id}, 0, '{}')`),
    ).rejects.toMatchObject({ cause: { code: '23503' } })
    await expect(
      theirs.execute(sql`
        insert into model (studio_id, id, unit_id, position, document)
        values (${server.studio}, ${v7()}, ${unit!.id}, 0, '{}')`),
    ).rejects.toMatchObject({ cause: { code: '42501' } })
    await expect(
      theirs.execute(sql`
        insert into progress_event (id, project_id, kind, at, stage_id)
        values (${v7()}, ${demo.project.id}, 'punched', now(), ${stages[0]!.id})`),
    ).rejects.toMatchObject({ cause: { code: '23503' } })
  })

  it('each have the same demo, shelf and ids, and know nothing of it', async () => {
    const theirs = server.studios.of(other)
    const before = await server.project(demoPath)
    expect((await ask(others, 'GET', demoPath)).status).toBe(404)
    await stockShelfOnce(theirs)
    expect((await ask(others, 'POST', '/projects/import', demo)).status).toBe(201)
    const unit = before.units[0]!
    const punch = punched(before.line[0]!.id, [unit.models[0]!.id])
    const record = async (app: typeof others) => {
      const answer = await ask(app, 'POST', `${demoPath}/events`, { events: [punch] })
      return ((await answer.json()) as { verdicts: { verdict: string }[] }).verdicts.map(
        (each) => each.verdict,
      )
    }
    expect(await record(others)).toEqual(['taken'])
    expect(await record(server.app)).toEqual(['taken'])
    expect(await record(others)).toEqual(['known'])
    expect(await server.project(demoPath)).toEqual(before)
    await theirs.execute(sql`update project set removed_at = now()`)
    expect(await server.project(demoPath)).toEqual(before)
  })

  it('are refused by every route that names what is the other’s, as if it were not there', async () => {
    const { id, unit, line: stages, path } = await server.seed()
    const mine = v7()
    expect((await ask(others, 'PUT', `/projects/${mine}`, settings())).status).toBe(201)
    const asked: string[] = []
    for (const [name, route] of Object.entries(routes)) {
      if (!route.path.includes(':id') || name === 'createProject') continue
      const to = route.path
        .replace(':id', id)
        .replace(':quoteId', v7())
        .replace(':linkId', v7())
        .replace(':photoId', v7())
      const body = bodies(unit.models[0]!.id, stages[0]!.id)[name]
      const answer = await ask(others, route.method.toUpperCase(), to, body)
      asked.push(`${name} ${String(answer.status)}`)
      // These tell of what is their own, whatever the id.
      if (['readLibrary', 'readHand'].includes(name)) expect(await answer.text()).not.toContain(unit.id)
      else expect(answer.status, name).toBe(404)
    }
    expect(asked.length).toBeGreaterThan(8)
    // A project of that id is theirs, and empty.
    const made = await ask(others, 'PUT', path, settings())
    expect(await made.json()).toMatchObject({ units: [], line: [] })
    const punch = punched(stages[0]!.id, [unit.models[0]!.id])
    const verdicts = await ask(others, 'POST', `/projects/${mine}/events`, { events: [punch] })
    expect(await verdicts.json()).toMatchObject({ verdicts: [{ verdict: 'refused' }] })
    expect((await server.project(path)).units[0]!.models).toHaveLength(3)
  })
})

const bodies = (modelId: string, stageId: string): Record<string, unknown> => ({
  changeProject: newChange(0, [{ kind: 'set', thing: 'project', field: 'name', value: 'Taken over' }]),
  recordEvents: { events: [punched(stageId, [modelId])] },
  makeQuote: { id: v7(), after: 0, quote: newQuote() },
  acceptQuote: { standard: 'tabletop' },
  makeLink: { days: 30 },
  addPhoto: { id: v7(), caption: '', modelId: null, released: false, image: 'AAAA' },
  setPhoto: { caption: '', modelId: null, released: false },
  keepPlan: { revision: 0, batches: [], stretches: [] },
  sayFinish: { doneBy: '2026-12-10T20:00:00.000Z', odds: 0.8 },
})
