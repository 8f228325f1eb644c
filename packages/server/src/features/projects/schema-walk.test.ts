import { eventSchema, fieldSchemas, type ProjectFileJson } from '@seriatim/contract'
import { sameJson } from '@seriatim/core/changes'
import { bodyPlans, recipeFromSchool, recipeSchools } from '@seriatim/core/recipe'
import type { Recipe } from '@seriatim/core/trade'
import { seededRandom } from '@seriatim/core/units'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { z } from 'zod'
import { changeOne, drawValue, type Named } from '../../testing/draw-value.ts'
import { newChange, newModel, settings, startTestServer } from '../../testing/test-server.ts'
import { readShelf, stockShelfOnce } from '../shelf/service.ts'

type Json = Readonly<Record<string, unknown>>
interface Things {
  readonly units: (Json & { id: string; models: (Json & { id: string })[] })[]
  readonly recipes: (Json & { id: string; steps: (Json & { id: string })[] })[]
  readonly line: (Json & { id: string })[]
  readonly planning: Json & Record<'painters' | 'batches' | 'holders' | 'pins', (Json & { id: string })[]>
  readonly revision: number
}

let server: Awaited<ReturnType<typeof startTestServer>>
let path: string
let id: string
let named: Named
const at = '2026-11-24T19:41:00.000Z'
const random = seededRandom(47)

beforeAll(async () => {
  server = await startTestServer()
  await stockShelfOnce(server.db)
  id = v7()
  path = `/projects/${id}`
  await server.call('PUT', path, settings())
  const units = ['Reed-pikes', 'Eels'].map((name) => ({ id: v7(), name, models: [1, 2].map(newModel) }))
  const [first, second] = units
  const recipe: Recipe = {
    ...recipeFromSchool(recipeSchools[0]!, bodyPlans[0]!, 'Reed-pikes', () => v7()),
    unitIds: [first!.id as never],
  }
  await server.edit(path, (project) => ({ ...project, units, recipes: [recipe] }))
  const batch = { id: `${second!.models[0]!.id}..`, unitId: second!.id, modelIds: [second!.models[0]!.id] }
  await server.edit(path, (project) => {
    const { planning, line } = project
    const pin = { batchId: batch.id, stageId: line[0]!.id, on: '2026-12-03', at: '19:30' }
    return {
      ...project,
      planning: {
        ...planning,
        painters: [planning.painters[0]!, { ...planning.painters[0]!, id: 'second' as never, name: 'Maren' }],
        batches: [batch],
        pins: [pin],
        holders: [{ id: batch.id, painterId: planning.painters[0]!.id }],
      },
    }
  })
  const { line } = await server.project(path)
  const stageIds = line.map((stage) => stage.id)
  const unitIds = units.map((unit) => unit.id)
  const modelIds = first!.models.map((model) => model.id)
  const materials = (await readShelf(server.db)).slice(0, 9).map((material) => material.id)
  const regions = recipe.regions.map((region) => region.name)
  named = {
    unitId: unitIds,
    unitIds,
    notNeededBy: unitIds,
    stageId: stageIds,
    stageIds,
    stages: stageIds,
    modelIds,
    modelId: modelIds,
    pilot: modelIds,
    materialId: materials,
    substitutes: materials,
    recipeId: [recipe.id],
    stepId: recipe.steps.map((step) => step.id),
    painterId: ['you', 'second'],
    painter: ['you', 'second'],
    first: [batch.id],
    batches: [batch.id],
    device: [v7()],
    clientId: [v7()],
    on: regions,
    except: regions,
    told: ['three evenings of two hours', '20 minutes each'],
    id: [],
  }
})
afterAll(() => server.stop())

const now = async () => (await server.call('GET', path)).body as Things & Json

/** Where the first thing of a kind stands. */
function first(thing: string, project: Things): { readonly ref: object; readonly value: Json } | undefined {
  const { units, recipes, line, planning } = project
  const inProject = (value: (Json & { id?: string }) | undefined, of = value?.id) =>
    value && { ref: { thing, id: of, in: null }, value }
  const [pin] = planning.pins
  switch (thing) {
    case 'project':
      return { ref: { thing }, value: { ...project, ...planning } }
    case 'unit':
      return inProject(units[0])
    case 'model':
      return { ref: { thing, id: units[0]!.models[0]!.id, in: units[0]!.id }, value: units[0]!.models[0]! }
    case 'recipe':
      return inProject(recipes[0])
    case 'step':
      return {
        ref: { thing, id: recipes[0]!.steps[0]!.id, in: recipes[0]!.id },
        value: recipes[0]!.steps[0]!,
      }
    case 'stage':
      return inProject(line[0])
    case 'pin':
      return inProject(pin, `${String(pin?.['batchId'])} ${String(pin?.['stageId'])}`)
    default:
      return inProject(planning[`${thing}${thing === 'batch' ? 'es' : 's'}` as 'painters'][0])
  }
}

