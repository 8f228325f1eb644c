// Plans what changed, beside the servers: asked by the news of every write, and by a look at all studios now and then.
import { setPriority } from 'node:os'
import { instant, type ProjectId } from '@seriatim/core/units'
import { drizzle } from 'drizzle-orm/node-postgres'
import { pino } from 'pino'
import { openPool } from './db/client.ts'
import { openNews } from './db/news.ts'
import type { StudioId } from './db/schema/columns.ts'
import { studio } from './db/schema/studio.ts'
import { openStudios } from './db/studios.ts'
import { readEnvironment } from './env.ts'
import { planProject } from './features/plans/plan-project.ts'
import { openPlanQueue } from './features/plans/queue.ts'
import { plannerGivesUp } from './planner-gives-up.ts'
import { readUnplanned } from './features/plans/repository.ts'

const env = readEnvironment()
const log = pino({ level: env.logLevel }, pino.destination(2))
const now = () => instant(env.fixedNow === undefined ? Date.now() : Date.parse(env.fixedNow))
/** A shelf, the air or the day may have changed, of which nobody tells. */
const lookAgainAfter = 60_000

// Whoever asks for a page goes first.
setPriority(10)
const studios = openStudios(env.databaseUrl, log)
const owner = drizzle(openPool(env.databaseUrl, log))
const news = openNews(env.databaseUrl, log)
const queue = await openPlanQueue(env.databaseUrl, log).catch(cannotPlan)

/** Whoever keeps the database may not let this user make the queue's schema: trying again would not help. */
function cannotPlan(error: unknown): never {
  const isDenied = error instanceof Error && 'code' in error && error.code === '42501'
  const why = isDenied
    ? 'the database lets this user make no schema for their queue'
    : 'their queue could not be opened'
  process.stderr.write(`Plans are not made anew beside the servers: ${why}. Pages plan all the same.\n`)
  log.info({ err: error }, 'the planner could not begin')
  process.exit(isDenied ? plannerGivesUp : 1)
}

function ask(of: StudioId, projectId: ProjectId): void {
  queue.ask({ studio: of, projectId }).catch((error: unknown) => {
    // The next look finds it.
    log.warn({ err: error }, 'a plan was not asked for')
  })
}

/** Everything whose plan is out of date, in whichever studio: what was told while nobody listened is among it. */
async function look(): Promise<void> {
  for (const { id } of await owner.select({ id: studio.id }).from(studio))
    for (const { id: projectId } of await readUnplanned(studios.of(id), now())) ask(id, projectId)
}

const tryLook = () => {
  look().catch((error: unknown) => log.warn({ err: error }, 'the plans could not be looked at'))
}

await queue.work(async ({ studio: of, projectId }) => {
  await planProject(studios.of(of), projectId, now())
})
const deafen = news.subscribeAll((written) => {
  if (written === null) tryLook()
  else ask(written.studio, written.projectId)
})
const timer = setInterval(tryLook, lookAgainAfter)
process.send?.('planning')

let isStopping = false
function stop(): void {
  if (isStopping) return
  isStopping = true
  clearInterval(timer)
  deafen()
  // What is under way and takes longer is done again by whoever comes next.
  setTimeout(() => process.exit(0), 5000).unref()
  void Promise.allSettled([news.close(), queue.close()])
    .then(() => studios.close())
    .finally(() => process.exit(0))
}
process.on('SIGTERM', stop)
process.on('SIGINT', stop)
process.on('disconnect', stop)
