// npm start: sets up everything, serves on one loopback port, and stops cleanly on Ctrl-C.
import { spawn } from 'node:child_process'
import { mkdirSync } from 'node:fs'
import { resolve } from 'node:path'
import { backupReminder } from './lib/backup-age.mjs'
import { ensureBuilds, serverProgram, webRoot } from './lib/builds.mjs'
import { Cluster } from './lib/cluster.mjs'
import { ensurePostgres } from './lib/debian-packages.mjs'
import { ensureNodePackages, requireNode } from './lib/node-packages.mjs'
import { inRoot, root } from './lib/paths.mjs'
import { isPortFree } from './lib/ports.mjs'
import { holdFolder } from './lib/locks.mjs'
import { asStop, runTool, Stop } from './lib/stop.mjs'

const port = Number(process.env.PORT ?? 4640)
const dataFolder = resolve(process.env.SERIATIM_DATA ?? inRoot('data'))

await runTool(async () => {
  requireNode()
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new Stop(`PORT=${process.env.PORT} is not a port number.`)
  mkdirSync(dataFolder, { recursive: true })
  await holdFolder(dataFolder, port)
  if (!(await isPortFree(port)))
    throw new Stop(`Port ${port} is taken by another program; choose another with PORT=….`)

  const stopper = makeStopper()
  const given = process.env.DATABASE_URL
  if (!given) await ensurePostgres()
  await ensureNodePackages()
  const reminder = given ? null : backupReminder(dataFolder)
  const cluster = given
    ? null
    : new Cluster(dataFolder, { disposable: process.env.SERIATIM_DISPOSABLE === '1' })
  stopper.cluster = cluster
  const [address] = await Promise.all([given ?? cluster.start(), ensureBuilds()])
  await startServer(address, stopper)
  if (reminder) process.stdout.write(`${reminder}\n`)
  process.stdout.write(
    `Seriatim is ready at ${process.env.SERIATIM_ORIGIN ?? `http://127.0.0.1:${port}`} (Ctrl-C stops it)\n`,
  )
  if (cluster) watch(cluster, stopper)
})

/** Stops whatever was started, once, in the right order, then ends with the given code. */
function makeStopper() {
  const stopper = { server: null, cluster: null, stopping: false, stop }
  async function stop(code, sentence) {
    if (stopper.stopping) return
    stopper.stopping = true
    if (sentence) process.stderr.write(`${sentence}\n`)
    const { server } = stopper
    if (server && server.exitCode === null && server.signalCode === null) {
      await new Promise((done) => {
        server.once('exit', done)
        server.kill('SIGTERM')
      })
    }
    await stopper.cluster?.stop()
    process.exit(code)
  }
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0))
  process.on('uncaughtException', (error) => {
    const known = asStop(error)
    void stop(1, known instanceof Stop ? known.message : known.stack)
  })
  return stopper
}

function startServer(databaseUrl, stopper) {
  // Beyond this machine several may work here, and plans are made beside the servers.
  const isStudio =
    process.env.SERIATIM_ORIGIN !== undefined || Number(process.env.SERIATIM_PROCESSES ?? 1) > 1
  const entry = isStudio ? 'processes' : 'main'
  const server = spawn(process.execPath, [serverProgram(entry)], {
    cwd: root,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      SERIATIM_WEB: webRoot,
      SERIATIM_DEMO: process.env.SERIATIM_DEMO ?? inRoot('demo', 'tallow-fen.json'),
    },
  })
  stopper.server = server
  return new Promise((ready) => {
    server.once('message', ready)
    server.once('exit', (code, signal) => {
      // The server has said why in a sentence of its own when it gave up by itself.
      const sentence = signal
        ? 'The server was stopped from outside; nothing recorded is lost. Start again with npm start.'
        : ''
      void stopper.stop(code || 1, sentence)
    })
  })
}

function watch(cluster, stopper) {
  const timer = setInterval(() => {
    if (cluster.isRunning()) return
    clearInterval(timer)
    void stopper.stop(
      1,
      'The database was stopped from outside; nothing recorded is lost. Start again with npm start.',
    )
  }, 1000)
}
