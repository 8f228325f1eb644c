import { routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import { keepPlan, readPlan } from './service.ts'

export function planRoutes(app: Hono<{ Bindings: Asking }>, db: Database, now: () => Instant): void {
  serveRoute(app, routes.readPlan, async ({ params }) => ({ plan: await readPlan(db, params.id) }))
  serveRoute(app, routes.keepPlan, async ({ params, body }) => ({
    plan: await keepPlan(db, params.id, body, now()),
  }))
}
