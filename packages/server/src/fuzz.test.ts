import { usualPriceList } from '@seriatim/core/money'
import { starterShelf } from '@seriatim/core/presets'
import { bodyPlans, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import { seededRandom } from '@seriatim/core/units'
import { v7 } from 'uuid'
import { describe, expect, it } from 'vitest'
import { mutateJson, pick, type Json } from './testing/mutate-json.ts'
import {
  demoFile,
  newChange,
  newModel,
  newQuote,
  onePixel,
  newStage,
  punched,
  settings,
  startTestServer,
} from './testing/test-server.ts'
import { stockShelfOnce } from './features/shelf/service.ts'

/** `npm run proofs` asks for more. */
const requests = Number(process.env['SERIATIM_FUZZ'] ?? 150)
const firstSeed = Number(process.env['SERIATIM_SEED'] ?? 47)
const aRound = 10_000

interface Ask {
  readonly method: string
  readonly path: string
  readonly body?: Json
}

const at = '2026-11-24T20:00:00.000Z'
const by = { device: v7(), number: 3, painter: 'you' }
const asJson = (value: unknown) => JSON.parse(JSON.stringify(value)) as Json

describe('every route', () => {
  // Each round on a database of its own, so that what was let in before slows nothing down.
  const rounds = Array.from({ length: Math.ceil(requests / aRound) }, (_, round) => ({
    count: Math.min(aRound, requests - round * aRound),
    seed: firstSeed + round,
  }))
  it.each(rounds)(
    'answers odd but plausible requests without failing ($count of seed $seed)',
    async ({ count, seed }) => {
      const server = await startTestServer()
      await stockShelfOnce(server.db)
      const random = seededRandom(seed)
      const picture = await onePixel()
      const seeded = [await server.seed(), await server.seed()]
      const small = demoFile()
      const file = { ...small, events: small.events.slice(0, 12) }
      const ids = seeded.flatMap(({ id, unit, line }) => [
        id,
        unit.id,
        unit.models[0]!.id,
        line[0]!.id,
        line[1]!.id,
      ])
      const recipe = recipeFromSchool(recipeSchools[0]!, bodyPlans[0]!, 'Reed-pikes', () => v7())
      const failures: string[] = []
      for (let turn = 0; turn < count; turn++) {
        const mine = pick(seeded, random)
        const ask = pick(asksOf(mine, recipe, turn % 40 === 0 ? file : null, picture), random)
        const body = ask.body === undefined ? undefined : mutateJson(ask.body, random, ids)
        const path = random() < 0.1 ? ask.path.replace(mine.id, pick(ids, random)) : ask.path
        const { status } = await server.call(ask.method, path, body)
        if (status >= 500)
          failures.push(
            `${String(status)} ${ask.method} ${path} ${JSON.stringify(body ?? null).slice(0, 600)}`,
          )
      }
      expect(failures).toEqual([])
      // What was let in can be read.
      for (const { path } of seeded) {
        expect((await server.call('GET', path)).status).toBe(200)
        expect((await server.call('GET', `${path}/events`)).status).toBe(200)
        const out = await server.call('GET', `${path}/file`)
        expect(out.status).toBe(200)
        expect((await server.call('POST', '/projects/import?copy=true', out.body)).status).toBe(201)
      }
      expect((await server.call('GET', '/projects')).status).toBe(200)
      await server.stop()
    },
  )
})

type Seeded = Awaited<ReturnType<Awaited<ReturnType<typeof startTestServer>>['seed']>>

function asksOf(
  { path, unit, line, id }: Seeded,
  recipe: object,
  file: object | null,
  picture: string,
): readonly Ask[] {
  const stageId = line[0]!.id
  const modelIds = unit.models.map((model) => model.id)
  const punch = punched(stageId, modelIds, { by, drySeconds: 60, worthSeconds: 60 })
  const events = [
    punch,
    { ...punch, id: v7(), kind: 'clock-started' },
    { id: v7(), at, by, kind: 'clock-stopped', targetId: punch.id },
    { id: v7(), at, kind: 'undone', targetId: punch.id },
    { id: v7(), at, kind: 'touch-up', stageId, modelIds, note: 'slip' },
    { id: v7(), at, kind: 'judged', stageId, modelIds, verdict: 'worth it', note: '' },
    { id: v7(), at, kind: 'lap-corrected', targetId: punch.id, workSeconds: 60, note: 'telephone' },
    {
      id: v7(),
      at,
      kind: 'milestone',
      stageIds: line.map((stage) => stage.id),
      modelIds,
      workSeconds: 60,
      waits: [{ stageId, drySeconds: 60 }],
    },
  ]
  const last = { after: 'x', before: null }
  const stage = newStage('Grit', { notNeededBy: [unit.id], typed: [], cautions: ['dust'] })
  const commands = [
    { kind: 'set', thing: 'project', field: 'batchSize', value: 7 },
    {
      kind: 'set',
      thing: 'project',
      field: 'commission',
      value: {
        clientId: v7(),
        arrivesOn: '2026-11-26',
        received: 'all there',
        testModel: { modelId: modelIds[0], agreedOn: null },
        deliveredOn: null,
      },
    },
    {
      kind: 'put',
      thing: 'batch',
      id: `${modelIds[0]!}..${modelIds[1]!}`,
      in: null,
      ...last,
      value: { id: `${modelIds[0]!}..${modelIds[1]!}`, unitId: unit.id, modelIds },
    },
    {
      kind: 'put',
      thing: 'holder',
      id: `${modelIds[0]!}..${modelIds[1]!}`,
      in: null,
      ...last,
      value: { id: `${modelIds[0]!}..${modelIds[1]!}`, painterId: 'you' },
    },
    {
      kind: 'set',
      thing: 'project',
      field: 'handOver',
      value: { at: '10:00', cureSeconds: 86_400, packingSeconds: 3600 },
    },
    { kind: 'set', thing: 'project', field: 'evenings', value: settings().evenings },
    { kind: 'set', thing: 'project', field: 'first', value: [`${modelIds[0]!}..${modelIds[1]!}`] },
    { kind: 'set', thing: 'unit', id: unit.id, in: null, field: 'pilot', value: [modelIds[0]] },
    {
      kind: 'set',
      thing: 'unit',
      id: unit.id,
      in: null,
      field: 'joinedAt',
      value: { unitId: unit.id, stageId },
    },
    { kind: 'set', thing: 'stage', id: stageId, in: null, field: 'notNeededBy', value: [unit.id] },
    { kind: 'set', thing: 'stage', id: stageId, in: null, field: 'dryingMaxSeconds', value: 900 },
    { kind: 'put', thing: 'stage', id: stage.id, in: null, ...last, value: stage },
    { kind: 'put', thing: 'model', id: v7(), in: unit.id, ...last, value: newModel(9) },
    { kind: 'put', thing: 'recipe', id: v7(), in: null, ...last, value: recipe },
    { kind: 'take', thing: 'model', id: modelIds[2], in: unit.id },
    { kind: 'move', thing: 'stage', id: stageId, in: null, after: line[1]!.id, before: null },
    {
      kind: 'put',
      thing: 'pin',
      id: `a ${stageId}`,
      in: null,
      ...last,
      value: { batchId: 'a', stageId, on: '2026-11-26', at: '19:30' },
    },
  ]
  const reading = { at, celsius: 20, humidity: 50, place: 'indoors', source: 'typed' }
  const change = newChange(1, commands as never)
  const asks: Ask[] = [
    {
      method: 'PUT',
      path: `${path}/plan`,
      body: {
        revision: 0,
        batches: [{ id: 'A', unitId: unit.id, modelIds: [unit.models[0]!.id] }],
        stretches: [{ batchId: 'A', stageId: line[0]!.id, touchUp: null, painter: 0, putOff: false }],
        asFound: { finishesAt: at, exposedSeconds: 60 },
      },
    },
    {
      method: 'POST',
      path: '/studio/import',
      body: {
        format: 'seriatim-studio',
        version: 1,
        writtenAt: at,
        name: 'Own desk',
        hoursOf: null,
        shelf: asJson(starterShelf.slice(0, 2)),
        air: [{ at, celsius: 20, humidity: 50, place: 'indoors', source: 'typed' }],
        rates: [{ technique: 'wash', size: 'foot', factor: 1.2, laps: 3 }],
        clients: [{ id: v7(), name: 'Maren', contact: '', note: '' }],
        prices: asJson(usualPriceList),
        projects: [],
      },
    },
    { method: 'PUT', path: `${path}/finish`, body: { doneBy: at, odds: 0.5 } },
    { method: 'PUT', path: `/projects/${v7()}`, body: asJson(settings()) },
    { method: 'POST', path: `${path}/changes`, body: asJson(change) },
    ...commands.map((command) => ({
      method: 'POST',
      path: `${path}/changes`,
      body: asJson(newChange(1, [command] as never)),
    })),
    { method: 'POST', path: `${path}/events`, body: asJson({ events }) },
    ...events.map((event) => ({ method: 'POST', path: `${path}/events`, body: asJson({ events: [event] }) })),
    { method: 'PUT', path: '/shelf', body: asJson({ materials: starterShelf.slice(0, 3) }) },
    {
      method: 'PUT',
      path: '/air',
      body: asJson({
        readings: [reading],
        takenBack: [{ reading, before: { celsius: 18, humidity: 60, source: 'file' } }],
      }),
    },
    {
      method: 'PUT',
      path: '/hand/brought',
      body: asJson({ rates: [{ technique: 'wash', size: 'foot', factor: 1.2, laps: 3 }] }),
    },
    { method: 'PUT', path: `/clients/${v7()}`, body: asJson({ name: 'Maren', contact: '', note: '' }) },
    { method: 'PUT', path: '/prices', body: asJson({ prices: usualPriceList, revision: 0 }) },
    { method: 'POST', path: `${path}/quotes`, body: asJson({ id: v7(), after: 0, quote: newQuote() }) },
    { method: 'POST', path: `${path}/quotes/${v7()}/yes`, body: { standard: 'tabletop' } },
    { method: 'POST', path: `${path}/links`, body: { days: 30 } },
    { method: 'DELETE', path: `${path}/links/${v7()}` },
    {
      method: 'POST',
      path: `${path}/photos`,
      body: { id: v7(), caption: 'x', modelId: null, released: false, image: picture },
    },
    { method: 'GET', path: `${path}/photos` },
    { method: 'GET', path: `/shared/${'x'.repeat(54)}` },
    { method: 'GET', path: `${path}/events?after=${String(2 ** 53)}` },
    { method: 'GET', path: `${path}/events?after=-1` },
    { method: 'GET', path: `${path}/changes?before=1e9` },
    { method: 'GET', path: `/hand/beside/${id}` },
    { method: 'DELETE', path: `/shelf/${v7()}` },
    { method: 'GET', path },
  ]
  return file ? [{ method: 'POST', path: '/projects/import?copy=true', body: asJson(file) }] : asks
}
