import type { EventJson } from '@seriatim/contract'
import { sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { punched, startTestServer } from '../../testing/test-server.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

const at = '2026-11-24T20:00:00.000Z'
const eventsOf = async (path: string) =>
  ((await server.call('GET', `${path}/events`)).body as { events: EventJson[] }).events

describe('the progress log', () => {
  it('keeps every kind of event as it was sent, in the order it came', async () => {
    const { path, line, unit } = await server.seed()
    const stageId = line[0]!.id
    const modelIds = unit.models.map((model) => model.id)
    const started = { id: v7(), at, kind: 'clock-started', stageId, modelIds }
    const events = [
      started,
      punched(stageId, modelIds.slice(0, 1)),
      { id: v7(), at, kind: 'clock-stopped', targetId: started.id },
      {
        id: v7(),
        at,
        kind: 'touch-up',
        stageId,
        modelIds: modelIds.slice(1, 2),
        note: 'bare behind the shield',
      },
      { id: v7(), at, kind: 'cleared', stageId, modelIds: modelIds.slice(0, 1) },
      {
        id: v7(),
        at,
        kind: 'milestone',
        stageIds: line.map((stage) => stage.id).toReversed(),
        modelIds: modelIds.slice(0, 2),
        workSeconds: 5400,
      },
      {
        id: v7(),
        at,
        kind: 'judged',
        stageId,
        modelIds: modelIds.slice(0, 1),
        verdict: 'did nothing',
        note: '',
      },
      { id: v7(), at, kind: 'lap-corrected', targetId: started.id, workSeconds: 300, note: 'telephone' },
      { id: v7(), at, kind: 'lap-corrected', targetId: started.id, workSeconds: null, note: 'fell asleep' },
    ]
    const undo = { id: v7(), at, kind: 'undone', targetId: events[4]!.id }
    expect((await server.call('POST', `${path}/events`, { events })).status).toBe(200)
    expect((await server.call('POST', `${path}/events`, { events: [undo] })).status).toBe(200)
    expect(await eventsOf(path)).toEqual([...events, undo])
  })

  it('sending the same events again, or at the same time, changes nothing', async () => {
    const { path, line, unit } = await server.seed()
    const events = [punched(line[0]!.id, [unit.models[0]!.id]), punched(line[0]!.id, [unit.models[1]!.id])]
    const answers = await Promise.all([1, 2, 3].map(() => server.call('POST', `${path}/events`, { events })))
    expect(answers.map((answer) => answer.status)).toEqual([200, 200, 200])
    await server.call('POST', `${path}/events`, {
      events: [...events, punched(line[1]!.id, [unit.models[0]!.id])],
    })
    expect(await eventsOf(path)).toHaveLength(3)
  })

  it('the same id with another content is refused', async () => {
    const { path, line, unit } = await server.seed()
    const event = punched(line[0]!.id, [unit.models[0]!.id])
    await server.call('POST', `${path}/events`, { events: [event] })
    const other = await server.problem(`${path}/events`, 'POST', {
      events: [{ ...event, modelIds: [unit.models[1]!.id] }],
    })
    expect([other.status, other.body.type]).toEqual([409, 'urn:seriatim:problem:event-id-reused'])
    const elsewhere = await server.seed()
    const foreign = await server.problem(`${elsewhere.path}/events`, 'POST', { events: [event] })
    expect(foreign.status).toBe(409)
  })

  it('what an event names has to exist in the project; nothing of a faulty batch is kept', async () => {
    const [mine, theirs] = [await server.seed(), await server.seed()]
    const good = punched(mine.line[0]!.id, [mine.unit.models[0]!.id])
    const { status, body } = await server.problem(`${mine.path}/events`, 'POST', {
      events: [
        good,
        punched(theirs.line[0]!.id, [mine.unit.models[0]!.id, theirs.unit.models[0]!.id]),
        { id: v7(), at, kind: 'undone', targetId: v7() },
      ],
    })
    expect(status).toBe(422)
    expect(body.errors?.map((error) => error.path)).toEqual([
      'events[1].stageId',
      'events[1].modelIds[1]',
      'events[2].targetId',
    ])
    expect(await eventsOf(mine.path)).toEqual([])
  })

  it.each([
    [{ events: [] }, 'events'],
    [{ events: [{ id: 'x', at, kind: 'punched' }] }, 'events[0].id'],
    [{ events: [{ id: v7(), at, kind: 'painted' }] }, 'events[0].kind'],
    [{ events: [{ ...punched(v7(), []), at: '24.11.' }] }, 'events[0].at'],
  ])('refuses %j at %s', async (body, path) => {
    const seeded = await server.seed()
    const refused = await server.problem(`${seeded.path}/events`, 'POST', body)
    expect(refused.status).toBe(422)
    expect(refused.body.errors?.map((error) => error.path)).toContain(path)
  })

  it('cannot be changed or emptied, by the database’s own rule', async () => {
    const { path, line, unit } = await server.seed()
    await server.call('POST', `${path}/events`, { events: [punched(line[0]!.id, [unit.models[0]!.id])] })
    for (const statement of [
      'update progress_event set at = now()',
      'delete from progress_event_model',
      'delete from progress_event',
      'truncate progress_event cascade',
    ]) {
      await expect(server.db.execute(sql.raw(statement))).rejects.toMatchObject({
        cause: { message: 'the progress log is append-only' },
      })
    }
    expect(await eventsOf(path)).toHaveLength(1)
  })
})

describe('the database holds its own invariants', () => {
  it.each([
    ['a stage that dries backwards', `update stage set drying_max_seconds = 0, drying_min_seconds = 5`],
    ['a negative time', `update stage set set_up_seconds = -1`],
    ['a nameless unit', `update unit set name = ' '`],
    ['an unknown weekday', `update project set weekdays = '{8}'`],
    ['a batch of none', `update project set batch_size = 0`],
    ['a model of no unit', `update model set unit_id = gen_random_uuid()`],
    ['regions without names', `update stage set touch_kind = 'regions', regions = '{}'`],
  ])('%s is refused', async (_, statement) => {
    await server.seed()
    await expect(server.db.execute(sql.raw(statement))).rejects.toThrow()
  })
})
