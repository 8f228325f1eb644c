import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import {
  eventJson,
  projectFileSchema,
  unpackLog,
  type EventJson,
  type NewChange,
  type PackedLog,
  type Problem,
  type ProjectFileJson,
  type StoredProject,
} from '@seriatim/contract'
import { commandsBetween, type Command, type CommandVerdict } from '@seriatim/core/changes'
import { instant } from '@seriatim/core/units'
import { drizzle } from 'drizzle-orm/node-postgres'
import type pg from 'pg'
import { pino } from 'pino'
import sharp from 'sharp'
import { v7 } from 'uuid'
import { createApp } from '../app.ts'
import { openPool } from '../db/client.ts'
import { migrateDatabase } from '../db/migrate.ts'
import { openNews } from '../db/news.ts'
import { firstStudio, openStudios } from '../db/studios.ts'
import { checkAnswer } from './check-answer.ts'
import { migratedDatabase, testAddress } from './migrated-database.ts'

const log = pino({ level: process.env['SERIATIM_LOG'] ?? 'silent' })
/** The machine may be busy with anything else. */
const unhurried = { connection: 600_000, statement: 600_000 }
export const testNow = instant(Date.parse('2026-11-24T21:00:00Z'))

/**
 * A migrated database of its own on the test cluster, and the application on it.
 * @param before fills a database that is still to be migrated.
 */
export async function startTestServer(before?: (owner: pg.Pool, url: string) => Promise<void>) {
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const admin = openPool(testAddress(), log, unhurried)
  await admin.query(`create database ${name} template ${before ? 'template1' : migratedDatabase}`)
  const url = testAddress(name)
  const owner = openPool(url, log, unhurried)
  await before?.(owner, url)
  const studio = await (before ? migrateDatabase(url) : firstStudio(drizzle(owner)))
  const studios = openStudios(url, log, unhurried)
  const news = openNews(url, log)
  const app = createApp({ studios, studio, log, now: () => testNow, news })

  async function call(method: string, path: string, body?: unknown) {
    const response = await app.request(`/api${path}`, {
      method,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
    const answer = {
      status: response.status,
      type: response.headers.get('content-type'),
      body: await response.json(),
    }
    checkAnswer(method, path, answer)
    return answer
  }

  /** Sends what makes the project as it is now into what `change` makes of it, as a device would. */
  async function edit(
    path: string,
    change: (project: StoredProject) => object,
    some: Partial<NewChange> = {},
  ) {
    const from = (await call('GET', path)).body as StoredProject
    const answer = await call('POST', `${path}/changes`, {
      ...newChange(from.revision, commandsBetween(from, change(from) as StoredProject)),
      ...some,
    })
    return { status: answer.status, body: answer.body as ChangeAnswer & Problem }
  }

  return {
    news,
    app,
    url,
    studios,
    studio,
    /** As a request has it. */
    db: studios.of(studio),
    /** The whole database, past all policies. */
    owner: drizzle(owner),
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
      const line = [newStage('Prime'), newStage('Coat')]
      await edit(`/projects/${id}`, (project) => ({ ...project, units: [unit], line }))
      return { id, unit, line, path: `/projects/${id}` }
    },
    edit,
    /** The log as a client reads it. */
    events: async (path: string, after = 0) => {
      const { body } = await call('GET', `${path}/events?after=${String(after)}`)
      return unpackLog((body as { log: PackedLog }).log).map(eventJson)
    },
    stop: async () => {
      await news.close()
      await studios.close()
      await owner.end()
      await admin.query(`drop database ${name} with (force)`)
      await admin.end()
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

export interface ChangeAnswer {
  readonly verdicts: readonly CommandVerdict[]
  readonly project: StoredProject
}

let changeNumber = 0

/** A change by a device of its own, as JSON. */
export const newChange = (base: number, commands: readonly Command[]) => ({
  id: v7(),
  at: '2026-11-24T19:41:00.000Z',
  device: v7(),
  number: (changeNumber += 1),
  painter: null,
  base,
  own: 0,
  commands,
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

/** A quote as a page works it out. */
export const newQuote = (some: object = {}) => {
  const parts = {
    painting: 20_000,
    preparation: 1000,
    materials: 500,
    basing: 1500,
    packing: 1000,
    contingency: 1200,
    margin: 3780,
  }
  const tier = {
    standard: 'tabletop',
    lowSeconds: 30_000,
    chargedSeconds: 36_000.5,
    highSeconds: 42_000,
    hour: 2000,
    parts,
    price: 28_980,
    promisedOn: '2026-12-20',
  }
  return { currency: 'EUR', confidence: 0.8, models: 3, tiers: [tier], ...some }
}

/** A picture of one pixel, in base 64. */
export const onePixel = async () => {
  const pixel = { width: 1, height: 1, channels: 3 as const, background: '#884422' }
  return (await sharp({ create: pixel }).png().toBuffer()).toString('base64')
}

export function demoFile(): ProjectFileJson {
  const text = readFileSync(new URL('../../../../demo/tallow-fen.json', import.meta.url), 'utf8')
  const file = JSON.parse(text) as ProjectFileJson
  projectFileSchema.parse(file)
  return file
}
