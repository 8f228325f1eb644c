import { routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import * as air from './service.ts'

/** Readings of the last two weeks, and what is foretold. */
export function airRoutes(app: Hono<{ Bindings: Asking }>, db: Database, now: () => Instant): void {
  const answer = async () => ({ readings: await air.readAir(db, now()) })
  serveRoute(app, routes.readAir, answer)
  serveRoute(app, routes.putAir, async ({ body }) => {
    await air.putAir(db, body, now())
    return answer()
  })
  serveRoute(app, routes.removeSimulatedAir, async () => {
    await air.removeSimulated(db)
    return answer()
  })
}
