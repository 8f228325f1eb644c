// The server asked from outside, and PostgreSQL's own benchmark beside it.
import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import type { Job } from './job.ts'

export interface Answer {
  readonly status: number
  readonly bytes: number
  readonly ms: number
}

export const agent = new Agent({ keepAlive: true, maxSockets: 64 })

/** Asks as a browser does, pressed; what is measured is up to the last byte, and what went over the wire. */
export function ask(port: number, method: string, path: string, body?: unknown): Promise<Answer> {
  const began = performance.now()
  const text = body === undefined ? undefined : JSON.stringify(body)
  return new Promise((done, failed) => {
    const asked = request(
      {
        agent,
        host: '127.0.0.1',
        port,
        method,
        path: `/api${path}`,
        headers: {
          'accept-encoding': 'gzip',
          ...(text === undefined
            ? {}
            : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(text) }),
        },
      },
      (answer) => {
        let bytes = 0
        answer.on('data', (chunk: Buffer) => (bytes += chunk.length))
        answer.on('end', () => done({ status: answer.statusCode ?? 0, bytes, ms: performance.now() - began }))
      },
    )
    asked.on('error', failed)
    asked.end(text)
  })
}

export const median = (list: readonly number[]) =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0
export const milliseconds = (ms: number) => `${ms < 10 ? ms.toFixed(1) : String(Math.round(ms))} ms`

export async function load(port: number, job: Job): Promise<string> {
  const { status } = await ask(port, 'POST', '/projects/import', job)
  if (status !== 201) throw new Error(`the job was not taken: ${String(status)}`)
  return `/projects/${job.project.id}`
}

/** As many processes behind one port as are wanted. */
export async function startServer(
  database: string,
  processes = 1,
): Promise<{ port: number; stop: () => void }> {
  const port = await freePort()
  const child = spawn(
    process.execPath,
    ['--import', 'tsx', `packages/server/src/${processes > 1 ? 'processes' : 'main'}.ts`],
    {
      env: {
        ...process.env,
        NODE_ENV: 'production',
        DATABASE_URL: database,
        PORT: String(port),
        SERIATIM_PROCESSES: String(processes),
      },
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    },
  )
  await new Promise((ready) => child.once('message', ready))
  return { port, stop: () => child.kill('SIGTERM') }
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

/** Whose rows the server wrote. */
async function firstStudio(database: string): Promise<string> {
  const client = new pg.Client({ connectionString: database })
  await client.connect()
  const { rows } = await client.query<{ id: string }>('select id from studio')
  await client.end()
  return rows[0]?.id ?? ''
}

interface Bare {
  readonly database: string
  readonly pgbench: string
  readonly clients: number
  readonly seconds: number
  /** So many a second of all together; left out, one after the other. */
  readonly rate?: number
}

/** The rows of a punch inserted by so many clients of PostgreSQL's own benchmark: what each took. */
export async function bareInserts(
  job: Job,
  { database, pgbench, clients, seconds, rate }: Bare,
): Promise<number[]> {
  const folder = mkdtempSync(join(tmpdir(), 'seriatim-bench-'))
  const script = join(folder, 'punch.sql')
  const [stage] = job.project.line
  const model = job.project.units[0]?.models[0]
  writeFileSync(
    script,
    `with event as (
      insert into progress_event (id, project_id, kind, at, stage_id, device, device_number, painter, dry_seconds, worth_seconds)
      values (gen_random_uuid(), '${job.project.id}', 'punched', now(), '${String(stage?.id)}',
        '0193a000-0000-7000-8000-0000000000aa', 1, 'you', 900, 60) returning id
    ) insert into progress_event_model (event_id, model_id) select id, '${String(model?.id)}' from event;\n`.replaceAll(
      '\n',
      ' ',
    ),
  )
  const args = [
    '-n',
    '-c',
    String(clients),
    '-j',
    '2',
    '-T',
    String(seconds),
    '-f',
    script,
    '-l',
    ...(rate === undefined ? [] : ['-R', String(rate)]),
  ]
  const child = spawn(pgbench, [...args, '--log-prefix', join(folder, 'log'), database], {
    stdio: ['ignore', 'ignore', 'pipe'],
    env: { ...process.env, PGOPTIONS: `-c seriatim.studio=${await firstStudio(database)}` },
  })
  let said = ''
  child.stderr.on('data', (text: Buffer) => (said += text.toString()))
  const code = await new Promise((done) => child.once('exit', done))
  if (code !== 0) throw new Error(`pgbench ended with ${String(code)}: ${said}`)
  return readdirSync(folder)
    .filter((name) => name.startsWith('log'))
    .flatMap((name) => readFileSync(join(folder, name), 'utf8').trim().split('\n'))
    .map((line) => Number(line.split(' ')[2]) / 1000)
}
