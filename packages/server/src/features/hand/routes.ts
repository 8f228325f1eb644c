import { routes } from '@seriatim/contract'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import type { Summaries } from '../projects/summaries.ts'
import * as hand from './service.ts'

export function handRoutes(app: Hono<{ Bindings: Asking }>, db: Database, summaries: Summaries): void {
  serveRoute(app, routes.readHand, ({ params }) => hand.readHand(db, summaries, params.id))
  serveRoute(app, routes.bringRates, ({ body }) => hand.bringRates(db, body))
}
