import { unpackLog, type EventVerdict, type PackedLog } from '@seriatim/contract'
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
const eventsOf = (path: string, after = 0) => server.events(path, after)
const send = async (path: string, events: readonly unknown[]) => {
  const { status, body } = await server.call('POST', `${path}/events`, { events })
  const { verdicts = [] } = body as { verdicts?: EventVerdict[] }
  return {
    status,
    verdicts: verdicts.map((each) => each.verdict),
    reasons: verdicts.map((each) => each.reason),
  }
}

const sortedModels = (event: object) =>
  'modelIds' in event ? { modelIds: (event.modelIds as string[]).toSorted() } : {}

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
      {
        id: v7(),
        at,
        kind: 'judged',
        stageId,
        modelIds: modelIds.slice(0, 1),
        verdict: 'another colour',
        note: 'too cold',
        mix: [{ materialId: v7(), parts: 1 }],
      },
      {
        id: v7(),
        at,
        kind: 'used',
        stageId,
        modelIds: modelIds.slice(0, 1),
        mix: [
          { materialId: v7(), parts: 2 },
          { materialId: v7(), parts: 1 },
        ],
        note: 'the pot was empty',
      },
      {
        id: v7(),
        at,
        kind: 'touch-up',
        stageId,
        modelIds: modelIds.slice(0, 1),
        note: 'slip over a border',
        region: 'cloak',
      },
      { id: v7(), at, kind: 'felt', stageId, modelIds: modelIds.slice(0, 1), feels: 'tacky' },
      { id: v7(), at, kind: 'inspected', modelIds, verdict: 'left', note: 'thin on the inside' },
      { id: v7(), at, kind: 'lap-corrected', targetId: started.id, workSeconds: 300, note: 'telephone' },
      { id: v7(), at, kind: 'lap-corrected', targetId: started.id, workSeconds: null, note: 'fell asleep' },
    ]
    const undo = { id: v7(), at, kind: 'undone', targetId: events[4]!.id }
    expect((await server.call('POST', `${path}/events`, { events })).status).toBe(200)
    expect((await server.call('POST', `${path}/events`, { events: [undo] })).status).toBe(200)
    expect(await eventsOf(path)).toEqual([
      ...events.map((event) => ({ ...event, ...sortedModels(event) })),
      undo,
    ])
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

  it('the same id with another content is refused, and changes nothing of the first', async () => {
    const { path, line, unit } = await server.seed()
    const event = punched(line[0]!.id, [unit.models[0]!.id])
    const other = { ...event, modelIds: [unit.models[1]!.id] }
    const elsewhere = await server.seed()
    expect((await send(path, [event])).verdicts).toEqual(['taken'])
    expect((await send(path, [other])).verdicts).toEqual(['refused'])
    expect((await send(path, [{ ...other, id: event.id.toUpperCase() }])).verdicts).toEqual(['refused'])
    expect((await send(path, [{ ...event, id: event.id.toUpperCase() }])).verdicts).toEqual(['known'])
    expect((await send(elsewhere.path, [event])).verdicts).toEqual(['refused'])
    const foreign = punched(elsewhere.line[0]!.id, [elsewhere.unit.models[0]!.id], { id: event.id })
    expect((await send(elsewhere.path, [foreign])).reasons).toEqual(['This id is taken by another event.'])
    const [one, two] = [
      punched(line[0]!.id, [unit.models[0]!.id]),
      punched(line[1]!.id, [unit.models[0]!.id]),
    ]
    const twins = await send(path, [one, { ...two, id: one.id }])
    expect(twins.verdicts).toEqual(['taken', 'refused'])
    expect(await eventsOf(path)).toEqual([event, one])
    expect(await eventsOf(elsewhere.path)).toEqual([])
  })

  it('of two contents sent under one id at the same moment, one is kept and never a mixture', async () => {
    const [mine, theirs] = [await server.seed(), await server.seed()]
    for (let round = 0; round < 15; round++) {
      const id = v7()
      const models = mine.unit.models.map((model) => model.id)
      const answers = await Promise.all([
        send(mine.path, [punched(mine.line[0]!.id, models.slice(0, 1), { id })]),
        send(mine.path, [punched(mine.line[0]!.id, models.slice(1, 2), { id })]),
        send(theirs.path, [punched(theirs.line[0]!.id, [theirs.unit.models[0]!.id], { id })]),
      ])
      expect(answers.flatMap((answer) => answer.verdicts).sort()).toEqual(['refused', 'refused', 'taken'])
      const kept = [...(await eventsOf(mine.path)), ...(await eventsOf(theirs.path))].filter(
        (event) => event.id === id,
      )
      expect(kept).toHaveLength(1)
      expect('modelIds' in kept[0]! && kept[0].modelIds).toHaveLength(1)
    }
  })

  it('judges each event by itself: one that names what nobody knows keeps none of the others', async () => {
    const [mine, theirs] = [await server.seed(), await server.seed()]
    const good = Array.from({ length: 198 }, () => punched(mine.line[0]!.id, [mine.unit.models[0]!.id]))
    const aimless = { id: v7(), at, kind: 'undone', targetId: v7() }
    const { verdicts, reasons } = await send(mine.path, [
      ...good,
      punched(theirs.line[0]!.id, [mine.unit.models[0]!.id]),
      punched(mine.line[0]!.id, [theirs.unit.models[0]!.id]),
      { id: v7(), at, kind: 'painted' },
      { id: v7(), at, kind: 'punched', stageId: mine.line[0]!.id, modelIds: [] },
      'nonsense',
      aimless,
      { id: v7(), at, kind: 'undone', targetId: aimless.id },
      { ...punched(mine.line[0]!.id, [mine.unit.models[0]!.id]), at: '24.11.' },
    ])
    expect(verdicts).toEqual([...good.map(() => 'taken'), ...Array<string>(8).fill('refused')])
    expect(reasons.slice(198)).toEqual([
      'There is no such stage in this project.',
      'There is no such model in this project.',
      'This is none of the kinds known here. (kind)',
      'Name at least one model. (modelIds)',
      'This must be an object.',
      'There is no such event in this project.',
      'There is no such event in this project.',
      'Give a moment as ISO 8601 with an offset, such as 2026-11-24T19:30:00Z. (at)',
    ])
    expect(await eventsOf(mine.path)).toHaveLength(198)
  })

  it('an undo may come in the same breath as its target, and before it', async () => {
    const { path, line, unit } = await server.seed()
    const event = punched(line[0]!.id, [unit.models[0]!.id])
    const undo = { id: v7(), at, kind: 'undone', targetId: event.id }
    expect((await send(path, [undo, event])).verdicts).toEqual(['taken', 'taken'])
    const itself = { id: v7(), at, kind: 'undone', targetId: '' }
    expect((await send(path, [{ ...itself, targetId: itself.id }])).verdicts).toEqual(['refused'])
  })

  it('sets a moment ahead of its own right, and knows the event again when it is sent again', async () => {
    const { path, line, unit } = await server.seed()
    const event = punched(line[0]!.id, [unit.models[0]!.id], { at: '2026-11-25T09:00:00.000Z' })
    expect((await send(path, [event])).verdicts).toEqual(['taken'])
    expect((await send(path, [event])).verdicts).toEqual(['known'])
    expect(await eventsOf(path)).toEqual([{ ...event, at: '2026-11-24T21:00:00.000Z' }])
  })

  it('keeps who recorded what where, and the facts of the moment', async () => {
    const { path, line, unit } = await server.seed()
    const by = { device: v7(), number: 7, painter: 'you' }
    const punch = punched(line[0]!.id, [unit.models[0]!.id], {
      by,
      drySeconds: 900,
      worthSeconds: 0,
    })
    const milestone = {
      id: v7(),
      at,
      by: { ...by, number: 8, painter: null },
      kind: 'milestone',
      stageIds: line.map((stage) => stage.id),
      modelIds: [unit.models[1]!.id],
      workSeconds: 60,
      waits: [{ stageId: line[1]!.id, drySeconds: 5 }],
    }
    await send(path, [punch, milestone])
    expect(await eventsOf(path)).toEqual([punch, milestone])
  })

  it('is read on from the last number known, and nothing is passed over', async () => {
    const { path, line, unit } = await server.seed()
    const seen: string[] = []
    let last = 0
    const sent: string[] = []
    const read = async () => {
      const { body } = await server.call('GET', `${path}/events?after=${String(last)}`)
      const answer = body as { log: PackedLog; last: number }
      seen.push(...unpackLog(answer.log).map((event) => event.id))
      last = answer.last
    }
    await Promise.all([
      ...Array.from({ length: 60 }, async () => {
        const event = punched(line[0]!.id, [unit.models[0]!.id])
        sent.push(event.id)
        await send(path, [event])
      }),
      ...Array.from({ length: 20 }, async () => {
        for (let turn = 0; turn < 3; turn++) await server.call('GET', `${path}/events?after=0`)
      }),
      (async () => {
        for (let turn = 0; turn < 25; turn++) await read()
      })(),
    ])
    await read()
    expect(seen.sort()).toEqual(sent.sort())
  })

  it.each([
    [{ events: [] }, 'events'],
    [{ events: Array(501).fill(1) }, 'events'],
    [{}, 'events'],
  ])('refuses a request of nothing, or of too much, at its place', async (body, path) => {
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
      await expect(server.owner.execute(sql.raw(statement))).rejects.toMatchObject({
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
    await expect(server.owner.execute(sql.raw(statement))).rejects.toThrow()
  })
})
