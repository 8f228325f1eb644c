import { serveStatic } from '@hono/node-server/serve-static'
import type { Instant } from '@seriatim/core'
import { sql } from 'drizzle-orm'
import { Hono } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { secureHeaders } from 'hono/secure-headers'
import type { Logger } from 'pino'
import type { Database } from './db/client.ts'
import { airRoutes } from './features/air/routes.ts'
import { handRoutes } from './features/hand/routes.ts'
import { progressRoutes } from './features/progress/routes.ts'
import { projectRoutes } from './features/projects/routes.ts'
import { shelfRoutes } from './features/shelf/routes.ts'
import { onError } from './http/on-error.ts'
import { problemResponse, RequestProblem } from './http/problem.ts'

export interface AppOptions {
  readonly db: Database
  readonly log: Logger
  readonly now: () => Instant
  /** The built web application; without it only the API answers. */
  readonly webRoot?: string | undefined
}

const largestBody = 32 * 1024 * 1024

const createApi = ({ db, now }: AppOptions) =>
  new Hono()
    .get('/health', async (context) => {
      await db.execute(sql`select 1`)
      return context.json({ ok: true })
    })
    .route('/projects', projectRoutes(db, now))
    .route('/projects', progressRoutes(db))
    .route('/shelf', shelfRoutes(db))
    .route('/hand', handRoutes(db))
    .route('/air', airRoutes(db, now))

export function createApp(options: AppOptions) {
  const app = new Hono()
  app.use(secureHeaders())
  app.use('/api/*', async (context, next) => {
    await next()
    context.header('cache-control', 'no-store')
  })
  app.use(
    '/api/*',
    bodyLimit({
      maxSize: largestBody,
      onError: (context) =>
        problemResponse(context, new RequestProblem('invalid-request', 'This is larger than 32 MB.')),
    }),
  )
  app.onError(onError(options.log))
  const routed = app.route('/api', createApi(options))
  app.all('/api/*', (context) =>
    problemResponse(context, new RequestProblem('not-found', 'There is nothing at this address.')),
  )
  if (options.webRoot) {
    const root = options.webRoot
    app.use(
      '/assets/*',
      serveStatic({
        root,
        onFound: (_, context) => context.header('cache-control', 'public, max-age=31536000, immutable'),
      }),
    )
    app.use('*', serveStatic({ root }))
    app.get('*', serveStatic({ root, path: 'index.html' }))
  }
  return routed
}
