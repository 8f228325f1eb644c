import { routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { RequestProblem } from '../../http/problem.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import { requireRevision } from '../projects/service.ts'
import * as rows from './repository.ts'
import { writeAnew } from './write-anew.ts'

const mostPhotos = 200
const noSuchPicture = () => new RequestProblem('not-found', 'There is no such picture.')

/** A picture as an address that a page can show. */
export function pictureOf(body: Buffer | null): { readonly picture: string } {
  if (!body) throw noSuchPicture()
  return { picture: `data:image/jpeg;base64,${body.toString('base64')}` }
}

/** Pictures of a project, for the studio. */
export function photoRoutes(app: Hono<{ Bindings: Asking }>, db: Database, now: () => Instant): void {
  serveRoute(app, routes.listPhotos, async ({ params: { id } }) => {
    await requireRevision(db, id)
    return { photos: await rows.readPhotos(db, id) }
  })
  serveRoute(app, routes.addPhoto, async ({ params: { id }, body: { image, ...fields }, by }) => {
    await requireRevision(db, id)
    if ((await rows.countPhotos(db, id)) >= mostPhotos)
      throw new RequestProblem('too-many', `Up to ${String(mostPhotos)} pictures: take away some first.`)
    const released = fields.released && by.role !== 'painter'
    const written = await writeAnew(Buffer.from(image, 'base64'))
    const row = { ...fields, ...written, released, projectId: id, madeAt: new Date(now()) }
    if (!(await rows.insertPhoto(db, row)))
      throw new RequestProblem('id-reused', 'This id is taken by a picture of another project.')
    return { photos: await rows.readPhotos(db, id) }
  })
  serveRoute(app, routes.readPhoto, async ({ params: { id, photoId } }) =>
    pictureOf(await rows.readBody(db, id, photoId)),
  )
  serveRoute(app, routes.setPhoto, async ({ params: { id, photoId }, body }) => {
    if (!(await rows.updatePhoto(db, id, photoId, body))) throw noSuchPicture()
    return { photos: await rows.readPhotos(db, id) }
  })
  serveRoute(app, routes.removePhoto, async ({ params: { id, photoId } }) => {
    if (!(await rows.deletePhoto(db, id, photoId))) throw noSuchPicture()
    return { photos: await rows.readPhotos(db, id) }
  })
}
