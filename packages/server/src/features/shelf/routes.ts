import { routes } from '@seriatim/contract'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import * as shelf from './service.ts'

export function shelfRoutes(app: Hono<{ Bindings: Asking }>, db: Database): void {
  serveRoute(app, routes.readShelf, async () => ({ materials: await shelf.readShelf(db) }))
  serveRoute(app, routes.putMaterials, async ({ body }) => ({
    materials: await shelf.putMaterials(db, body.materials, body.before),
  }))
  serveRoute(app, routes.removeMaterial, async ({ params }) => ({
    materials: await shelf.removeMaterial(db, params.materialId),
  }))
}