describe('every field of every thing, drawn from its schema', () => {
  const fields = Object.entries(fieldSchemas).flatMap(([thing, own]) =>
    Object.entries(own).map(([field, schema]) => ({ thing, field, schema })),
  )
  it.each(fields)(
    '$thing: $field is kept, read by another device, and taken back',
    async ({ thing, field, schema }) => {
      for (let attempt = 0; attempt < 40; attempt++) {
        const start = await now()
        const there = first(thing, start)!
        const before = there.value[field]
        // Whatever the schema makes of it (a trimmed text, a list in order) is what it is.
        const drawn =
          attempt % 2 === 0
            ? drawValue(schema, random, named, field)
            : changeOne(schema, before, random, named)
        if (drawn === undefined || !schema.safeParse(drawn).success) continue
        const value = z.encode(schema, z.decode(schema, drawn))
        if (sameJson(value, before)) continue
        const change = newChange(start.revision, [
          { kind: 'set', ...there.ref, field, value: drawn } as never,
        ])
        const sent = await server.call('POST', `${path}/changes`, change)
        // It does not go together with another field: another is drawn.
        if (sent.status !== 200) continue
        const after = await now()
        expect(first(thing, after)!.value[field]).toEqual(value)
        const { changes } = (await server.call('GET', `${path}/changes`)).body as {
          changes: { undo: object[] }[]
        }
        await server.call('POST', `${path}/changes`, newChange(after.revision, changes[0]!.undo as never))
        expect(first(thing, await now())!.value[field]).toEqual(before)
        return
      }
      throw new Error('no value was taken in 40 tries')
    },
  )
})

describe('every kind of event, drawn from its schema', () => {
  const kinds = eventSchema.options.map((option) => ({ kind: option.shape.kind.value, option }))
  const recorded: string[] = []
  const record = async (event: object) => {
    const { body } = await server.call('POST', `${path}/events`, { events: [event] })
    return (body as { verdicts: object[] }).verdicts[0]
  }
  beforeAll(async () => {
    const aim = { id: v7(), at, kind: 'punched', stageId: named['stageId']![0], modelIds: named['modelIds'] }
    expect(await record(aim)).toEqual({ id: aim.id, verdict: 'taken' })
    recorded.push(aim.id)
  })

  it.each(kinds)('$kind is kept as it was sent, and taken back', async ({ option }) => {
    for (let round = 0; round < 6; round++) {
      const drawn = drawValue(option, random, { ...named, targetId: recorded, id: [v7()] }) as object
      const event = { ...drawn, id: v7() }
      expect(await record(event)).toEqual({ id: event.id, verdict: 'taken' })
      recorded.push(event.id)
      const sent = z.encode(option as z.ZodType, z.decode(option as z.ZodType, event)) as Json
      const models = 'modelIds' in sent ? { modelIds: [...new Set(sent['modelIds'] as string[])].sort() } : {}
      const kept = (await server.events(path)).find((each) => each.id === event.id)
      expect(kept).toEqual({ ...sent, ...models })
      const back = { id: v7(), at, kind: 'undone', targetId: event.id }
      expect(await record(back)).toEqual({ id: back.id, verdict: 'taken' })
    }
  })

  it('and all of it comes out of a file on another server as it went in', async () => {
    const file = (await server.call('GET', `${path}/file`)).body as ProjectFileJson
    const other = await startTestServer()
    await stockShelfOnce(other.db)
    expect((await other.call('POST', '/projects/import', file)).status).toBe(201)
    const { around: _, ...back } = (await other.call('GET', `${path}/file`)).body as ProjectFileJson
    const { around: __, ...out } = file
    expect({ ...back, shelf: [] }).toEqual({ ...out, shelf: [] })
    const copy = (await other.call('POST', '/projects/import?copy=true', file)).body as { id: string }
    const twin = (await other.call('GET', `/projects/${copy.id}/file`)).body as ProjectFileJson
    const shape = (text: unknown) =>
      JSON.stringify(text).replaceAll(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, 'id')
    expect(shape(twin.project.line)).toBe(shape(out.project.line))
    expect(twin.events.map((event) => shape(event)).sort()).toEqual(
      out.events.map((event) => shape(event)).sort(),
    )
    await other.stop()
  })
})
