import { readFileSync } from 'node:fs'
import { sql } from 'drizzle-orm'
import { pino } from 'pino'
import { v7 } from 'uuid'
import { describe, expect, it } from 'vitest'
import { createApp } from '../app.ts'
import { settings, startTestServer, testNow } from '../testing/test-server.ts'
import { migrateDatabase, NewerDatabase } from './migrate.ts'
import type { StudioId } from './schema/columns.ts'
import { openStudios } from './studios.ts'

const log = pino({ level: 'silent' })

describe('the database', () => {
  it('migrates once and again without harm', async () => {
    const server = await startTestServer()
    await migrateDatabase(server.url)
    expect((await server.call('GET', '/health')).body).toMatchObject({ ok: true })
    await server.stop()
  })

  it('migrates once when several servers begin at once', async () => {
    const server = await startTestServer(async (_, url) => {
      await Promise.all([1, 2, 3, 4].map(() => migrateDatabase(url)))
    })
    expect((await server.call('GET', '/projects')).body).toEqual({ projects: [] })
    await server.stop()
  })

  it('with the studio that the release before kept in it is brought up to date: commission, quotes, link, picture, log', async () => {
    const server = await startTestServer(async (owner) => {
      const dump = new URL('../testing/release-studio.sql', import.meta.url)
      await owner.query(`drop schema public cascade; create schema public; ${readFileSync(dump, 'utf8')}`)
    })
    const { projects } = (await server.call('GET', '/projects')).body as { projects: { id: string }[] }
    const path = `/projects/${projects[0]!.id}`
    const project = await server.project(path)
    expect(project).toMatchObject({ name: 'Old sluice', commission: { arrivesOn: '2026-11-20' } })
    expect(project.units.map((unit) => unit.models.length)).toEqual([3])
    expect((await server.events(path)).map((event) => event.kind)).toEqual(['punched', 'punched'])
    // A quote of then was for all of it.
    expect((await server.call('GET', `${path}/commission`)).body).toMatchObject({
      quotes: [
        { number: 2, accepted: null, quote: { leftAt: null } },
        { number: 1, accepted: { standard: 'tabletop' }, quote: { leftAt: null } },
      ],
      links: [{ revokedAt: null }],
    })
    expect((await server.call('GET', '/prices')).body).toMatchObject({ prices: { hour: 2600 }, revision: 1 })
    expect((await server.call('GET', '/clients')).body).toMatchObject({ clients: [{ name: 'Maren Voss' }] })
    expect((await server.call('GET', `${path}/photos`)).body).toMatchObject({
      photos: [{ caption: 'the first', released: true }],
    })
    await server.stop()
  })

  it('with things in columns, as the release before kept them, says the same of every thing and every kind of event', async () => {
    const at = (name: string) => new URL(`../testing/${name}`, import.meta.url)
    const server = await startTestServer(async (owner) => {
      const dump = readFileSync(at('release-events.sql'), 'utf8')
      await owner.query(`drop schema public cascade; create schema public; ${dump}`)
    })
    // As that release answered for the same database; what came since may stand beside it.
    const then = JSON.parse(readFileSync(at('release-events.json'), 'utf8')) as {
      project: { id: string }
      events: { id: string }[]
    }
    const path = `/projects/${then.project.id}`
    expect(await server.project(path)).toMatchObject(then.project)
    expect(await server.events(path)).toEqual(then.events)
    await server.stop()
  })

  it('as the release before left it is brought up to date, with every event and every wish', async () => {
    const server = await startTestServer(async (owner) => {
      const dump = new URL('../testing/release-before.sql', import.meta.url)
      await owner.query(`drop schema public cascade; create schema public; ${readFileSync(dump, 'utf8')}`)
    })
    await migrateDatabase(server.url)
    const { projects } = (await server.call('GET', '/projects')).body as {
      projects: { id: string; name: string }[]
    }
    const { id } = projects.find((each) => each.name === 'Old weir')!
    const project = await server.project(`/projects/${id}`)
    const [pikes, eels] = project.units
    // Batches of two: the second of five pikes is the third and fourth; a unit of two is one batch.
    const models = pikes!.models.map((model) => model.id)
    expect(project.planning.pins).toMatchObject([
      { batchId: `${models[1]}..${models[2]}`, stageId: project.line[1]!.id, on: '2026-11-26' },
    ])
    expect(project.planning.first).toEqual([
      `${eels!.models[0]!.id}..${eels!.models[1]!.id}`,
      `${models[3]}..${models[4]}`,
    ])
    expect(project.planning.bores).toEqual({ stageSeconds: 1800, unitSeconds: 5400 })
    expect(project.planning.held).toEqual({ all: false, batches: [], stages: [] })
    expect(project.planning.handOver).toBeNull()
    expect(project.recipes[0]?.unitIds).toEqual([pikes!.id])
    expect(eels!.joinedAt).toBeNull()
    const kept = await server.owner.execute(sql`
      select bool_and(step ? 'except' and step ? 'extent') and count(*) > 0 as whole
      from recipe, jsonb_array_elements(document -> 'steps') as step`)
    expect(kept.rows).toEqual([{ whole: true }])
    const shelf = await server.owner.execute(sql`
      select bool_and(document ? 'form' and document ? 'sheen' and document ? 'workable') as whole from material`)
    expect(shelf.rows).toEqual([{ whole: true }])
    const events = await server.events(`/projects/${id}`)
    expect(events.map((event) => event.kind)).toEqual([
      'clock-started',
      'punched',
      'clock-stopped',
      'touch-up',
      'milestone',
      'judged',
      'lap-corrected',
      'punched',
      'undone',
    ])
    // What was painted keeps the wait its stage had: the middle of 600 to 1,201 seconds.
    expect(events[1]).toMatchObject({ modelIds: models.slice(0, 3).toSorted(), drySeconds: 901 })
    expect(events[4]).toMatchObject({
      waits: [
        { stageId: project.line[1]!.id, drySeconds: 901 },
        { stageId: project.line[0]!.id, drySeconds: 901 },
      ],
    })
    await expect(server.owner.execute(sql`delete from progress_event`)).rejects.toThrow()
    const file = await server.call('GET', `/projects/${id}/file`)
    expect((await server.call('POST', '/projects/import?copy=true', file.body)).status).toBe(201)
    const record = { id: v7(), at: '2026-11-24T20:00:00.000Z', kind: 'undone', targetId: events[1]!.id }
    const { body } = await server.call('POST', `/projects/${id}/events`, { events: [record] })
    expect(body).toMatchObject({ verdicts: [{ verdict: 'taken' }] })
    await server.stop()
  })

  it('gives recipes of an older version what they lack', async () => {
    const server = await startTestServer()
    const { id } = await server.seed()
    const old = { id: v7(), name: 'Old', regions: [{ name: 'skin' }, { name: 'coat' }], steps: [] }
    await server.db.execute(
      sql`insert into recipe (id, project_id, position, document) values (${old.id}, ${id}, 0, ${JSON.stringify(old)}::jsonb)`,
    )
    const migration = new URL('./migrations/0003_roles_variants_standards.sql', import.meta.url)
    const statements = readFileSync(migration, 'utf8').split('--> statement-breakpoint')
    await server.owner.execute(sql.raw(statements.at(-1) ?? ''))
    const { rows } = await server.owner.execute(sql`select document from recipe where id = ${old.id}`)
    expect(rows[0]?.document).toEqual({
      ...old,
      regions: [
        { name: 'skin', apart: '' },
        { name: 'coat', apart: '' },
      ],
      versions: [],
    })
    await server.stop()
  })

  it('written by a newer version is left alone', async () => {
    const server = await startTestServer()
    await server.owner.execute(
      sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('from the future', 9999999999999)`,
    )
    await expect(migrateDatabase(server.url)).rejects.toBeInstanceOf(NewerDatabase)
    await server.stop()
  })

  it('that does not answer gives 503 and a time to try again', async () => {
    const studios = openStudios('postgres://nobody:x@127.0.0.1:9/none', log)
    const app = createApp({ studios, studio: v7() as StudioId, log, now: () => testNow })
    const response = await app.request('/api/projects')
    expect(response.status).toBe(503)
    expect(response.headers.get('retry-after')).toBe('2')
    expect(await response.json()).toMatchObject({ type: 'urn:seriatim:problem:database-away' })
    await studios.close()
  })

  it('whose disk is full gives 507 and takes the same request later', async () => {
    const server = await startTestServer()
    await server.owner.execute(
      sql.raw(`create function full_disk() returns trigger language plpgsql as
        $$ begin raise exception 'could not extend file' using errcode = 'disk_full'; end $$`),
    )
    await server.owner.execute(
      sql`create trigger full_disk before insert on project for each row execute function full_disk()`,
    )
    const put = () => server.problem(`/projects/${v7()}`, 'PUT', settings())
    expect(await put()).toMatchObject({ status: 507, body: { type: 'urn:seriatim:problem:disk-full' } })
    await server.owner.execute(sql`drop trigger full_disk on project`)
    expect((await put()).status).toBe(201)
    await server.stop()
  })

  it('an unexpected failure gives an id and no SQL', async () => {
    const server = await startTestServer()
    await server.owner.execute(sql`alter table project rename to elsewhere`)
    const response = await server.app.request('/api/projects')
    const text = await response.text()
    expect(response.status).toBe(500)
    expect(JSON.parse(text)).toHaveProperty('requestId')
    expect(text).not.toMatch(/select|relation|elsewhere/i)
    await server.stop()
  })

  it('that restarts under way is used again by itself', async () => {
    const server = await startTestServer()
    expect((await server.call('GET', '/projects')).status).toBe(200)
    await server.db
      .execute(sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database()`)
      .catch(() => undefined)
    const states: number[] = []
    for (let attempt = 0; attempt < 3; attempt++) states.push((await server.call('GET', '/projects')).status)
    expect(states.at(-1)).toBe(200)
    await server.stop()
  })
})
