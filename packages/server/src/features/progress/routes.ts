import { routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import { requireRevision } from '../projects/service.ts'
import type { PackedLogs } from './packed-logs.ts'
import { readInstallation } from './repository.ts'
import { createRecorder } from './service.ts'

export function progressRoutes(
  app: Hono<{ Bindings: Asking }>,
  db: Database,
  now: () => Instant,
  packedLog: PackedLogs,
): void {
  const recorder = createRecorder(db, now)
  let installationId: string | null = null
  serveRoute(app, routes.readEvents, async ({ params, query }) => {
    const revision = await requireRevision(db, params.id)
    installationId ??= await readInstallation(db)
    const log = await packedLog(params.id, query.after)
    return { ...log, revision, now: now(), installation: installationId }
  })
  serveRoute(app, routes.recordEvents, async ({ params, body }) => {
    const verdicts = await recorder.record(params.id, body.events)
    return { verdicts, now: now() }
  })
}
