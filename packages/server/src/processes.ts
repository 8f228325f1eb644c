// Servers behind one port, on one database, each as `main.ts`, and a planner beside them; what dies is replaced. It
// runs as built only, beside the two.
import { fork, type ChildProcess } from 'node:child_process'
import cluster, { type Worker } from 'node:cluster'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { readEnvironment } from './env.ts'
import { plannerGivesUp } from './planner-gives-up.ts'

const env = readEnvironment()
const log = pino({ level: env.logLevel }, pino.destination(2))
/** All that have not ended: the cluster's own list keeps one that has ended for as long as its channel is open. */
const running = new Set<Worker>()
const ready = new Set<number>()
let isStopping = false
let planner: ChildProcess | null = null
const planAgainAfter = 1000

cluster.setupPrimary({ exec: fileURLToPath(new URL('./main.js', import.meta.url)) })
for (let count = 0; count < env.processes; count++) begin()

function begin(): void {
  const worker = cluster.fork()
  running.add(worker)
  worker.on('message', (word) => {
    if (word !== 'listening') return
    ready.add(worker.id)
    if (ready.size !== env.processes) return
    process.send?.('listening')
    // The database is up to date from here on.
    planner ??= beginPlanner()
  })
  worker.on('exit', (code, signal) => ended(worker, code, signal))
}

/** One that never listened has said why; one that did is replaced, and the others go on meanwhile. */
function ended(worker: Worker, code: number, signal: string | null): void {
  running.delete(worker)
  if (isStopping) {
    endWhenAllEnded()
    return
  }
  if (!ready.delete(worker.id)) process.exit(code || 1)
  log.warn({ code, signal }, 'a server process ended and is replaced')
  begin()
}

function beginPlanner(): ChildProcess {
  const own = fork(fileURLToPath(new URL('./planner.js', import.meta.url)))
  own.on('exit', (code, signal) => {
    planner = null
    if (isStopping) {
      endWhenAllEnded()
      return
    }
    if (code === plannerGivesUp) return
    log.warn({ code, signal }, 'the planner ended and is replaced')
    setTimeout(() => {
      if (!isStopping) planner ??= beginPlanner()
    }, planAgainAfter)
  })
  return own
}

function endWhenAllEnded(): void {
  if (running.size === 0 && planner === null) process.exit(0)
}

function stop(): void {
  if (isStopping) return
  isStopping = true
  for (const worker of running) worker.process.kill('SIGTERM')
  planner?.kill('SIGTERM')
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)
