import { routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import { exportStudio, importStudio } from './service.ts'

export function studioFileRoutes(app: Hono<{ Bindings: Asking }>, db: Database, now: () => Instant): void {
  serveRoute(app, routes.exportStudio, () => exportStudio(db, now()))
  serveRoute(app, routes.importStudio, ({ body }) => importStudio(db, body))
}
