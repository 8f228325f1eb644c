import { routes } from '@seriatim/contract'
import type { Instant } from '@seriatim/core/units'
import type { Hono } from 'hono'
import type { Database } from '../../db/client.ts'
import { serveRoute, type Asking } from '../../http/serve-route.ts'
import type { PackedLogs } from '../progress/packed-logs.ts'
import { exportProject, importProject } from './project-files.ts'
import { readKeptRecipes } from './recipe-rows.ts'
import * as projects from './service.ts'
import type { Summaries } from './summaries.ts'

export function projectRoutes(
  app: Hono<{ Bindings: Asking }>,
  db: Database,
  now: () => Instant,
  summaries: Summaries,
  packedLog: PackedLogs,
): void {
  serveRoute(app, routes.listProjects, async () => ({ projects: await summaries.list() }))
  serveRoute(app, routes.importProject, async ({ query, body }) => {
    const project = await importProject(db, body, query.copy === 'true')
    // A long log is read once here, where somebody waits for it anyhow, and not when it is opened.
    await packedLog(project.id, 0)
    return project
  })
  serveRoute(app, routes.createProject, ({ params, body }) => projects.createProject(db, params.id, body))
  serveRoute(app, routes.readProject, ({ params }) => projects.requireProject(db, params.id))
  serveRoute(app, routes.removeProject, async ({ params }) => {
    await projects.setProjectRemoved(db, params.id, true)
    return { removed: true }
  })
  serveRoute(app, routes.restoreProject, async ({ params }) => {
    await projects.setProjectRemoved(db, params.id, false)
    return { removed: false }
  })
  serveRoute(app, routes.sayFinish, async ({ params, body }) => {
    await projects.sayFinish(db, params.id, { ...body, saidAt: now() })
    return { said: true as const }
  })
  serveRoute(app, routes.readLibrary, async ({ params }) => ({ kept: await readKeptRecipes(db, params.id) }))
  serveRoute(app, routes.exportProject, async ({ params }) => ({
    ...(await exportProject(db, params.id, now())),
    around: await summaries.aroundOf(params.id),
  }))
  serveRoute(app, routes.changeProject, ({ params, body, by }) =>
    projects.changeProject(db, params.id, body, by.name),
  )
  serveRoute(app, routes.readChanges, async ({ params, query }) => ({
    changes: await projects.readChanges(db, params.id, query.before),
  }))
}
