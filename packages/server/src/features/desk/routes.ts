import { routes } from '@seriatim/contract'
import type { ProjectId } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { studio } from '../../db/schema/studio.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import { readStudioName } from '../auth/repository.ts'
import { requireRevision } from '../projects/service.ts'

/** What holds at the desk, whichever project is planned there. */
export function deskRoutes(app: Hono<{ Bindings: Asking }>, db: Database): void {
  serveRoute(app, routes.readStudio, async () => ({ name: await readStudioName(db) }))
  serveRoute(app, routes.nameStudio, async ({ body: { name } }) => {
    await db.update(studio).set({ name })
    return { name }
  })
  serveRoute(app, routes.readDesk, async () => ({ hoursOf: await readHoursOf(db) }))
  serveRoute(app, routes.putDesk, async ({ body: { hoursOf } }) => {
    if (hoursOf !== null) await requireRevision(db, hoursOf)
    // Every statement sees one studio.
    await db.update(studio).set({ hoursOf })
    return { hoursOf }
  })
}

async function readHoursOf(db: Database): Promise<ProjectId | null> {
  const [row] = await db.select({ hoursOf: studio.hoursOf }).from(studio)
  return row?.hoursOf ?? null
}
