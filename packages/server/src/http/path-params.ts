import { zValidator } from '@hono/zod-validator'
import type { MaterialId, ProjectId, UnitId } from '@seriatim/core'
import { z } from 'zod'
import { RequestProblem } from './problem.ts'

const id = <Id extends string>() => z.uuid() as unknown as z.ZodType<Id, string>

const pathParams = <Schema extends z.ZodType>(schema: Schema) =>
  zValidator('param', schema, (result) => {
    if (!result.success) throw new RequestProblem('not-found', 'This address names nothing here.')
  })

export const projectIdParam = pathParams(z.object({ id: id<ProjectId>() }))
export const unitIdParams = pathParams(z.object({ id: id<ProjectId>(), unitId: id<UnitId>() }))
export const materialIdParam = pathParams(z.object({ materialId: id<MaterialId>() }))
