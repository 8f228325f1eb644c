import { airSchema } from '@seriatim/contract'
import type { Instant } from '@seriatim/core'
import { Hono } from 'hono'
import { z } from 'zod'
import type { Database } from '../../db/client.ts'
import { jsonBody } from '../../http/json-body.ts'
import * as air from './repository.ts'

/** Readings of the last two weeks, and what is foretold. */
export const airRoutes = (db: Database, now: () => Instant) => {
  const answer = async () => z.encode(airSchema, { readings: await air.readAir(db, now()) })
  return new Hono()
    .get('/', async (context) => context.json(await answer()))
    .put('/', jsonBody(airSchema), async (context) => {
      await air.writeAir(db, context.req.valid('json').readings)
      return context.json(await answer())
    })
    .delete('/simulated', async (context) => {
      await air.removeSimulated(db)
      return context.json(await answer())
    })
}
