// Several servers behind one port, on one database: each as `main.ts`; one that dies is replaced.
import cluster, { type Worker } from 'node:cluster'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { readEnvironment } from './env.ts'

const env = readEnvironment()
const log = pino({ level: env.logLevel }, pino.destination(2))
const ready = new Set<number>()
let isStopping = false

cluster.setupPrimary({ exec: fileURLToPath(new URL('./main.ts', import.meta.url)) })
for (let count = 0; count < env.processes; count++) begin()

function begin(): void {
  const worker = cluster.fork()
  worker.on('message', (word) => {
    if (word !== 'listening') return
    ready.add(worker.id)
    if (ready.size === env.processes) process.send?.('listening')
  })
  worker.on('exit', (code, signal) => ended(worker, code, signal))
}

/** One that never listened has said why; one that did is replaced, and the others go on meanwhile. */
function ended(worker: Worker, code: number, signal: string | null): void {
  if (isStopping) {
    if (Object.keys(cluster.workers ?? {}).length === 0) process.exit(0)
    return
  }
  if (!ready.delete(worker.id)) process.exit(code || 1)
  log.warn({ code, signal }, 'a server process ended and is replaced')
  begin()
}

function stop(): void {
  if (isStopping) return
  isStopping = true
  for (const worker of Object.values(cluster.workers ?? {})) worker?.kill('SIGTERM')
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)
