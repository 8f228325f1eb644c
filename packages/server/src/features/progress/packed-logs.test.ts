import { unpackLog } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import { afterAll, beforeAll, expect, it } from 'vitest'
import { packedLog } from '../../db/schema/progress.ts'
import { punched, startTestServer, testNow } from '../../testing/test-server.ts'
import { createSummaries } from '../projects/summaries.ts'
import { keepLog, readKeptLog } from './kept-log.ts'
import { createPackedLogs } from './packed-logs.ts'
import { readEventsAfter } from './repository.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

/** A project with a log long enough to be kept in one piece. */
async function longProject() {
  const { id, path, line, unit } = await server.seed()
  const models = unit.models.map((model) => model.id)
  const stageId = line[0]!.id
  for (let round = 0; round < 5; round++) {
    const events = Array.from({ length: 500 }, (_, index) =>
      punched(stageId, [...models.slice(index % 3), models[0]!]),
    )
    await server.call('POST', `${path}/events`, { events })
  }
  const rows = async () => (await readEventsAfter(server.db, id as ProjectId, 0)).map((each) => each.event)
  return { id: id as ProjectId, path, stageId, models, rows }
}

it('a long log is kept in one piece, and a server started later goes on from it', async () => {
  const { id, path, stageId, models, rows } = await longProject()
  const first = await createPackedLogs(server.db)(id, 0)
  expect(unpackLog(first.log)).toEqual(await rows())
  expect((await readKeptLog(server.db, id))?.last).toBe(first.last)
  await server.call('POST', `${path}/events`, { events: [punched(stageId, models)] })
  const later = await createPackedLogs(server.db)(id, 0)
  expect(later.last).toBeGreaterThan(first.last)
  expect(unpackLog(later.log)).toEqual(await rows())
  // One event more is no reason to write it all anew.
  expect((await readKeptLog(server.db, id))?.last).toBe(first.last)
})

it('an older piece never takes the place of a newer one', async () => {
  const { id } = await longProject()
  const whole = await createPackedLogs(server.db)(id, 0)
  await keepLog(server.db, id, { ...whole, last: whole.last - 1 })
  expect((await readKeptLog(server.db, id))?.last).toBe(whole.last)
})

it('the project list stands on it as on the events', async () => {
  const { id, rows } = await longProject()
  const ofRows = await createSummaries(server.db, () => testNow).list()
  expect(await rows()).toHaveLength(2500)
  await createPackedLogs(server.db)(id, 0)
  expect(await server.db.$count(packedLog)).toBeGreaterThan(0)
  await server.edit(`/projects/${id}`, (project) => ({ ...project, name: 'Renamed' }))
  const ofPiece = await createSummaries(server.db, () => testNow).list()
  const find = (list: typeof ofRows) => list.find((each) => each.id === id)
  expect(find(ofPiece)).toEqual({ ...find(ofRows), name: 'Renamed' })
})
