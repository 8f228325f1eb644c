import { execFileSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test } from '@playwright/test'
import { freePort, Instance, isAlive } from '../support/instance.ts'
import { newId, recordedKinds, recordPunch, seedProject } from '../support/projects.ts'

const data = fileURLToPath(new URL('../../.cache/e2e-processes-data', import.meta.url))

test.beforeAll(() => rmSync(data, { recursive: true, force: true }))
test.afterAll(() => rmSync(data, { recursive: true, force: true }))

/** The servers among what a process started: what compiles their sources is another. */
const serversOf = (pid: number) =>
  execFileSync('pgrep', ['-P', String(pid), '-f', 'server/src/main'])
    .toString()
    .trim()
    .split('\n')
    .map(Number)
    .filter(isAlive)

test('of several servers behind one port each hears what any of them wrote, and one that is killed is replaced', async ({
  playwright,
}) => {
  const instance = new Instance(data, await freePort(), { TZ: 'Europe/Berlin', SERIATIM_PROCESSES: '3' })
  await instance.start()
  const request = await playwright.request.newContext({ baseURL: instance.origin })
  try {
    const { id } = await seedProject(request, { units: { Pikes: 6 }, stages: 2 })
    const servers = serversOf(instance.serverPid())
    expect(servers).toHaveLength(3)

    // Connections go round among the servers: six of them reach each one twice.
    const end = new AbortController()
    const listeners = await Promise.all(
      Array.from({ length: 6 }, async () => {
        const answer = await fetch(`${instance.origin}/api/projects/${id}/news`, { signal: end.signal })
        return answer.body!.pipeThrough(new TextDecoderStream()).getReader()
      }),
    )
    const device = newId()
    const heard = listeners.map(async (reader) => {
      let said = ''
      while (!said.includes(device)) said += (await reader.read()).value ?? ''
    })
    await recordPunch(request, id, device)
    await Promise.all(heard)
    end.abort()

    process.kill(servers[0]!, 'SIGKILL')
    await expect.poll(() => serversOf(instance.serverPid()).length).toBe(3)
    expect(serversOf(instance.serverPid())).not.toContain(servers[0])
    await recordPunch(request, id)
    await expect.poll(() => recordedKinds(request, id)).toEqual(['punched', 'punched'])
  } finally {
    await request.dispose()
    expect(await instance.stop()).toBe(0)
  }
})
