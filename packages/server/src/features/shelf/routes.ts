import { putMaterialsSchema } from '@seriatim/contract'
import { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { jsonBody } from '../../http/json-body.ts'
import { materialIdParam } from '../../http/path-params.ts'
import * as shelf from './service.ts'

export const shelfRoutes = (db: Database) =>
  new Hono()
    .get('/', async (context) => context.json({ materials: await shelf.readShelf(db) }))
    .put('/', jsonBody(putMaterialsSchema), async (context) =>
      context.json({ materials: await shelf.putMaterials(db, context.req.valid('json').materials) }),
    )
    .delete('/:materialId', materialIdParam, async (context) =>
      context.json({ materials: await shelf.removeMaterial(db, context.req.valid('param').materialId) }),
    )
