import { randomBytes } from 'node:crypto'
import { unpackLog, type PackedLog } from '@seriatim/contract'
import { lineTemplates } from '@seriatim/core/presets'
import type { ProgressEvent } from '@seriatim/core/progress'
import { expect, type APIRequestContext } from '@playwright/test'

/** The demo project's own id: it never changes. */
export const demoId = '01930000-0000-7000-8000-000000000047'

/** A UUIDv7 whose time is now and whose rest is chance. */
export function newId(): string {
  const bytes = randomBytes(16)
  bytes.writeUIntBE(Date.now(), 0, 6)
  bytes[6] = (bytes[6]! & 0x0f) | 0x70
  bytes[8] = (bytes[8]! & 0x3f) | 0x80
  return bytes.toString('hex').replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5')
}

const standing: string[] = []

/** Puts away what the test that ends has made: every later page of projects would have to draw it. */
export async function putProjectsAway(request: APIRequestContext): Promise<void> {
  for (const id of standing.splice(0)) await request.delete(`/api/projects/${id}`)
}

interface Wish {
  readonly units?: Readonly<Record<string, number>>
  /** How many of the school's stages, over again where there are fewer. */
  readonly stages?: number
  readonly batchSize?: number
  /** What the first stages have other than the school has it. */
  readonly first?: readonly object[]
}

/** To put a thing of a project behind the others of its kind. */
export function putCommand<T extends { readonly id: string }>(thing: string, value: T) {
  return { kind: 'put', thing, id: value.id, in: null, after: 'the last one', before: null, value }
}

/** A project made over the API, for journeys that begin further down the road. */
export async function seedProject(
  request: APIRequestContext,
  { units = { 'Reed-pikes': 6 }, stages = 6, batchSize = 6, first = [] }: Wish = {},
) {
  const id = newId()
  standing.push(id)
  const path = `/api/projects/${id}`
  const settings = {
    name: `Fen ${id.slice(-6)}`,
    dueOn: null,
    evenings: {
      weekdays: [1, 2, 3, 4, 5, 6, 7],
      startsAt: '19:30',
      lengthSeconds: 9000,
      timeZone: 'Europe/Berlin',
    },
    batchSize,
    batchesInHand: 2,
  }
  const made = await request.put(path, { data: settings })
  expect(made.ok(), await made.text()).toBe(true)
  const commands: object[] = []
  for (const [name, count] of Object.entries(units)) {
    const unitId = newId()
    const models = Array.from({ length: count }, (_, index) => ({
      id: newId(),
      name: `${name} ${index + 1}`,
      role: 'trooper',
      points: 5,
    }))
    commands.push(putCommand('unit', { id: unitId, name, standard: 'tabletop plus', models }))
  }
  const known = lineTemplates[0]!.stages
  for (let index = 0; index < stages; index++)
    commands.push(
      putCommand('stage', {
        ...known[index % known.length],
        notNeededBy: [],
        ...first[index],
        id: newId(),
      }),
    )
  if (commands.length > 0) await changeProject(request, id, 0, commands)
  return { id, url: `/projects/${id}`, name: settings.name }
}

/** What another device does to a project: commands against the revision it knows. */
export async function changeProject(
  request: APIRequestContext,
  id: string,
  base: number,
  commands: readonly object[],
): Promise<void> {
  const change = { id: newId(), at: new Date().toISOString(), device: newId(), number: 1, painter: null }
  const response = await request.post(`/api/projects/${id}/changes`, {
    data: { ...change, base, own: 0, commands },
  })
  expect(response.ok(), await response.text()).toBe(true)
}

/** The kinds of the events the server has, in the order they came. */
export async function recordedKinds(request: APIRequestContext, id: string): Promise<string[]> {
  return (await recordedEvents(request, id)).map((event) => event.kind)
}

/** The log of a project, in the order the server has it. */
export async function recordedEvents(
  request: APIRequestContext,
  id: string,
): Promise<readonly ProgressEvent[]> {
  const response = await request.get(`/api/projects/${id}/events`)
  const { log } = (await response.json()) as { log: PackedLog }
  return unpackLog(log)
}

/** What a device records at the bench, of the first stage on the first model of a project: a punch, or what is said. */
export async function recordPunch(
  request: APIRequestContext,
  id: string,
  device = newId(),
  said: object = {},
): Promise<void> {
  const { units, line } = (await (await request.get(`/api/projects/${id}`)).json()) as {
    readonly units: readonly { readonly models: readonly { readonly id: string }[] }[]
    readonly line: readonly { readonly id: string }[]
  }
  const event = {
    id: newId(),
    at: new Date().toISOString(),
    by: { device, number: 1, painter: null },
    kind: 'punched',
    stageId: line[0]?.id,
    modelIds: [units[0]?.models[0]?.id],
    ...said,
  }
  const response = await request.post(`/api/projects/${id}/events`, { data: { events: [event] } })
  expect(await response.json()).toMatchObject({ verdicts: [{ verdict: 'taken' }] })
}
