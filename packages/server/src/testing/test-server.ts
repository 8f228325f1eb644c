import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import {
  projectFileSchema,
  type EventJson,
  type Problem,
  type ProjectFileJson,
  type StoredProject,
} from '@seriatim/contract'
import { instant } from '@seriatim/core'
import { sql } from 'drizzle-orm'
import { pino } from 'pino'
import { v7 } from 'uuid'
import { createApp } from '../app.ts'
import { openDatabase } from '../db/client.ts'
import { migrateDatabase } from '../db/migrate.ts'

const log = pino({ level: 'silent' })
export const testNow = instant(Date.parse('2026-11-24T19:40:00Z'))

const address = process.env['SERIATIM_TEST_DATABASE']
if (!address) throw new Error('SERIATIM_TEST_DATABASE is not set: run the tests with npm test')

/** A migrated database of its own on the test cluster, and the application on it. */
export async function startTestServer() {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const admin = openDatabase(address ?? '', log)
  await admin.db.execute(sql.raw(`create database ${name}`))
  const url = new URL(address ?? '')
  url.pathname = `/${name}`
  const own = openDatabase(url.href, log)
  await migrateDatabase(own.db)
  const app = createApp({ db: own.db, log, now: () => testNow })

  async function call(method: string, path: string, body?: unknown) {
    const response = await app.request(`/api${path}`, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
    return {
      status: response.status,
      type: response.headers.get('content-type'),
      body: await response.json(),
    }
  }

  return {
    app,
    db: own.db,
    call,
    project: async (path: string, method = 'GET', body?: unknown) =>
      (await call(method, path, body)).body as StoredProject,
    problem: async (path: string, method: string, body?: unknown) => {
      const answer = await call(method, path, body)
      return { ...answer, body: answer.body as Problem }
    },
    /** A project with one unit of three and two stages. */
    seed: async () => {
      const id = v7()
      await call('PUT', `/projects/${id}`, settings())
      const models = [1, 2, 3].map(newModel)
      const unit = {
        id: v7(),
        name: 'Reed-pikes',
        standard: 'tabletop',
        size: 'large foot',
        detail: 'ornate',
        perHolder: 3,
        pilot: [models[1]!.id],
        joinedAt: null,
        models,
      }
      await call('PUT', `/projects/${id}/units/${unit.id}`, { revision: 0, unit })
      const line = [newStage('Prime'), newStage('Coat')]
      await call('PUT', `/projects/${id}/line`, { revision: 1, line })
      return { id, unit, line, path: `/projects/${id}` }
    },
    stop: async () => {
      await own.close()
      await admin.db.execute(sql.raw(`drop database ${name} with (force)`))
      await admin.close()
    },
  }
}

export const settings = () => ({
  name: 'Tallow Fen',
  dueOn: '2026-12-12',
  evenings: { weekdays: [2, 4], startsAt: '19:30', lengthSeconds: 9000, timeZone: 'Europe/Berlin' },
  batchSize: 6,
  firstBatch: 2,
  batchesInHand: 3,
})

export const newModel = (number: number) => ({
  id: v7(),
  name: `Reed-pike ${number}`,
  role: 'trooper',
  variants: ['cloak', `hair ${number}`],
  points: 5,
})

export const newStage = (name: string, some: object = {}) => ({
  id: v7(),
  name,
  material: name.toLowerCase(),
  touch: { kind: 'whole' as const },
  handsOnSecondsPerModel: 60,
  setUpSeconds: 120,
  dryingMinSeconds: 300,
  dryingMaxSeconds: 600,
  nextWithinSeconds: null,
  notNeededBy: [] as string[],
  limits: [],
  tableReady: false,
  cautions: [],
  note: '',
  technique: null,
  typed: [],
  steps: [],
  ...some,
})

export const punched = (stageId: string, modelIds: string[], some: Partial<EventJson> = {}): EventJson =>
  ({ id: v7(), at: '2026-11-24T19:41:00.000Z', kind: 'punched', stageId, modelIds, ...some }) as EventJson

export function demoFile(): ProjectFileJson {
  const text = readFileSync(new URL('../../../../demo/tallow-fen.json', import.meta.url), 'utf8')
  const file = JSON.parse(text) as ProjectFileJson
  projectFileSchema.parse(file)
  return file
}
