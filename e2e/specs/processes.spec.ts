import { rmSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { expect, test } from '../support/test.ts'
import { childrenOf, freePort, Instance, isAlive } from '../support/instance.ts'
import { newId, recordedKinds, recordPunch, seedProject } from '../support/projects.ts'
import { asProof } from '../support/rounds.ts'

const data = fileURLToPath(new URL('../../.cache/e2e-processes-data', import.meta.url))

test.beforeAll(() => rmSync(data, { recursive: true, force: true }))
test.afterAll(() => rmSync(data, { recursive: true, force: true }))

/** The servers among what a process started: the planner is another. */
const serversOf = (pid: number) => childrenOf(pid, /dist\/server\/main/).filter(isAlive)

/** @returns what reads on until something was said. */
async function listen(url: string, signal: AbortSignal): Promise<(what: string) => Promise<void>> {
  const answer = await fetch(url, { signal })
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader()
  let said = ''
  return async (what) => {
    while (!said.includes(what)) {
      const { value, done } = await reader.read()
      if (done) throw new Error(`the news ended before they said ${what}`)
      said += value
    }
  }
}

test(
  'of several servers behind one port each hears what any of them wrote, and one that is killed is replaced',
  asProof,
  async ({ playwright }) => {
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
        Array.from({ length: 6 }, () => listen(`${instance.origin}/api/projects/${id}/news`, end.signal)),
      )
      // An answer begins before its server hears; from the first word on nothing is missed.
      await Promise.all(listeners.map((until) => until('event: ')))
      const device = newId()
      await recordPunch(request, id, device)
      await Promise.all(listeners.map((until) => until(device)))
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
  },
)
