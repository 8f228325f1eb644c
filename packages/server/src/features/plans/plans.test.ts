import { fork, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { fileURLToPath } from 'node:url'
import type { ProjectSummary, StoredPlan } from '@seriatim/contract'
import { Figures } from '@seriatim/core/estimating'
import { planNow } from '@seriatim/core/forecasting'
import type { ProjectId } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { demoFile, punched, settings, startTestServer, testNow } from '../../testing/test-server.ts'
import { readProgress } from '../progress/kept-log.ts'
import { requireProject } from '../projects/service.ts'
import { readShelf } from '../shelf/service.ts'
import { planProject } from './plan-project.ts'
import { readPlan, readUnplanned } from './repository.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

const readKept = async (path: string) =>
  ((await server.call('GET', `${path}/plan`)).body as { plan: StoredPlan | null }).plan
const keep = async (path: string, body: object) =>
  ((await server.call('PUT', `${path}/plan`, body)).body as { plan: StoredPlan | null }).plan

async function seeded() {
  const { id, path, unit, line } = await server.seed()
  const { revision } = await server.project(path)
  const row = (modelIds: readonly string[]) => ({
    revision,
    batches: [{ id: 'Pikes A', unitId: unit.id, modelIds }],
    stretches: [
      { batchId: 'Pikes A', stageId: line[0]!.id, touchUp: null, by: 'airbrush', painter: 0, putOff: false },
    ],
    asFound: { finishesAt: '2026-11-30T20:00:00.000Z', exposedSeconds: 300 },
  })
  return { id: id as ProjectId, path, unit, line, revision, row }
}

describe('the plan of a project', () => {
  it('that a page made stays for every other page, until the project changes', async () => {
    const { path, unit, row, revision } = await seeded()
    expect(await readKept(path)).toBeNull()
    const first = row([unit.models[0]!.id])
    const plan = await keep(path, first)
    expect(plan).toMatchObject({ ...first, madeAt: new Date(testNow).toISOString() })
    // Another page planned the same: both keep to the first.
    const second = row([unit.models[1]!.id])
    expect(await keep(path, second)).toEqual(plan)
    await server.edit(path, (project) => ({ ...project, name: 'Reed fen' }))
    // What was planned before the change comes too late.
    expect(await keep(path, second)).toEqual(plan)
    const next = await keep(path, { ...second, revision: revision + 1 })
    expect(next).toMatchObject({ revision: revision + 1, batches: second.batches })
    expect(next!.id).not.toBe(plan!.id)
    expect(await readKept(path)).toEqual(next)
  })

  it('names its faults at their place, and is of no project that is not there', async () => {
    const { path, row } = await seeded()
    const { status, body } = await server.problem(`${path}/plan`, 'PUT', row([]))
    expect(status).toBe(422)
    expect(body.errors?.[0]?.path).toBe('batches[0].modelIds')
    expect((await server.problem(`/projects/${v7()}/plan`, 'PUT', row([v7()]))).status).toBe(404)
    expect((await server.problem(`/projects/${v7()}/plan`, 'GET')).status).toBe(404)
  })

  it('is made by the server as a page would make it, and its day is said of the project', async () => {
    const { id, path, unit, line, row } = await seeded()
    await keep(path, row([unit.models[0]!.id]))
    const done = punched(line[0]!.id, [unit.models[0]!.id])
    await server.call('POST', `${path}/events`, { events: [done] })
    const before = await readPlan(server.db, id)
    expect(await planProject(server.db, id, testNow)).toBe(true)
    const planned = planNow(
      Figures.of({
        project: await requireProject(server.db, id),
        progress: await readProgress(server.db, id),
        shelf: new Map((await readShelf(server.db)).map((each) => [each.id, each])),
        clock: testNow,
      }),
      before!,
    )
    if (!planned.ok) throw new Error(planned.error.kind)
    const kept = await readKept(path)
    expect(kept!.stretches.map((each) => each.stageId)).toEqual(
      planned.value.plan.stretches.map((each) => each.stageId),
    )
    const { finishesAt, ...rest } = planned.value.plan.asFound
    expect(kept!.asFound).toEqual({ finishesAt: new Date(finishesAt).toISOString(), ...rest })
    expect(kept!.batches.flatMap((batch) => batch.modelIds).sort()).toEqual(
      unit.models.map((model) => model.id).sort(),
    )
    const { projects } = (await server.call('GET', '/projects')).body as { projects: ProjectSummary[] }
    expect(projects.find((each) => each.id === id)!.finish).toMatchObject({
      doneBy: new Date(planned.value.forecast!.p80!).toISOString(),
      odds: planned.value.forecast!.odds,
    })
  })

  it('is out of date once anything changed that it was made of, and is not made twice of the same', async () => {
    const { id, path, unit, line } = await seeded()
    const isStale = async (at = testNow) => (await readUnplanned(server.db, at, id)).length > 0
    const tomorrow = (testNow + 86_400_000) as typeof testNow
    expect(await isStale()).toBe(true)
    await planProject(server.db, id, testNow)
    expect([await isStale(), await isStale(tomorrow)]).toEqual([false, true])
    expect(await planProject(server.db, id, testNow)).toBe(false)
    const changes: readonly (() => Promise<unknown>)[] = [
      () => server.edit(path, (project) => ({ ...project, batchSize: 2 })),
      () => server.call('POST', `${path}/events`, { events: [punched(line[1]!.id, [unit.models[2]!.id])] }),
      () =>
        server.call('PUT', '/hand/brought', {
          rates: [{ technique: 'wash', size: 'foot', factor: 1.2, laps: 12 }],
        }),
      () =>
        server.call('PUT', '/air', {
          readings: [
            { at: '2026-11-24T19:41:00.000Z', place: 'indoors', celsius: 9, humidity: 85, source: 'typed' },
          ],
        }),
    ]
    for (const change of changes) {
      await change()
      expect(await isStale()).toBe(true)
      expect(await planProject(server.db, id, testNow)).toBe(true)
      expect(await isStale()).toBe(false)
    }
  })

  it('of what cannot be planned is one of nothing, and is not asked for again', async () => {
    const id = v7() as ProjectId
    await server.call('PUT', `/projects/${id}`, settings())
    expect(await planProject(server.db, id, testNow)).toBe(true)
    expect(await readKept(`/projects/${id}`)).toMatchObject({ batches: [], stretches: [] })
    expect(await planProject(server.db, id, testNow)).toBe(false)
  })
})

describe('the planner beside the servers', () => {
  const planners: ChildProcess[] = []
  const begin = async () => {
    const planner = fork(fileURLToPath(new URL('../../planner.ts', import.meta.url)), {
      env: { ...process.env, DATABASE_URL: server.url, SERIATIM_NOW: new Date(testNow).toISOString() },
      execArgv: ['--import', 'tsx'],
    })
    planners.push(planner)
    await once(planner, 'message')
    return planner
  }
  const end = async (planner: ChildProcess, signal: NodeJS.Signals) => {
    const ended = once(planner, 'exit')
    planner.kill(signal)
    return ended
  }
  afterAll(() => planners.forEach((each) => each.kill('SIGKILL')))
  const activeJobs = async () => {
    const { rows } = await server.owner.execute<{ count: string }>(
      sql`select count(*) as count from seriatim_jobs.job where name = 'plan' and state = 'active'`,
    )
    return Number(rows[0]!.count)
  }

  it('says in a sentence where the database lets it make no queue, and is not begun again', async () => {
    const url = new URL(server.url)
    const name = `nobody_${v7().replaceAll('-', '')}`
    await server.owner.execute(sql.raw(`create role ${name} login password 'x'`))
    await server.owner.execute(sql.raw(`drop schema if exists seriatim_jobs cascade`))
    url.username = name
    url.password = 'x'
    const planner = fork(fileURLToPath(new URL('../../planner.ts', import.meta.url)), {
      env: { ...process.env, DATABASE_URL: url.href },
      execArgv: ['--import', 'tsx'],
      silent: true,
    })
    planners.push(planner)
    let said = ''
    planner.stderr!.on('data', (text: Buffer) => (said += text.toString()))
    expect(await once(planner, 'exit')).toEqual([3, null])
    expect(said).toContain(
      'Plans are not made anew beside the servers: the database lets this user make no schema for their queue.',
    )
    await server.owner.execute(sql.raw(`drop owned by ${name}; drop role ${name}`))
  })

  // A guard against a hang: whoever was killed is taken for dead only after a while, and two plans are made then.
  const guard = { timeout: 1_200_000, interval: 200 }
  const unplanned = async () => (await readUnplanned(server.db, testNow)).length

  it('plans what is written before it begins and while it runs', async () => {
    const { id, path } = await seeded()
    const planner = await begin()
    await expect.poll(unplanned, guard).toBe(0)
    await server.edit(path, (project) => ({ ...project, batchSize: 1 }))
    const { revision } = await server.project(path)
    await expect.poll(async () => (await readKept(path))?.revision, guard).toBe(revision)
    expect((await readKept(path))!.batches.length).toBeGreaterThan(1)
    expect((await readUnplanned(server.db, testNow, id)).length).toBe(0)
    expect(await end(planner, 'SIGTERM')).toEqual([0, null])
  })

  // For `npm run proofs`.
  it.runIf(process.env['SERIATIM_PROOFS'] !== undefined)(
    'loses no plan when it is killed over one',
    async () => {
      expect((await server.call('POST', '/projects/import', demoFile())).status).toBe(201)
      const first = await begin()
      await expect.poll(activeJobs, guard).toBeGreaterThan(0)
      await end(first, 'SIGKILL')
      const second = await begin()
      await expect.poll(unplanned, guard).toBe(0)
      expect(await end(second, 'SIGTERM')).toEqual([0, null])
    },
  )
})
