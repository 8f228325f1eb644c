// Random kills for some minutes, of servers, planner, supervisor and database, with a clock that jumps at every start and,
// where a file system of a few hundred megabytes may be mounted, a disk that fills up; and a check that nothing
// acknowledged is lost or doubled: tsx e2e/kills.ts [seconds] [seed]
import { randomUUID } from 'node:crypto'
import { execFileSync } from 'node:child_process'
import { mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { setTimeout as pause } from 'node:timers/promises'
import { fileURLToPath } from 'node:url'
import { unpackLog, type PackedLog } from '@seriatim/contract'
import { seededRandom } from '@seriatim/core/units'
import { freePort, Instance } from './support/instance.ts'
import { newId } from './support/projects.ts'

const seconds = Number(process.argv[2] ?? 600)
const random = seededRandom(Number(process.argv[3] ?? 47))
const data = fileURLToPath(new URL('../.cache/kills-data', import.meta.url))
const isSmall = mountSmall()
/** Two servers and the planner beside them. */
const instance = new Instance(data, await freePort(), { TZ: 'Europe/Berlin', SERIATIM_PROCESSES: '2' })
await startSomeday()
const id = newId()
const path = `${instance.origin}/api/projects/${id}`
const json = { 'content-type': 'application/json' }

/** Sends until there is an answer; the same request each time, as an outbox does. */
async function send(url: string, method: string, body: object): Promise<unknown> {
  for (;;) {
    try {
      const response = await fetch(url, {
        method,
        headers: json,
        body: JSON.stringify(body),
        signal: AbortSignal.timeout(5000),
      })
      const answer: unknown = await response.json()
      if (response.status < 500) return answer
    } catch {
      // Killed meanwhile.
    }
    await pause(50)
  }
}

const models = Array.from({ length: 8 }, (_, index) => ({
  id: newId(),
  name: `Pike ${String(index)}`,
  role: '',
  points: 0,
}))
const unit = { id: newId(), name: 'Reed-pikes', models }
const stage = {
  id: newId(),
  name: 'Prime',
  material: '',
  touch: { kind: 'whole' },
  handsOnSecondsPerModel: 60,
  setUpSeconds: 0,
  dryingMinSeconds: 0,
  dryingMaxSeconds: 0,
  notNeededBy: [],
  tableReady: false,
  cautions: [],
  note: '',
}
const evenings = { weekdays: [2], startsAt: '19:30', lengthSeconds: 9000, timeZone: 'UTC' }
await send(path, 'PUT', { name: 'Fen', dueOn: null, evenings, batchSize: 4, batchesInHand: null })
const device = randomUUID()
let number = 0
const change = (commands: readonly object[]) => ({
  id: newId(),
  at: new Date().toISOString(),
  device,
  number: (number += 1),
  painter: null,
  base: 0,
  own: number,
  commands,
})
const put = (thing: string, value: { id: string }) => ({
  kind: 'put',
  thing,
  id: value.id,
  in: null,
  after: 'x',
  before: null,
  value,
})
await send(`${path}/changes`, 'POST', change([put('unit', unit), put('stage', stage)]))

const until = Date.now() + seconds * 1000
const acknowledged: string[] = []
const pots: string[] = []
async function paint(): Promise<void> {
  while (Date.now() < until) {
    const events = Array.from({ length: 1 + Math.floor(random() * 4) }, () => ({
      id: newId(),
      at: new Date().toISOString(),
      kind: 'punched',
      stageId: stage.id,
      modelIds: [models[Math.floor(random() * models.length)]?.id],
    }))
    const { verdicts } = (await send(`${path}/events`, 'POST', { events })) as {
      verdicts: { id: string; verdict: string }[]
    }
    for (const each of verdicts) {
      if (each.verdict === 'refused') throw new Error(`${each.id} was refused`)
      acknowledged.push(each.id)
    }
  }
}
async function plan(): Promise<void> {
  while (Date.now() < until) {
    const fresh = { ...stage, id: newId(), name: `Stage ${String(pots.length)}` }
    const last = pots.length > 60 ? pots.shift() : undefined
    const commands = [
      put('stage', fresh),
      ...(last === undefined ? [] : [{ kind: 'take', thing: 'stage', id: last, in: null }]),
    ]
    await send(`${path}/changes`, 'POST', change(commands))
    pots.push(fresh.id)
    await pause(100)
  }
}

/** A data folder on a disk of its own, small enough to be filled. */
function mountSmall(): boolean {
  try {
    execFileSync('/bin/umount', [data], { stdio: 'ignore' })
  } catch {
    // Nothing was left mounted.
  }
  rmSync(data, { recursive: true, force: true })
  mkdirSync(data)
  try {
    execFileSync('/bin/mount', ['-t', 'tmpfs', '-o', 'size=400m', 'tmpfs', data], { stdio: 'ignore' })
    return true
  } catch {
    process.stdout.write('No disk may be mounted here: it is not filled.\n')
    return false
  }
}

/** At every start the server's clock is up to a day off, and stands still. */
async function startSomeday(): Promise<void> {
  const off = (random() * 2 - 1) * 86_400_000
  await instance.start({ SERIATIM_NOW: new Date(Date.now() + off).toISOString() })
}

const kills = { servers: 0, supervisor: 0, database: 0, all: 0 }
let fullDisks = 0

async function kill(): Promise<void> {
  while (Date.now() < until - 5000) {
    await pause(1000 + random() * 5000)
    const what = random()
    if (what < 0.3) {
      // One that serves, or the planner: another takes its place.
      const workers = instance.workerPids()
      const pid = workers[Math.floor(random() * workers.length)]
      if (pid !== undefined) process.kill(pid, 'SIGKILL')
      kills.servers += 1
    } else if (what < 0.45 && isSmall) await fillDisk()
    else if (what < 0.65) {
      await instance.killAll()
      kills.all += 1
    } else if (what < 0.8) {
      await instance.killOne(instance.serverPid())
      kills.supervisor += 1
    } else {
      await instance.killOne(instance.postmasterPid())
      kills.database += 1
    }
    if (!instance.isRunning()) await startSomeday()
  }
}

/** For some seconds there is no room left; what stopped of it is begun again when there is. */
async function fillDisk(): Promise<void> {
  const { bavail, bsize } = statfsSync(data)
  const filler = `${data}/filler`
  try {
    writeFileSync(filler, Buffer.alloc(bavail * bsize))
  } catch {
    // The last bytes were somebody else's.
  }
  fullDisks += 1
  await pause(1000 + random() * 4000)
  rmSync(filler, { force: true })
}

await Promise.all([paint(), paint(), paint(), plan(), kill()])
const { log } = (await (await fetch(`${path}/events`)).json()) as { log: PackedLog }
const kept = unpackLog(log).map((event): string => event.id)
const isKept = new Set(kept)
const project = (await (await fetch(path)).json()) as { line: { id: string }[] }
const lost = acknowledged.filter((each) => !isKept.has(each))
const doubled = kept.length - isKept.size
const line = project.line.map((each) => each.id).filter((each) => each !== stage.id)
const sameLine = JSON.stringify(line) === JSON.stringify(pots)
const killed = Object.entries(kills).map(([what, times]) => `${what} ${String(times)}`)
process.stdout.write(
  `Killed ${killed.join(', ')}, disk full ${String(fullDisks)} times in ${String(seconds)} s: ${String(acknowledged.length)} records acknowledged, ${String(lost.length)} lost, ${String(doubled)} doubled; the line is ${sameLine ? 'as it was shown' : 'NOT as it was shown'}\n`,
)
await instance.stop()
if (isSmall) execFileSync('/bin/umount', [data])
rmSync(data, { recursive: true, force: true })
process.exit(lost.length === 0 && doubled === 0 && sameLine ? 0 : 1)
