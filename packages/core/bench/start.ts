import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { createServer, type AddressInfo } from 'node:net'
import { resolve } from 'node:path'
import { table } from './measure.ts'

/** From the command to “ready”: with a new data directory, and again with the data there. */
export async function benchStart(): Promise<void> {
  const data = resolve('.cache/bench-data')
  rmSync(data, { recursive: true, force: true })
  const rows: [string, string][] = []
  for (const name of ['first start (packages installed, application built)', 'second start', 'third start']) {
    rows.push([name, `${((await timeStart(data)) / 1000).toFixed(1)} s`])
  }
  rmSync(data, { recursive: true, force: true })
  process.stdout.write(`${table(['start', 'until ready'], rows)}\n`)
}

async function timeStart(data: string): Promise<number> {
  const port = await freePort()
  const began = performance.now()
  const child = spawn(process.execPath, ['tools/start.mjs'], {
    env: { ...process.env, PORT: String(port), SERIATIM_DATA: data },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  const ready = await new Promise<number>((done, gaveUp) => {
    child.stdout.on('data', (text: Buffer) => {
      if (text.toString().includes('is ready')) done(performance.now() - began)
    })
    child.once('exit', (code) => gaveUp(new Error(`start ended with ${code}`)))
  })
  const ended = new Promise((done) => child.once('exit', done))
  child.kill('SIGINT')
  await ended
  return ready
}

function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer()
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as AddressInfo
      probe.close(() => done(port))
    })
  })
}
