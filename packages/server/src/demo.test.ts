import { fileURLToPath } from 'node:url'
import { addSeconds } from '@seriatim/core/units'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { loadDemoOnce, readDemo } from './demo.ts'
import { demoFile, startTestServer, testNow } from './testing/test-server.ts'

const path = fileURLToPath(new URL('../../../demo/tallow-fen.json', import.meta.url))
let server: Awaited<ReturnType<typeof startTestServer>>
beforeAll(async () => {
  server = await startTestServer()
})
afterAll(() => server.stop())

describe('the demo', () => {
  const { project } = demoFile()

  it('is loaded once, moved to now', async () => {
    const later = addSeconds(testNow, 7 * 86_400)
    await loadDemoOnce(server.db, readDemo(path), later)
    await loadDemoOnce(server.db, readDemo(path), addSeconds(later, 86_400))
    const loaded = await server.project(`/projects/${project.id}`)
    expect(loaded).toMatchObject({ name: 'Tallow Fen militia', dueOn: '2026-12-26' })
    const list = (await server.call('GET', '/projects')).body as { projects: unknown[] }
    expect(list.projects).toHaveLength(1)
  })

  it('does not come back once it was put away', async () => {
    await server.call('DELETE', `/projects/${project.id}`)
    await loadDemoOnce(server.db, readDemo(path), testNow)
    expect((await server.call('GET', `/projects/${project.id}`)).status).toBe(404)
  })
})
