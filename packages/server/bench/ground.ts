import { spawn } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { v7 } from 'uuid'
import { jobFile, laps, punches, type Job } from './job.ts'

const [, , database = '', pgbench = ''] = process.argv

interface Answer {
  readonly status: number
  readonly bytes: number
  readonly ms: number
}

const agent = new Agent({ keepAlive: true, maxSockets: 64 })

/** Asks as a browser does, pressed; what is measured is up to the last byte, and what went over the wire. */
function ask(port: number, method: string, path: string, body?: unknown): Promise<Answer> {
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

const median = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0
const rows: [string, string][] = []
const tell = (what: string, value: string) => {
  rows.push([what, value])
  process.stderr.write(`${what}: ${value}\n`)
}

async function many(port: number, rounds: number, path: string): Promise<Answer> {
  const answers: Answer[] = []
  for (let round = 0; round < rounds; round++) answers.push(await ask(port, 'GET', path))
  const [first] = answers
  return { status: first?.status ?? 0, bytes: first?.bytes ?? 0, ms: median(answers.map((each) => each.ms)) }
}

async function load(port: number, job: Job): Promise<string> {
  const { status } = await ask(port, 'POST', '/projects/import', job)
  if (status !== 201) throw new Error(`the job was not taken: ${String(status)}`)
  return `/projects/${job.project.id}`
}

async function startServer(): Promise<{ port: number; stop: () => void }> {
  const port = await freePort()
  const child = spawn(process.execPath, ['--import', 'tsx', 'packages/server/src/main.ts'], {
    env: { ...process.env, NODE_ENV: 'production', DATABASE_URL: database, PORT: String(port) },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  })
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

const kilobytes = (bytes: number) => `${String(Math.round(bytes / 1024))} KB`
const milliseconds = (ms: number) => `${ms < 10 ? ms.toFixed(1) : String(Math.round(ms))} ms`

/** Each of so many clients punches one hole after the other, for some seconds; the median of a punch. */
async function tick(port: number, job: Job, clients: number, seconds: number): Promise<number[]> {
  const stages = job.project.line
  const models = job.project.units.flatMap((unit) => unit.models)
  const times: number[] = []
  const until = performance.now() + seconds * 1000
  await Promise.all(
    Array.from({ length: clients }, async (_, client) => {
      for (let turn = 0; performance.now() < until; turn++) {
        const event = {
          id: v7(),
          at: new Date().toISOString(),
          by: { device: '0193a000-0000-7000-8000-0000000000aa', number: turn + 1, painter: 'you' },
          kind: 'punched',
          stageId: stages[turn % stages.length]?.id,
          modelIds: [models[(client * 7 + turn) % models.length]?.id],
          drySeconds: 900,
          worthSeconds: 60,
        }
        const { status, ms } = await ask(port, 'POST', `/projects/${job.project.id}/events`, {
          events: [event],
        })
        if (status !== 200) throw new Error(`a punch was answered with ${String(status)}`)
        times.push(ms)
      }
    }),
  )
  return times
}

/** Whose rows the server wrote. */
async function firstStudio(): Promise<string> {
  const client = new pg.Client({ connectionString: database })
  await client.connect()
  const { rows } = await client.query<{ id: string }>('select id from studio')
  await client.end()
  return rows[0]?.id ?? ''
}

/** The same rows inserted by as many clients of PostgreSQL's own benchmark. */
async function bareInserts(job: Job, clients: number, seconds: number): Promise<number[]> {
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
  const args = ['-n', '-c', String(clients), '-j', '2', '-T', String(seconds), '-f', script, '-l']
  const child = spawn(pgbench, [...args, '--log-prefix', join(folder, 'log'), database], {
    stdio: ['ignore', 'ignore', 'pipe'],
    env: { ...process.env, PGOPTIONS: `-c seriatim.studio=${await firstStudio()}` },
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

const { port, stop } = await startServer()
try {
  const large = jobFile('500 models through 30 stages', 500, 30)
  large.events = punches(large, 15_000)
  const path = await load(port, large)
  await ask(port, 'GET', path)
  const [project, log] = [await many(port, 7, path), await many(port, 7, `${path}/events`)]
  tell('open 500 × 30 with 15,000 events behind it: answered in', milliseconds(project.ms + log.ms))
  tell('the same: over the wire', kilobytes(project.bytes + log.bytes))
  const long = jobFile('a long log', 500, 30)
  long.events = punches(long, 100_000)
  const longPath = await load(port, long)
  const next = await startServer()
  tell(
    'log of 100,000 events, the first time since the server started: answered in',
    milliseconds((await ask(next.port, 'GET', `${longPath}/events`)).ms),
  )
  next.stop()
  const whole = await many(port, 5, `${longPath}/events`)
  tell('log of 100,000 events: answered in', milliseconds(whole.ms))
  tell('the same: over the wire', kilobytes(whole.bytes))
  const busy = jobFile('laps', 100, 25)
  const busyPath = await load(port, busy)
  for (let each = 0; each < 47; each++) {
    const job = jobFile(`Project ${String(each + 1)}`, 40, 20)
    job.events = punches(job, 300)
    await load(port, job)
  }
  tell('list of 50 projects, each new to it', milliseconds((await ask(port, 'GET', '/projects')).ms))
  tell('list of 50 projects', milliseconds((await many(port, 9, '/projects')).ms))
  const tenThousand = laps(busy, 10_000)
  for (let from = 0; from < tenThousand.length; from += 500)
    await ask(port, 'POST', `${busyPath}/events`, { events: tenThousand.slice(from, from + 500) })
  tell(
    'the list after 10,000 laps more, the first time',
    milliseconds((await ask(port, 'GET', '/projects')).ms),
  )
  tell('the list after 10,000 laps more', milliseconds((await many(port, 9, '/projects')).ms))
  const punch = await tick(port, busy, 1, 2)
  tell('a punch with 30,000 events behind it, one client', milliseconds(median(punch)))
  await tick(port, busy, 50, 2)
  const [bare, ticks] = [await bareInserts(busy, 50, 6), await tick(port, busy, 50, 6)]
  tell('50 clients: bare insert of the same rows, median', milliseconds(median(bare)))
  tell('50 clients: a punch over HTTP, median', milliseconds(median(ticks)))
  tell('50 clients: punch ÷ bare insert', (median(ticks) / median(bare)).toFixed(1))
  tell('50 clients: punches a second', String(Math.round(ticks.length / 6)))
} finally {
  stop()
  agent.destroy()
}
const line = (cells: readonly string[]) => `| ${cells.join(' | ')} |`
process.stdout.write(
  `\n## ground\n\n${[line(['what', 'measured']), line(['---', '---']), ...rows.map(line)].join('\n')}\n`,
)
