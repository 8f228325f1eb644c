import { serveStatic } from '@hono/node-server/serve-static'
import { openApiDocument, routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import { sql } from 'drizzle-orm'
import { Hono, type Context } from 'hono'
import { bodyLimit } from 'hono/body-limit'
import { compress } from 'hono/compress'
import { NONCE, secureHeaders, type SecureHeadersVariables } from 'hono/secure-headers'
import { readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { LRUCache } from 'lru-cache'
import type { Logger } from 'pino'
import type { Database } from './db/client.ts'
import type { News } from './db/news.ts'
import type { StudioId } from './db/schema/columns.ts'
import { studio } from './db/schema/studio.ts'
import type { Studios } from './db/studios.ts'
import { airRoutes } from './features/air/routes.ts'
import { calendarRoutes } from './features/calendar/routes.ts'
import { commissionRoutes, sharedRoutes, studioOfLink } from './features/commissions/index.ts'
import { deskRoutes } from './features/desk/routes.ts'
import { addressHeader, authPath, largestAuthBody, openAuthPaths } from './features/auth/auth-path.ts'
import type { Door } from './features/auth/auth.ts'
import { memberRoutes } from './features/auth/routes.ts'
import { handRoutes } from './features/hand/routes.ts'
import { newsRoutes } from './features/news/routes.ts'
import { photoRoutes } from './features/photos/routes.ts'
import { createPackedLogs } from './features/progress/packed-logs.ts'
import { planRoutes } from './features/plans/routes.ts'
import { progressRoutes } from './features/progress/routes.ts'
import { projectRoutes } from './features/projects/routes.ts'
import { createSummaries } from './features/projects/summaries.ts'
import { studioFileRoutes } from './features/studio-file/routes.ts'
import { shelfRoutes } from './features/shelf/routes.ts'
import { onError } from './http/on-error.ts'
import { ownPagesOnly } from './http/own-pages-only.ts'
import { problemResponse, RequestProblem } from './http/problem.ts'
import { refuseOthers, serveRoute, type Asking } from './http/serve-route.ts'

export interface AppOptions {
  readonly studios: Studios
  /** Whose desk it is where there is no door. */
  readonly studio: StudioId
  readonly log: Logger
  readonly now: () => Instant
  /** Without one whoever sits at this machine may do everything. */
  readonly door?: AppDoor | undefined
  /** Without it pages only hear what they ask for. */
  readonly news?: News | undefined
  /** The built web application; without it only the API answers. */
  readonly webRoot?: string | undefined
}

export interface AppDoor {
  readonly door: Door
  /** The whole database, for who may sign in. */
  readonly owner: Database
  /** As browsers name this place. */
  readonly origin: string
}

type Api = Hono<{ Bindings: Asking }>

/** The routes of one studio, with what they remember of it. */
function createApi({ studios, now, news, door, log }: AppOptions, studio: StudioId): Api {
  const api: Api = new Hono()
  const db = studios.of(studio)
  const summaries = createSummaries(db, now)
  const packedLogs = createPackedLogs(db)
  const members = door ? { db, owner: door.owner, accounts: door.door.accounts } : null
  serveRoute(api, routes.health, async () => {
    await db.execute(sql`select 1`)
    return { ok: true as const, now: now() }
  })
  memberRoutes(api, members, db, studio)
  sharedRoutes(api, { db, now, summaries })
  // What is no route of the contract is for whoever belongs here.
  api.use('*', async (context, next) => {
    refuseOthers(context.env.role, 'painter')
    await next()
  })
  let document: string | undefined
  // Made when somebody asks, not at every start.
  api.get('/openapi.json', (context) => {
    document ??= JSON.stringify(openApiDocument())
    return context.body(document, 200, { 'content-type': 'application/json' })
  })
  projectRoutes(api, db, now, summaries, packedLogs)
  studioFileRoutes(api, db, now)
  planRoutes(api, db, now)
  progressRoutes(api, db, now, packedLogs)
  shelfRoutes(api, db)
  handRoutes(api, db, summaries)
  deskRoutes(api, db)
  commissionRoutes(api, { db, studio, now })
  photoRoutes(api, db, now)
  airRoutes(api, db, now)
  calendarRoutes(api, db, now, summaries)
  if (news) newsRoutes(api, db, news, studio)
  api.all('*', (context) =>
    problemResponse(context, new RequestProblem('not-found', 'There is nothing at this address.')),
  )
  const whole: Api = new Hono()
  whole.onError(onError(log))
  whole.route('/api', api)
  return whole
}

/** Below this path a client looks, who is nobody here. */
const sharedPath = '/api/shared/'
const nobody: Asking = {
  role: null,
  accountId: null,
  name: null,
  signInId: null,
  byKey: false,
  isStillIn: () => Promise.resolve(true),
}
/** Whoever sits at a desk without a door. */
const atTheDesk: Asking = { ...nobody, role: 'owner' }

/** So many studios are kept ready, the last asked for. */
const studiosReady = 200

/** The routes of whoever asks: behind a door those of their studio, and none but the open ones for who has not signed in. */
function createApis(options: AppOptions) {
  const ready = new LRUCache<StudioId, Api>({ max: studiosReady })
  const apiOf = (studio: StudioId): Api => {
    const api = ready.get(studio) ?? createApi(options, studio)
    ready.set(studio, api)
    return api
  }
  /** A client's link says itself which studio it is of. */
  const studioBehind = async (path: string): Promise<StudioId> => {
    const [token = ''] = path.split('/')
    const named = studioOfLink(token)
    if (named === null || named === options.studio || ready.has(named)) return named ?? options.studio
    return (await options.studios.of(named).$count(studio)) > 0 ? named : options.studio
  }
  return async (request: Request): Promise<Response> => {
    const { pathname, searchParams } = new URL(request.url)
    if (pathname.startsWith(sharedPath))
      return apiOf(await studioBehind(pathname.slice(sharedPath.length))).fetch(request, nobody)
    if (!options.door) return apiOf(options.studio).fetch(request, atTheDesk)
    const feedKey = pathname.endsWith('/calendar.ics') ? (searchParams.get('key') ?? undefined) : undefined
    const visitor = await options.door.door.whoIs(request.headers, feedKey)
    if (visitor?.by === 'looking-key' && request.method !== 'GET')
      throw new RequestProblem('not-allowed', 'This key only looks.')
    const { door } = options.door
    const asking: Asking = {
      role: visitor?.role ?? null,
      accountId: visitor?.accountId ?? null,
      name: visitor?.name ?? null,
      signInId: visitor?.signInId ?? null,
      byKey: visitor !== null && visitor.by !== 'sign-in',
      isStillIn: async () => (await door.whoIs(request.headers, feedKey))?.studio === visitor?.studio,
    }
    return apiOf(visitor?.studio ?? options.studio).fetch(request, asking)
  }
}

/** The answers' nonce is known to those who write them. */
type PageEnv = { readonly Variables: SecureHeadersVariables }
type App = Hono<PageEnv>

export function createApp(options: AppOptions): App {
  const app: App = new Hono()
  const { door } = options
  app.onError(onError(options.log))
  app.use(
    secureHeaders({
      // Together they let the page share memory with its workers, which is how a search is told to stop.
      crossOriginOpenerPolicy: 'same-origin',
      crossOriginEmbedderPolicy: 'require-corp',
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // The one style that a widget puts into the page bears the nonce of the answer.
        styleSrc: ["'self'", NONCE],
        imgSrc: ["'self'", 'data:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    }),
  )
  app.use(ownPagesOnly(door?.origin))
  app.use(compress())
  app.use('/api/*', async (context, next) => {
    await next()
    context.header('cache-control', 'no-store')
  })
  if (door) {
    const tooLarge = bodyLimit({
      maxSize: largestAuthBody,
      onError: () => {
        throw new RequestProblem('too-large', 'This is larger than anything that signs somebody in.')
      },
    })
    for (const path of openAuthPaths)
      app.post(`${authPath}${path}`, tooLarge, (context) => door.door.answer(withCallerAddress(context)))
  }
  const answer = createApis(options)
  app.all('/api/*', (context) => answer(context.req.raw))
  if (options.webRoot) servePages(app, options.webRoot)
  return app
}

/** The request with the address it came from, which no header of its own may say. */
function withCallerAddress(context: Context): Request {
  const bindings = context.env as
    | { readonly incoming?: { readonly socket: { readonly remoteAddress?: string } } }
    | undefined
  const headers = new Headers(context.req.raw.headers)
  headers.set(addressHeader, bindings?.incoming?.socket.remoteAddress ?? '127.0.0.1')
  return new Request(context.req.raw, { headers })
}

function servePages(app: App, root: string): void {
  const page = async (context: Context<PageEnv>) => {
    const html = await readFile(join(root, 'index.html'), 'utf8')
    return context.html(html.replaceAll('STYLE_NONCE', context.get('secureHeadersNonce') ?? ''))
  }
  app.use('*', async (context, next) => {
    await next()
    const isAsset = context.req.path.startsWith('/assets/') && context.res.ok
    // The name of an asset says what is in it; all else is asked for anew.
    context.header('cache-control', isAsset ? 'public, max-age=31536000, immutable' : 'no-cache')
  })
  app.get('/', page)
  app.get('/index.html', page)
  app.use('*', serveStatic({ root, precompressed: true }))
  // Places of the application have no ending; a file that is asked for and not there is not there.
  app.get('*', async (context, next) => {
    if (!/\.[a-z0-9]+$/i.test(context.req.path) && !context.req.path.startsWith('/assets/')) return next()
    return context.text('There is no such file.', 404)
  })
  app.get('*', page)
}
