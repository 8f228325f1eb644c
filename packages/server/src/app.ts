import { serveStatic } from '@hono/node-server/serve-static'
import { openApiDocument, routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core'
import { sql } from 'drizzle-orm'
import { Hono } from 'hono'
import { compress } from 'hono/compress'
import { secureHeaders } from 'hono/secure-headers'
import type { Logger } from 'pino'
import type { News } from './db/news.ts'
import type { StudioId } from './db/schema/columns.ts'
import type { Studios } from './db/studios.ts'
import { airRoutes } from './features/air/routes.ts'
import { calendarRoutes } from './features/calendar/routes.ts'
import { handRoutes } from './features/hand/routes.ts'
import { newsRoutes } from './features/news/routes.ts'
import { createPackedLogs } from './features/progress/packed-logs.ts'
import { progressRoutes } from './features/progress/routes.ts'
import { projectRoutes } from './features/projects/routes.ts'
import { createSummaries } from './features/projects/summaries.ts'
import { shelfRoutes } from './features/shelf/routes.ts'
import { onError } from './http/on-error.ts'
import { ownPagesOnly } from './http/own-pages-only.ts'
import { problemResponse, RequestProblem } from './http/problem.ts'
import { serveRoute } from './http/serve-route.ts'

export interface AppOptions {
  readonly studios: Studios
  /** Whose desk it is. */
  readonly studio: StudioId
  readonly log: Logger
  readonly now: () => Instant
  /** Without it pages only hear what they ask for. */
  readonly news?: News | undefined
  /** The built web application; without it only the API answers. */
  readonly webRoot?: string | undefined
}

/** The routes of one studio, with what they remember of it. */
function createApi({ studios, studio, now, news }: AppOptions): Hono {
  const api = new Hono()
  const db = studios.of(studio)
  const summaries = createSummaries(db, now)
  const packedLogs = createPackedLogs(db)
  serveRoute(api, routes.health, async () => {
    await db.execute(sql`select 1`)
    return { ok: true as const, now: now() }
  })
  let document: string | undefined
  // Made when somebody asks, not at every start.
  api.get('/openapi.json', (context) => {
    document ??= JSON.stringify(openApiDocument())
    return context.body(document, 200, { 'content-type': 'application/json' })
  })
  projectRoutes(api, db, now, summaries, packedLogs)
  progressRoutes(api, db, now, packedLogs)
  shelfRoutes(api, db)
  handRoutes(api, db, summaries)
  airRoutes(api, db, now)
  calendarRoutes(api, db, now)
  if (news) newsRoutes(api, db, news)
  return api
}

export function createApp(options: AppOptions): Hono {
  const app = new Hono()
  app.onError(onError(options.log))
  app.use(
    secureHeaders({
      // Together they let the page share memory with its workers, which is how a search is told to stop.
      crossOriginOpenerPolicy: 'same-origin',
      crossOriginEmbedderPolicy: 'require-corp',
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // Widgets place themselves by style attributes; scripts in the page are none.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    }),
  )
  app.use(ownPagesOnly)
  app.use(compress())
  app.use('/api/*', async (context, next) => {
    await next()
    context.header('cache-control', 'no-store')
  })
  app.route('/api', createApi(options))
  app.all('/api/*', (context) =>
    problemResponse(context, new RequestProblem('not-found', 'There is nothing at this address.')),
  )
  if (options.webRoot) servePages(app, options.webRoot)
  return app
}

function servePages(app: Hono, root: string): void {
  app.use('*', async (context, next) => {
    await next()
    const isAsset = context.req.path.startsWith('/assets/') && context.res.ok
    // The name of an asset says what is in it; all else is asked for anew.
    context.header('cache-control', isAsset ? 'public, max-age=31536000, immutable' : 'no-cache')
  })
  app.use('*', serveStatic({ root }))
  // Places of the application have no ending; a file that is asked for and not there is not there.
  app.get('*', async (context, next) => {
    if (!/\.[a-z0-9]+$/i.test(context.req.path) && !context.req.path.startsWith('/assets/')) return next()
    return context.text('There is no such file.', 404)
  })
  app.get('*', serveStatic({ root, path: 'index.html' }))
}
