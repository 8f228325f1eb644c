import { randomUUID } from 'node:crypto'
import { sql } from 'drizzle-orm'
import { v7 } from 'uuid'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { startTestServer } from '../../testing/test-server.ts'

let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

/** What a page hears: the writer of each piece of news, in order. */
async function listen(path: string, { app } = server) {
  const gone = new AbortController()
  const response = await app.request(`/api${path}/news`, { signal: gone.signal })
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader()
  let text = ''
  let isOver = false
  const read = async () => {
    const { value, done } = await reader.read()
    isOver = done
    text += value ?? ''
  }
  return {
    response,
    /** The next piece of news, after those told already. */
    next: async () => {
      for (;;) {
        const found = /event: news\ndata: ?(.*)\n\n/.exec(text)
        if (found) {
          text = text.slice(found.index + found[0].length)
          return found[1]
        }
        if (isOver) return 'over'
        await read()
      }
    },
    end: async () => {
      gone.abort()
      await reader.cancel().catch(() => undefined)
    },
  }
}

/** Until what was written before the page listened has come to it: news come in the order of their writing. */
async function hearTheLast(page: Awaited<ReturnType<typeof listen>>, path: string) {
  const device = v7()
  await server.edit(path, (project) => ({ ...project, name: `Fen ${device}` }), { device: device as never })
  while ((await page.next()) !== device);
}

const punch = (stageId: string, modelId: string, device = randomUUID()) => ({
  id: v7(),
  kind: 'punched',
  at: '2026-11-24T20:03:00.000Z',
  by: { device, number: 1, painter: 'you' },
  stageId,
  modelIds: [modelId],
})

describe('news of a project', () => {
  it('come at once, with who wrote them, and of this project alone', async () => {
    const { path, line, unit } = await server.seed()
    const other = await server.seed()
    const page = await listen(path)
    expect(page.response.headers.get('content-type')).toContain('text/event-stream')
    expect(page.response.headers.get('content-encoding')).toBeNull()
    // Whoever begins to listen asks once, for what came before.
    expect(await page.next()).toBe('')
    await hearTheLast(page, path)
    const elsewhere = punch(other.line[0]!.id, other.unit.models[0]!.id)
    await server.call('POST', `${other.path}/events`, { events: [elsewhere] })
    const own = punch(line[0]!.id, unit.models[0]!.id)
    await server.call('POST', `${path}/events`, { events: [own] })
    expect(await page.next()).toBe(own.by.device)
    await server.edit(path, (project) => ({ ...project, name: 'Reed fen' }), {
      device: own.by.device as never,
    })
    expect(await page.next()).toBe(own.by.device)
    await page.end()
  })

  it('name no writer where several wrote together', async () => {
    const { path, line, unit } = await server.seed()
    const page = await listen(path)
    const [first, second] = [punch(line[0]!.id, unit.models[0]!.id), punch(line[0]!.id, unit.models[1]!.id)]
    await hearTheLast(page, path)
    await server.call('POST', `${path}/events`, { events: [first, second] })
    expect(await page.next()).toBe('')
    const third = punch(line[1]!.id, unit.models[0]!.id)
    await server.call('POST', `${path}/events`, { events: [third] })
    expect(await page.next()).toBe(third.by.device)
    await page.end()
  })

  it('go on after the connection that hears them broke, and say that some may be missed', async () => {
    const { path, line, unit } = await server.seed()
    const page = await listen(path)
    await hearTheLast(page, path)
    await server.owner.execute(
      sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and query like 'listen%'`,
    )
    expect(await page.next()).toBe('')
    const own = punch(line[0]!.id, unit.models[0]!.id)
    await server.call('POST', `${path}/events`, { events: [own] })
    expect(await page.next()).toBe(own.by.device)
    await page.end()
  })

  it('of a project that is not there are a 404', async () => {
    for (const id of [v7(), 'sponge']) {
      expect((await server.call('GET', `/projects/${id}/news`)).status).toBe(404)
    }
  })

  it('end when the server stops', async () => {
    const stopping = await startTestServer()
    const { path } = await stopping.seed()
    const page = await listen(path, stopping)
    expect(await page.next()).toBe('')
    await stopping.stop()
    expect(await page.next()).toBe('over')
  })
})
