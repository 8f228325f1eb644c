import { handSchema, putBroughtRatesSchema } from '@seriatim/contract'
import { Hono } from 'hono'
import { z } from 'zod'
import type { Database } from '../../db/client.ts'
import { jsonBody } from '../../http/json-body.ts'
import { projectIdParam } from '../../http/path-params.ts'
import * as hand from './service.ts'

export const handRoutes = (db: Database) =>
  new Hono()
    .get('/beside/:id', projectIdParam, async (context) =>
      context.json(z.encode(handSchema, await hand.readHand(db, context.req.valid('param').id))),
    )
    .put('/brought', jsonBody(putBroughtRatesSchema), async (context) => {
      const { rates } = context.req.valid('json')
      await hand.putBroughtRates(db, rates)
      return context.json({ kept: rates.length })
    })
