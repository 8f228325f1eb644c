import { v7 } from 'uuid'
import {
  agent,
  ask,
  bareInserts,
  load,
  median,
  milliseconds,
  startServer,
  type Answer,
} from './from-outside.ts'
import { jobFile, laps, punches, type Job } from './job.ts'

const [, , database = '', pgbench = ''] = process.argv

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

const kilobytes = (bytes: number) => `${String(Math.round(bytes / 1024))} KB`

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

const { port, stop } = await startServer(database)
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
  const next = await startServer(database)
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
  const [bare, ticks] = [
    await bareInserts(busy, { database, pgbench, clients: 50, seconds: 6 }),
    await tick(port, busy, 50, 6),
  ]
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
