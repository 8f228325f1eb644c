import { packLog, routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { serveRoute } from '../../http/serve-route.ts'
import { requireRevision } from '../projects/service.ts'
import { readEventsAfter } from './repository.ts'
import { createRecorder } from './service.ts'

export function progressRoutes(app: Hono, db: Database, now: () => Instant): void {
  const recorder = createRecorder(db, now)
  serveRoute(app, routes.readEvents, async ({ params, query }) => {
    const revision = await requireRevision(db, params.id)
    const kept = await readEventsAfter(db, params.id, query.after)
    const log = packLog(kept.map((each) => each.event))
    return { log, last: kept.at(-1)?.number ?? query.after, revision, now: now() }
  })
  serveRoute(app, routes.recordEvents, async ({ params, body }) => {
    const verdicts = await recorder.record(params.id, body.events)
    return { verdicts, now: now() }
  })
}
