import { zValidator } from '@hono/zod-validator'
import {
  atRevisionSchema,
  createProjectSchema,
  projectFileSchema,
  putLineSchema,
  putRecipesSchema,
  putSettingsSchema,
  putUnitSchema,
} from '@seriatim/contract'
import type { Instant } from '@seriatim/core'
import { Hono } from 'hono'
import { z } from 'zod'
import type { Database } from '../../db/client.ts'
import { jsonBody } from '../../http/json-body.ts'
import { projectIdParam, unitIdParams } from '../../http/path-params.ts'
import { RequestProblem } from '../../http/problem.ts'
import { exportProject, importProject } from './project-files.ts'
import * as projects from './service.ts'

const copyQuery = zValidator('query', z.object({ copy: z.enum(['true', 'false']).default('false') }))

export const projectRoutes = (db: Database, now: () => Instant) =>
  new Hono()
    .get('/', async (context) => context.json({ projects: await projects.listProjects(db, now()) }))
    .post('/import', copyQuery, jsonBody(projectFileSchema), async (context) => {
      const copy = context.req.valid('query').copy === 'true'
      return context.json(await importProject(db, context.req.valid('json'), copy), 201)
    })
    .put('/:id', projectIdParam, jsonBody(createProjectSchema), async (context) => {
      const { id } = context.req.valid('param')
      return context.json(await projects.createProject(db, id, context.req.valid('json')), 201)
    })
    .get('/:id', projectIdParam, async (context) =>
      context.json(await projects.requireProject(db, context.req.valid('param').id)),
    )
    .delete('/:id', projectIdParam, async (context) => {
      await projects.setProjectRemoved(db, context.req.valid('param').id, true)
      return context.json({ removed: true })
    })
    .post('/:id/restore', projectIdParam, async (context) => {
      await projects.setProjectRemoved(db, context.req.valid('param').id, false)
      return context.json({ removed: false })
    })
    .get('/:id/file', projectIdParam, async (context) =>
      context.json(await exportProject(db, context.req.valid('param').id, now())),
    )
    .put('/:id/settings', projectIdParam, jsonBody(putSettingsSchema), async (context) => {
      const { revision, settings } = context.req.valid('json')
      return context.json(
        await projects.changeSettings(db, context.req.valid('param').id, revision, settings),
      )
    })
    .put('/:id/line', projectIdParam, jsonBody(putLineSchema), async (context) => {
      const { revision, line } = context.req.valid('json')
      return context.json(await projects.putLine(db, context.req.valid('param').id, revision, line))
    })
    .put('/:id/recipes', projectIdParam, jsonBody(putRecipesSchema), async (context) => {
      const { revision, recipes } = context.req.valid('json')
      return context.json(await projects.putRecipes(db, context.req.valid('param').id, revision, recipes))
    })
    .put('/:id/units/:unitId', unitIdParams, jsonBody(putUnitSchema), async (context) => {
      const { id, unitId } = context.req.valid('param')
      const { revision, unit } = context.req.valid('json')
      if (unit.id !== unitId)
        throw new RequestProblem('invalid-request', 'The unit’s id and the address differ.')
      return context.json(await projects.putUnit(db, id, revision, unit))
    })
    .delete('/:id/units/:unitId', unitIdParams, jsonBody(atRevisionSchema), async (context) => {
      const { id, unitId } = context.req.valid('param')
      return context.json(await projects.removeUnit(db, id, context.req.valid('json').revision, unitId))
    })
