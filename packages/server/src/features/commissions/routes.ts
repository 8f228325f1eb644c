import { routes, type SharedProgress } from '@seriatim/contract'
import { lastRecordedAt, unitsForClient } from '@seriatim/core/sheet'
import type { Instant } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import type { StudioId } from '../../db/schema/columns.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import { readStudioName } from '../auth/repository.ts'
import { requireRevision } from '../projects/service.ts'
import { readBody, readPhotos } from '../photos/repository.ts'
import { pictureOf } from '../photos/routes.ts'
import type { Summaries } from '../projects/summaries.ts'
import { putClient, readClients, removeClient } from './clients.ts'
import { makeLink, openLink, readLinks, revokeLink } from './links.ts'
import { putPrices, readPrices } from './prices.ts'
import { acceptQuote, makeQuote, readQuotes } from './quotes.ts'

interface StudioAt {
  readonly db: Database
  readonly now: () => Instant
}

/** What is painted for others: who they are, what it costs, and what they see of it. */
export function commissionRoutes(
  app: Hono<{ Bindings: Asking }>,
  { db, studio, now }: StudioAt & { readonly studio: StudioId },
): void {
  serveRoute(app, routes.readClients, async () => ({ clients: await readClients(db) }))
  serveRoute(app, routes.putClient, async ({ params, body }) => {
    await putClient(db, params.clientId, body)
    return { clients: await readClients(db) }
  })
  serveRoute(app, routes.removeClient, async ({ params }) => {
    await removeClient(db, params.clientId)
    return { clients: await readClients(db) }
  })
  serveRoute(app, routes.readPrices, () => readPrices(db))
  serveRoute(app, routes.putPrices, ({ body }) => putPrices(db, body))
  serveRoute(app, routes.readCommission, async ({ params: { id } }) => {
    await requireRevision(db, id)
    return { quotes: await readQuotes(db, id), links: await readLinks(db, id) }
  })
  serveRoute(app, routes.makeQuote, ({ params, body, by }) =>
    makeQuote(db, params.id, body, { name: by.name, now: now() }),
  )
  serveRoute(app, routes.acceptQuote, ({ params: { id, quoteId }, body: { standard }, by }) =>
    acceptQuote(db, { projectId: id, quoteId, standard }, { name: by.name, now: now() }),
  )
  serveRoute(app, routes.makeLink, ({ params, body: { days } }) =>
    makeLink(db, params.id, { studio, days, now: now() }),
  )
  serveRoute(app, routes.revokeLink, ({ params }) => revokeLink(db, params.id, params.linkId, now()))
}

/** What a client sees, who is nobody here. */
export function sharedRoutes(
  app: Hono<{ Bindings: Asking }>,
  { db, now, summaries }: StudioAt & { readonly summaries: Summaries },
): void {
  serveRoute(app, routes.readShared, async ({ params }): Promise<SharedProgress> => {
    const { projectId, validUntil } = await openLink(db, params.token, now())
    const { project, progress, left } = await summaries.figuresOf(projectId)
    const { totalSeconds, leftSeconds } = left
    const { commission, units } = project
    const looked = commission?.testModel ?? null
    const model = units.flatMap((unit) => unit.models).find((each) => each.id === looked?.modelId)
    return {
      studio: await readStudioName(db),
      project: project.name,
      dueOn: project.dueOn,
      deliveredOn: commission?.deliveredOn ?? null,
      done: totalSeconds > 0 ? Math.min(1, Math.max(0, 1 - leftSeconds / totalSeconds)) : 0,
      units: unitsForClient(project, progress),
      photos: (await readPhotos(db, projectId, true)).map(({ id, caption }) => ({ id, caption })),
      testModel: model ? { name: model.name, agreedOn: looked?.agreedOn ?? null } : null,
      lastAt: lastRecordedAt(progress),
      validUntil,
    }
  })
  serveRoute(app, routes.readSharedPhoto, async ({ params: { token, photoId } }) => {
    const { projectId } = await openLink(db, token, now())
    return pictureOf(await readBody(db, projectId, photoId, true))
  })
}
