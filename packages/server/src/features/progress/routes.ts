import { eventLogSchema, newEventsSchema } from '@seriatim/contract'
import { Hono } from 'hono'
import { z } from 'zod'
import type { Database } from '../../db/client.ts'
import { jsonBody } from '../../http/json-body.ts'
import { projectIdParam } from '../../http/path-params.ts'
import { requireProject } from '../projects/service.ts'
import { readEvents } from './repository.ts'
import { recordEvents } from './service.ts'

export const progressRoutes = (db: Database) =>
  new Hono()
    .get('/:id/events', projectIdParam, async (context) => {
      const { id } = context.req.valid('param')
      await requireProject(db, id)
      return context.json(z.encode(eventLogSchema, { events: [...(await readEvents(db, id))] as never }))
    })
    .post('/:id/events', projectIdParam, jsonBody(newEventsSchema), async (context) => {
      const { id } = context.req.valid('param')
      await requireProject(db, id)
      const { events } = context.req.valid('json')
      await recordEvents(db, id, events)
      return context.json({ recorded: events.length })
    })
