import { readFileSync } from 'node:fs'
import { createServer as createSecureServer } from 'node:https'
import { serve } from '@hono/node-server'
import { instant } from '@seriatim/core/units'
import { drizzle } from 'drizzle-orm/node-postgres'
import { pino } from 'pino'
import { createApp, type AppDoor } from './app.ts'
import { openPool } from './db/client.ts'
import { migrateDatabase, NewerDatabase } from './db/migrate.ts'
import { openNews } from './db/news.ts'
import type { StudioId } from './db/schema/columns.ts'
import { openStudios } from './db/studios.ts'
import { loadDemoOnce, readDemo } from './demo.ts'
import { stockShelfOnce } from './features/shelf/service.ts'
import { readEnvironment } from './env.ts'

const env = readEnvironment()
const log = pino({ level: env.logLevel }, pino.destination(2))
const studios = openStudios(env.databaseUrl, log)

const now = () => instant(env.fixedNow === undefined ? Date.now() : Date.parse(env.fixedNow))

/** One sentence for a person and an exit code; what went wrong in detail is for the log. */
function giveUp(sentence: string, error?: unknown): never {
  if (error) log.info({ err: error }, 'start failed')
  process.stderr.write(`${sentence}\n`)
  process.exit(1)
}

async function prepare(): Promise<StudioId> {
  return migrateDatabase(env.databaseUrl, async (own) => {
    const db = studios.of(own)
    const demo = env.demoFile === undefined ? null : readDemo(env.demoFile)
    await stockShelfOnce(db, demo?.shelf)
    if (demo) await loadDemoOnce(db, demo, now())
  })
}

function notPrepared(error: unknown): never {
  const cause = error instanceof Error ? ((error.cause as Error | undefined) ?? error) : error
  if (error instanceof NewerDatabase) giveUp(error.message)
  const why = cause instanceof Error ? cause.message : String(cause)
  giveUp(`The database could not be prepared: ${why || 'it does not answer'}.`, error)
}

const studio = await prepare().catch(notPrepared)
/** Whoever comes from elsewhere signs in; only this machine's own loopback does without. */
async function makeDoor(): Promise<AppDoor | undefined> {
  const { host, origin } = env
  if (origin === undefined) {
    if (host === '127.0.0.1') return undefined
    giveUp('Beyond this machine Seriatim has to know its own address: npm run serve -- --origin http://…')
  }
  const owner = drizzle(openPool(env.databaseUrl, log))
  // Kept out of a start without a door: it takes most of a second to load.
  const { hasOwner, openAuth } = await import('./features/auth/index.ts')
  if (!(await hasOwner(owner)))
    giveUp(
      'Nobody owns this studio yet, so nobody could sign in: npm run owner -- you@example.org makes an owner.',
    )
  return { door: await openAuth(owner, origin, log), owner, origin }
}

const news = openNews(env.databaseUrl, log)
const app = createApp({ studios, studio, log, now, news, webRoot: env.webRoot, door: await makeDoor() })
/** Longer than clients leave a connection idle: one that closes just as it is used again loses a request. */
const keepAliveTimeout = 75_000
const { certificate, privateKey } = env
const tls =
  certificate !== undefined && privateKey !== undefined
    ? { cert: readFileSync(certificate), key: readFileSync(privateKey) }
    : null
const server = serve(
  {
    fetch: app.fetch,
    port: env.port,
    hostname: env.host,
    ...(tls
      ? { createServer: createSecureServer, serverOptions: { ...tls, keepAliveTimeout } }
      : { serverOptions: { keepAliveTimeout } }),
  },
  () => {
    process.send?.('listening')
  },
)
server.on('error', (error: NodeJS.ErrnoException) => {
  giveUp(
    error.code === 'EADDRINUSE'
      ? `Port ${String(env.port)} is taken by another program; choose another with PORT=….`
      : `The server could not start: ${error.message}.`,
  )
})

/** Requests that are under way get their answer; who takes too long over one is cut off. */
const longestAnswer = 5000
let isStopping = false

function stop(): void {
  if (isStopping) return
  isStopping = true
  // Who listens would else hold the server up.
  void news.close()
  server.close(() => {
    void studios.close().then(() => process.exit(0))
  })
  if ('closeIdleConnections' in server) server.closeIdleConnections()
  setTimeout(() => {
    // A database that died in the middle of an answer may never give its connection back; nobody waits for that.
    setTimeout(() => process.exit(0), longestAnswer)
    if ('closeAllConnections' in server) server.closeAllConnections()
  }, longestAnswer)
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)
