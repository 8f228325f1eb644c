// 50 painters who tick every five seconds and 200 clients who look, on several processes: what a tick takes, and when it is heard.
import { v7 } from 'uuid'
import { agent, ask, bareInserts, load, milliseconds, startServer } from './from-outside.ts'
import { jobFile, type Job } from './job.ts'

const [, , database = '', pgbench = ''] = process.argv
const seconds = Number(process.env['SERIATIM_LOAD'] ?? 120)
const processes = 2
const jobs = 10
const paintersEach = 5
const clientPages = 200
/** A painter ticks, and a client's page asks, once in so many seconds. */
const pause = { tick: 5, page: 60 }

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms))
const share = (list: readonly number[], of: number) =>
  list.toSorted((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * of))] ?? 0

/** When each device sent last; who listens says how long it took to be heard. */
const sentAt = new Map<string, number>()
const heardAfter: number[] = []

async function listen(port: number, project: string, signal: AbortSignal): Promise<void> {
  const answer = await fetch(`http://127.0.0.1:${String(port)}/api/projects/${project}/news`, { signal })
  const reader = answer.body?.pipeThrough(new TextDecoderStream()).getReader()
  for (;;) {
    const { value, done } = (await reader?.read()) ?? { value: '', done: true }
    if (done) return
    for (const [, device = ''] of value.matchAll(/data: ([0-9a-f-]{36})/g)) {
      const sent = sentAt.get(device)
      if (sent !== undefined) heardAfter.push(performance.now() - sent)
    }
  }
}

const failures: string[] = []

async function paint(port: number, job: Job, until: number): Promise<readonly number[]> {
  const device = v7()
  const { line, units } = job.project
  const models = units.flatMap((unit) => unit.models)
  const times: number[] = []
  await wait(Math.random() * pause.tick * 1000)
  for (let turn = 0; performance.now() < until; turn++) {
    const event = {
      id: v7(),
      at: new Date().toISOString(),
      by: { device, number: turn + 1, painter: 'you' },
      kind: 'punched',
      stageId: line[turn % line.length]?.id,
      modelIds: [models[turn % models.length]?.id],
      drySeconds: 900,
      worthSeconds: 60,
    }
    sentAt.set(device, performance.now())
    const path = `/projects/${job.project.id}/events`
    const { status, ms } = await ask(port, 'POST', path, { events: [event] })
    if (status === 200) times.push(ms)
    else failures.push(`tick ${String(status)}`)
    await wait(pause.tick * 1000 - ms)
  }
  return times
}

async function look(port: number, token: string, until: number): Promise<readonly number[]> {
  const times: number[] = []
  await wait(Math.random() * Math.min(pause.page, seconds) * 1000)
  while (performance.now() < until) {
    const { status, ms } = await ask(port, 'GET', `/shared/${token}`)
    if (status === 200) times.push(ms)
    else failures.push(`page ${String(status)}`)
    await wait(pause.page * 1000)
  }
  return times
}

async function linkOf(port: number, job: Job): Promise<string> {
  const answer = await fetch(`http://127.0.0.1:${String(port)}/api/projects/${job.project.id}/links`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ days: 30 }),
  })
  return ((await answer.json()) as { token: string }).token
}

const { port, stop } = await startServer(database, processes)
try {
  const all = Array.from({ length: jobs }, (_, index) => jobFile(`Commission ${String(index + 1)}`, 60, 20))
  for (const job of all) await load(port, job)
  const tokens = await Promise.all(all.map((job) => linkOf(port, job)))
  const end = new AbortController()
  // Connections go round among the processes: two listeners a job reach both.
  const listening = all.flatMap((job) => [1, 2].map(() => listen(port, job.project.id, end.signal)))
  const until = performance.now() + seconds * 1000
  const [bare, ticks, pages] = await Promise.all([
    bareInserts(all[0] ?? jobFile('none', 1, 1), {
      database,
      pgbench,
      clients: jobs,
      seconds,
      rate: (jobs * paintersEach) / pause.tick,
    }),
    Promise.all(
      all.flatMap((job) => Array.from({ length: paintersEach }, () => paint(port, job, until))),
    ).then((lists) => lists.flat()),
    Promise.all(
      Array.from({ length: clientPages }, (_, index) => look(port, tokens[index % jobs] ?? '', until)),
    ).then((lists) => lists.flat()),
  ])
  await wait(1000)
  end.abort()
  await Promise.allSettled(listening)
  const rows: readonly (readonly [string, string])[] = [
    [
      `${String(ticks.length)} ticks and ${String(pages.length)} pages in ${String(seconds)} s: failed`,
      String(failures.length),
    ],
    [
      'bare insert at the same pace, half · 95 of 100',
      `${milliseconds(share(bare, 0.5))} · ${milliseconds(share(bare, 0.95))}`,
    ],
    ['a tick, half · 95 of 100', `${milliseconds(share(ticks, 0.5))} · ${milliseconds(share(ticks, 0.95))}`],
    ['tick ÷ bare insert, at 95 of 100', (share(ticks, 0.95) / share(bare, 0.95)).toFixed(1)],
    [
      'a client’s page, half · 95 of 100',
      `${milliseconds(share(pages, 0.5))} · ${milliseconds(share(pages, 0.95))}`,
    ],
    [
      `heard on both processes (${String(heardAfter.length)} times), half · 95 of 100 · the last`,
      `${milliseconds(share(heardAfter, 0.5))} · ${milliseconds(share(heardAfter, 0.95))} · ${milliseconds(share(heardAfter, 1))}`,
    ],
  ]
  const line = (cells: readonly string[]) => `| ${cells.join(' | ')} |`
  process.stdout.write(
    `\n## studio\n\n${[line(['what', 'measured']), line(['---', '---']), ...rows.map(line)].join('\n')}\n`,
  )
  if (failures.length > 0) process.exitCode = 1
} finally {
  stop()
  agent.destroy()
}
