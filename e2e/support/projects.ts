import { randomBytes } from 'node:crypto'
import { schools } from '@seriatim/core'
import { expect, type APIRequestContext } from '@playwright/test'

/** The demo project's own id: it never changes. */
export const demoId = '01930000-0000-7000-8000-000000000047'

/** A UUIDv7 whose time is now and whose rest is chance. */
function newId(): string {
  const bytes = randomBytes(16)
  bytes.writeUIntBE(Date.now(), 0, 6)
  bytes[6] = (bytes[6]! & 0x0f) | 0x70
  bytes[8] = (bytes[8]! & 0x3f) | 0x80
  return bytes.toString('hex').replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5')
}

interface Wish {
  readonly units?: Readonly<Record<string, number>>
  /** How many of the school's stages. */
  readonly stages?: number
  readonly batchSize?: number
}

/** A project made over the API, for journeys that begin further down the road. */
export async function seedProject(
  request: APIRequestContext,
  { units = { 'Reed-pikes': 6 }, stages = 14, batchSize = 6 }: Wish = {},
) {
  const id = newId()
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
  let revision = 0
  const put = async (url: string, data: object) => {
    const response = await request.put(url, { data })
    expect(response.ok(), await response.text()).toBe(true)
  }
  await put(path, settings)
  for (const [name, count] of Object.entries(units)) {
    const unitId = newId()
    const models = Array.from({ length: count }, (_, index) => ({
      id: newId(),
      name: `${name} ${index + 1}`,
      role: 'trooper',
      points: 5,
    }))
    await put(`${path}/units/${unitId}`, { revision: revision++, unit: { id: unitId, name, models } })
  }
  if (stages > 0) {
    const line = schools[0]!.stages
      .slice(0, stages)
      .map((stage) => ({ ...stage, id: newId(), notNeededBy: [] }))
    await put(`${path}/line`, { revision: revision++, line })
  }
  return { id, url: `/projects/${id}`, name: settings.name }
}

/** The kinds of the events the server has, in the order they came. */
export async function recordedKinds(request: APIRequestContext, id: string): Promise<string[]> {
  const response = await request.get(`/api/projects/${id}/events`)
  const { events } = (await response.json()) as { events: { kind: string }[] }
  return events.map((event) => event.kind)
}
